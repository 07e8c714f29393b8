// SPDX-License-Identifier: GPL-3.0-or-later
// The findings of the model's own checks: where, why, and how to mend or accept each.
#pragma once
#include <QAbstractTableModel>
#include <QTableView>
#include <optional>
#include <vector>

#include "app/model/workspace.h"
#include "checks/findings.h"

class QCheckBox;
class QHBoxLayout;
class QLabel;
class QLineEdit;
class QPushButton;
class QVBoxLayout;

namespace yemvo::app {

class UnitField;

class FindingsTable : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { rule, what, floor, state, column_count };
    explicit FindingsTable(Workspace&, QObject* parent = nullptr);
    int rowCount(const QModelIndex& = {}) const override { return static_cast<int>(rows_.size()); }
    int columnCount(const QModelIndex& = {}) const override { return column_count; }
    QVariant data(const QModelIndex&, int role) const override;
    QVariant headerData(int section, Qt::Orientation, int role) const override;
    const Finding* finding(int row) const;
    /// -1: gone.
    int row_of(const Finding&) const;

private:
    void refresh();
    Workspace& workspace_;
    std::vector<Finding> rows_;  ///< open ones first
};

class FindingsPage : public QWidget {
    Q_OBJECT
public:
    explicit FindingsPage(Workspace&, QWidget* parent = nullptr);
    QTableView* table() { return table_; }
    const FindingsTable& model() const { return *model_; }
    /// The first of these rules that has an open finding, in front.
    void choose(const std::vector<Rule>&);

private:
    void show_row();
    void show_limit();
    void mend(std::size_t index);
    void mend_all();
    void remedy();
    void waive_it();
    void change_limit(const QString& typed);
    Workspace& workspace_;
    FindingsTable* model_;
    QTableView* table_;
    QLabel *title_, *why_;
    QVBoxLayout* mends_;
    QLineEdit* note_;
    QPushButton* waive_;
    QCheckBox* whole_zone_;
    QWidget* limit_row_;
    QLabel* limit_what_;
    QHBoxLayout* limit_place_;
    UnitField* limit_ = nullptr;
    std::optional<Finding> shown_;
    bool following_ = true;
};

}  // namespace yemvo::app
