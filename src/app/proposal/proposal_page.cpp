// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/proposal/proposal_page.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QTableView>
#include <QTimer>
#include <algorithm>
#include <cmath>

#include "app/forms/ask_side.h"
#include "app/look/columns.h"
#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/workspace.h"
#include "app/proposal/bound_rail.h"
#include "app/proposal/proposal_table.h"
#include "app/proposal/search_chart.h"
#include "cabling/cable_reach.h"
#include "project/edits.h"
#include "proposal/relax.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

namespace {

constexpr double usual_reach_m = 3;
constexpr int zones_alone = 2;  ///< among the floors
enum class PresentPlan { may_go, stays, selected_stay, each_within };
constexpr double seconds_offered[] = {15, 60, 300, 900};

/// "SNR, 5 and 6 GHz: 22 instead of 25 dB saves 2 access points (14 hang there for it)"
QString relaxed_words(const RelaxedPlan& r, ProposalGoal goal) {
    const QString step = said_text(step_words(r.now, r.less));
    const QString rules = counted("%n hangs there for it", "%n hang there for it", r.rules);
    const QString saved =
        r.saved < 0.5 || !r.holds ? tr("saves nothing that was found in so short a time")
        : goal == ProposalGoal::count
            ? tr("saves %1")
                  .arg(counted("%n access point", "%n access points", std::size_t(std::lround(r.saved))))
        : goal == ProposalGoal::price ? tr("saves a price of %1").arg(render::figure(r.saved, 0))
                                      : tr("saves %1 W").arg(render::figure(r.saved, 0));
    return QString("%1 %2 (%3).").arg(step, saved, rules);
}

bool hang_alike(const Project& a, const Project& b) {
    return std::ranges::all_of(
        all_floors(a), [&](const Floor* f) { return access_points(a, f->id) == access_points(b, f->id); });
}

}  // namespace

ProposalPage::ProposalPage(Workspace& workspace, QWidget* parent)
    : QWidget(parent), workspace_(workspace), behind_(Behind::Manner{.gives_way = true}) {
    setObjectName("proposalPage");
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    row->addWidget(build_ask());
    row->addWidget(build_answer(), 1);
    connect(&behind_, &Behind::progressed, this, [this] {
        refresh();
        emit progressed();
    });
    listen(this, &ProposalPage::drop_if_old, workspace, &Workspace::project_changed);
    listen(this, &ProposalPage::catch_up, workspace.results(), &Results::changed);
    connect(&workspace.document(), &Document::opened, this, [this] {
        behind_.stop();
        put_by_.clear();
        forget();
        fill_models();
    });
    fill_models();
    refresh();
}

ProposalPage::~ProposalPage() { behind_.disconnect(); }

QWidget* ProposalPage::build_ask() {
    AskSide side(this, 300);
    floors_ = side.choice(tr("Floors"), "proposalFloors",
                          {tr("all floors"), tr("the floor in view"), tr("the selected zones")}, 0);
    const AskSide::Bands radios = side.bands("proposalBand");
    bands_ = radios.boxes;
    radios.row->addStretch(1);
    models_ = side.choice(tr("Models"), "proposalModels", {}, 0);
    models_->setToolTip(tr("Inside those that hang under ceilings, in the open those made for it"));
    present_plan_ = side.choice(tr("Present plan"), "proposalPresent",
                                {tr("may move or go"), tr("stays where it hangs"), tr("the selected stay"),
                                 tr("each within %1 m").arg(render::figure(usual_reach_m, 0))},
                                0);
    present_plan_->setToolTip(tr("What becomes of the access points that hang now"));
    side.label(tr("Failures"));
    survive_ = side.tick(tr("any one may fail"), "proposalSurvive",
                         tr("Levels that requirements ask for hold with any one access point gone"));
    side.label(tr("Cables"));
    cabled_ = side.tick(tr("within reach of a closet"), "proposalCabled",
                        tr("Access points hang only where a cable to a closet keeps to its limits"));
    goal_ = side.choice(tr("As little as can be"), "proposalGoal",
                        {tr("access points"), tr("price"), tr("watts")}, 0);
    QStringList times;
    for (const double s : seconds_offered)
        times << (s < 60 ? tr("%1 s").arg(render::figure(s, 0))
                         : tr("%1 min").arg(render::figure(s / 60, 0)));
    seconds_ = side.choice(tr("Time"), "proposalSeconds", times, 1);
    side.grid()->setRowStretch(side.next_row(), 1);
    auto* further = new QHBoxLayout;
    on_ = new QPushButton(tr("Search on"));
    on_->setObjectName("proposalOn");
    on_->setToolTip(tr("Goes on from the plan that is shown, as long again"));
    connect(on_, &QPushButton::clicked, this, &ProposalPage::search_on);
    less_ = new QPushButton(tr("What less saves"));
    less_->setObjectName("proposalLess");
    less_->setToolTip(tr("Tries what one step less of each requirement that rules the plan would save"));
    connect(less_, &QPushButton::clicked, this, &ProposalPage::ask_for_less);
    for (QPushButton* b : {on_, less_}) further->addWidget(b, 1);
    side.grid()->addLayout(further, side.next_row(), 0, 1, 2);
    begin_ = new QPushButton(tr("Propose"));
    begin_->setObjectName("proposalBegin");
    begin_->setDefault(true);
    connect(begin_, &QPushButton::clicked, this, [this] { is_working() ? stop() : begin(); });
    side.grid()->addWidget(begin_, side.next_row(), 0, 1, 2);
    return side.widget();
}

QWidget* ProposalPage::build_answer() {
    auto* main = new QWidget(this);
    auto* column = new QVBoxLayout(main);
    column->setContentsMargins(12, 8, 8, 6);
    column->setSpacing(4);
    auto* head = new QHBoxLayout;
    head->setSpacing(14);
    auto* words = new QVBoxLayout;
    words->setSpacing(2);
    summary_ = new QLabel;
    summary_->setObjectName("proposalSummary");
    summary_->setFont(render::font(13, 600));
    summary_->setWordWrap(true);
    words->addWidget(summary_);
    detail_ = new QLabel;
    detail_->setObjectName("muted");
    detail_->setWordWrap(true);
    words->addWidget(detail_);
    words->addStretch(1);
    head->addLayout(words, 1);
    rail_ = new BoundRail;
    head->addWidget(rail_);
    column->addLayout(head);
    auto* middle = new QHBoxLayout;
    middle->setSpacing(10);
    chart_ = new SearchChart;
    chart_->setFixedWidth(196);
    middle->addWidget(chart_);
    table_ = new ProposalTable(this);
    view_ = new QTableView;
    view_->setObjectName("proposalTable");
    view_->setAccessibleName(tr("Differences by floor"));
    view_->setModel(table_);
    view_->setSelectionBehavior(QAbstractItemView::SelectRows);
    view_->setSelectionMode(QAbstractItemView::SingleSelection);
    view_->setShowGrid(false);
    view_->setFrameShape(QFrame::NoFrame);
    view_->verticalHeader()->hide();
    view_->verticalHeader()->setDefaultSectionSize(21);
    constexpr int widths[] = {86, 68, 134, 104, 104, 104, 114, 90};
    for (int c = 0; c < ProposalTable::column_count; ++c) set_column_width(*view_, c, widths[c]);
    view_->horizontalHeader()->setSectionResizeMode(ProposalTable::floor, QHeaderView::Stretch);
    auto* right = new QVBoxLayout;
    right->setSpacing(4);
    right->addWidget(view_, 1);
    relaxed_ = new QLabel;
    relaxed_->setObjectName("proposalRelaxed");
    relaxed_->setWordWrap(true);
    right->addWidget(relaxed_);
    middle->addLayout(right, 1);
    column->addLayout(middle, 1);
    auto* row = new QHBoxLayout;
    gap_ = new QLabel;
    gap_->setObjectName("muted");
    row->addWidget(gap_, 1);
    drop_ = new QPushButton(tr("Put it away"));
    drop_->setObjectName("proposalDrop");
    variant_ = new QPushButton(tr("As a new variant"));
    variant_->setObjectName("proposalVariant");
    take_ = new QPushButton(tr("Take it"));
    take_->setObjectName("proposalTake");
    for (QPushButton* b : {drop_, variant_, take_}) row->addWidget(b);
    column->addLayout(row);
    connect(take_, &QPushButton::clicked, this, [this] { take(false); });
    connect(variant_, &QPushButton::clicked, this, [this] { take(true); });
    connect(drop_, &QPushButton::clicked, this, [this] {
        stop();
        put_by_.clear();
        forget();
    });
    connect(table_, &ProposalTable::ticked_changed, this, &ProposalPage::refresh);
    connect(view_->selectionModel(), &QItemSelectionModel::currentRowChanged, this,
            [this](const QModelIndex& now) {
                const FloorId id = table_->floor_of(now.row());
                if (now.isValid() && find_floor(workspace_.project(), id))
                    workspace_.in_view().show_floor(id);
            });
    return main;
}

/// The one most used, or one of the project's own.
void ProposalPage::fill_models() {
    const QString chosen = models_->currentText();
    models_->clear();
    models_->addItem(tr("the one most used"));
    models_->addItem(tr("whichever is best"));
    if (!workspace_.document().is_open()) return;
    for (const AccessPointModel& m : *workspace_.project().models)
        models_->addItem(QString::fromStdString(m.name), m.id.value);
    models_->setCurrentIndex(std::max(0, models_->findText(chosen)));
}

ProposalAsk ProposalPage::ask() const {
    ProposalAsk ask;
    if (floors_->currentIndex() == 1) ask.floors = {workspace_.floor_id()};
    ask.bands = {};
    for (const Band& b : bands())
        if (bands_[b.id.index]->isChecked()) ask.bands = ask.bands.with(b.id);
    if (models_->currentIndex() == 1)
        for (const AccessPointModel& m : *workspace_.project().models) ask.models.push_back(m.id);
    else if (models_->currentIndex() > 1)
        ask.models = {ModelId{models_->currentData().toUInt()}};
    ask_about_selection(ask);
    ask.survives_one = survive_->isChecked();
    ask.goal = static_cast<ProposalGoal>(goal_->currentIndex());
    ask.seconds = seconds_offered[seconds_->currentIndex()];
    return ask;
}

void ProposalPage::ask_about_selection(ProposalAsk& ask) const {
    const auto present = static_cast<PresentPlan>(present_plan_->currentIndex());
    ask.keep = present == PresentPlan::stays;
    if (present == PresentPlan::each_within)
        for (const PlacedAccessPoint& placed : placed_access_points(workspace_.project()))
            ask.reach_m[placed.access_point->id] = usual_reach_m;
    for (const Item& item : workspace_.selection().items()) {
        if (item.kind == ItemKind::access_point && present == PresentPlan::selected_stay)
            ask.locked.push_back(AccessPointId{item.id});
        if (item.kind == ItemKind::zone && floors_->currentIndex() == zones_alone) {
            ask.zones.push_back(ZoneId{item.id});
            ask.floors = {workspace_.floor_id()};
        }
    }
}

void ProposalPage::begin() {
    if (!workspace_.document().is_open()) return;
    const ProposalAsk asked = ask();
    if (asked.bands.empty()) return workspace_.tell(tr("Choose a band to propose for"), true);
    if (floors_->currentIndex() == zones_alone && asked.zones.empty())
        return workspace_.tell(tr("Select the zones on the plan that are to be proposed for"), true);
    forget();
    present_ = workspace_.project();
    run(asked, cabled_->isChecked());
}

void ProposalPage::search_on() {
    if (!shown_ || is_working()) return;
    ProposalAsk asked = asked_;
    asked.from = std::make_shared<const HungPlan>(shown_->plan);
    ++asked.seed;  // other ways than before
    asked.seconds = ask().seconds;
    run(asked);
}

void ProposalPage::ask_for_less() {
    if (!shown_ || is_working()) return;
    relaxed_lines_.clear();
    behind_.request(
        {tr("Asking for less"),
         [this, project = workspace_.project(), found = shown_, asked = asked_](const AtWork& at) {
             Predictor predictor;
             const auto told = [&](const RelaxedPlan& r, double share) {
                 at.tell(share);
                 at.hand_over([this, r] {
                     relaxed_lines_ << relaxed_words(r, asked_.goal);
                     refresh();
                 });
             };
             at.tell(0);
             if (relaxed_plans(project, *found, asked, predictor, {}, at.cancel(), told).empty())
                 at.hand_over([this] {
                     relaxed_lines_ << tr("Nothing that is asked fails without any one of them.");
                     refresh();
                 });
         },
         [this](const QString& why) { workspace_.tell(why, true); }, [this] { refresh(); }});
    refresh();
}

void ProposalPage::run(const ProposalAsk& wanted, bool cabled) {
    chart_->begin(wanted.seconds);
    relaxed_lines_.clear();
    asked_ = wanted;
    behind_.request(job(
        tr("Looking for places"),
        [this, project = workspace_.project(), wanted, cabled](const AtWork& at) {
            ProposalAsk asked = wanted;
            if (cabled) {
                asked.cabled = std::make_shared<const CableReach>(project, at.cancel());
                at.hand_over([this, ways = asked.cabled] { asked_.cabled = ways; });
            }
            Predictor predictor;
            const auto better = [&](const Proposal& p) {
                at.hand_over([this, found = std::make_shared<const Proposal>(p)] { show(found); });
            };
            const auto stand = [&](const ProposalStand& s) {
                at.tell(std::min(1.0, s.seconds / asked.seconds));
                at.hand_over([this, s, counts = asked.goal == ProposalGoal::count] {
                    ProposalStand shown = s;
                    if (!counts) shown.lower_bound = 0;  // of something else than what the chart counts
                    chart_->add(shown);
                });
            };
            return std::make_shared<const Proposal>(
                propose(project, predictor, asked, at.cancel(), better, stand));
        },
        [this](const std::shared_ptr<const Proposal>& found) {
            chart_->end();
            show(found);
        },
        [this](const QString& why) {
            chart_->end();
            workspace_.tell(why, true);
        }));
    refresh();
}

void ProposalPage::stop() {
    behind_.stop();
    chart_->end();
    refresh();
}

void ProposalPage::show(std::shared_ptr<const Proposal> found) {
    if (!is_of_present(present_)) return;  // of a plan that is no more
    const bool is_first = !shown_;
    shown_ = std::move(found);
    table_->show(shown_, workspace_.project());
    refresh();
    // the map, the plan and the bar over it come a turn later: all at once would hold up the hand
    if (is_first && is_working())
        QTimer::singleShot(0, this, &ProposalPage::shown_changed);
    else
        emit shown_changed();
}

void ProposalPage::forget() {
    shown_.reset();
    before_is_old_ = false;
    relaxed_lines_.clear();
    table_->show(nullptr, workspace_.project());
    chart_->begin(60);
    chart_->end();
    refresh();
    emit shown_changed();
}

/// Nothing that it depends on has changed since it was begun.
bool ProposalPage::is_of_present(const Project& then) const {
    const Project& now = workspace_.project();
    return now.buildings == then.buildings && now.variant == then.variant && hang_alike(now, then) &&
           now.models == then.models && now.wall_types == then.wall_types &&
           now.requirement_sets == then.requirement_sets && now.demand == then.demand &&
           now.clients == then.clients && now.settings == then.settings;
}

void ProposalPage::put_by() {
    constexpr std::size_t most = 8;
    if (!shown_) return;
    put_by_.push_back({present_, shown_});
    if (put_by_.size() > most) put_by_.erase(put_by_.begin());
}

/// The present plan was judged again since one of the proposal's access points was taken into it.
void ProposalPage::catch_up() {
    const auto& known = workspace_.results().prediction();
    const auto& verdict = workspace_.results().verdict();
    if (!before_is_old_ || !shown_ || !verdict || !verdict->complete() || !known) return;
    if (!is_of_present(known->project)) return;
    before_is_old_ = false;
    auto newer = std::make_shared<Proposal>(*shown_);
    newer->before = *verdict;
    show(std::move(newer));
}

/// Beside a plan that has changed since it would tell wrong differences.
void ProposalPage::drop_if_old() {
    if (!workspace_.document().is_open()) return;
    if (taking_) return;
    if ((shown_ || is_working()) && !is_of_present(present_)) {
        if (is_working()) workspace_.tell(tr("The plan has changed: the search for a proposal was stopped"));
        stop();
        put_by();
        forget();
    }
    if (!shown_ && !is_working()) bring_back();
    if (models_->count() != static_cast<int>(workspace_.project().models->size()) + 2) fill_models();
}

/// After undo.
void ProposalPage::bring_back() {
    const auto found =
        std::ranges::find_if(put_by_, [&](const PutBy& p) { return is_of_present(p.present); });
    if (found == put_by_.end()) return;
    const PutBy back = *found;
    put_by_.erase(found);
    present_ = back.present;
    show(back.found);
}

void ProposalPage::take_one(AccessPointId id) {
    if (!shown_) return;
    const auto move = std::ranges::find(shown_->plan.moves, id, &ProposalMove::access_point);
    if (move == shown_->plan.moves.end()) return;
    stop();
    put_by();
    const std::shared_ptr<const Proposal> from = shown_;
    AccessPointId is = id;
    taking_ = true;
    workspace_.edit(tr("Take access point %1").arg(move->number),
                    [&](Project& p) { is = take_move(p, from->plan, id); });
    taking_ = false;
    present_ = workspace_.project();
    auto left = std::make_shared<Proposal>(*from);
    left->access_points_before += move->kind == MoveKind::added;
    left->access_points_before -= move->kind == MoveKind::removed;
    left->plan = with_taken(std::move(left->plan), id, is);
    before_is_old_ = true;
    show(std::move(left));
}

void ProposalPage::take(bool as_variant) {
    if (!shown_) return;
    const std::set<FloorId> floors = table_->ticked();
    const std::shared_ptr<const Proposal> taken = shown_;
    behind_.stop();
    workspace_.edit(as_variant ? tr("Proposed variant") : tr("Take proposal"), [&](Project& p) {
        if (as_variant)
            copy_variant(
                p, tr("%1, proposed").arg(QString::fromStdString(current_variant(p).name)).toStdString());
        take_plan(p, taken->plan, floors);
    });
}

QString ProposalPage::ruling_words() const {
    if (shown_->ruling.empty()) return {};
    const Proposal::Ruling& r = shown_->ruling.front();
    const Project& p = workspace_.project();
    const Requirement* what = find_requirement(p, r.subject.requirement);
    const Floor* where = find_floor(p, r.subject.floor);
    if (!what || !where) return {};
    return tr("Ruled by %1 on %2")
        .arg(said_text(requirement_name(*what)), QString::fromStdString(floor_title(p, *where)));
}

QString ProposalPage::summary() const { return summary_->text() + "\n" + detail_->text(); }

void ProposalPage::refresh() {
    const bool working = is_working();
    begin_->setText(working ? tr("Stop") : tr("Propose"));
    begin_->setEnabled(workspace_.document().is_open());
    const bool any = shown_ && !table_->ticked().empty();
    const bool all = shown_ && static_cast<int>(table_->ticked().size()) == table_->rowCount() - 1;
    take_->setEnabled(any);
    variant_->setEnabled(any);
    drop_->setEnabled(shown_ != nullptr);
    on_->setEnabled(shown_ && !working);
    less_->setEnabled(shown_ && !working);
    relaxed_->setText(relaxed_lines_.join("\n"));
    relaxed_->setVisible(!relaxed_lines_.isEmpty());
    take_->setText(all || !shown_ ? tr("Take it")
                                  : counted("Take %n floor", "Take %n floors", table_->ticked().size()));
    rail_->setVisible(shown_ != nullptr);
    chart_->setVisible(shown_ || working);
    view_->setVisible(shown_ != nullptr);
    gap_->clear();
    if (!shown_) {
        summary_->setText(working ? tr("Looking for places…") : tr("Where access points go, worked out"));
        detail_->setText(
            tr("As few as meet what is required, over all floors at once, with channels, held against "
               "the verdict. The plan that is found stands beside the present one, to be taken or not."));
        return;
    }
    view_->setColumnHidden(ProposalTable::watts,
                           goal_->currentIndex() != static_cast<int>(ProposalGoal::watts));
    const Proposal& p = *shown_;
    const QString count = counted("%n access point", "%n access points", p.access_points);
    summary_->setText(
        p.verdict.not_met() == 0
            ? tr("%1 instead of %2: every requirement holds").arg(count).arg(p.access_points_before)
            : tr("%1 instead of %2: %3 not met, now %4")
                  .arg(count)
                  .arg(p.access_points_before)
                  .arg(counted("%n requirement", "%n requirements", p.verdict.not_met()))
                  .arg(p.before.not_met()));
    QStringList lines;
    if (working) lines << tr("Still looking.");
    for (std::size_t i = 0; i < p.notes.size() && i < 2; ++i) lines << said_text(p.notes[i]);
    if (lines.isEmpty())
        lines << tr("Of %1 candidates, in %2 s. A click on a proposed access point tells why it hangs there.")
                     .arg(p.candidates)
                     .arg(render::figure(p.seconds, 0));
    detail_->setText(lines.join("\n"));
    const bool counts = p.goal == ProposalGoal::count;
    rail_->setVisible(counts);
    if (counts) rail_->show_figures({int(p.lower_bound), int(p.access_points), int(p.access_points_before)});
    if (p.lower_bound <= 0) return;
    const QString least = render::figure(p.lower_bound, 0), cost = render::figure(p.cost, 0);
    const QString bound = counts ? tr("At least %1 to reach what is asked.").arg(least)
                          : p.goal == ProposalGoal::price
                              ? tr("Price %1, at least %2 to reach what is asked.").arg(cost, least)
                              : tr("%1 W, at least %2 to reach what is asked.").arg(cost, least);
    gap_->setText(bound + " " + ruling_words());
}

}  // namespace yemvo::app
