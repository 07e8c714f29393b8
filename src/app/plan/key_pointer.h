// SPDX-License-Identifier: GPL-3.0-or-later
// A pointer on the plan that the arrow keys move, for working without a mouse.
#pragma once
#include <QKeyEvent>
#include <QPainter>
#include <optional>

#include "geometry/point.h"
#include "render/palette.h"
#include "render/plan_view_map.h"

namespace yemvo::app {

class KeyPointer {
public:
    /// Where it is [m]; none while the mouse is used.
    const std::optional<Point>& at() const { return at_; }
    /// A button is held down: what moves is dragged.
    bool is_held() const { return held_; }
    /// An arrow takes it a step of the plan's grid on, with Shift ten; the first one brings it to `start`.
    /// False for other keys.
    bool step(const QKeyEvent&, Point start, double grid_m);
    void hold(bool on) { held_ = on; }
    /// The mouse took over.
    void drop();
    void paint(QPainter&, const render::PlanMap&, const render::Palette&) const;

private:
    std::optional<Point> at_;
    bool held_ = false;
};

/// The map moved by as little as brings a place into the view, some way from its rim.
render::PlanMap brought_into_view(render::PlanMap, Point, QSize view);

}  // namespace yemvo::app
