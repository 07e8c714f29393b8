// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <memory>
#include <optional>
#include <vector>

#include "app/plan/tool.h"
#include "geometry/point.h"
#include "project/item.h"
#include "project/project.h"
#include "venue/rooms.h"

namespace yemvo::app {

/// Draws closed outlines: zones, voids and areas of the slab, its plate, ceilings, obstacles, shafts. Drag
/// for a rectangle, click corner after corner, or take the room round a click.
class OutlineTool : public Tool {
public:
    enum class Makes { zone, slab_void, plate, ceiling, slab_area, obstacle, shaft, ramp };
    OutlineTool(Workspace& workspace, PlanSurface& surface, Makes makes)
        : Tool(workspace, surface), makes_(makes) {}
    QString name() const override;
    std::vector<HintPart> hint() const override;
    void press(const PointerEvent&) override;
    void move(const PointerEvent&) override;
    void release(const PointerEvent&) override;
    bool double_click(const PointerEvent&) override;
    bool key(QKeyEvent&) override;
    bool back() override;
    void leave() override { points_.clear(); }
    void paint(QPainter&) override;

private:
    bool takes_rooms() const;
    bool makes_rows() const;
    const RoomFinder& rooms() const;
    Snapped snapped(const PointerEvent&) const;
    std::vector<Point> outline() const;
    std::vector<std::vector<Point>> rows(const std::vector<Point>& rectangle) const;
    void finish(std::vector<Point>);
    Item make(Project&, FloorId, const std::vector<Point>&) const;
    Makes makes_;
    std::vector<Point> points_;
    Snapped pointer_;
    Point place_;
    QPointF pressed_;
    bool dragging_ = false, pointed_ = false;
    std::optional<Room> room_;
    mutable std::unique_ptr<RoomFinder> rooms_;
    mutable Shared<std::vector<Wall>> rooms_of_;
    mutable double rooms_gap_m_ = 0;
};

}  // namespace yemvo::app
