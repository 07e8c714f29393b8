// SPDX-License-Identifier: GPL-3.0-or-later
// Circular arcs between two points, told by their bulge.
#pragma once
#include "geometry/segment.h"

namespace yemvo {

/// The arc from a to b: its bulge is the tangent of a quarter of its angle, positive when it turns
/// counter-clockwise. A bulge of 0 is the straight piece, 1 a half circle.
struct Arc {
    Arc(const Segment& chord, double bulge);
    double length_m() const { return std::abs(sweep) * radius_m; }
    /// At a share [0, 1] of the way from a to b; the ends are met to the last bit.
    Point at(double share) const;
    /// How many equal straight pieces stay within `sag_m` of it.
    int chords(double sag_m = 0.01) const;

    Segment ends;
    Point centre;
    double radius_m = 0;
    double from = 0, sweep = 0;  ///< angles [rad], counter-clockwise from east
};

/// The bulge of the arc from a to b that passes through `by`; 0 when the three lie in line.
double bulge_through(Point a, Point by, Point b);

}  // namespace yemvo
