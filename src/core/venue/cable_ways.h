// SPDX-License-Identifier: GPL-3.0-or-later
// What cables lie in and end at: trays, risers, outlets.
#pragma once
#include <string>
#include <vector>

#include "base/id.h"
#include "geometry/point.h"

namespace yemvo {

using OutletId = Id<struct OutletTag>;
using TrayId = Id<struct TrayTag>;
using RiserId = Id<struct RiserTag>;

/// A socket at which a cable from a closet ends already.
struct Outlet {
    OutletId id;
    std::string name;  ///< as it is labelled
    Point position;
    double height_m = 0.3;  ///< above the floor
    GroupId group = {};
    friend bool operator==(const Outlet&, const Outlet&) = default;
};

struct Tray {
    TrayId id;
    std::string name;
    std::vector<Point> points;  ///< two or more, from end to end
    double height_m = 2.9;      ///< above the floor
    GroupId group = {};
    friend bool operator==(const Tray&, const Tray&) = default;
};

/// A way for cables from its floor up through so many slabs, straight above each other.
struct Riser {
    RiserId id;
    std::string name;
    Point position;
    int storeys = 1;
    GroupId group = {};
    friend bool operator==(const Riser&, const Riser&) = default;
};

}  // namespace yemvo
