// The radio schedule: the table of all radios of the site, edited in place.
#pragma once
#include <QAbstractTableModel>
#include <QSortFilterProxyModel>
#include <QTableView>

#include "app/shell/workspace.h"

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
        height,
        azimuth,
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

private:
    void refresh();
    QString text(const Row&, int column) const;
    double sort_value(const Row&, int column) const;
    void set(const Row&, int column, const QString& text);
    Workspace& workspace_;
    std::vector<Row> rows_;
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
