// SPDX-License-Identifier: GPL-3.0-or-later
// Cables and closets as tables.
#pragma once
#include <QAbstractTableModel>
#include <memory>

#include "cabling/cable_plan.h"

namespace yemvo::app {

class Workspace;

/// A plan of cables with the project that it is of.
struct PlannedCables {
    Project project;
    CablePlan plan;
};

/// What is wrong with a cable, in words; empty: nothing.
QString fault_of(const PlannedCables&, const CableRun&);

class CableTable : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { number, floor, closet, port, link, channel, note, power_class, watts, column_count };
    explicit CableTable(Workspace&, QObject* parent = nullptr);
    int rowCount(const QModelIndex& = {}) const override;
    int columnCount(const QModelIndex& = {}) const override { return column_count; }
    QVariant data(const QModelIndex&, int role) const override;
    QVariant headerData(int section, Qt::Orientation, int role) const override;
    void show(std::shared_ptr<const PlannedCables>);
    const CableRun& run(int row) const { return planned_->plan.runs[static_cast<std::size_t>(row)]; }
    /// -1 for one that is not there.
    int row_of(AccessPointId) const;

private:
    QString text(const CableRun&, int column) const;
    QVariant sort_value(const CableRun&, int column) const;
    bool metric() const;
    bool is_wrong(const CableRun&, int column) const;
    QVariant tip(const CableRun&, int column) const;
    Workspace& workspace_;
    std::shared_ptr<const PlannedCables> planned_;
};

/// A row a switch; a closet without any has one of its own.
class ClosetTable : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { closet, floor, cables, switch_name, ports, watts, expected, column_count };
    explicit ClosetTable(QObject* parent = nullptr) : QAbstractTableModel(parent) {}
    int rowCount(const QModelIndex& = {}) const override { return static_cast<int>(rows_.size()); }
    int columnCount(const QModelIndex& = {}) const override { return column_count; }
    QVariant data(const QModelIndex&, int role) const override;
    QVariant headerData(int section, Qt::Orientation, int role) const override;
    void show(std::shared_ptr<const PlannedCables>);
    const ClosetUse& use(int row) const {
        return planned_->plan.closets[rows_[static_cast<std::size_t>(row)].closet];
    }

private:
    struct Row {
        std::size_t closet;
        int of;  ///< switch; -1: none
    };
    QString text(const Row&, int column) const;
    bool is_over(const Row&, int column) const;
    std::vector<Row> rows_;
    std::shared_ptr<const PlannedCables> planned_;
};

}  // namespace yemvo::app
