// SPDX-License-Identifier: GPL-3.0-or-later
#include "geometry/segment.h"

#include <algorithm>

namespace yemvo {

double nearest_parameter(const Segment& s, Point p) {
    const Point along = s.b - s.a;
    const double squared = dot(along, along);
    return squared > 0 ? std::clamp(dot(p - s.a, along) / squared, 0.0, 1.0) : 0.0;
}

std::optional<Point> crossing(const Segment& s, const Segment& t) {
    const Point u = s.b - s.a, v = t.b - t.a;
    const double scale = cross(u, v);
    if (std::abs(scale) <= 1e-12 * length(u) * length(v)) return std::nullopt;
    const double at_s = cross(t.a - s.a, v) / scale, at_t = cross(t.a - s.a, u) / scale;
    if (at_s < 0 || at_s > 1 || at_t < 0 || at_t > 1) return std::nullopt;
    return lerp(s.a, s.b, at_s);
}

}  // namespace yemvo
