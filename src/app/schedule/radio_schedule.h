// SPDX-License-Identifier: GPL-3.0-or-later
// The radio schedule: the table of all radios of the site, edited in place.
#pragma once
#include <QAbstractTableModel>
#include <QSortFilterProxyModel>
#include <QTableView>
#include <map>
#include <vector>

#include "app/model/workspace.h"
#include "gear/access_point.h"

class QLineEdit;
class QLabel;

namespace yemvo::app {

class RadioModelTable : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column {
        number,
        floor,
        model_name,
        band_name,
        on,
        channel,
        width,
        power,
        eirp,
        clients,  ///< at the busy hour in view, as the two after it
        use,
        headroom,
        height,
        azimuth,
        tilt,
        antenna,
        source,
        lost,
        column_count
    };
    explicit RadioModelTable(Workspace&, QObject* parent = nullptr);

    int rowCount(const QModelIndex& = {}) const override { return static_cast<int>(rows_.size()); }
    int columnCount(const QModelIndex& = {}) const override { return column_count; }
    QVariant data(const QModelIndex&, int role) const override;
    QVariant headerData(int section, Qt::Orientation, int role) const override;
    Qt::ItemFlags flags(const QModelIndex&) const override;
    bool setData(const QModelIndex&, const QVariant&, int role) override;
    struct Row {
        FloorId floor;
        AccessPointId access_point;
        std::size_t radio;
    };
    const Row& row(int index) const { return rows_[static_cast<std::size_t>(index)]; }
    struct Cell {
        Row row;
        int column;
        QString typed;
    };
    void set_cells(const QString& label, const std::vector<Cell>&);

private:
    void refresh();
    void take_loads();
    struct Load {
        double clients, use, headroom;
    };
    const Load* load(const Row&) const;
    QString load_text(const Row&, int column) const;
    QString text(const Row&, int column) const;
    QVariant sort_value(const Row&, int column) const;
    /// The row's access point with what was typed into one of its cells. Throws Error.
    AccessPoint with(const Project&, const Row&, int column, const QString& typed) const;
    Workspace& workspace_;
    std::vector<Row> rows_;
    std::map<std::pair<AccessPointId, std::size_t>, Load> loads_;
    std::string hour_;  ///< that they are of
};

class RadioSchedule : public QWidget {
    Q_OBJECT
public:
    explicit RadioSchedule(Workspace&, QWidget* parent = nullptr);
    QTableView* table() { return table_; }
    /// What is selected as tab-separated text, as spreadsheets take it.
    QString selected_text() const;
    /// Puts tab-separated text into the cells from the current one on, as one edit.
    void paste(const QString&);

protected:
    bool eventFilter(QObject*, QEvent*) override;

private:
    void follow_row();
    Workspace& workspace_;
    RadioModelTable* model_;
    QSortFilterProxyModel* sorted_;
    QTableView* table_;
    QLineEdit* filter_;
};

}  // namespace yemvo::app
