// SPDX-License-Identifier: GPL-3.0-or-later
// Straight pieces between two points.
#pragma once
#include <optional>

#include "geometry/point.h"

namespace yemvo {

struct Segment {
    Point a, b;
    friend bool operator==(const Segment&, const Segment&) = default;
};
inline double length(const Segment& s) { return distance(s.a, s.b); }

/// Parameter in [0, 1] of the point of `s` nearest to `p`; 0 for a segment without length.
double nearest_parameter(const Segment& s, Point p);
inline Point nearest_point(const Segment& s, Point p) { return lerp(s.a, s.b, nearest_parameter(s, p)); }
inline double distance(const Segment& s, Point p) { return distance(nearest_point(s, p), p); }

/// The single point both segments share; none when they miss each other or are parallel.
std::optional<Point> crossing(const Segment& s, const Segment& t);

}  // namespace yemvo
