// SPDX-License-Identifier: GPL-3.0-or-later
// In which order an installer walks a floor.
#pragma once
#include "project/project.h"

namespace yemvo {

struct WalkStop {
    const AccessPoint* access_point;
    double from_last_m = 0;  ///< straight; of the first 0
};

/// A short way past every access point of the floor: from the one nearest to a riser or closet, else to the
/// south-west, always to the nearest that is left, then crossings of the way undone (2-opt). The same each
/// time. Straight distances: walls are not gone round.
std::vector<WalkStop> walk(const Project&, const Floor&);

}  // namespace yemvo
