// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/on_site/on_site_table.h"

#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/workspace.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

struct ColumnFace {
    const char* head;
    bool editable;
};
/// In the order of OnSiteTable::Column.
constexpr ColumnFace on_site_faces[] = {
    {mark("No."), false},  {mark("Name"), true}, {mark("Floor"), false},        {mark("Model"), false},
    {mark("State"), true}, {mark("Date"), true}, {mark("Serial number"), true}, {mark("Address"), true},
    {mark("Note"), true},  {"", false}};
static_assert(std::size(on_site_faces) == OnSiteTable::column_count);

/// A state as it is typed or chosen. Throws Error naming those that there are.
SiteState state_of(const QString& typed) {
    for (const SiteStateName& s : site_states)
        if (typed.compare(tr(s.name), Qt::CaseInsensitive) == 0 ||
            typed.compare(s.key, Qt::CaseInsensitive) == 0)
            return s.state;
    throw Error(say("'%1' is no state", typed.toStdString()), {}, say("Planned, hung or checked"));
}

void set(AccessPoint& ap, int column, const QString& typed) {
    const std::string text = typed.trimmed().toStdString();
    switch (column) {
        case OnSiteTable::name:
            ap.name = text;
            break;
        case OnSiteTable::state:
            set_state(ap.on_site, state_of(typed));
            break;
        case OnSiteTable::date:
            ap.on_site.date = text;
            break;
        case OnSiteTable::serial:
            ap.on_site.serial = text;
            break;
        case OnSiteTable::address: {
            const auto address = address_text(text);
            ap.on_site.address = text.empty() ? text : address.value_or(text);
            break;
        }
        default:
            ap.on_site.note = text;
    }
}

}  // namespace

OnSiteTable::OnSiteTable(Workspace& workspace, QObject* parent)
    : QAbstractTableModel(parent), workspace_(workspace) {
    connect(&workspace, &Workspace::project_changed, this, &OnSiteTable::refresh);
    refresh();
}

void OnSiteTable::refresh() {
    std::vector<Row> rows;
    if (workspace_.document().is_open())
        for (const auto& [at, ap] : placed_access_points(workspace_.project()))
            rows.push_back({ap->id, at->id});
    for (std::size_t i = 0; i < list_.rows.size(); ++i)
        if (list_.rows[i].what == ListedAccessPoint::What::added)
            rows.push_back({{}, list_.rows[i].floor, i + 1});
    const auto same = [](const Row& a, const Row& b) {
        return a.id == b.id && a.floor == b.floor && a.listed == b.listed;
    };
    if (std::equal(rows.begin(), rows.end(), rows_.begin(), rows_.end(), same)) {
        if (!rows_.empty()) emit dataChanged(index(0, 0), index(rowCount() - 1, column_count - 1));
        emit headerDataChanged(Qt::Horizontal, change, change);
        return;
    }
    beginResetModel();
    rows_ = std::move(rows);
    endResetModel();
}

void OnSiteTable::show_names(const std::vector<NewName>& names) {
    list_ = {};
    changes_.clear();
    change_head_ = tr("New name");
    for (const NewName& n : names) changes_[n.access_point] = {QString::fromStdString(n.name), n.doubled};
    refresh();
}

void OnSiteTable::show_list(const ListedAccessPoints& list) {
    list_ = list;
    changes_.clear();
    change_head_ = tr("The list changes");
    for (const ListedAccessPoint& row : list.rows)
        if (row.what == ListedAccessPoint::What::changed)
            changes_[row.access_point.id] = {said_text(said_first(Said::joined(", ", row.changes))), false};
    refresh();
}

void OnSiteTable::show_no_change() {
    list_ = {};
    changes_.clear();
    change_head_.clear();
    refresh();
}

const AccessPoint* OnSiteTable::find(const Row& row) const {
    if (row.listed) return &list_.rows[row.listed - 1].access_point;
    return find_access_point(workspace_.project(), row.floor, row.id);
}

QVariant OnSiteTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation == Qt::Horizontal && role == Qt::TextAlignmentRole)
        return static_cast<int>(Qt::AlignLeft | Qt::AlignVCenter);
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole) return {};
    return section == change ? change_head_ : tr(on_site_faces[section].head);
}

Qt::ItemFlags OnSiteTable::flags(const QModelIndex& i) const {
    const Qt::ItemFlags f = Qt::ItemIsSelectable | Qt::ItemIsEnabled;
    const bool there = !rows_[static_cast<std::size_t>(i.row())].listed;
    return there && on_site_faces[i.column()].editable ? f | Qt::ItemIsEditable : f;
}

QString OnSiteTable::text(const Row& row, int column) const {
    const AccessPoint* ap = find(row);
    const Floor* at = find_floor(workspace_.project(), row.floor);
    if (!ap || !at) return {};
    switch (column) {
        case number:
            return row.listed ? tr("new") : QString::number(ap->number);
        case name:
            return QString::fromStdString(ap->name);
        case floor:
            return QString::fromStdString(floor_title(workspace_.project(), *at));
        case model:
            return QString::fromStdString(yemvo::model(workspace_.project(), ap->model).name);
        case state:
            return tr(site_state(ap->on_site.state).name);
        case date:
            return QString::fromStdString(ap->on_site.date);
        case serial:
            return QString::fromStdString(ap->on_site.serial);
        case address:
            return QString::fromStdString(ap->on_site.address);
        case note:
            return QString::fromStdString(ap->on_site.note);
        default: {
            if (row.listed) return tr("is added");
            const auto found = changes_.find(row.id);
            return found == changes_.end() ? QString() : found->second.words;
        }
    }
}

QVariant OnSiteTable::data(const QModelIndex& i, int role) const {
    const Row& row = rows_[static_cast<std::size_t>(i.row())];
    if (role == Qt::DisplayRole || role == Qt::EditRole) return text(row, i.column());
    if (role == Qt::ToolTipRole && i.column() == change) return text(row, change);
    if (role == Qt::ForegroundRole && i.column() == change) {
        const auto found = changes_.find(row.id);
        if (found != changes_.end() && found->second.fault) return theme().not_met;
        return theme().accent;
    }
    return {};
}

bool OnSiteTable::setData(const QModelIndex& i, const QVariant& value, int role) {
    if (role != Qt::EditRole) return false;
    const Row row = rows_[static_cast<std::size_t>(i.row())];
    const AccessPoint* now = find(row);
    if (!now || row.listed) return false;
    AccessPoint ap = *now;
    try {
        set(ap, i.column(), value.toString());
    } catch (const Error& fault) {
        workspace_.tell(fault_text(fault), true);
        return false;
    }
    if (ap == *now) return false;
    const QString label =
        i.column() == name ? tr("Name access point %1") : tr("Note access point %1 on site");
    return workspace_.edit(label.arg(ap.number), [&](Project& p) { replace_access_point(p, row.floor, ap); });
}

}  // namespace yemvo::app
