// SPDX-License-Identifier: GPL-3.0-or-later
#include "geometry/similarity.h"

#include <numbers>

namespace yemvo {

static Point turned(Point p, double turn_deg) {
    if (turn_deg == 0) return p;
    const double a = turn_deg * std::numbers::pi / 180, c = std::cos(a), s = std::sin(a);
    return {c * p.x - s * p.y, s * p.x + c * p.y};
}

Point Similarity::apply(Point p) const { return turned(p, turn_deg) * scale + shift; }

Point Similarity::invert(Point p) const { return turned((p - shift) * (1 / scale), -turn_deg); }

Similarity compose(const Similarity& outer, const Similarity& inner) {
    return {outer.scale * inner.scale, wrapped_deg(outer.turn_deg + inner.turn_deg),
            outer.apply(inner.shift)};
}

Similarity inverse(const Similarity& s) { return {1 / s.scale, wrapped_deg(-s.turn_deg), s.invert({0, 0})}; }

Similarity about(Point fixed, double turn_deg, double scale) {
    return {scale, turn_deg, fixed - turned(fixed, turn_deg) * scale};
}

double wrapped_deg(double turn_deg) {
    const double t = std::fmod(turn_deg, 360);
    return t > 180 ? t - 360 : t <= -180 ? t + 360 : t;
}

PointMap::PointMap(const Similarity& s) : shift_(s.shift) {
    const Point unit_x = turned({1, 0}, s.turn_deg);
    c_ = unit_x.x * s.scale;
    s_ = unit_x.y * s.scale;
    inverse_square_ = 1 / (s.scale * s.scale);
}

}  // namespace yemvo
