// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/plan_view_map.h"

namespace yemvo::render {

QRectF PlanMap::to_screen(const Box& box) const {
    return QRectF(to_screen(Point{box.low.x, box.high.y}), to_screen(Point{box.high.x, box.low.y}));
}

PlanMap PlanMap::fit(const Box& box, const QRectF& into) {
    PlanMap map;
    const double w = std::max(box.width(), 0.5), h = std::max(box.height(), 0.5);
    map.px_per_m = std::max(1e-9, std::min(into.width() / w, into.height() / h));
    const Point c = box.centre();
    map.origin = into.center() - QPointF(c.x * map.px_per_m, -c.y * map.px_per_m);
    return map;
}

}  // namespace yemvo::render
