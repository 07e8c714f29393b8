// SPDX-License-Identifier: GPL-3.0-or-later
// Whether the cuts that were taken from a sheet can be true: against each other, and against the gain.
#pragma once
#include <QWidget>
#include <optional>

#include "antenna/pattern/cuts.h"

class QComboBox;
class QLabel;

namespace yemvo::app {

class CutsStrip;
class UnitField;

/// Whom to believe where both cuts look backwards and disagree.
enum class BehindTake { each_its_own, azimuth, mean, elevation };

class ChartChecks : public QWidget {
    Q_OBJECT
public:
    explicit ChartChecks(QWidget* parent = nullptr);
    /// `gain_dbi`: as printed. `guessed`: directions in which a curve was not seen.
    void show_cuts(const PatternCuts&, std::optional<double> gain_dbi, int guessed);
    BehindTake behind_take() const;

signals:
    void changed();  ///< tolerance, or what is taken behind
    void fit_wanted();

private:
    QLabel *efficiency_, *guessed_;
    CutsStrip* strip_;
    UnitField* tolerance_;
    QComboBox* take_;
};

}  // namespace yemvo::app
