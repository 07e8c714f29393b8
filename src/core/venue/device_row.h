// SPDX-License-Identifier: GPL-3.0-or-later
// Devices that stay where they are put: tills along a wall, cameras down an aisle, one sensor at a door.
#pragma once
#include <string>

#include "base/id.h"
#include "demand/zone_demand.h"
#include "geometry/point.h"

namespace yemvo {

using DeviceRowId = Id<struct DeviceRowTag>;

struct DeviceRow {
    DeviceRowId id;
    std::string name;
    Point from, to;     ///< where the first and the last stand; the same for one place
    ZoneDemand demand;  ///< counted in devices: `amount` of them, one a head, nobody beside them
    GroupId group = {};
    friend bool operator==(const DeviceRow&, const DeviceRow&) = default;
};

/// Where number i of n stands: evenly from end to end, one alone in the middle.
inline Point place_in_row(const DeviceRow& r, std::size_t i, std::size_t n) {
    const double t = n > 1 ? static_cast<double>(i) / static_cast<double>(n - 1) : 0.5;
    return lerp(r.from, r.to, t);
}
inline Point middle(const DeviceRow& r) { return lerp(r.from, r.to, 0.5); }

}  // namespace yemvo
