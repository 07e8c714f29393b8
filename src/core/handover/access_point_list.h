// SPDX-License-Identifier: GPL-3.0-or-later
// Access points from a list that somebody else keeps: what it would change, and the change.
#pragma once
#include <string>
#include <string_view>
#include <vector>

#include "project/project.h"

namespace yemvo {

/// What the list says of one access point.
struct ListedAccessPoint {
    enum class What { added, changed, same } what = What::added;
    FloorId floor;              ///< as listed
    FloorId floor_before;       ///< of one that is there
    AccessPoint access_point;   ///< as it would be
    std::vector<Said> changes;  ///< what is other than before, in words
    std::string place;          ///< "list.csv, row 4"
};

struct ListedAccessPoints {
    std::vector<ListedAccessPoint> rows;
    int added = 0, changed = 0, same = 0;
    int not_listed = 0;  ///< that are in the plan and not in the list; they stay
};

/// Reads a table with a row an access point. Columns: name; and where there are any floor (its title), x_m
/// and y_m or east_m and north_m (of the site) or grid (by the building's axes: "C4 +1.2 -0.5"), model (its
/// key or name), height_m, azimuth_deg, tilt_deg, mount, state, date, serial, address, note. An access point
/// is the one that is called so, else the one with that number. A new one needs floor, place and model.
/// `file`: for messages. Throws Error that names every fault, up to ten, by row.
ListedAccessPoints read_access_points(const Project&, std::string_view text, const std::string& file);

/// Takes the list over: added ones get the next free numbers.
void take_access_points(Project&, const ListedAccessPoints&);

}  // namespace yemvo
