// SPDX-License-Identifier: GPL-3.0-or-later
// Between which heights the rays from a source to a surface lie: what is above or below meets none of them.
#pragma once
#include <algorithm>

#include "propagation/surface.h"

namespace yemvo {

struct RayHeights {
    double low, high;
    /// Whether something of heights [base, top) can be met.
    bool meets(double base_m, double top_m) const { return top_m > low && base_m <= high; }
};

inline RayHeights ray_heights(const Surface& s, Point3 source) {
    RayHeights h{source.z, source.z};
    const Box box = s.box();
    for (Point p : {box.low, box.high, Point{box.low.x, box.high.y}, Point{box.high.x, box.low.y}}) {
        h.low = std::min(h.low, s.height_m(p));
        h.high = std::max(h.high, s.height_m(p));
    }
    return h;
}

}  // namespace yemvo
