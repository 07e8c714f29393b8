// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/spectrum/retune_page.h"

#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QRegularExpression>
#include <QTableView>
#include <QTimer>
#include <algorithm>

#include "app/forms/ask_side.h"
#include "app/look/columns.h"
#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/spectrum.h"
#include "app/model/workspace.h"
#include "base/error.h"
#include "capacity/site_capacity.h"
#include "project/edits.h"
#include "regulation/regulation.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

/// What a change has to gain, of the air in the mean over demand.
constexpr double worths[] = {0.00002, 0.0005, 0.003, 0.01};
const std::vector<int> usual_24{1, 6, 11}, four_24{1, 5, 9, 13};

/// 5250 to 5350 and 5470 to 5730 MHz, whatever a country asks for there.
bool is_radar_range(const Channel& c) {
    return (low_mhz(c) >= 5249 && high_mhz(c) <= 5351) || (low_mhz(c) >= 5469 && high_mhz(c) <= 5731);
}

/// "36, 149-165": the 20 MHz channels at 5 GHz in it. Throws Error for what is none.
std::vector<int> channels_in(const QString& text, BandId band) {
    std::vector<int> out;
    for (const QString& part : text.split(QRegularExpression("[,;\\s]+"), Qt::SkipEmptyParts)) {
        const QStringList ends = part.split(QRegularExpression("[-–]"));
        bool low_fits = false, high_fits = false;
        const int low = ends.front().toInt(&low_fits), high = ends.back().toInt(&high_fits);
        if (ends.size() > 2 || !low_fits || !high_fits || low > high)
            throw Error(say("'%1' is no channel and no range of channels", part.left(40).toStdString()), {},
                        say("Write them as 36, 149-165"));
        for (const Channel& c : channels(band, 20))
            if (c.number >= low && c.number <= high) out.push_back(c.number);
    }
    return out;
}

QString setting(const Radio& r) {
    if (!r.on) return tr("off");
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
            return c.after.on && c.after.power_dbm < c.before.power_dbm - 0.01
                       ? tr("%1, %2 dBm").arg(setting(c.after), render::figure(c.after.power_dbm, 0))
                       : setting(c.after);
        default:
            return c.gain > 0.00005 || c.after.channel == c.before.channel || !c.after.on
                       ? render::percent(std::max(0.0, c.gain), 2)
                       : tr("not permitted before");
    }
}

QVariant RetuneTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation == Qt::Horizontal && role == Qt::TextAlignmentRole && section == gain)
        return int{Qt::AlignRight | Qt::AlignVCenter};
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
    connect(&workspace.results(), &Results::changed, this, [this] {
        if (waiting_) begin();
    });
    connect(&workspace.document(), &Document::opened, this, [this] { waiting_ = false; });
    listen(this, &RetunePage::drop_if_old, workspace, &Workspace::project_changed, workspace.document(),
           &Document::opened);
    refresh_buttons();
}

RetunePage::~RetunePage() { behind_.disconnect(); }

QWidget* RetunePage::build_ask() {
    AskSide side(this, 392);
    const AskSide::Bands radios = side.bands("retuneBand");
    bands_ = radios.boxes;
    selected_only_ = new QCheckBox(tr("selected only"));
    selected_only_->setObjectName("retuneSelected");
    radios.row->addWidget(selected_only_);
    radios.row->addStretch(1);
    side.label(tr("May change"));
    widths_ =
        side.tick(tr("widths, as well as channels"), "retuneWidths",
                  tr("None takes a width on which a requirement of rate or SNR that holds would no longer "
                     "hold"));
    widths_->setChecked(true);
    powers_ = side.tick(
        tr("powers, as far as all holds"), "retunePowers",
        tr("A radio comes down as far as every requirement of signal, SNR and next-best signal that "
           "holds still holds with all of them down"));
    off_ = side.tick(tr("2.4 GHz off where not needed"), "retuneOff",
                     tr("Off goes what no place holds by alone, where no busy hour carries less without it"));
    for (QCheckBox* box : {widths_, powers_, off_})
        connect(box, &QCheckBox::toggled, this, &RetunePage::want_room);
    channels_24_ = side.choice(tr("At 2.4 GHz"), "retuneChannels24",
                               {tr("channels 1, 6, 11"), tr("channels 1, 5, 9, 13")}, 0);
    const auto pair = [&](const QString& words, QWidget* left, QWidget* right) {
        side.label(words);
        auto* both = new QHBoxLayout;
        both->setSpacing(8);
        both->addWidget(left, 1);
        both->addWidget(right, 1);
        side.grid()->addLayout(both, side.next_row(), 1);
    };
    const auto widest = [&](BandId of, const char* object, int most_mhz, int now_mhz) {
        auto* box = new QComboBox;
        box->setObjectName(object);
        box->setAccessibleName(tr("Widest channel at %1 GHz").arg(render::local(band(of).name)));
        for (const int mhz : channel_widths_mhz())
            if (mhz <= most_mhz)
                box->addItem(tr("%1 GHz: %2 MHz").arg(render::local(band(of).name)).arg(mhz), mhz);
        box->setCurrentIndex(box->findData(now_mhz));
        return widest_[of] = box;
    };
    pair(tr("Widest"), widest(band_5, "retuneWidest5", 160, 80), widest(band_6, "retuneWidest6", 320, 160));
    const auto left_out = [&](BandId of, const char* object, const QString& example) {
        auto* line = new QLineEdit;
        line->setObjectName(object);
        line->setAccessibleName(tr("Channels at %1 GHz to leave out").arg(render::local(band(of).name)));
        line->setPlaceholderText(tr("%1 GHz: %2").arg(render::local(band(of).name), example));
        return leave_out_[of] = line;
    };
    pair(tr("Leave out"), left_out(band_5, "retuneLeaveOut", "149-165"),
         left_out(band_6, "retuneLeaveOut6", "1-29"));
    dfs_ = side.choice(tr("DFS channels"), "retuneDfs",
                       {tr("like others"), tr("where it is worth it"), tr("never")}, 1);
    as_if_ =
        side.choice(tr("As if"), "retuneAsIf",
                    {tr("all is as it is"), tr("radar is seen on a channel"),
                     tr("a neighbour turns up at the chosen radio"), tr("the chosen access points fail")},
                    0);
    radar_ = side.choice(tr("Radar on"), "retuneRadar", {}, 0);
    radar_label_ = qobject_cast<QLabel*>(side.grid()->itemAtPosition(side.last_row(), 0)->widget());
    for (const Channel& c : channels(band_5, 20))
        if (is_radar_range(c)) radar_->addItem(QString::number(c.number), c.number);
    const auto show_radar = [this] {
        radar_->setVisible(as_if_->currentIndex() == 1);
        radar_label_->setVisible(as_if_->currentIndex() == 1);
    };
    connect(as_if_, &QComboBox::currentIndexChanged, this, show_radar);
    show_radar();
    worth_ = side.choice(
        tr("A change"), "retuneWorth",
        {tr("for any gain"), tr("for a small gain"), tr("for a clear gain"), tr("for a large gain")}, 1);
    side.grid()->setRowStretch(side.next_row(), 1);
    begin_ = new QPushButton(tr("Retune"));
    begin_->setObjectName("retuneBegin");
    connect(begin_, &QPushButton::clicked, this, [this] { is_working() ? stop() : begin(); });
    side.grid()->addWidget(begin_, side.next_row(), 0, 1, 2);
    side.grid()->setColumnStretch(1, 1);
    return side.widget();
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
    set_column_width(*view_, RetuneTable::from, 90);
    set_column_width(*view_, RetuneTable::to, 140);
    set_column_width(*view_, RetuneTable::gain, 130);
    view_->horizontalHeader()->setSectionResizeMode(RetuneTable::floor, QHeaderView::Stretch);
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
    for (const auto& [band, box] : widest_) ask.widest_mhz[band] = box->currentData().toInt();
    for (const auto& [band, line] : leave_out_) ask.left_out[band] = channels_in(line->text(), band);
    ask.dfs = static_cast<DfsUse>(dfs_->currentIndex());
    ask.change_worth = worths[worth_->currentIndex()];
    ask.powers = powers_->isChecked();
    ask.off = off_->isChecked();
    return ask;
}

/// None where nothing has to happen. Throws Error where what it is about is not chosen.
std::optional<WhatIf> RetunePage::happening() const {
    WhatIf what;
    const auto& chosen = workspace_.spectrum().chosen();
    switch (as_if_->currentIndex()) {
        case 0:
            return std::nullopt;
        case 1:
            what.kind = WhatIf::Kind::radar;
            what.radar_channel = radar_->currentData().toInt();
            return what;
        case 2:
            what.kind = WhatIf::Kind::neighbour;
            if (chosen.empty()) throw Error(say("Choose a radio on the board: the neighbour turns up there"));
            what.met = chosen.back();
            return what;
        default:
            what.kind = WhatIf::Kind::failure;
            if (chosen.empty())
                throw Error(say("Choose the access points that fail, on the board or the plan"));
            for (const RadioRef& r : chosen)
                if (std::ranges::count(what.failed, r.access_point) == 0)
                    what.failed.push_back(r.access_point);
            return what;
    }
}

void RetunePage::begin() {
    const std::shared_ptr<const Prediction> prediction = workspace_.results().prediction();
    RetuneAsk asked;
    try {
        asked = ask();
    } catch (const Error& e) {
        return workspace_.tell(said_text(e.told()), true);
    }
    if (asked.bands.empty()) return workspace_.tell(tr("Choose a band to retune"), true);
    if (selected_only_->isChecked() && asked.only.empty())
        return workspace_.tell(tr("Select access points to retune, or take all of them"), true);
    std::optional<WhatIf> what;
    try {
        what = happening();
    } catch (const Error& e) {
        return workspace_.tell(said_text(e.told()), true);
    }
    want_room();
    const bool by_room = !what && (asked.widths || asked.powers || asked.off);
    waiting_ = !prediction || prediction->site.floors.empty() || !prediction->more.find<SiteHearing>() ||
               (by_room && !prediction->more.find<TuningRoom>());
    refresh_buttons();
    if (waiting_) return emit progressed();
    result_.reset();
    happened_.reset();
    table_->show({});
    const auto failed = [this](const QString& why) {
        workspace_.tell(tr("Retuning failed: %1").arg(why), true);
    };
    // who hears whom and what is carried are of the prediction's project: what has changed since is dropped
    if (what)
        behind_.request(job(
            tr("Working out what happens"),
            [prediction, asked, what = *what](const AtWork& at) {
                return what_if(prediction->project, *prediction->site.floors.front().scene,
                               *prediction->more.find<SiteHearing>(), prediction->more.find<SiteCapacity>(),
                               what, asked, at.cancel());
            },
            [this, what = *what](const WhatIfResult& found) {
                happened_ = Happened{what, found};
                show_result(found.retune, true);
            },
            failed));
    else
        behind_.request(job(
            tr("Retuning"),
            [this, prediction, asked](const AtWork& at) {
                const Retuning retuning(prediction->project, *prediction->site.floors.front().scene,
                                        *prediction->more.find<SiteHearing>(),
                                        prediction->more.find<SiteCapacity>(), asked, at.cancel(),
                                        prediction->more.find<TuningRoom>());
                return retuning.run(at.cancel(), [&](const RetuneResult& better) {
                    at.hand_over([this, better] { show_result(better, false); });
                });
            },
            [this](const RetuneResult& found) { show_result(found, true); }, failed));
    refresh_buttons();
}

QString RetunePage::summary() const { return summary_->text() + "\n" + detail_->text(); }

/// What channels and powers may do to requirements is known while the page is looked at.
void RetunePage::want_room() {
    const bool asked = widths_->isChecked() || powers_->isChecked() || off_->isChecked();
    workspace_.results().want<TuningRoom>(this, asked && isVisible());
}

void RetunePage::showEvent(QShowEvent* e) {
    QWidget::showEvent(e);
    want_room();
}

/// Not at once: it may be hidden because all goes.
void RetunePage::hideEvent(QHideEvent* e) {
    QWidget::hideEvent(e);
    QTimer::singleShot(0, this, &RetunePage::want_room);
}

QString RetunePage::doing() const {
    return waiting_ ? tr("Waiting for who hears whom, before retuning") : behind_.words();
}

void RetunePage::stop() {
    waiting_ = false;
    behind_.stop();
    refresh_buttons();
}

void RetunePage::show_result(const RetuneResult& r, bool whole) {
    result_ = r;
    if (!whole) happened_.reset();
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
    if (happened_) return tell_what_happens();
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

void RetunePage::tell_what_happens() {
    const WhatIfResult& r = happened_->result;
    const QString moves = r.retune.changes.empty() ? tr("nobody moves")
                                                   : counted("%n moves", "%n move", r.retune.changes.size());
    switch (happened_->what.kind) {
        case WhatIf::Kind::radar:
            summary_->setText(r.hit.empty()
                                  ? tr("Radar on %1 silences nobody").arg(happened_->what.radar_channel)
                                  : counted("Radar on %1: %n radio falls silent, %2",
                                            "Radar on %1: %n radios fall silent, %2", r.hit.size())
                                        .arg(happened_->what.radar_channel)
                                        .arg(moves));
            break;
        case WhatIf::Kind::neighbour:
            summary_->setText(counted("A neighbour heard at −60 dBm half of the time: %n radio meets it, %1",
                                      "A neighbour heard at −60 dBm half of the time: %n radios meet it, %1",
                                      r.hit.size())
                                  .arg(moves));
            break;
        case WhatIf::Kind::failure:
            summary_->setText(
                counted("%n radio is gone, %1", "%n radios are gone, %1", r.hit.size()).arg(moves));
            break;
    }
    QStringList lines;
    for (const HourThen& h : r.hours) {
        const BusyHour* hour = find_hour(workspace_.project().demand, h.hour);
        lines << tr("%1: %2 of the clients satisfied now, %3 at once, %4 after the moves; %5, %6, %7 Mbit/s "
                    "carried")
                     .arg(hour ? QString::fromStdString(hour->name) : QString::fromStdString(h.hour),
                          render::percent(h.satisfied_now, 1), render::percent(h.satisfied_at_once, 1),
                          render::percent(h.satisfied_after, 1), render::figure(h.carried_now_mbps, 0),
                          render::figure(h.carried_at_once_mbps, 0), render::figure(h.carried_after_mbps, 0));
    }
    if (lines.isEmpty()) lines << tr("Nothing is known of demand: air lost alone counts.");
    detail_->setText(lines.join("\n"));
}

}  // namespace yemvo::app
