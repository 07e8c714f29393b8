// SPDX-License-Identifier: GPL-3.0-or-later
// Widths made plain, in the tray: what each width of each band would do here, and tables of rates with the
// way back.
#pragma once
#include <QAbstractTableModel>
#include <QWidget>
#include <memory>

#include "app/behind/behind.h"
#include "tuning/widths.h"

class QLabel;
class QPushButton;
class QTableView;

namespace yemvo::app {

class RatesPanel;
class Workspace;

class WidthsTable : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column {
        band_column,
        width,
        clear,
        gain,
        noise,
        heard,
        lost,
        can_use,
        carried,
        could,
        satisfied,
        verdict,
        column_count
    };
    explicit WidthsTable(QObject* parent = nullptr) : QAbstractTableModel(parent) {}
    int rowCount(const QModelIndex& = {}) const override;
    int columnCount(const QModelIndex& = {}) const override { return column_count; }
    QVariant data(const QModelIndex&, int role) const override;
    QVariant headerData(int section, Qt::Orientation, int role) const override;
    void show(std::shared_ptr<const WidthStudy>);
    const WidthStudy* study() const { return study_.get(); }

private:
    QString words(const WidthFigures&, int column) const;
    std::shared_ptr<const WidthStudy> study_;
};

class WidthsPage : public QWidget {
    Q_OBJECT
public:
    explicit WidthsPage(Workspace&, QWidget* parent = nullptr);
    ~WidthsPage() override;
    void begin();
    void stop();
    bool is_working() const { return !behind_.is_idle(); }
    QString doing() const { return behind_.words(); }
    const WidthsTable& table() const { return *table_; }
    QTableView& view() { return *view_; }
    RatesPanel& rates() { return *rates_; }
    /// What is said over the table, and which places would be served better otherwise.
    QString summary() const;

signals:
    void progressed();

private:
    void show_study(std::shared_ptr<const WidthStudy>);
    void refresh();
    void grow_old();
    QString otherwise_words() const;
    Workspace& workspace_;
    Behind behind_;
    QLabel *summary_, *otherwise_;
    QPushButton* begin_;
    QTableView* view_;
    WidthsTable* table_;
    RatesPanel* rates_;
    bool old_ = false;
};

}  // namespace yemvo::app
