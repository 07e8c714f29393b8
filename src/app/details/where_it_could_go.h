// SPDX-License-Identifier: GPL-3.0-or-later
// Every permitted place on the spectrum for the chosen radio, with the air that it would lose there and to
// whom.
#pragma once
#include <QWidget>
#include <vector>

#include "app/model/spectrum.h"
#include "app/model/tuning.h"

class QLabel;
class QListWidget;
class QPushButton;

namespace yemvo::app {

class WhereItCouldGo : public QWidget {
    Q_OBJECT
public:
    explicit WhereItCouldGo(Workspace&, QWidget* parent = nullptr);
    struct Row {
        OpenChannel open;
        AirAt air;
        bool now = false;
    };
    /// Least air lost and taken first.
    const std::vector<Row>& rows() const { return rows_; }
    const SpectrumNow& spectrum() const { return *spectrum_; }
    QListWidget* list() { return list_; }

private:
    void refresh();
    void move();
    Workspace& workspace_;
    QLabel* title_;
    QListWidget* list_;
    QPushButton* move_;
    std::vector<Row> rows_;
    std::shared_ptr<const SpectrumNow> spectrum_;
};

}  // namespace yemvo::app
