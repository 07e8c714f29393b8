// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/spectrum/retune_page.h"

#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QTableView>

#include "app/look/columns.h"
#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/spectrum.h"
#include "app/model/workspace.h"
#include "capacity/site_capacity.h"
#include "project/edits.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

/// What a change has to gain, of the air in the mean over demand.
constexpr double worths[] = {0.00002, 0.0005, 0.003, 0.01};
const std::vector<int> usual_24{1, 6, 11}, four_24{1, 5, 9, 13};

QString setting(const Radio& r) {
    return r.channel_open ? tr("open") : render::local(short_channel_text(r.primary, r.channel.width_mhz));
}

}  // namespace

RetuneTable::RetuneTable(Workspace& workspace, QObject* parent)
    : QAbstractTableModel(parent), workspace_(workspace) {}

void RetuneTable::show(std::vector<RetuneChange> changes) {
    beginResetModel();
    changes_ = std::move(changes);
    ticked_.assign(changes_.size(), 1);
    endResetModel();
    emit ticked_changed();
}

std::vector<RetuneChange> RetuneTable::ticked() const {
    std::vector<RetuneChange> out;
    for (std::size_t i = 0; i < changes_.size(); ++i)
        if (ticked_[i]) out.push_back(changes_[i]);
    return out;
}

Qt::ItemFlags RetuneTable::flags(const QModelIndex& index) const {
    const Qt::ItemFlags usual = QAbstractTableModel::flags(index);
    return index.column() == radio ? usual | Qt::ItemIsUserCheckable : usual;
}

bool RetuneTable::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::CheckStateRole || index.column() != radio) return false;
    ticked_[static_cast<std::size_t>(index.row())] = value.toInt() == Qt::Checked;
    emit dataChanged(index, index, {role});
    emit ticked_changed();
    return true;
}

QVariant RetuneTable::data(const QModelIndex& index, int role) const {
    const auto i = static_cast<std::size_t>(index.row());
    if (i >= changes_.size()) return {};
    const RetuneChange& c = changes_[i];
    if (role == Qt::CheckStateRole && index.column() == radio)
        return ticked_[i] ? Qt::Checked : Qt::Unchecked;
    if (role == Qt::TextAlignmentRole && index.column() == gain)
        return int{Qt::AlignRight | Qt::AlignVCenter};
    if (role == Qt::ToolTipRole && index.column() == gain)
        return tr(
            "By how much the air in use would be higher, in the mean over demand, without this change and "
            "with all "
            "others");
    if (role != Qt::DisplayRole) return {};
    switch (index.column()) {
        case radio:
            return tr("%1, %2 GHz").arg(c.number).arg(render::local(band(c.after.channel.band).name));
        case floor: {
            const Floor* at = find_floor(workspace_.project(), c.floor);
            return at ? QString::fromStdString(floor_title(workspace_.project(), *at)) : QString();
        }
        case from:
            return setting(c.before);
        case to:
            return c.after.power_dbm < c.before.power_dbm - 0.01
                       ? tr("%1, %2 dBm").arg(setting(c.after), render::figure(c.after.power_dbm, 0))
                       : setting(c.after);
        default:
            return c.gain > 0.00005 ? render::percent(c.gain, 2) : tr("not permitted before");
    }
}

QVariant RetuneTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole) return {};
    static const char* names[] = {mark("Radio"), mark("Floor"), mark("Now"), mark("Then"),
                                  mark("Air gained")};
    return tr(names[section]);
}

RetunePage::RetunePage(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    row->addWidget(build_ask());
    row->addWidget(build_answer(), 1);
    connect(&behind_, &Behind::progressed, this, [this] {
        refresh_buttons();
        emit progressed();
    });
    listen(this, &RetunePage::drop_if_old, workspace, &Workspace::project_changed, workspace.document(),
           &Document::opened);
    refresh_buttons();
}

RetunePage::~RetunePage() { behind_.disconnect(); }

QWidget* RetunePage::build_ask() {
    auto* side = new QWidget(this);
    side->setObjectName("findingSide");
    side->setFixedWidth(356);
    auto* grid = new QGridLayout(side);
    grid->setContentsMargins(12, 8, 12, 8);
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(4);
    int at = 0;
    const auto label = [&](const QString& words) {
        auto* l = new QLabel(words);
        l->setObjectName("small");
        grid->addWidget(l, at, 0);
    };
    label(tr("Radios"));
    auto* row = new QHBoxLayout;
    for (const Band& b : bands()) {
        auto* box = new QCheckBox(render::local(b.name));
        box->setObjectName("retuneBand" + QString::number(b.id.index));
        box->setAccessibleName(tr("%1 GHz").arg(render::local(b.name)));
        box->setChecked(true);
        bands_.push_back(box);
        row->addWidget(box);
    }
    selected_only_ = new QCheckBox(tr("selected only"));
    selected_only_->setObjectName("retuneSelected");
    row->addWidget(selected_only_);
    row->addStretch(1);
    grid->addLayout(row, at++, 1);
    label(tr("May change"));
    widths_ = new QCheckBox(tr("widths, as well as channels"));
    widths_->setObjectName("retuneWidths");
    widths_->setChecked(true);
    grid->addWidget(widths_, at++, 1);
    const auto choice = [&](const QString& words, const char* object, const QStringList& names, int now) {
        label(words);
        auto* box = new QComboBox;
        box->setObjectName(object);
        box->setAccessibleName(words);
        box->addItems(names);
        box->setCurrentIndex(now);
        grid->addWidget(box, at++, 1);
        return box;
    };
    channels_24_ = choice(tr("At 2.4 GHz"), "retuneChannels24",
                          {tr("channels 1, 6, 11"), tr("channels 1, 5, 9, 13")}, 0);
    widest_5_ =
        choice(tr("At 5 GHz"), "retuneWidest5",
               {tr("20 MHz at most"), tr("40 MHz at most"), tr("80 MHz at most"), tr("160 MHz at most")}, 2);
    dfs_ = choice(tr("DFS channels"), "retuneDfs",
                  {tr("like others"), tr("where it is worth it"), tr("never")}, 1);
    worth_ = choice(
        tr("A change"), "retuneWorth",
        {tr("for any gain"), tr("for a small gain"), tr("for a clear gain"), tr("for a large gain")}, 1);
    grid->setRowStretch(at++, 1);
    begin_ = new QPushButton(tr("Retune"));
    begin_->setObjectName("retuneBegin");
    connect(begin_, &QPushButton::clicked, this, [this] { is_working() ? stop() : begin(); });
    grid->addWidget(begin_, at, 0, 1, 2);
    grid->setColumnStretch(1, 1);
    return side;
}

QWidget* RetunePage::build_answer() {
    auto* main = new QWidget(this);
    auto* column = new QVBoxLayout(main);
    column->setContentsMargins(12, 8, 8, 6);
    column->setSpacing(4);
    summary_ = new QLabel;
    summary_->setObjectName("retuneSummary");
    summary_->setFont(render::font(13, 600));
    summary_->setWordWrap(true);
    column->addWidget(summary_);
    detail_ = new QLabel;
    detail_->setObjectName("muted");
    detail_->setWordWrap(true);
    column->addWidget(detail_);
    table_ = new RetuneTable(workspace_, this);
    view_ = new QTableView;
    view_->setObjectName("retuneChanges");
    view_->setAccessibleName(tr("Changes"));
    view_->setModel(table_);
    view_->setSelectionBehavior(QAbstractItemView::SelectRows);
    view_->setShowGrid(false);
    view_->setFrameShape(QFrame::NoFrame);
    view_->verticalHeader()->hide();
    view_->verticalHeader()->setDefaultSectionSize(22);
    view_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    set_column_width(*view_, RetuneTable::radio, 120);
    set_column_width(*view_, RetuneTable::floor, 190);
    set_column_width(*view_, RetuneTable::from, 90);
    set_column_width(*view_, RetuneTable::to, 110);
    view_->horizontalHeader()->setSectionResizeMode(RetuneTable::gain, QHeaderView::Stretch);
    column->addWidget(view_, 1);
    auto* row = new QHBoxLayout;
    row->addStretch(1);
    variant_ = new QPushButton(tr("As a new variant"));
    variant_->setObjectName("retuneVariant");
    take_ = new QPushButton(tr("Take them"));
    take_->setObjectName("retuneTake");
    row->addWidget(variant_);
    row->addWidget(take_);
    column->addLayout(row);
    connect(take_, &QPushButton::clicked, this, [this] { take(false); });
    connect(variant_, &QPushButton::clicked, this, [this] { take(true); });
    connect(table_, &RetuneTable::ticked_changed, this, &RetunePage::refresh_buttons);
    connect(view_->selectionModel(), &QItemSelectionModel::currentRowChanged, this,
            [this](const QModelIndex& now) {
                const auto i = static_cast<std::size_t>(now.row());
                if (now.isValid() && i < table_->changes().size())
                    workspace_.spectrum().choose(
                        {{table_->changes()[i].access_point, table_->changes()[i].radio}});
            });
    return main;
}

RetuneAsk RetunePage::ask() const {
    RetuneAsk ask;
    ask.bands = {};
    for (const Band& b : bands())
        if (bands_[b.id.index]->isChecked()) ask.bands = ask.bands.with(b.id);
    if (selected_only_->isChecked())
        for (const RadioRef& ref : workspace_.spectrum().chosen()) ask.only.push_back(ref.access_point);
    ask.widths = widths_->isChecked();
    ask.channels_24 = channels_24_->currentIndex() == 0 ? usual_24 : four_24;
    ask.widest_mhz[band_5] = 20 << widest_5_->currentIndex();
    ask.dfs = static_cast<DfsUse>(dfs_->currentIndex());
    ask.change_worth = worths[worth_->currentIndex()];
    return ask;
}

void RetunePage::begin() {
    const std::shared_ptr<const Prediction> prediction = workspace_.results().prediction();
    const RetuneAsk asked = ask();
    if (!prediction || !prediction->more.find<SiteHearing>() || prediction->site.floors.empty())
        return workspace_.tell(tr("Who hears whom is still being worked out: try again in a moment"));
    if (asked.bands.empty()) return workspace_.tell(tr("Choose a band to retune"), true);
    if (selected_only_->isChecked() && asked.only.empty())
        return workspace_.tell(tr("Select access points to retune, or take all of them"), true);
    result_.reset();
    table_->show({});
    // who hears whom and what is carried are of the prediction's project: what has changed since is dropped
    behind_.request(job(
        tr("Retuning"),
        [this, prediction, asked](const AtWork& at) {
            const Retuning retuning(prediction->project, *prediction->site.floors.front().scene,
                                    *prediction->more.find<SiteHearing>(),
                                    prediction->more.find<SiteCapacity>(), asked, at.cancel());
            return retuning.run(at.cancel(), [&](const RetuneResult& better) {
                at.hand_over([this, better] { show_result(better, false); });
            });
        },
        [this](const RetuneResult& found) { show_result(found, true); },
        [this](const QString& why) { workspace_.tell(tr("Retuning failed: %1").arg(why), true); }));
    refresh_buttons();
}

void RetunePage::stop() {
    behind_.stop();
    refresh_buttons();
}

void RetunePage::show_result(const RetuneResult& r, bool whole) {
    result_ = r;
    table_->show(r.changes);
    if (whole)
        for (const Said& s : r.cannot) workspace_.tell(said_text(s), true);
    refresh_buttons();
    drop_if_old();
}

/// A plan of a project that has changed since is no more.
void RetunePage::drop_if_old() {
    if (!result_) return;
    for (const RetuneChange& c : result_->changes) {
        const AccessPoint* ap = find_access_point(workspace_.project(), c.floor, c.access_point);
        if (ap && c.radio < ap->radios.size() && ap->radios[c.radio] == c.before) continue;
        result_.reset();
        table_->show({});
        refresh_buttons();
        return;
    }
}

void RetunePage::take(bool as_variant) {
    const std::vector<RetuneChange> changes = table_->ticked();
    if (changes.empty()) return;
    workspace_.edit(as_variant ? tr("Retuned variant") : tr("Retune"), [&](Project& p) {
        if (as_variant)
            copy_variant(
                p, tr("%1, retuned").arg(QString::fromStdString(current_variant(p).name)).toStdString());
        make_changes(p, changes);
    });
}

void RetunePage::refresh_buttons() {
    const bool working = is_working();
    begin_->setText(working ? tr("Stop") : tr("Retune"));
    const std::size_t ticked = table_->ticked().size();
    take_->setEnabled(ticked > 0 && !working);
    variant_->setEnabled(ticked > 0 && !working);
    take_->setText(ticked == table_->changes().size() ? tr("Take them")
                                                      : counted("Take %n", "Take %n", ticked));
    if (working && !result_) {
        summary_->setText(tr("Working out what each radio takes of the air…"));
        detail_->clear();
        return;
    }
    if (!result_) {
        summary_->setText(tr("Channels and widths with which least air is lost"));
        detail_->setText(
            tr("What is locked stays. The plan that is found stands here beside the present one, to be taken "
               "whole or in part."));
        return;
    }
    const RetuneResult& r = *result_;
    summary_->setText(r.changes.empty()
                          ? tr("Nothing to gain: %1 of the air is in use, in the mean over demand")
                                .arg(render::percent(r.before, 1))
                          : tr("Air in use, in the mean over demand: %1 now, %2 then")
                                .arg(render::percent(r.before, 1), render::percent(r.after, 1)));
    QString how = counted("%n change", "%n changes", r.changes.size());
    if (working)
        how += ", " + tr("still searching");
    else if (r.proven)
        how += ", " + tr("proven to be the best");
    else
        how += ", " + tr("at least %1 for any plan; the starts of the search lie %2 apart")
                          .arg(render::percent(std::min(r.lower_bound, r.after), 1),
                               render::percent(r.after > 0 ? r.worst_start / r.after - 1 : 0, 1));
    for (const RetunedHour& h : r.hours) {
        const BusyHour* hour = find_hour(workspace_.project().demand, h.hour);
        how += "\n" + tr("%1: %2 of the clients satisfied now, %3 then; %4 Mbit/s carried now, %5 then")
                          .arg(hour ? QString::fromStdString(hour->name) : QString::fromStdString(h.hour),
                               render::percent(h.satisfied_before, 1), render::percent(h.satisfied_after, 1),
                               render::figure(h.carried_before_mbps, 0),
                               render::figure(h.carried_after_mbps, 0));
    }
    detail_->setText(how);
}

}  // namespace yemvo::app
