// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/schedule/radio_schedule.h"

#include <QApplication>
#include <QClipboard>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/forms/form.h"
#include "app/look/columns.h"
#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "capacity/site_capacity.h"
#include "project/edits.h"
#include "project/item.h"
#include "project/limits.h"
#include "project/project.h"
#include "project/rules.h"
#include "project/working_radio.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

struct ColumnFace {
    const char* head;
    int width;
    const char* edit;  ///< what changing one is called in the history; empty: it cannot be changed here
    bool figure;
};
/// In the order of RadioModelTable::Column.
constexpr ColumnFace faces[] = {{mark("Access point"), 104, "", false},
                                {mark("Floor"), 110, "", false},
                                {mark("Model"), 200, "", false},
                                {mark("Band"), 66, "", false},
                                {mark("On"), 44, mark("Switch radio of access point %1"), false},
                                {mark("Channel"), 66, mark("Retune access point %1"), true},
                                {mark("Width (MHz)"), 88, mark("Retune access point %1"), true},
                                {mark("Power (dBm)"), 94, mark("Change power of access point %1"), true},
                                {"EIRP (dBm)", 90, "", true},
                                {mark("Clients"), 70, "", true},
                                {mark("Air in use (%)"), 98, "", true},
                                {mark("Headroom (%)"), 98, "", true},
                                {mark("Height"), 82, mark("Raise access point %1"), true},
                                {mark("Azimuth (°)"), 82, mark("Aim access point %1"), true},
                                {mark("Tilt (°)"), 66, mark("Tilt access point %1"), true},
                                {mark("Antenna"), 150, "", false},
                                {mark("Source"), 110, mark("Change power source of access point %1"), false},
                                {mark("Lost to the source"), 230, "", false}};
static_assert(std::size(faces) == RadioModelTable::column_count);

bool editable(int column) { return *faces[column].edit; }
bool is_figure(int column) { return faces[column].figure; }

int alignment(int column) {
    return static_cast<int>((is_figure(column) ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter);
}

QString antenna_text(const Project& project, const Radio& radio) {
    const AntennaModel* antenna = find_antenna(project, radio.antenna);
    if (!antenna) return tr("its own");
    const QString name = QString::fromStdString(antenna->name);
    return radio.cable.empty() ? name : tr("%1, cable %2 m").arg(name, render::figure(radio.cable_m, 1));
}

QString lost_text(const Project& project, const AccessPoint& ap) {
    QStringList all;
    for (const Said& s : lost_to_source(project, ap)) all << said_text(s);
    return all.isEmpty() ? tr("nothing") : all.join(", ");
}

std::optional<PowerSource> source_typed(const AccessPointModel& m, const QString& typed) {
    if (typed.isEmpty() || typed == tr("not told")) return {};
    QStringList taken;
    for (const PowerRow& row : m.power) {
        const QString name = QString::fromStdString(std::string(power_source_name(row.source)));
        const QString key = QString::fromStdString(std::string(power_source_key(row.source)));
        if (typed.compare(name, Qt::CaseInsensitive) == 0 || typed.compare(key, Qt::CaseInsensitive) == 0)
            return row.source;
        taken << name;
    }
    throw Error(say("the model takes %1", taken.isEmpty() ? "-" : taken.join(", ").toStdString()));
}

/// Draws the band's glyph before its name.
class BandDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        QStyleOptionViewItem shifted = option;
        if (option.state & QStyle::State_Selected) p->fillRect(option.rect, theme().accent_tint);
        shifted.rect.adjust(16, 0, 0, 0);
        QStyledItemDelegate::paint(p, shifted, index);
        p->fillRect(QRect(option.rect.left(), option.rect.bottom(), 16, 1), theme().line2);
        if (const auto id = find_band(index.data().toString().toStdString()))
            render::paint_band_glyph(*p, QPointF(option.rect.left() + 12, option.rect.center().y() + 0.5),
                                     *id, theme());
    }
};

}  // namespace

RadioModelTable::RadioModelTable(Workspace& workspace, QObject* parent)
    : QAbstractTableModel(parent), workspace_(workspace) {
    connect(&workspace, &Workspace::project_changed, this, &RadioModelTable::refresh);
    connect(&workspace.results(), &Results::changed, this, &RadioModelTable::take_loads);
    refresh();
    take_loads();
}

/// What each radio carries, as it was worked out last.
void RadioModelTable::take_loads() {
    const auto* site = workspace_.results().find<SiteCapacity>();
    const HourCapacity* hour = site ? site->find(workspace_.project().demand.hour) : nullptr;
    hour_ = workspace_.project().demand.hour;
    if (!hour && loads_.empty()) return;
    loads_.clear();
    for (const RadioCapacity& r : hour ? hour->radios : std::vector<RadioCapacity>())
        loads_[{r.radio.access_point, r.radio.radio}] = {r.clients, 100 * r.use, 100 * r.headroom};
    if (!rows_.empty()) emit dataChanged(index(0, clients), index(rowCount() - 1, headroom));
}

const RadioModelTable::Load* RadioModelTable::load(const Row& row) const {
    const auto at = loads_.find({row.access_point, row.radio});
    return at == loads_.end() ? nullptr : &at->second;
}

QString RadioModelTable::load_text(const Row& row, int column) const {
    const Load* of = load(row);
    if (!of) return {};
    if (column == clients) return render::figure(of->clients);
    if (column == use) return render::figure(of->use);
    if (of->headroom < 0) return tr("overfull");
    return of->headroom > 900 ? QStringLiteral("> 900") : render::figure(of->headroom);
}

void RadioModelTable::refresh() {
    if (hour_ != workspace_.project().demand.hour) take_loads();
    std::vector<Row> rows;
    if (workspace_.document().is_open())
        for (const auto& placed : placed_access_points(workspace_.project()))
            for (std::size_t r = 0; r < placed.access_point->radios.size(); ++r)
                rows.push_back({placed.floor->id, placed.access_point->id, r});
    const auto same = [](const Row& a, const Row& b) {
        return a.floor == b.floor && a.access_point == b.access_point && a.radio == b.radio;
    };
    if (rows.size() == rows_.size() && std::equal(rows.begin(), rows.end(), rows_.begin(), same)) {
        if (!rows_.empty()) emit dataChanged(index(0, 0), index(rowCount() - 1, column_count - 1));
        return;
    }
    beginResetModel();
    rows_ = std::move(rows);
    endResetModel();
}

QVariant RadioModelTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal) return {};
    if (role == Qt::DisplayRole && section == height)
        return workspace_.units() == LengthUnits::metres ? tr("Height (m)") : tr("Height (ft)");
    if (role == Qt::DisplayRole) return tr(faces[section].head);
    if (role == Qt::TextAlignmentRole) return alignment(section);
    return {};
}

Qt::ItemFlags RadioModelTable::flags(const QModelIndex& i) const {
    Qt::ItemFlags f = Qt::ItemIsSelectable | Qt::ItemIsEnabled;
    if (i.column() == on) return f | Qt::ItemIsUserCheckable;
    return editable(i.column()) ? f | Qt::ItemIsEditable : f;
}

QString RadioModelTable::text(const Row& row, int column) const {
    const auto& project = workspace_.project();
    const AccessPoint* ap = find_access_point(project, row.floor, row.access_point);
    if (!ap) return {};
    const Radio& radio = ap->radios[row.radio];
    const AccessPointModel& m = model(project, ap->model);
    switch (column) {
        case number:
            return QString::number(ap->number);
        case floor:
            return QString::fromStdString(find_floor(project, row.floor)->name);
        case model_name:
            return QString::fromStdString(m.name);
        case band_name:
            return QString::fromStdString(band(radio.channel.band).name);
        case on:
            return radio.on ? tr("on") : tr("off");
        case channel:
            return radio.channel_open ? tr("open") : QString::number(radio.primary);
        case width:
            return QString::number(radio.channel.width_mhz);
        case power:
            return render::figure(radio.power_dbm, 0);
        case eirp:
            return is_at_work(project, *ap, row.radio)
                       ? render::figure(working_radio(project, *ap, row.radio).eirp_dbm(), 1)
                   : radio.on ? tr("no power")
                              : QString();
        case clients:
        case use:
        case headroom:
            return load_text(row, column);
        case antenna:
            return antenna_text(project, radio);
        case tilt:
            return render::figure(ap->downtilt_deg, 0);
        case source:
            return ap->source ? QString::fromStdString(std::string(power_source_name(*ap->source)))
                              : tr("not told");
        case lost:
            return lost_text(project, *ap);
        case height:
            return render::local(format_length(ap->height_m, workspace_.units(), false));
        case azimuth:
            return render::figure(ap->azimuth_deg, 0);
        default:
            return {};
    }
}

/// Never by text: lengths in feet and numbers with a decimal comma have an order of their own.
QVariant RadioModelTable::sort_value(const Row& row, int column) const {
    const auto& project = workspace_.project();
    const AccessPoint* ap = find_access_point(project, row.floor, row.access_point);
    if (!ap) return {};
    const Radio& radio = ap->radios[row.radio];
    switch (column) {
        case number:
            return ap->number;
        case band_name:
            return radio.channel.band.index;
        case on:
            return radio.on ? 1 : 0;
        case channel:
            return radio.channel_open ? 0 : radio.primary;
        case width:
            return radio.channel.width_mhz;
        case power:
            return radio.power_dbm;
        case eirp:
            return is_at_work(project, *ap, row.radio) ? working_radio(project, *ap, row.radio).eirp_dbm()
                                                       : -1000;
        case clients:
            return load(row) ? load(row)->clients : -1;
        case use:
            return load(row) ? load(row)->use : -1;
        case headroom:
            return load(row) ? load(row)->headroom : 1e9;
        case tilt:
            return ap->downtilt_deg;
        case height:
            return ap->height_m;
        case azimuth:
            return ap->azimuth_deg;
        default:
            return text(row, column);
    }
}

QVariant RadioModelTable::data(const QModelIndex& i, int role) const {
    const Row& r = row(i.row());
    const AccessPoint* ap = find_access_point(workspace_.project(), r.floor, r.access_point);
    if (!ap) return {};
    switch (role) {
        case Qt::DisplayRole:
            return i.column() == on ? QVariant() : text(r, i.column());
        case Qt::EditRole:
            return text(r, i.column());
        case Qt::CheckStateRole:
            return i.column() == on ? QVariant(ap->radios[r.radio].on ? Qt::Checked : Qt::Unchecked)
                                    : QVariant();
        case Qt::TextAlignmentRole:
            return alignment(i.column());
        case Qt::ForegroundRole:
            if (i.column() == headroom && load(r) && load(r)->headroom < 0) return theme().not_met;
            return is_at_work(workspace_.project(), *ap, r.radio) ? theme().ink : theme().muted;
        case Qt::ToolTipRole:
            return i.column() == lost || i.column() == antenna ? QVariant(text(r, i.column())) : QVariant();
        case Qt::UserRole:
            return sort_value(r, i.column());
        default:
            return {};
    }
}

AccessPoint RadioModelTable::with(const Project& project, const Row& r, int column,
                                  const QString& typed) const {
    const AccessPoint* found = find_access_point(project, r.floor, r.access_point);
    if (!found) throw Error(say("the access point is gone"));
    AccessPoint ap = *found;
    Radio& radio = ap.radios[r.radio];
    const BandId id = radio.channel.band;
    const RadioBand& can = *radio_band(model(project, ap.model), r.radio, id);
    switch (column) {
        case on:
            radio.on = typed == tr("on") || typed == "on" || typed == "1" || typed == "true";
            break;
        case channel:
            radio.channel_open = typed == tr("open") || typed == "open" || typed == QStringLiteral("–");
            if (radio.channel_open) break;
            radio = retuned(radio, id, static_cast<int>(parse_number(typed.section('/', 0, 0), 1, 300, "")),
                            radio.channel.width_mhz);
            break;
        case width: {
            const int width_mhz = static_cast<int>(parse_number(typed, 20, 320, "MHz"));
            if (width_mhz > can.widest_mhz) throw Error(say("the model goes up to %1 MHz", can.widest_mhz));
            radio = retuned(radio, id, radio.primary, width_mhz);
            break;
        }
        case power:
            radio.power_dbm =
                can.power.nearest_dbm(parse_number(typed, can.power.low_dbm, can.power.high_dbm, "dBm"),
                                      working_radio(project, ap, r.radio).most_power_dbm);
            break;
        case height:
            ap.height_m = parse_length_m(render::plain(typed), workspace_.units());
            break;
        case azimuth:
            ap.azimuth_deg = parse_number(typed, -360, 360, "°");
            break;
        case tilt:
            ap.downtilt_deg = parse_number(typed, limits::tilt_deg.low, limits::tilt_deg.high, "°");
            break;
        case source:
            if (const auto wanted = source_typed(model(project, ap.model), typed); wanted != ap.source) {
                ap.source = wanted;
                ap.alternative = 0;
            }
            break;
        default:
            break;
    }
    try {
        check(ap);
    } catch (const RuleBroken& rule) {
        throw Error(rule.reason(workspace_.units()));
    }
    return ap;
}

bool RadioModelTable::setData(const QModelIndex& i, const QVariant& value, int role) {
    if ((role != Qt::EditRole && role != Qt::CheckStateRole) || !editable(i.column())) return false;
    try {
        const Row r = row(i.row());
        const AccessPoint ap =
            with(workspace_.project(), r, i.column(),
                 role == Qt::CheckStateRole ? (value.toInt() == Qt::Checked ? tr("on") : tr("off"))
                                            : value.toString());
        return workspace_.edit(tr(faces[i.column()].edit).arg(ap.number),
                               [&](Project& p) { replace_access_point(p, r.floor, ap); });
    } catch (const Error& fault) {
        workspace_.tell(tr(faces[i.column()].head) + ": " + fault_text(fault), true);
        return false;
    }
}

/// All in one edit; a cell that is refused stays as it was.
void RadioModelTable::set_cells(const QString& label, const std::vector<Cell>& cells) {
    int refused = 0;
    QString first;
    workspace_.edit(label, [&](Project& p) {
        for (const Cell& cell : cells) {
            try {
                replace_access_point(p, cell.row.floor, with(p, cell.row, cell.column, cell.typed));
            } catch (const Error& fault) {
                if (refused++ == 0)
                    first =
                        tr("access point %1, %2: ").arg(text(cell.row, number), tr(faces[cell.column].head)) +
                        fault_text(fault);
            }
        }
    });
    if (refused == 0) return;
    const int all = static_cast<int>(cells.size());
    workspace_.tell(
        (refused == all && all > 1 ? tr("None of the cells was taken: ")
         : refused == 1            ? tr("One cell was not taken: ")
                                   : tr("%1 of %2 cells were not taken, the first: ").arg(refused).arg(all)) +
            first,
        true);
}

RadioSchedule::RadioSchedule(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    setObjectName("radioSchedule");
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    model_ = new RadioModelTable(workspace, this);
    sorted_ = new QSortFilterProxyModel(this);
    sorted_->setSourceModel(model_);
    sorted_->setSortRole(Qt::UserRole);
    sorted_->setFilterKeyColumn(-1);
    sorted_->setFilterCaseSensitivity(Qt::CaseInsensitive);
    auto* bar = new QHBoxLayout;
    bar->setContentsMargins(12, 5, 12, 4);
    filter_ = new QLineEdit(this);
    filter_->setObjectName("scheduleFilter");
    filter_->setPlaceholderText(tr("Show only rows with…"));
    filter_->setFixedWidth(220);
    connect(filter_, &QLineEdit::textChanged, sorted_, [this](const QString& text) {
        sorted_->setFilterFixedString(QString::fromUtf8(text.toUtf8()));  // without halves of characters
    });
    bar->addWidget(filter_);
    bar->addStretch(1);
    auto* words = new QLabel(tr("Double click to edit; Ctrl+C and Ctrl+V to and from a spreadsheet"), this);
    words->setObjectName("small");
    bar->addWidget(words);
    column->addLayout(bar);
    table_ = new QTableView(this);
    table_->setObjectName("scheduleTable");
    table_->setModel(sorted_);
    table_->setSortingEnabled(true);
    table_->sortByColumn(RadioModelTable::number, Qt::AscendingOrder);
    table_->setShowGrid(false);
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(23);
    table_->horizontalHeader()->setHighlightSections(false);
    table_->horizontalHeader()->setStretchLastSection(false);
    table_->setItemDelegateForColumn(RadioModelTable::band_name, new BandDelegate(table_));
    table_->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed |
                            QAbstractItemView::AnyKeyPressed);
    table_->installEventFilter(this);
    for (int c = 0; c < RadioModelTable::column_count; ++c) set_column_width(*table_, c, faces[c].width);
    connect(sorted_, &QAbstractItemModel::modelReset, this, [this] { make_room_for_heads(*table_); });
    connect(table_->selectionModel(), &QItemSelectionModel::currentRowChanged, this,
            &RadioSchedule::follow_row);
    column->addWidget(table_);
}

void RadioSchedule::follow_row() {
    const QModelIndex current = sorted_->mapToSource(table_->currentIndex());
    if (!current.isValid() || !table_->hasFocus()) return;
    const auto row = model_->row(current.row());
    workspace_.in_view().show_floor(row.floor);
    workspace_.selection().select({{Item::Kind::access_point, row.access_point.value}});
}

QString RadioSchedule::selected_text() const {
    auto cells = table_->selectionModel()->selectedIndexes();
    std::sort(cells.begin(), cells.end());
    QString text;
    for (int i = 0; i < cells.size(); ++i) {
        if (i > 0) text += cells[i].row() == cells[i - 1].row() ? "\t" : "\n";
        text += cells[i].data(Qt::EditRole).toString();
    }
    return text;
}

void RadioSchedule::paste(const QString& text) {
    const QModelIndex from = table_->currentIndex();
    if (!from.isValid()) return;
    std::vector<RadioModelTable::Cell> cells;
    const QStringList lines = text.split('\n', Qt::SkipEmptyParts);
    for (int l = 0; l < lines.size(); ++l) {
        const QStringList parts = lines[l].split('\t');
        for (int c = 0; c < parts.size(); ++c) {
            const QModelIndex to = sorted_->index(from.row() + l, from.column() + c);
            if (to.isValid() && editable(to.column()))
                cells.push_back(
                    {model_->row(sorted_->mapToSource(to).row()), to.column(), parts[c].trimmed()});
        }
    }
    if (cells.empty())
        return workspace_.tell(
            tr("Nothing here can be pasted over: choose a cell of a column that can be edited"), true);
    model_->set_cells(tr("Paste into the radio schedule"), cells);
}

bool RadioSchedule::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::Show) make_room_for_heads(*table_);
    if (event->type() == QEvent::ShortcutOverride || event->type() == QEvent::KeyPress) {
        auto* key = static_cast<QKeyEvent*>(event);
        const bool copy = key->matches(QKeySequence::Copy), paste_asked = key->matches(QKeySequence::Paste);
        if (!copy && !paste_asked) return QWidget::eventFilter(watched, event);
        if (event->type() == QEvent::ShortcutOverride) {
            event->accept();
            return true;
        }
        if (copy) QApplication::clipboard()->setText(selected_text());
        if (paste_asked) paste(QApplication::clipboard()->text());
        return true;
    }
    return QWidget::eventFilter(watched, event);
}

}  // namespace yemvo::app
