// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/proposal/proposal_table.h"

#include <algorithm>

#include "app/look/theme.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

namespace {

QString both(const QString& now, const QString& then) { return now == then ? then : now + " → " + then; }

QString asked_share(double share) { return share < 0 ? QString("–") : render::share_figure(share); }

}  // namespace

int ProposalTable::rowCount(const QModelIndex&) const { return static_cast<int>(rows_.size()); }

void ProposalTable::count_shares(const Verdict& v, FloorId floor, Figures& f) {
    for (const BandResult& b : v.bands) {
        if (floor.value == 0) {
            f.share[b.band.index] = b.demanded_m2 > 0 ? b.share_met() : -1;
            continue;
        }
        for (const FloorArea& a : b.floors)
            if (a.floor == floor && a.demanded_m2 > 0) f.share[b.band.index] = a.share_met();
    }
}

void ProposalTable::show(std::shared_ptr<const Proposal> p, const Project& present) {
    beginResetModel();
    std::set<FloorId> off;  // ticks last while a search improves its plan
    for (const Row& r : rows_)
        if (!r.is_ticked) off.insert(r.floor);
    rows_.clear();
    if (p) {
        Row all;
        all.name = tr("All floors");
        std::vector<const Floor*> floors = all_floors(present);
        std::ranges::reverse(floors);
        for (const Floor* f : floors) {
            Row row;
            row.floor = f->id;
            row.name = QString::fromStdString(f->name);
            row.now.gear = gear_sum(present, f->id);
            row.then.gear = gear_sum(p->plan.project, f->id);
            count_shares(p->before, f->id, row.now);
            count_shares(p->verdict, f->id, row.then);
            for (const ProposalMove& m : p->plan.moves) {
                if (!(m.floor == f->id)) continue;
                row.moved += m.kind == MoveKind::moved;
                row.added += m.kind == MoveKind::added;
                row.removed += m.kind == MoveKind::removed;
            }
            row.is_ticked = !off.contains(f->id);
            all.now.gear += row.now.gear;
            all.then.gear += row.then.gear;
            all.moved += row.moved;
            all.added += row.added;
            all.removed += row.removed;
            if (row.now.gear.access_points + row.then.gear.access_points > 0 || row.then.share[1] >= 0 ||
                row.then.share[0] >= 0)
                rows_.push_back(std::move(row));
        }
        count_shares(p->before, {}, all.now);
        count_shares(p->verdict, {}, all.then);
        rows_.push_back(std::move(all));
    }
    endResetModel();
    emit ticked_changed();
}

std::set<FloorId> ProposalTable::ticked() const {
    std::set<FloorId> out;
    for (const Row& r : rows_)
        if (r.floor.value != 0 && r.is_ticked) out.insert(r.floor);
    return out;
}

FloorId ProposalTable::floor_of(int row) const {
    return row >= 0 && row < rowCount() ? rows_[static_cast<std::size_t>(row)].floor : FloorId{};
}

QString ProposalTable::words(const Row& r, int column) const {
    switch (column) {
        case floor:
            return r.name;
        case count:
            return both(QString::number(r.now.gear.access_points),
                        QString::number(r.then.gear.access_points));
        case changes: {
            QStringList parts;
            if (r.added > 0) parts << tr("+%1").arg(r.added);
            if (r.moved > 0) parts << tr("%1 moved").arg(r.moved);
            if (r.removed > 0) parts << tr("−%1").arg(r.removed);
            return parts.isEmpty() ? tr("none") : parts.join(", ");
        }
        case band_24_column:
        case band_5_column:
        case band_6_column: {
            const int b = column - band_24_column;
            return both(asked_share(r.now.share[b]), asked_share(r.then.share[b]));
        }
        case price:
            return r.now.gear.price + r.then.gear.price > 0
                       ? both(render::figure(r.now.gear.price, 0), render::figure(r.then.gear.price, 0))
                       : QString("–");
        default:
            return r.now.gear.watts + r.then.gear.watts > 0
                       ? both(render::figure(r.now.gear.watts, 0), render::figure(r.then.gear.watts, 0))
                       : QString("–");
    }
}

QVariant ProposalTable::data(const QModelIndex& index, int role) const {
    if (!index.isValid() || index.row() >= rowCount()) return {};
    const Row& r = rows_[static_cast<std::size_t>(index.row())];
    const bool is_whole = r.floor.value == 0;
    if (role == Qt::CheckStateRole && index.column() == floor && !is_whole)
        return r.is_ticked ? Qt::Checked : Qt::Unchecked;
    if (role == Qt::DisplayRole) return words(r, index.column());
    if (role == Qt::FontRole) return render::font(12, is_whole || index.column() == count ? 600 : 400);
    if (role == Qt::TextAlignmentRole && index.column() != floor && index.column() != changes)
        return int{Qt::AlignRight | Qt::AlignVCenter};
    if (role == Qt::ForegroundRole && !is_whole && r.moved + r.added + r.removed == 0)
        return QBrush(theme().muted);
    return {};
}

bool ProposalTable::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::CheckStateRole || !index.isValid() || floor_of(index.row()).value == 0) return false;
    rows_[static_cast<std::size_t>(index.row())].is_ticked = value.toInt() == Qt::Checked;
    emit dataChanged(index, index);
    emit ticked_changed();
    return true;
}

Qt::ItemFlags ProposalTable::flags(const QModelIndex& index) const {
    Qt::ItemFlags f = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
    if (index.column() == floor && floor_of(index.row()).value != 0) f |= Qt::ItemIsUserCheckable;
    return f;
}

QVariant ProposalTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal) return {};
    if (role == Qt::TextAlignmentRole)
        return static_cast<int>((section == floor || section == changes ? Qt::AlignLeft : Qt::AlignRight) |
                                Qt::AlignVCenter);
    if (role == Qt::ToolTipRole && section >= band_24_column && section <= band_6_column)
        return tr("Of the area that is asked about, where every requirement of the band holds");
    if (role != Qt::DisplayRole) return {};
    switch (section) {
        case floor:
            return tr("Floor");
        case count:
            return tr("Count");
        case changes:
            return tr("Changes");
        case price:
            return tr("Price");
        case watts:
            return tr("Watts");
        default:
            return tr("%1 GHz, %")
                .arg(render::local(bands()[static_cast<std::size_t>(section - band_24_column)].name));
    }
}

}  // namespace yemvo::app
