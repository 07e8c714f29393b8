// SPDX-License-Identifier: GPL-3.0-or-later
// The tray page of demand: people, clients and Mbit/s by zone and floor at a busy hour, what of it is
// carried, and the site against its uplink.
#pragma once
#include <QWidget>

#include "app/model/workspace.h"
#include "capacity/demand_table.h"

class QComboBox;
class QLabel;
class QMenu;
class QTableWidget;
class QToolButton;

namespace yemvo {
struct HourCapacity;
struct PlaceCapacity;
}  // namespace yemvo

namespace yemvo::app {

class Form;

class DemandPage : public QWidget {
    Q_OBJECT
public:
    explicit DemandPage(Workspace&, QWidget* parent = nullptr);
    QTableWidget* table() { return table_; }
    QComboBox* hour() { return hour_; }
    /// What the button beside the busy hour opens.
    void set_hours_menu(QMenu*);
    /// What a row is about.
    struct Row {
        FloorId floor;
        std::optional<Item> item;  ///< a zone or a row of devices; none: the floor's own
        double down_mbps = 0;
        double density = 0;  ///< people a m²
    };
    const std::vector<Row>& rows() const { return rows_; }
    double most_down_mbps() const { return most_down_mbps_; }

private:
    void build_left();
    Form* build_side();
    void refresh();
    void fill_hours();
    void add_row(const Row&, const QString& name, const DemandFigures&, const PlaceCapacity*);
    void add_place(const Floor&, const ZoneFigures&, const HourCapacity*);
    void go_to(int row);
    void choose_hour(int index);
    void showEvent(QShowEvent*) override;
    void paintEvent(QPaintEvent*) override;
    Workspace& workspace_;
    QComboBox* hour_;
    QToolButton* more_ = nullptr;
    QLabel* summary_;
    QTableWidget* table_;
    Form* side_ = nullptr;
    std::vector<Row> rows_;
    DemandTable figures_;
    double most_down_mbps_ = 0;
};

}  // namespace yemvo::app
