// SPDX-License-Identifier: GPL-3.0-or-later
// What access points are asked for together: what leads away from them has to carry it.
#pragma once
#include <map>
#include <set>
#include <vector>

#include "base/id.h"

namespace yemvo {

struct SiteCapacity;

struct AskedMbps {
    double down = 0, up = 0;
};
/// Of each access point, a busy hour.
using AskedByHour = std::vector<std::map<AccessPointId, AskedMbps>>;
AskedByHour asked_by_hour(const SiteCapacity&);

/// Mbit/s at the hour that asks for most, down or up, whichever is more: a link carries both ways at once.
double most_asked_mbps(const AskedByHour&, const std::set<AccessPointId>&);

}  // namespace yemvo
