// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cables/cable_tables.h"

#include "app/look/theme.h"
#include "app/model/workspace.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr double metres_a_foot = 0.3048;

int aligned(bool right) {
    return static_cast<int>((right ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter);
}

const Closet& closet_of(const PlannedCables& planned, FloorId floor, ClosetId id) {
    return *find_closet(*find_floor(planned.project, floor), id);
}

bool is_figure(int column) {
    using enum CableTable::Column;
    return column == number || column == link || column == channel || column == power_class ||
           column == watts;
}

QString floor_words(const Project& project, FloorId floor) {
    return QString::fromStdString(find_floor(project, floor)->name);
}

QString port_words(const PlannedCables& planned, const CableRun& run) {
    if (!run.port) return {};
    const Closet& closet = closet_of(planned, run.closet_floor, run.closet);
    return tr("%1 / %2").arg(QString::fromStdString(closet.switches[run.port->of].name)).arg(run.port->port);
}

}  // namespace

QString fault_of(const PlannedCables& planned, const CableRun& run) {
    const CablingBook& book = planned.project.cabling;
    if (!run.closet) return tr("no way to a closet");
    if (run.channel_m > book.most_channel_m + 1e-9) return tr("channel too long");
    if (run.link_m > book.most_link_m + 1e-9) return tr("link too long");
    const Closet& closet = closet_of(planned, run.closet_floor, run.closet);
    if (!run.port && !closet.switches.empty()) return tr("no port left");
    if (run.is_short_of_power())
        return tr("wants %1, gets %2")
            .arg(tr_mark(power_source_name(*run.wants)),
                 run.gets ? tr_mark(power_source_name(*run.gets)) : tr("no power"));
    return {};
}

CableTable::CableTable(Workspace& workspace, QObject* parent)
    : QAbstractTableModel(parent), workspace_(workspace) {}

bool CableTable::is_wrong(const CableRun& r, int column) const {
    const CablingBook& book = planned_->project.cabling;
    if (column == link) return r.link_m > book.most_link_m + 1e-9;
    if (column == channel) return r.channel_m > book.most_channel_m + 1e-9;
    return column == note && !fault_of(*planned_, r).isEmpty();
}

QVariant CableTable::tip(const CableRun& r, int column) const {
    if (column == note || column == floor) return text(r, column);
    if (!r.closet) return {};
    if (column == link)
        return tr("%1 along floors and risers, %2 of drops")
            .arg(render::local(format_length(r.way_m, workspace_.units())),
                 render::local(format_length(r.drops_m, workspace_.units())));
    if (column != closet) return {};
    return tr("%1, %2").arg(text(r, closet), floor_words(planned_->project, r.closet_floor));
}

bool CableTable::metric() const { return workspace_.units() == LengthUnits::metres; }

int CableTable::rowCount(const QModelIndex&) const {
    return planned_ ? static_cast<int>(planned_->plan.runs.size()) : 0;
}

void CableTable::show(std::shared_ptr<const PlannedCables> planned) {
    const bool same_rows = planned && planned_ && planned->plan.runs.size() == planned_->plan.runs.size();
    if (same_rows) {
        planned_ = std::move(planned);
        if (rowCount() > 0) emit dataChanged(index(0, 0), index(rowCount() - 1, column_count - 1));
        return;
    }
    beginResetModel();
    planned_ = std::move(planned);
    endResetModel();
}

int CableTable::row_of(AccessPointId id) const {
    for (int i = 0; i < rowCount(); ++i)
        if (run(i).access_point == id) return i;
    return -1;
}

QString CableTable::text(const CableRun& r, int column) const {
    const auto metres = [&](double m) {
        // no plan is right to the centimetre
        return r.closet ? render::figure(metric() ? m : m / metres_a_foot, metric() ? 1 : 0) : QString();
    };
    switch (column) {
        case number:
            return QString::number(r.number);
        case floor:
            return floor_words(planned_->project, r.floor);
        case closet:
            return r.closet ? QString::fromStdString(closet_of(*planned_, r.closet_floor, r.closet).name)
                            : QString();
        case port:
            return port_words(*planned_, r);
        case link:
            return metres(r.link_m);
        case channel:
            return metres(r.channel_m);
        case power_class:
            return r.power_class ? QString::number(r.power_class->number) : QString();
        case watts:
            return r.port_w > 0 ? render::figure(r.port_w, 1) : QString();
        default:
            break;
    }
    const QString fault = fault_of(*planned_, r);
    if (!fault.isEmpty() || !r.outlet) return fault;
    return tr("from outlet %1")
        .arg(QString::fromStdString(find_outlet(*find_floor(planned_->project, r.floor), r.outlet)->name));
}

QVariant CableTable::sort_value(const CableRun& r, int column) const {
    switch (column) {
        case number:
            return r.number;
        case link:
            return r.link_m;
        case channel:
            return r.channel_m;
        case power_class:
            return r.power_class ? r.power_class->number : 0;
        case watts:
            return r.port_w;
        case port:
            return r.port ? static_cast<int>(r.port->of) * 1000 + r.port->port : -1;
        default:
            return text(r, column);
    }
}

QVariant CableTable::data(const QModelIndex& index, int role) const {
    if (!planned_ || !index.isValid() || index.row() >= rowCount()) return {};
    const CableRun& r = run(index.row());
    switch (role) {
        case Qt::DisplayRole:
            return text(r, index.column());
        case Qt::UserRole:
            return sort_value(r, index.column());
        case Qt::TextAlignmentRole:
            return aligned(is_figure(index.column()));
        case Qt::ForegroundRole:
            return is_wrong(r, index.column()) ? theme().not_met : theme().ink;
        case Qt::ToolTipRole:
            return tip(r, index.column());
        default:
            return {};
    }
}

QVariant CableTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal) return {};
    if (role == Qt::TextAlignmentRole) return aligned(is_figure(section));
    if (role == Qt::ToolTipRole) switch (section) {
            case link:
                return tr("Permanent link: the way with its drops and slack");
            case channel:
                return tr("The link with the cords at both ends");
            case power_class:
                return tr("Of power over Ethernet, for what it draws at most");
            case watts:
                return tr("Expected at the port: what it draws and what the cable takes");
            default:
                return {};
        }
    if (role != Qt::DisplayRole) return {};
    switch (section) {
        case number:
            return tr("No.");
        case floor:
            return tr("Floor");
        case closet:
            return tr("Closet");
        case port:
            return tr("Switch / port");
        case link:
            return metric() ? tr("Link (m)") : tr("Link (ft)");
        case channel:
            return metric() ? tr("Channel (m)") : tr("Channel (ft)");
        case power_class:
            return tr("Class");
        case watts:
            return tr("Port (W)");
        default:
            return tr("Note");
    }
}

void ClosetTable::show(std::shared_ptr<const PlannedCables> planned) {
    beginResetModel();
    planned_ = std::move(planned);
    rows_.clear();
    if (planned_)
        for (std::size_t c = 0; c < planned_->plan.closets.size(); ++c) {
            const std::size_t n = planned_->plan.closets[c].switches.size();
            if (n == 0) rows_.push_back({c, -1});
            for (std::size_t i = 0; i < n; ++i) rows_.push_back({c, static_cast<int>(i)});
        }
    endResetModel();
}

QString ClosetTable::text(const Row& row, int column) const {
    const ClosetUse& use = planned_->plan.closets[row.closet];
    const Closet& stands = closet_of(*planned_, use.floor, use.closet);
    const Switch* s = row.of >= 0 ? &stands.switches[static_cast<std::size_t>(row.of)] : nullptr;
    const SwitchUse* of = s ? &use.switches[static_cast<std::size_t>(row.of)] : nullptr;
    const bool first = row.of <= 0;
    switch (column) {
        case ClosetTable::closet:
            return first ? QString::fromStdString(stands.name) : QString();
        case floor:
            return first ? floor_words(planned_->project, use.floor) : QString();
        case cables:
            return first ? QString::number(use.runs) : QString();
        case switch_name:
            return s ? QString::fromStdString(s->name) : tr("no switch told");
        case ports:
            return s ? tr("%1 / %2").arg(of->ports_used).arg(s->ports) : QString();
        case watts:
            if (!s) return {};
            return s->source
                       ? tr("%1 / %2").arg(render::figure(of->class_w, 0), render::figure(s->budget_w, 0))
                       : tr("no power");
        default:
            return s && s->source ? render::figure(of->drawn_w, 0) : QString();
    }
}

bool ClosetTable::is_over(const Row& row, int column) const {
    const ClosetUse& use = planned_->plan.closets[row.closet];
    if (column == cables) return use.without_port > 0;
    if (row.of < 0 || column != watts) return false;
    const Switch& s = closet_of(*planned_, use.floor, use.closet).switches[static_cast<std::size_t>(row.of)];
    return use.switches[static_cast<std::size_t>(row.of)].class_w >
           s.budget_w * planned_->project.cabling.budget_share + 1e-9;
}

QVariant ClosetTable::data(const QModelIndex& index, int role) const {
    if (!planned_ || !index.isValid() || index.row() >= rowCount()) return {};
    const Row& row = rows_[static_cast<std::size_t>(index.row())];
    switch (role) {
        case Qt::DisplayRole:
            return text(row, index.column());
        case Qt::TextAlignmentRole:
            return aligned(index.column() == cables || index.column() == expected);
        case Qt::ForegroundRole:
            return is_over(row, index.column()) ? theme().not_met : theme().ink;
        case Qt::ToolTipRole:
            return text(row, index.column());
        default:
            return {};
    }
}

QVariant ClosetTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal) return {};
    if (role == Qt::TextAlignmentRole) return aligned(section == cables || section == expected);
    if (role == Qt::ToolTipRole && section == watts)
        return tr("What ports set aside for their classes, of the switch's watts");
    if (role == Qt::ToolTipRole && section == expected) return tr("Watts that are expected to be drawn");
    if (role != Qt::DisplayRole) return {};
    switch (section) {
        case ClosetTable::closet:
            return tr("Closet");
        case floor:
            return tr("Floor");
        case cables:
            return tr("Cables");
        case switch_name:
            return tr("Switch");
        case ports:
            return tr("Ports");
        case watts:
            return tr("Watts");
        default:
            return tr("Drawn");
    }
}

}  // namespace yemvo::app
