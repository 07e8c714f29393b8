// SPDX-License-Identifier: GPL-3.0-or-later
// Polygons given by their corners in order, closed by themselves; boxes.
#pragma once
#include <optional>
#include <vector>

#include "geometry/point.h"

namespace yemvo {

struct Box {
    Point low, high;
    double width() const { return high.x - low.x; }
    double height() const { return high.y - low.y; }
    Point centre() const { return lerp(low, high, 0.5); }
    void include(Point p);
    Box grown(double by_m) const { return {{low.x - by_m, low.y - by_m}, {high.x + by_m, high.y + by_m}}; }
    bool contains(Point p) const { return p.x >= low.x && p.x <= high.x && p.y >= low.y && p.y <= high.y; }
    friend bool operator==(const Box&, const Box&) = default;
};

/// Empty for no points.
std::optional<Box> bounds(const std::vector<Point>& points);

/// Area [m2], positive for either sense of rotation.
double area_m2(const std::vector<Point>& polygon);

/// Centre of gravity; the mean of the corners when the area is nil. `polygon` must not be empty.
Point centroid(const std::vector<Point>& polygon);

/// Even-odd rule; a point on the boundary may count either way, but neighbours that share an edge never both
/// count it.
bool contains(const std::vector<Point>& polygon, Point p);

}  // namespace yemvo
