// SPDX-License-Identifier: GPL-3.0-or-later
// A link drawn from the side: what stands in the upright plane through it, whether the ray meets it or passes
// over, under or through an opening.
#pragma once
#include <vector>

#include "propagation/trace.h"

namespace yemvo {

/// Something in the plane, along the ground from the source [m] and in absolute heights.
struct ElevationPart {
    CrossingKind kind;
    int row;               ///< into Scene::laws
    double from_m, to_m;   ///< equal for a wall
    double base_m, top_m;  ///< equal for a sheet; of a ramp at from_m and to_m
    bool met;              ///< by the ray
};

/// Along the ground from source to receiver; sheets are cut where voids and areas of other material begin.
std::vector<ElevationPart> elevation(const Scene&, Point3 source, Point3 receiver);

}  // namespace yemvo
