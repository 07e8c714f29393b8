// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/surface.h"

#include <algorithm>
#include <cmath>

namespace yemvo {
namespace {

/// Round the walls that enclose something: strays and garden walls do not count.
std::optional<Box> walls_box(const Floor& floor, const FloorMask& mask) {
    std::vector<Point> points;
    for (const Wall& w : *floor.walls)
        for (Point p : flattened(w))
            if (mask.inside(p)) points.push_back(p);
    return bounds(points);
}

/// A yard ends a little beyond what was drawn in it.
std::optional<Box> yard_box(const Floor& floor) {
    constexpr double beyond_m = 1;
    if (floor.walls->empty() && floor.zones->empty()) return std::nullopt;
    return extent(floor)->grown(beyond_m);
}

std::optional<Box> open_box(const Project& project, const Floor& floor) {
    std::vector<Point> points;
    const auto take = [&](const std::optional<Box>& box) {
        if (box) points.insert(points.end(), {box->low, box->high});
    };
    take(extent(floor));
    take(drawings_extent(floor));
    take(bounds(floor.plate));
    for (const AccessPoint& ap : access_points(project, floor.id))
        take(Box{ap.position, ap.position}.grown(15));
    return bounds(points);
}

}  // namespace

Point Surface::centre(std::size_t i) const {
    const auto width = static_cast<std::size_t>(columns);
    return centre(static_cast<int>(i % width), static_cast<int>(i / width));
}

std::optional<std::size_t> Surface::cell_at(Point p) const {
    const double c = std::floor((p.x - origin.x) / cell_m), r = std::floor((p.y - origin.y) / cell_m);
    if (!(c >= 0 && r >= 0 && c < columns && r < rows)) return std::nullopt;
    return index(static_cast<int>(c), static_cast<int>(r));
}

std::uint64_t Surface::key() const {
    return ContentKey()
        .add(z0)
        .add(slope_x)
        .add(slope_y)
        .add(origin.x)
        .add(origin.y)
        .add(cell_m)
        .add(columns)
        .add(rows)
        .value();
}

Surface make_surface(const Project& project, const Scene& scene, const Floor& floor, double cell_m,
                     double beyond_m) {
    Surface s;
    s.floor = floor.id;
    const SceneFloor& at = scene.floor(floor.id);
    s.z0 = at.level_m + project.settings.client_height_m;
    s.slope_x = floor.slope.x;
    s.slope_y = floor.slope.y;
    const bool closed = at.kind == BuildingKind::building && at.mask->enclosed();
    std::optional<Box> box;
    if (!floor.plate.empty())
        box = bounds(floor.plate);
    else if (closed)
        box = walls_box(floor, *at.mask);
    else if (at.kind == BuildingKind::yard)
        box = yard_box(floor);
    if (!box) box = open_box(project, floor);
    if (!box) return s;
    box = box->grown(beyond_m);
    while ((box->width() / cell_m + 2) * (box->height() / cell_m + 2) > static_cast<double>(most_cells))
        cell_m *= 2;
    s.cell_m = cell_m;
    // a hair outside the lattice by rounding is on it
    const auto on_lattice = [&](double v) { return std::floor(v / cell_m + 1e-6) * cell_m; };
    s.origin = {on_lattice(box->low.x), on_lattice(box->low.y)};
    s.columns = std::max(1, static_cast<int>(std::ceil((box->high.x - s.origin.x) / cell_m - 1e-6)));
    s.rows = std::max(1, static_cast<int>(std::ceil((box->high.y - s.origin.y) / cell_m - 1e-6)));
    return s;
}

}  // namespace yemvo
