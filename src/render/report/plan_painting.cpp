// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/plan_painting.h"

#include <QPaintEngine>

#include "render/drawings/drawing_layer.h"
#include "render/heat_map.h"
#include "render/plan_axes.h"
#include "render/plan_cables.h"
#include "render/plan_marks.h"
#include "render/plan_solids.h"
#include "render/plan_walls.h"
#include "render/report/styles.h"
#include "render/text_style.h"

namespace yemvo::render::report {
namespace {

/// Dots of a picture to a print pixel: `most` on paper, fewer on large sheets, and no more than a screen
/// shows.
double dots_a_pixel(const QPainter& p, const QSizeF& area, double most) {
    constexpr double most_dots = 20e6;
    const bool on_screen = p.paintEngine() && p.paintEngine()->type() == QPaintEngine::Raster;
    const double shown =
        on_screen ? std::max(0.25, p.worldTransform().m11() * p.device()->devicePixelRatioF()) : most;
    return std::min({most, shown, std::sqrt(most_dots / std::max(1.0, area.width() * area.height()))});
}
/// 6 dots a millimetre for a map, whose cells are larger than that; 10 for the lines of a drawing.
constexpr double map_dots = 1.5, drawing_dots = 2.5;

/// The map of a picture of `area` at that ratio.
PlanMap picture_map(const PlanMap& map, const QRectF& area, double ratio) {
    return {map.px_per_m * ratio, (map.origin - area.topLeft()) * ratio};
}

/// On white: a picture without transparency takes half the room in a file.
QImage heat(const QPainter& p, const FloorFacts& facts, const FloorMap& map, const PlanMap& plan,
            const QRectF& area) {
    const double ratio = dots_a_pixel(p, area.size(), map_dots);
    const QImage over =
        paint_heat_map(facts.prediction, map.values, map.choice, picture_map(plan, area, ratio),
                       (area.size() * ratio).toSize(), print_palette());
    QImage image(over.size(), QImage::Format_RGB32);
    image.fill(Qt::white);
    QPainter(&image).drawImage(0, 0, over);
    return image;
}

QImage drawings(const QPainter& p, const ReportFacts& facts, const Floor& floor, const PlanMap& plan,
                const QRectF& area) {
    const double ratio = dots_a_pixel(p, area.size(), drawing_dots);
    return drawings_picture(facts.project(), floor, *facts.drawings, picture_map(plan, area, ratio),
                            (area.size() * ratio).toSize());
}

void paint_closet(QPainter& p, QPointF at, const QString& name) {
    const auto& colours = print_palette();
    const QRectF body(at.x() - 6, at.y() - 8, 12, 16);
    p.setPen(QPen(colours.accent, 1.2));
    p.setBrush(colours.tile);
    p.drawRect(body);
    p.drawLine(body.topLeft() + QPointF(0, 5), body.topRight() + QPointF(0, 5));
    draw_halo_text(p, at + QPointF(0, 16), name, font(10, 600), colours.accent, colours.casing);
}

void paint_cabling(QPainter& p, const Floor& floor, const PlanMap& map) {
    const auto& colours = print_palette();
    for (const Tray& t : *floor.trays) paint_tray(p, t, map, colours);
    for (const Outlet& o : *floor.outlets)
        paint_outlet(p, map.to_screen(o.position), colours.accent, colours);
    for (const Riser& r : *floor.risers) paint_riser(p, map.to_screen(r.position), colours.accent, colours);
    for (const Closet& c : *floor.closets)
        paint_closet(p, map.to_screen(c.position), QString::fromStdString(c.name));
}

void paint_access_points(QPainter& p, const ReportFacts& facts, const Floor& floor, const PlanMap& map,
                         const QRectF& area, const PlanLook& look) {
    for (const AccessPoint& ap : access_points(facts.project(), floor.id)) {
        const QPointF at = map.to_screen(ap.position);
        if (!area.adjusted(-20, -20, 20, 20).contains(at)) continue;
        const bool chosen = look.alone == ap.id;
        p.setOpacity(look.alone && !chosen ? 0.35 : 1);
        paint_badge(p, at, facts.project(), ap, chosen ? BadgeState::selected : BadgeState::plain,
                    print_palette());
        p.setOpacity(1);
        if (!look.alone && !ap.name.empty())
            draw_halo_text(p, at + QPointF(0, 26), QString::fromStdString(ap.name), font(9, 600),
                           print_palette().ink, print_palette().casing, 2.4);
    }
}

}  // namespace

void paint_plan(QPainter& p, const ReportFacts& facts, const Floor& floor, const PlanMap& map,
                const QRectF& area, const PlanLook& look) {
    const auto& colours = print_palette();
    const Project& project = facts.project();
    p.save();
    p.setClipRect(area);
    const FloorFacts* of = facts.find(floor.id);
    if (look.map && of) p.drawImage(area, heat(p, *of, *look.map, map, area));
    if (!floor.drawings->empty()) p.drawImage(area, drawings(p, facts, floor, map, area));
    paint_axes(p, building_with(project, floor.id).axes, map, area, colours);
    paint_voids(p, floor, map, colours);
    paint_obstacles(p, project, floor, map, area, colours);
    paint_walls(p, project, floor, map, area, colours, look.map != nullptr);
    if (look.cables) paint_cabling(p, floor, map);
    if (look.route) paint_route(p, *look.route, floor.id, map, RouteState::chosen, colours);
    std::vector<QRectF> taken;
    for (const AccessPoint& ap : access_points(project, floor.id))
        taken.push_back(badge_area(map.to_screen(ap.position)).adjusted(-6, 0, 6, 12));
    if (look.zone_names) paint_zone_names(p, project, floor, map, colours, taken);
    paint_access_points(p, facts, floor, map, area, look);
    p.restore();
}

}  // namespace yemvo::render::report
