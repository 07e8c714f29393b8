// SPDX-License-Identifier: GPL-3.0-or-later
#include "geometry/polygon.h"

#include <algorithm>

namespace yemvo {

void Box::include(Point p) {
    low = {std::min(low.x, p.x), std::min(low.y, p.y)};
    high = {std::max(high.x, p.x), std::max(high.y, p.y)};
}

std::optional<Box> bounds(const std::vector<Point>& points) {
    if (points.empty()) return std::nullopt;
    Box box{points.front(), points.front()};
    for (Point p : points) box.include(p);
    return box;
}

static double signed_area_m2(const std::vector<Point>& polygon) {
    double sum = 0;
    for (std::size_t i = 0, n = polygon.size(); i < n; ++i)
        sum += cross(polygon[i] - polygon[0], polygon[(i + 1) % n] - polygon[0]);
    return sum / 2;
}

double area_m2(const std::vector<Point>& polygon) {
    return polygon.size() < 3 ? 0 : std::abs(signed_area_m2(polygon));
}

Point centroid(const std::vector<Point>& polygon) {
    const double area = polygon.size() < 3 ? 0 : signed_area_m2(polygon);
    Point sum;
    if (std::abs(area) < 1e-12) {
        for (Point p : polygon) sum = sum + p;
        return sum * (1.0 / static_cast<double>(polygon.size()));
    }
    const Point origin = polygon[0];
    for (std::size_t i = 0, n = polygon.size(); i < n; ++i) {
        const Point a = polygon[i] - origin, b = polygon[(i + 1) % n] - origin;
        sum = sum + (a + b) * cross(a, b);
    }
    return origin + sum * (1 / (6 * area));
}

bool contains(const std::vector<Point>& polygon, Point p) {
    bool inside = false;
    for (std::size_t i = 0, n = polygon.size(), j = n - 1; i < n; j = i++) {
        const Point a = polygon[i], b = polygon[j];
        if ((a.y > p.y) != (b.y > p.y) && p.x < (b.x - a.x) * (p.y - a.y) / (b.y - a.y) + a.x)
            inside = !inside;
    }
    return inside;
}

}  // namespace yemvo
