// SPDX-License-Identifier: GPL-3.0-or-later
#include "venue/floor.h"

#include <algorithm>
#include <array>

namespace yemvo {
namespace {
constexpr std::array<std::string_view, 4> zone_kinds{"served", "not needed", "keep out", "outside"};
}

std::string_view zone_kind_name(ZoneKind kind) { return zone_kinds[static_cast<std::size_t>(kind)]; }

std::optional<ZoneKind> find_zone_kind(std::string_view name) {
    const auto found = std::find(zone_kinds.begin(), zone_kinds.end(), name);
    if (found == zone_kinds.end()) return std::nullopt;
    return static_cast<ZoneKind>(found - zone_kinds.begin());
}

double hanging_m(const Floor& floor, Point p) {
    constexpr double below_slab_m = 0.3;
    const double slab_m = std::max(0.5, floor.height_m - below_slab_m);
    return std::min(slab_m, ceiling_m(floor, p, slab_m + below_ceiling_m) - below_ceiling_m);
}

double ceiling_m(const Floor& floor, Point p, double slab_m) {
    double height_m = slab_m;
    for (const CeilingArea& c : *floor.ceilings)
        if (contains(c.outline, p)) height_m = std::min(height_m, c.height_m);
    return height_m;
}

std::string_view building_kind_name(BuildingKind kind) {
    return kind == BuildingKind::yard ? "yard" : "building";
}

std::optional<BuildingKind> find_building_kind(std::string_view name) {
    if (name == "building") return BuildingKind::building;
    if (name == "yard") return BuildingKind::yard;
    return std::nullopt;
}

std::optional<Box> drawings_extent(const Floor& floor) {
    std::vector<Point> corners;
    for (const Drawing& d : *floor.drawings) {
        const Box box = extent(d);
        corners.insert(corners.end(), {box.low, box.high});
    }
    return bounds(corners);
}

std::optional<Box> extent(const Floor& floor) {
    std::vector<Point> points;
    for (const Wall& wall : *floor.walls) {
        const auto run = flattened(wall);
        points.insert(points.end(), run.begin(), run.end());
    }
    for (const Obstacle& o : *floor.obstacles) {
        const auto corners = body(o);
        points.insert(points.end(), corners.begin(), corners.end());
    }
    for (const Zone& zone : *floor.zones)
        points.insert(points.end(), zone.outline.begin(), zone.outline.end());
    if (points.empty()) points = floor.plate;
    return points.empty() ? drawings_extent(floor) : bounds(points);
}

std::optional<Box> extent(const Building& building) {
    std::vector<Point> corners;
    for (const Floor& floor : building.floors)
        if (const auto box = extent(floor)) corners.insert(corners.end(), {box->low, box->high});
    return bounds(corners);
}

bool needs_scale(const Floor& floor) {
    bool any = false;
    for (const Drawing& d : *floor.drawings) {
        if (!d.shown) continue;
        if (d.to_scale()) return false;
        any = true;
    }
    return any;
}

}  // namespace yemvo
