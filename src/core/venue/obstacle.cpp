// SPDX-License-Identifier: GPL-3.0-or-later
#include "venue/obstacle.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

#include "base/said.h"

namespace yemvo {
namespace {
constexpr std::array<std::string_view, 9> kinds{mark("column"),    mark("shelving"),    mark("racking"),
                                                mark("machinery"), mark("vehicle"),     mark("crowd"),
                                                mark("foliage"),   mark("metal boxes"), mark("other")};
}

std::vector<Point> body(const Obstacle& o) {
    if (!o.round || o.outline.size() < 2) return o.outline;
    constexpr int corners = 24;
    constexpr double step = 2 * std::numbers::pi / corners;
    // a regular n-gon has the area n/2 R^2 sin(2 pi / n)
    const double radius_m =
        distance(o.outline[0], o.outline[1]) * std::sqrt(std::numbers::pi / (corners / 2.0 * std::sin(step)));
    std::vector<Point> out;
    for (int i = 0; i < corners; ++i)
        out.push_back(o.outline[0] +
                      Point{std::cos((i + 0.5) * step), std::sin((i + 0.5) * step)} * radius_m);
    return out;
}

std::string_view obstacle_kind_name(ObstacleKind k) { return kinds[static_cast<std::size_t>(k)]; }

std::optional<ObstacleKind> find_obstacle_kind(std::string_view name) {
    const auto found = std::find(kinds.begin(), kinds.end(), name);
    if (found == kinds.end()) return std::nullopt;
    return static_cast<ObstacleKind>(found - kinds.begin());
}

std::vector<std::vector<Point>> row_outlines(Point a, Point b, Point across, const RowsWanted& wanted) {
    Point along = b - a;
    Point start = a;
    if (!wanted.along_width) std::swap(along, across);
    const double room_m = length(across);
    if (wanted.rows < 1 || wanted.rows * wanted.depth_m > room_m + 1e-9 || length(along) < 0.05) return {};
    const double aisle_m = wanted.rows > 1 ? (room_m - wanted.rows * wanted.depth_m) / (wanted.rows - 1) : 0;
    const Point step = unit(across);
    std::vector<std::vector<Point>> out;
    for (int i = 0; i < wanted.rows; ++i) {
        const Point p = start + step * (i * (wanted.depth_m + aisle_m)), q = p + step * wanted.depth_m;
        out.push_back({p, p + along, q + along, q});
    }
    return out;
}

}  // namespace yemvo
