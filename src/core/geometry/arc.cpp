// SPDX-License-Identifier: GPL-3.0-or-later
#include "geometry/arc.h"

#include <algorithm>
#include <cmath>

namespace yemvo {

Arc::Arc(const Segment& chord, double bulge) : ends(chord) {
    sweep = 4 * std::atan(bulge);
    const double half_m = length(chord) / 2;
    radius_m = half_m / std::abs(std::sin(sweep / 2));
    // from the chord's middle to the centre: to the left of the way for small turns to the left
    const Point side = left_of(unit(chord.b - chord.a));
    centre = lerp(chord.a, chord.b, 0.5) + side * (half_m / std::tan(sweep / 2));
    from = std::atan2(chord.a.y - centre.y, chord.a.x - centre.x);
}

Point Arc::at(double share) const {
    if (share <= 0) return ends.a;
    if (share >= 1) return ends.b;
    const double angle = from + sweep * share;
    return centre + Point{std::cos(angle), std::sin(angle)} * radius_m;
}

int Arc::chords(double sag_m) const {
    const double half_step = std::acos(std::clamp(1 - sag_m / radius_m, 0.0, 1.0));
    const double wanted = std::abs(sweep) / (2 * std::max(half_step, 1e-3));
    return std::clamp(static_cast<int>(std::ceil(wanted)), 2, 256);
}

double bulge_through(Point a, Point by, Point b) {
    const double turned = cross(by - a, b - by);
    if (std::abs(turned) < 1e-9 * (1 + length(by - a) * length(b - by))) return 0;
    // the chords turn at `by` by half of the angle of the arc
    const double turn = std::atan2(turned, dot(by - a, b - by));
    return std::tan(turn / 2);
}

}  // namespace yemvo
