// SPDX-License-Identifier: GPL-3.0-or-later
// What a capture heard, a row a network.
#pragma once
#include <QAbstractTableModel>
#include <set>

#include "capture/air_audit.h"

namespace yemvo::app {

class HeardTable : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column {
        name,
        radio,
        band_column,
        primary,
        width,
        centre,
        level,
        standard,
        use,
        stations,
        retries,
        column_count
    };
    using QAbstractTableModel::QAbstractTableModel;
    int rowCount(const QModelIndex& = {}) const override {
        return air_ ? static_cast<int>(air_->networks.size()) : 0;
    }
    int columnCount(const QModelIndex& = {}) const override { return column_count; }
    QVariant data(const QModelIndex&, int role) const override;
    QVariant headerData(int section, Qt::Orientation, int role) const override;
    void show(std::shared_ptr<const HeardAir>);
    /// Cells of these networks that a rule is broken in are marked.
    void mark_failed(const std::vector<AuditLine>&);
    /// What a cell says, as the table and the exported file have it.
    QString words(std::size_t network, Column) const;
    /// For sorting by figures; without one last.
    static constexpr int sort_role = Qt::UserRole + 1;

private:
    std::shared_ptr<const HeardAir> air_;
    std::set<std::pair<std::size_t, int>> failed_;
};

/// "Pier 4 staff", "hidden name"
QString network_name(const HeardNetwork&);

}  // namespace yemvo::app
