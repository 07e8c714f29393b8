// SPDX-License-Identifier: GPL-3.0-or-later
// From a printed chart to a pattern: the sheet, what was found on it, both cuts, and into the library.
#pragma once
#include <QWidget>
#include <map>
#include <set>

#include "app/asking/asking.h"
#include "app/behind/behind.h"
#include "app/charts/chart_sheet.h"
#include "app/model/workspace.h"

class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;

namespace yemvo::app {

class ChartCanvas;
class ChartChecks;
class PatternPlots;
class UnitField;

/// What goes into the library.
struct ChartResult {
    QString name;
    PatternCuts cuts;
    double gain_dbi = 0;
};

class ChartPage : public QWidget {
    Q_OBJECT
public:
    ChartPage(Workspace&, QWidget* parent = nullptr);
    /// Reads the file behind the window. `now`: the antenna whose cuts stand where the sheet has none.
    void open(const QString& file, const PatternCuts& now);
    bool is_idle() const { return behind_.is_idle(); }
    const ChartSheet& sheet() const { return sheet_; }
    Behind& behind() { return behind_; }

signals:
    void left();
    void opened();
    void accepted(const yemvo::app::ChartResult&);

protected:
    void keyPressEvent(QKeyEvent*) override;
    void paintEvent(QPaintEvent*) override;
    void hideEvent(QHideEvent*) override;

private:
    QWidget* make_head();
    QWidget* make_right();
    QWidget* make_chart_rows();
    void read(const QString& file, int page);
    void show_sheet(ChartSheet);
    void take_words();
    void choose(int chart);
    TracedChart* chosen_chart();
    TracedChart* used_as(ChartUse);
    ChartUse free_use() const;
    void change(const std::function<void(TracedChart&)>& how);
    void retrace(int chart);
    void refresh();
    void refresh_rows();
    void refresh_checks(const PatternCuts& both);
    void use_as(int use);
    void fit_rings();
    PatternCuts cuts();
    void accept();
    Workspace& workspace_;
    Behind behind_;
    ChartSheet sheet_;
    PatternCuts now_;
    int chosen_ = -1;
    std::set<int> stale_;  ///< charts whose curve is not of their frame any more
    ChartCanvas* canvas_;
    PatternPlots* plots_;
    ChartChecks* checks_;
    QLabel *title_, *told_, *fault_;
    QComboBox *page_, *use_, *runs_;
    UnitField *ring_, *zero_, *gain_, *frequency_;
    QLineEdit* name_;
    QPushButton *colour_, *by_hand_, *accept_;
};

}  // namespace yemvo::app
