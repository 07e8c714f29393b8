// SPDX-License-Identifier: GPL-3.0-or-later
// The present plan and the proposed one, floor by floor.
#pragma once
#include <QAbstractTableModel>
#include <memory>
#include <set>

#include "project/gear_sum.h"
#include "proposal/propose.h"

namespace yemvo::app {

class ProposalTable : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column {
        floor,
        count,
        changes,
        band_24_column,
        band_5_column,
        band_6_column,
        price,
        watts,
        column_count
    };
    explicit ProposalTable(QObject* parent = nullptr) : QAbstractTableModel(parent) {}
    int rowCount(const QModelIndex& = {}) const override;
    int columnCount(const QModelIndex& = {}) const override { return column_count; }
    QVariant data(const QModelIndex&, int role) const override;
    bool setData(const QModelIndex&, const QVariant&, int role) override;
    Qt::ItemFlags flags(const QModelIndex&) const override;
    QVariant headerData(int section, Qt::Orientation, int role) const override;
    /// `present`: that it was worked out for. Null: nothing.
    void show(std::shared_ptr<const Proposal>, const Project& present);
    /// Floors whose part is to be taken.
    std::set<FloorId> ticked() const;
    FloorId floor_of(int row) const;

signals:
    void ticked_changed();

private:
    struct Figures {
        GearSum gear;
        double share[3] = {-1, -1, -1};  ///< of area asked that holds, by band; below 0: nothing asked
    };
    struct Row {
        FloorId floor;  ///< 0: all of it
        QString name;
        Figures now, then;
        int moved = 0, added = 0, removed = 0;
        bool is_ticked = true;
    };
    static void count_shares(const Verdict&, FloorId, Figures&);
    QString words(const Row&, int column) const;
    std::vector<Row> rows_;  ///< floors from top to bottom, then the whole
};

}  // namespace yemvo::app
