// SPDX-License-Identifier: GPL-3.0-or-later
// What polygons share and what one leaves of another.
#pragma once
#include "geometry/polygon.h"

namespace yemvo {

/// Area [m2] that both cover.
double shared_area_m2(const std::vector<Point>& a, const std::vector<Point>& b);

/// The parts of `a` that `b` does not cover, the largest first. Holes that `b` would make are not shown: a
/// part with a hole in it is given without the hole and told.
struct Remainder {
    std::vector<std::vector<Point>> parts;
    bool has_holes = false;
};
Remainder without(const std::vector<Point>& a, const std::vector<Point>& b);

}  // namespace yemvo
