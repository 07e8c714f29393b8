// SPDX-License-Identifier: GPL-3.0-or-later
// Asking for a proposal in the tray, and what came of it: the search, the bound, the plan beside the present
// one, taken whole, by floors, or as a variant.
#pragma once
#include <QWidget>
#include <map>
#include <memory>
#include <vector>

#include "app/behind/behind.h"
#include "proposal/propose.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QPushButton;
class QTableView;

namespace yemvo::app {

class BoundRail;
class ProposalTable;
class SearchChart;
class Workspace;

class ProposalPage : public QWidget {
    Q_OBJECT
public:
    explicit ProposalPage(Workspace&, QWidget* parent = nullptr);
    ~ProposalPage() override;
    void begin();
    /// Further from the plan that is shown.
    void search_on();
    /// What a step less of the requirements that rule it would save.
    void ask_for_less();
    void stop();
    bool is_working() const { return !behind_.is_idle(); }
    QString doing() const { return behind_.words(); }
    /// What stands beside the plan; null for nothing.
    const std::shared_ptr<const Proposal>& shown() const { return shown_; }
    const ProposalTable& table() const { return *table_; }
    ProposalTable& table() { return *table_; }
    const BoundRail& rail() const { return *rail_; }
    const SearchChart& chart() const { return *chart_; }
    /// What it was asked for.
    const ProposalAsk& asked() const { return asked_; }
    /// Of the plan that is shown one access point alone; the others stay beside the plan.
    void take_one(AccessPointId);
    /// What is said over the table, and below.
    QString summary() const;

signals:
    void progressed();
    void shown_changed();

private:
    QWidget* build_ask();
    QWidget* build_answer();
    ProposalAsk ask() const;
    void ask_about_selection(ProposalAsk&) const;
    void show(std::shared_ptr<const Proposal>);
    void forget();
    void drop_if_old();
    void take(bool as_variant);
    void refresh();
    void fill_models();
    QString ruling_words() const;
    Workspace& workspace_;
    Behind behind_;
    std::shared_ptr<const Proposal> shown_;
    /// `cabled`: with the ways that cables have now; what goes on from a plan has them already.
    void run(const ProposalAsk&, bool cabled = false);
    void put_by();
    void bring_back();
    void catch_up();
    bool is_of_present(const Project&) const;
    /// Proposals that were taken or lost to an edit, with what they were worked out for: undo brings them
    /// back.
    struct PutBy {
        Project present;
        std::shared_ptr<const Proposal> found;
    };
    std::vector<PutBy> put_by_;
    Project present_;  ///< that it was worked out for
    ProposalAsk asked_;
    QStringList relaxed_lines_;
    bool taking_ = false;         ///< the change of the plan is its own
    bool before_is_old_ = false;  ///< the verdict of the present plan
    QComboBox *floors_, *models_, *present_plan_, *goal_, *seconds_;
    QCheckBox *survive_, *cabled_;
    std::vector<QCheckBox*> bands_;
    QPushButton *begin_, *on_, *less_, *take_, *variant_, *drop_;
    QLabel *summary_, *detail_, *gap_, *relaxed_;
    QTableView* view_;
    ProposalTable* table_;
    BoundRail* rail_;
    SearchChart* chart_;
};

}  // namespace yemvo::app
