// SPDX-License-Identifier: GPL-3.0-or-later
// Every access point of the current variant with its name and how far it has come on site; and what a naming
// or a list would change.
#pragma once
#include <QAbstractTableModel>
#include <map>
#include <vector>

#include "handover/access_point_list.h"
#include "handover/naming.h"

namespace yemvo::app {

class Workspace;

class OnSiteTable : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { number, name, floor, model, state, date, serial, address, note, change, column_count };
    explicit OnSiteTable(Workspace&, QObject* parent = nullptr);
    int rowCount(const QModelIndex& = {}) const override { return static_cast<int>(rows_.size()); }
    int columnCount(const QModelIndex& = {}) const override { return column_count; }
    QVariant data(const QModelIndex&, int role) const override;
    QVariant headerData(int section, Qt::Orientation, int role) const override;
    Qt::ItemFlags flags(const QModelIndex&) const override;
    bool setData(const QModelIndex&, const QVariant&, int role) override;
    /// 0 for one that only the list has.
    AccessPointId access_point(int row) const { return rows_[static_cast<std::size_t>(row)].id; }
    FloorId floor_of(int row) const { return rows_[static_cast<std::size_t>(row)].floor; }
    void refresh();
    void show_names(const std::vector<NewName>&);
    void show_list(const ListedAccessPoints&);
    void show_no_change();

private:
    struct Row {
        AccessPointId id;
        FloorId floor;
        std::size_t listed = 0;  ///< index + 1 into the list, of one that is not there yet
    };
    struct Change {
        QString words;
        bool fault = false;
    };
    const AccessPoint* find(const Row&) const;
    QString text(const Row&, int column) const;
    Workspace& workspace_;
    std::vector<Row> rows_;
    std::map<AccessPointId, Change> changes_;
    QString change_head_;
    ListedAccessPoints list_;
};

}  // namespace yemvo::app
