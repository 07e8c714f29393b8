#include "app/plan/picking.h"

#include <algorithm>

#include "render/plan_marks.h"

namespace yemvo::app {
namespace {

constexpr double reach_px = 6;

Item opening_item(const Wall& wall, const Opening& o) {
    return {Item::Kind::opening, o.id.value, wall.id.value};
}

bool near_outline(const std::vector<Point>& outline, Point at, double reach_m) {
    for (std::size_t i = 0; i < outline.size(); ++i)
        if (distance(Segment{outline[i], outline[(i + 1) % outline.size()]}, at) <= reach_m) return true;
    return false;
}

/// Whether the segment runs into the box.
bool touches(const Box& box, const Segment& s) {
    if (box.contains(s.a) || box.contains(s.b)) return true;
    const Point c[] = {box.low, {box.high.x, box.low.y}, box.high, {box.low.x, box.high.y}};
    for (int i = 0; i < 4; ++i)
        if (crossing(s, {c[i], c[(i + 1) % 4]})) return true;
    return false;
}

bool within(const Box& box, const std::vector<Point>& points, bool closed, bool enclosed) {
    if (enclosed) return std::all_of(points.begin(), points.end(), [&](Point p) { return box.contains(p); });
    const std::size_t pieces = closed ? points.size() : points.size() - 1;
    for (std::size_t i = 0; i < pieces; ++i)
        if (touches(box, {points[i], points[(i + 1) % points.size()]})) return true;
    return false;
}

}  // namespace

std::vector<Item> items_at(const Project& project, const Floor& floor, const render::PlanMap& map,
                           QPointF at) {
    std::vector<Item> found;
    const Point p = map.to_floor(at);
    const double reach_m = reach_px / map.px_per_m;
    const auto& list = access_points(project, floor.id);
    for (auto ap = list.rbegin(); ap != list.rend(); ++ap)
        if (render::badge_area(map.to_screen(ap->position)).contains(at))
            found.push_back({Item::Kind::access_point, ap->id.value});
    for (const Wall& w : *floor.walls)
        for (const Opening& o : w.openings)
            if (distance(span(w, o), p) <= std::max(reach_m, 0.12)) found.push_back(opening_item(w, o));
    for (const Wall& w : *floor.walls) {
        const double half_m = wall_type(project, w.type).thickness_m / 2;
        for (int i = 0; i < w.pieces(); ++i)
            if (distance(w.piece(i), p) <= std::max(reach_m * 0.8, half_m)) {
                found.push_back({Item::Kind::wall, w.id.value});
                break;
            }
    }
    for (const Zone& z : *floor.zones)
        if (near_outline(z.outline, p, reach_m)) found.push_back({Item::Kind::zone, z.id.value});
    for (const SlabVoid& v : floor.slab->voids)
        if (contains(v.outline, p) || near_outline(v.outline, p, reach_m))
            found.push_back({Item::Kind::slab_void, v.id.value});
    for (const Zone& z : *floor.zones) {
        const Item item{Item::Kind::zone, z.id.value};
        if (contains(z.outline, p) && std::find(found.begin(), found.end(), item) == found.end())
            found.push_back(item);
    }
    return found;
}

std::vector<Item> items_in(const Project& project, const Floor& floor, const Box& box, bool enclosed) {
    std::vector<Item> found;
    for (const Wall& w : *floor.walls)
        if (within(box, w.points, false, enclosed)) found.push_back({Item::Kind::wall, w.id.value});
    for (const Zone& z : *floor.zones)
        if (within(box, z.outline, true, enclosed)) found.push_back({Item::Kind::zone, z.id.value});
    for (const SlabVoid& v : floor.slab->voids)
        if (within(box, v.outline, true, enclosed)) found.push_back({Item::Kind::slab_void, v.id.value});
    for (const AccessPoint& ap : access_points(project, floor.id))
        if (box.contains(ap.position)) found.push_back({Item::Kind::access_point, ap.id.value});
    return found;
}

QString item_name(const Project& project, const Floor& floor, const Item& item) {
    switch (item.kind) {
        case Item::Kind::wall:
            return "wall";
        case Item::Kind::opening: {
            const Opening* o = find_opening(*find_wall(floor, WallId{item.wall}), OpeningId{item.id});
            return o->kind == OpeningKind::door ? "door" : "window";
        }
        case Item::Kind::zone:
            return "zone " + QString::fromStdString(find_zone(floor, ZoneId{item.id})->name);
        case Item::Kind::slab_void:
            return "void";
        case Item::Kind::access_point:
            break;
    }
    return "access point " +
           QString::number(find_access_point(project, floor.id, AccessPointId{item.id})->number);
}

std::optional<WallPlace> wall_at(const Floor& floor, Point at, double reach_m) {
    std::optional<WallPlace> best;
    for (const Wall& w : *floor.walls)
        for (int i = 0; i < w.pieces(); ++i) {
            const Segment s = w.piece(i);
            const double d = distance(s, at);
            if (d > reach_m) continue;
            reach_m = d;
            best = WallPlace{w.id, i, nearest_parameter(s, at) * length(s)};
        }
    return best;
}

}  // namespace yemvo::app
