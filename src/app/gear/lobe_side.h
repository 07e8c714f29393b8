// SPDX-License-Identifier: GPL-3.0-or-later
// The right side of the gear page: both cuts, the lobe, what a data sheet would say of them, and the values.
#pragma once
#include <QWidget>
#include <functional>

#include "antenna/antenna.h"
#include "antenna/pattern/cuts.h"
#include "wireless/band.h"

class QComboBox;
class QLabel;
class QTableWidget;

namespace yemvo::app {

class LobeView;
class PolarPlot;

class LobeSide : public QWidget {
    Q_OBJECT
public:
    explicit LobeSide(QWidget* parent = nullptr);
    void show_antenna(const QString& whose, const Antenna&, BandId);
    /// For tests and screen readers.
    QString words() const;

signals:
    /// Values were typed or pasted; the antenna becomes a measured one with these cuts.
    void typed(const yemvo::PatternCuts&);
    void refused(const QString& why);

protected:
    void paintEvent(QPaintEvent*) override;
    void showEvent(QShowEvent*) override;
    bool eventFilter(QObject*, QEvent*) override;

private:
    QWidget* make_figures();
    QWidget* make_values();
    void fill_figures(const Antenna&);
    void fill_values();
    void show_front();
    void take_value(int row, int column);
    void paste();
    void set_value(PatternCuts&, int row, int column, double db) const;
    int step_deg() const;
    void fill_frequencies(const MeasuredPattern*, double near_mhz);
    void refresh();
    QString whose_;
    Antenna antenna_;
    BandId band_;
    PatternCuts cuts_;
    std::uint64_t shown_ = 0;
    QLabel* title_;
    PolarPlot *azimuth_, *elevation_;
    LobeView* lobe_;
    std::vector<QLabel*> figures_;
    QLabel* check_;
    QComboBox *step_, *at_;  ///< degrees between values; the frequency that they are of
    QLabel* at_label_;
    QTableWidget* values_;
};

}  // namespace yemvo::app
