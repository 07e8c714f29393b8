// SPDX-License-Identifier: GPL-3.0-or-later
// The tray page that tells what costs most: which types take how many dB over how much of a floor or zone.
#pragma once
#include <QTableWidget>
#include <QWidget>

#include "app/behind/behind.h"
#include "app/model/workspace.h"
#include "coverage/costs.h"
#include "project/project.h"

class QComboBox;
class QLabel;

namespace yemvo::app {

class CostsPage : public QWidget {
    Q_OBJECT
public:
    explicit CostsPage(Workspace&, QWidget* parent = nullptr);
    QTableWidget* table() { return table_; }
    QComboBox* area() { return area_; }
    bool is_idle() const { return behind_.is_idle(); }
    const Costs& costs() const { return costs_; }
    /// That the costs are of; what is open may have lost a type, or be another project.
    const Project& project() const { return of_; }

private:
    void refresh();
    void fill_areas();
    void ask();
    void show_costs(const Costs&);
    void select_type(int row);
    void showEvent(QShowEvent*) override;
    void paintEvent(QPaintEvent*) override;
    Workspace& workspace_;
    QComboBox* area_;
    QLabel* summary_;
    QTableWidget* table_;
    Costs costs_;
    Project of_, asked_;
    BandId band_;
    quint64 wish_ = 0;
    FloorId listed_floor_;
    const void* listed_zones_ = nullptr;
    Behind behind_{{Behind::Takes::newest, std::chrono::milliseconds(60)}};
};

}  // namespace yemvo::app
