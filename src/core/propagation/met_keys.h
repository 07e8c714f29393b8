// SPDX-License-Identifier: GPL-3.0-or-later
// Keys of what links between two heights can meet.
#pragma once
#include "propagation/ray_heights.h"
#include "propagation/scene.h"
#include "propagation/surface.h"

namespace yemvo {

/// Of a source over a surface.
std::uint64_t place_key(const Surface&, Point3 source);
/// Of slabs that such a link can meet, and what all types take.
std::uint64_t slabs_met_key(const Scene&, const RayHeights&);
/// Of slabs and solids.
std::uint64_t solids_met_key(const Scene&, const RayHeights&);

}  // namespace yemvo
