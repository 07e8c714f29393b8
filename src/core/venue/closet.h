// SPDX-License-Identifier: GPL-3.0-or-later
// Telecommunications closets: where switches stand and the cables of access points end.
#pragma once
#include <optional>
#include <string>
#include <vector>

#include "base/id.h"
#include "geometry/point.h"
#include "power/ethernet_power.h"

namespace yemvo {

struct Switch {
    std::string name;                                     ///< "TR-1 A"
    int ports = 24;                                       ///< for access points
    std::optional<PowerSource> source = PowerSource::at;  ///< the strongest that a port gives; none: no power
    double budget_w = 370;                                ///< of all ports together
    double uplink_mbps = 10'000;
    friend bool operator==(const Switch&, const Switch&) = default;
};

struct Closet {
    ClosetId id;
    std::string name;  ///< as it is labelled: "TR-1"
    Point position;
    int racks = 1;
    GroupId group = {};
    std::vector<Switch> switches = {};  ///< none: not told, its ports and watts are not counted
    friend bool operator==(const Closet&, const Closet&) = default;
};

}  // namespace yemvo
