// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cables/cables_page.h"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QSortFilterProxyModel>
#include <QStackedWidget>
#include <QTableView>

#include "app/cables/counting_form.h"
#include "app/forms/form.h"
#include "app/look/columns.h"
#include "app/look/tables.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/model/selection.h"
#include "app/model/workspace.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

/// The hand goes first; a plan of a large site may take a second and is shown all the same.
const Behind::Manner after_the_hand{Behind::Takes::newest, std::chrono::milliseconds(120),
                                    std::chrono::milliseconds(1500)};

/// Without room for the sign of sorting, which is wanted for figures.
QTableView* figures_table(QAbstractItemModel* model, const QString& object, const QString& name,
                          std::initializer_list<int> widths, int stretched) {
    QTableView* view = plain_table(model, object, name, widths);
    view->horizontalHeader()->setSortIndicatorShown(false);
    view->horizontalHeader()->setSectionResizeMode(stretched, QHeaderView::Stretch);
    return view;
}

QString metres_in_all(double metres, LengthUnits units) {
    return units == LengthUnits::metres ? tr("%1 m").arg(render::figure(metres, 0))
                                        : tr("%1 ft").arg(render::figure(metres / 0.3048, 0));
}

}  // namespace

CablesPage::CablesPage(Workspace& workspace, QWidget* parent)
    : QWidget(parent),
      workspace_(workspace),
      behind_(after_the_hand),
      searching_(Behind::Manner{.gives_way = true}) {
    setObjectName("cablesPage");
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(make_head());
    auto* sides = new QHBoxLayout;
    sides->setSpacing(0);
    runs_ = new CableTable(workspace, this);
    sorted_ = new QSortFilterProxyModel(this);
    sorted_->setSourceModel(runs_);
    sorted_->setSortRole(Qt::UserRole);
    runs_view_ = figures_table(sorted_, "cableTable", tr("Cables"), {40, 104, 60, 84, 54, 74, 150, 44, 56},
                               CableTable::note);
    runs_view_->setSortingEnabled(true);
    runs_view_->sortByColumn(CableTable::number, Qt::AscendingOrder);
    runs_view_->horizontalHeader()->setSortIndicatorShown(false);
    int at = 0;  // again: without the sign of sorting heads need less
    for (const int px : {40, 104, 60, 84, 54, 74, 150, 44, 56}) set_column_width(*runs_view_, at++, px);
    sides->addWidget(runs_view_, 3);
    sides->addWidget(make_side(), 2);
    column->addLayout(sides, 1);
    connect(runs_view_->selectionModel(), &QItemSelectionModel::currentRowChanged, this,
            &CablesPage::follow_row);
    connect(&workspace.selection(), &Selection::changed, this, &CablesPage::follow_selection);
    listen(this, &CablesPage::ask, workspace, &Workspace::project_changed);
    connect(&searching_, &Behind::progressed, this, [this] {
        refresh();
        emit progressed();
    });
    refresh();
}

CablesPage::~CablesPage() {
    behind_.disconnect();
    searching_.disconnect();
}

QWidget* CablesPage::make_head() {
    auto* head = new QWidget;
    auto* row = new QHBoxLayout(head);
    row->setContentsMargins(12, 5, 12, 4);
    summary_ = new QLabel;
    summary_->setObjectName("cablesSummary");
    summary_->setFont(render::font(13, 600));
    summary_->setWordWrap(true);
    row->addWidget(summary_, 1);
    propose_ = new QPushButton(tr("Propose closets"));
    propose_->setObjectName("cablesPropose");
    propose_->setToolTip(tr("The fewest further closets that bring every access point within reach"));
    connect(propose_, &QPushButton::clicked, this, &CablesPage::propose);
    row->addWidget(propose_);
    place_ = new QPushButton(tr("Place them"));
    place_->setObjectName("cablesPlace");
    connect(place_, &QPushButton::clicked, this, &CablesPage::place_proposed);
    row->addWidget(place_);
    counting_ = new QPushButton(tr("How they are counted"));
    counting_->setObjectName("cablesCounting");
    counting_->setCheckable(true);
    connect(counting_, &QPushButton::toggled, this, [this](bool on) { side_->setCurrentIndex(on ? 1 : 0); });
    row->addWidget(counting_);
    return head;
}

QWidget* CablesPage::make_side() {
    side_ = new QStackedWidget;
    auto* closets = new QWidget;
    auto* column = new QVBoxLayout(closets);
    column->setContentsMargins(8, 0, 0, 0);
    closets_ = new ClosetTable(this);
    closets_view_ = figures_table(closets_, "closetTable", tr("Closets"), {58, 96, 50, 66, 64, 78, 44},
                                  ClosetTable::watts);
    connect(closets_view_, &QTableView::clicked, this, [this](const QModelIndex& at) {
        const ClosetUse& use = closets_->use(at.row());
        if (!find_floor(workspace_.project(), use.floor)) return;
        workspace_.in_view().show_floor(use.floor);
        workspace_.selection().select({{ItemKind::closet, use.closet.value}});
    });
    column->addWidget(closets_view_, 1);
    proposed_ = new QLabel;
    proposed_->setObjectName("cablesProposed");
    proposed_->setWordWrap(true);
    proposed_->setContentsMargins(0, 0, 12, 6);
    column->addWidget(proposed_);
    side_->addWidget(closets);
    auto* scroll = new QScrollArea;
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    form_ = counting_form(workspace_);
    scroll->setWidget(form_);
    side_->addWidget(scroll);
    return side_;
}

void CablesPage::showEvent(QShowEvent* e) {
    QWidget::showEvent(e);
    make_room_for_heads(*runs_view_);
    ask();
    emit changed();
}

void CablesPage::hideEvent(QHideEvent* e) {
    QWidget::hideEvent(e);
    emit changed();
}

void CablesPage::ask() {
    form_->refresh();
    if (!isVisible()) return;
    if (!workspace_.document().is_open()) {
        behind_.stop();
        planned_ = nullptr;
        return refresh();
    }
    behind_.request(job(
        {},
        [project = workspace_.project()](const AtWork& at) {
            return std::make_shared<const PlannedCables>(
                PlannedCables{project, plan_cables(project, at.cancel())});
        },
        [this](const std::shared_ptr<const PlannedCables>& planned) {
            planned_ = planned;
            places_ = {};
            asked_places_ = false;
            refresh();
            follow_selection();
        },
        [this](const QString& why) { workspace_.tell(tr("Planning cables failed: %1").arg(why), true); }));
}

void CablesPage::propose() {
    if (!planned_) return;
    if (!searching_.is_idle()) return searching_.stop();
    searching_.request(job(
        tr("Looking for places of closets"),
        [planned = planned_](const AtWork& at) {
            return std::make_shared<const ClosetPlaces>(
                closet_places(planned->project, planned->plan, at.cancel()));
        },
        [this](const std::shared_ptr<const ClosetPlaces>& found) {
            places_ = *found;
            asked_places_ = true;
            refresh();
        },
        [this](const QString& why) {
            workspace_.tell(tr("Looking for places of closets failed: %1").arg(why), true);
        }));
    refresh();
}

void CablesPage::place_proposed() {
    const std::vector<ClosetPlace> places = std::exchange(places_, {}).places;
    asked_places_ = false;
    if (places.empty()) return;
    workspace_.edit(tr("Place proposed closets"), [&](Project& p) {
        for (const ClosetPlace& place : places)
            if (find_floor(p, place.floor)) place_closet(p, place);
    });
    refresh();
}

void CablesPage::follow_row() {
    const QModelIndex current = sorted_->mapToSource(runs_view_->currentIndex());
    if (!current.isValid() || !runs_view_->hasFocus()) return;
    const CableRun run = runs_->run(current.row());
    if (!find_floor(workspace_.project(), run.floor)) return;
    workspace_.in_view().show_floor(run.floor);
    workspace_.selection().select({{ItemKind::access_point, run.access_point.value}});
}

void CablesPage::follow_selection() {
    const auto& items = workspace_.selection().items();
    if (items.size() != 1 || items[0].kind != ItemKind::access_point) return;
    const int row = runs_->row_of(AccessPointId{items[0].id});
    if (row < 0) return;
    const QModelIndex at = sorted_->mapFromSource(runs_->index(row, 0));
    if (runs_view_->currentIndex().row() == at.row()) return;
    runs_view_->setCurrentIndex(at);
    runs_view_->scrollTo(at);
}

QString CablesPage::summary() const { return summary_->text(); }

QString CablesPage::proposed_words() const {
    if (!searching_.is_idle()) return searching_.words();
    if (!asked_places_) return {};
    QStringList parts;
    for (std::size_t i = 0; i < places_.places.size(); ++i) {
        const ClosetPlace& p = places_.places[i];
        const Floor* floor = find_floor(workspace_.project(), p.floor);
        if (!floor) continue;
        parts << counted("%1: %2, reaches %n access point, the farthest by %3",
                         "%1: %2, reaches %n access points, the farthest by %3",
                         static_cast<int>(p.reaches.size()))
                     .arg(i + 1)
                     .arg(QString::fromStdString(floor->name),
                          render::local(format_length(p.longest_link_m, workspace_.units())));
    }
    if (!places_.places.empty() && places_.fewest) parts << tr("Fewer do not reach them all.");
    if (!places_.beyond.empty())
        parts << counted("%n access point is out of reach of every place for a closet",
                         "%n access points are out of reach of every place for a closet",
                         static_cast<int>(places_.beyond.size()));
    return parts.join("\n");
}

void CablesPage::refresh() {
    runs_->show(planned_);
    closets_->show(planned_);
    int faults = 0, out = 0;
    if (planned_)
        for (const CableRun& run : planned_->plan.runs) {
            faults += !fault_of(*planned_, run).isEmpty();
            out += is_out_of_reach(planned_->project.cabling, run);
        }
    propose_->setText(searching_.is_idle() ? tr("Propose closets") : tr("Stop"));
    propose_->setEnabled(out > 0);
    place_->setVisible(!places_.places.empty());
    proposed_->setText(proposed_words());
    proposed_->setVisible(!proposed_->text().isEmpty());
    if (!planned_ || planned_->plan.runs.empty())
        summary_->setText(tr("No access point hangs yet: cables lead from them to closets"));
    else if (planned_->plan.closets.empty())
        summary_->setText(tr("No closet stands yet: place one with the tool Closet, or have them proposed"));
    else {
        const CablePlan& plan = planned_->plan;
        QString words = counted("%n new cable, %1", "%n new cables, %1", plan.new_cables)
                            .arg(metres_in_all(plan.cable_m, workspace_.units()));
        if (plan.outlets_used > 0)
            words += tr("; ") + counted("%n from an outlet", "%n from outlets", plan.outlets_used);
        words +=
            tr("; ") + (faults == 0 ? tr("all in order") : counted("%n at fault", "%n at fault", faults));
        summary_->setText(words);
    }
    summary_->setToolTip(planned_ && planned_->plan.closets_are_risers
                             ? tr("No riser is drawn: cables go up and down where closets stand")
                             : QString());
    emit changed();
}

}  // namespace yemvo::app
