// SPDX-License-Identifier: GPL-3.0-or-later
// What the access points of a plan come to.
#pragma once
#include "project/project.h"

namespace yemvo {

struct GearSum {
    int access_points = 0;
    int radios = 0;               ///< that are on
    double price = 0, watts = 0;  ///< of those whose model tells it
    GearSum& operator+=(const GearSum&);
};

/// From its source, or the one that its model usually has; 0 where that is not told.
double drawn_watts(const Project&, const AccessPoint&);
/// Of the current variant on one floor, and on all.
GearSum gear_sum(const Project&, FloorId);
GearSum gear_sum(const Project&);

}  // namespace yemvo
