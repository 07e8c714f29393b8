// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/plan_cutout.h"

#include <QPainter>
#include <algorithm>

#include "render/plan_marks.h"
#include "render/plan_solids.h"
#include "render/plan_walls.h"

namespace yemvo::render {
namespace {

/// The middle of a window of that width which keeps within [low, high], or as near to it as can be.
double held(double at, double low, double high, double width) {
    if (high - low <= width) return (low + high) / 2;
    return std::clamp(at, low + width / 2, high - width / 2);
}

}  // namespace

Cutout plan_cutout(const Project& project, const Floor& floor, const FloorPrediction& prediction,
                   const MapChoice& choice, Point centre, QSize size, qreal ratio, const Palette& palette,
                   double across_m) {
    Cutout out{QImage(size * ratio, QImage::Format_ARGB32_Premultiplied), {}};
    out.image.setDevicePixelRatio(ratio);
    out.image.fill(palette.paper);
    const double px_per_m = size.width() / across_m;
    const Box box = extent(floor).value_or(prediction.surface.box());
    const Point middle{held(centre.x, box.low.x, box.high.x, across_m),
                       held(centre.y, box.low.y, box.high.y, size.height() / px_per_m)};
    out.map = {px_per_m,
               {size.width() / 2.0 - middle.x * px_per_m, size.height() / 2.0 + middle.y * px_per_m}};
    const QRectF all(QPointF(0, 0), size);
    QPainter p(&out.image);
    p.setRenderHints(QPainter::Antialiasing | QPainter::TextAntialiasing);
    paint_ground(p, floor, out.map, all, palette, false);
    const auto values = lens_values(prediction, look_of(project, choice));
    QImage heat = paint_heat_map(prediction, values, choice, {px_per_m * ratio, out.map.origin * ratio},
                                 out.image.size(), palette);
    heat.setDevicePixelRatio(ratio);
    p.drawImage(0, 0, heat);
    paint_voids(p, floor, out.map, palette);
    paint_obstacles(p, project, floor, out.map, all, palette);
    paint_walls(p, project, floor, out.map, all, palette, true);
    for (const AccessPoint& ap : access_points(project, floor.id))
        paint_badge(p, out.map.to_screen(ap.position), project, ap, BadgeState::plain, palette);
    return out;
}

}  // namespace yemvo::render
