// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/access_point_tool.h"

#include <cmath>

#include "app/look/theme.h"
#include "app/model/next_things.h"
#include "app/model/selection.h"
#include "geometry/point.h"
#include "project/edits.h"
#include "project/item.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/tr.h"

namespace yemvo::app {

Point AccessPointTool::place(const PointerEvent& e) const {
    if (e.keys & Qt::AltModifier) return e.floor;
    const auto held = [](double v) { return std::round(v / 0.1) * 0.1; };
    return {held(e.floor.x), held(e.floor.y)};
}

void AccessPointTool::move(const PointerEvent& e) {
    shown_ = place(e);
    surface_.repaint_tool();
}

void AccessPointTool::press(const PointerEvent& e) {
    if (!floor()) return;
    const Point at = place(e);
    const FloorId here = workspace_.floor_id();
    AccessPointId made;
    const int number = next_access_point_number(workspace_.project());
    workspace_.edit(tr("Place access point %1").arg(number),
                    [&](Project& p) { made = place_access_point(p, here, workspace_.next()->model, at); });
    workspace_.selection().select({{Item::Kind::access_point, made.value}});
    shown_.reset();
}

void AccessPointTool::paint(QPainter& p) {
    if (!shown_ || !floor()) return;
    p.setOpacity(0.7);
    const AccessPoint ap = make_access_point(model(workspace_.project(), workspace_.next()->model), {},
                                             next_access_point_number(workspace_.project()), *shown_);
    render::paint_badge(p, map().to_screen(*shown_), workspace_.project(), ap, render::BadgeState::plain,
                        theme());
    p.setOpacity(1);
}

}  // namespace yemvo::app
