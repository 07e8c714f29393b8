// SPDX-License-Identifier: GPL-3.0-or-later
// Where the person is: a floor's plan or the site, and a place there.
#pragma once
#include <QObject>
#include <optional>

#include "base/id.h"
#include "geometry/point.h"

namespace yemvo {
struct Building;
struct Floor;
}  // namespace yemvo

namespace yemvo::app {

class Document;

class InView : public QObject {
    Q_OBJECT
public:
    explicit InView(Document&);
    /// Null only while no project is open.
    const Floor* floor() const;
    FloorId floor_id() const { return floor_; }
    void show_floor(FloorId);
    /// The site instead of a floor's plan.
    bool site_shown() const { return site_shown_; }
    void show_site(bool);
    BuildingId building_id() const { return building_; }
    /// Null only while no project is open.
    const Building* building() const;
    void choose_building(BuildingId);
    /// Where the finding or the worst place in view lies on the floor in view.
    const std::optional<Point>& marked_place() const { return marked_; }
    void mark_place(std::optional<Point>);

    /// For the workspace, which tells afterwards: the entry of a project just opened.
    void start();
    /// The same: another floor when this one is gone; true then.
    bool find_another_floor();

signals:
    void floor_left();  ///< for what belongs to the floor that was in view; before floor_changed
    void floor_changed();
    void site_changed();  ///< site or floor, or another building chosen
    void place_marked();

private:
    Document& document_;
    FloorId floor_;
    BuildingId building_;
    bool site_shown_ = false;
    std::optional<Point> marked_;
};

}  // namespace yemvo::app
