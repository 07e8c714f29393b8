// SPDX-License-Identifier: GPL-3.0-or-later
// When a ray crosses a panel or a slab: the one rule that the link walk and the raster both follow.
//
// Seen from the source, a panel spans the wedge between the rays through its ends P and Q. With p, q, r the
// vectors from the source to P, Q and the receiver, and P, Q ordered so that h = cross(p, q) > 0, the ray
// crosses the panel's line inside the wedge when cross(p, r) >= 0 and cross(q, r) < 0: each boundary comes
// from one end point alone and is half open, so that a ray through the joint of two pieces counts one of
// them. With depth = cross(r, q - p) the crossing lies at the share h / depth of the way.
#pragma once
#include <optional>
#include <utility>

#include "geometry/point.h"

namespace yemvo {

/// A receiver nearer to the wall than this factor of the way is before it.
inline constexpr double beyond_wall = 1 + 1e-5;

struct Wedge {
    Point p, q;
    double h;
};

/// None when the source stands in line with the panel.
inline std::optional<Wedge> make_wedge(Point source, Point a, Point b) {
    Wedge w{a - source, b - source, 0};
    w.h = cross(w.p, w.q);
    if (w.h < 0) {
        std::swap(w.p, w.q);
        w.h = -w.h;
    }
    if (w.h < 1e-12) return std::nullopt;
    return w;
}

/// Share of the way at which a ray passes a level; none when it stays on one side.
inline std::optional<double> slab_share(double level_m, double source_z, double receiver_z) {
    if ((source_z < level_m) == (receiver_z < level_m)) return std::nullopt;
    return (level_m - source_z) / (receiver_z - source_z);
}

}  // namespace yemvo
