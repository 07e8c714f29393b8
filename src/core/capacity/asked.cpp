// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/asked.h"

#include <algorithm>

#include "capacity/site_capacity.h"

namespace yemvo {

AskedByHour asked_by_hour(const SiteCapacity& site) {
    AskedByHour all;
    for (const HourCapacity& hour : site.hours) {
        auto& of_hour = all.emplace_back();
        for (const RadioCapacity& r : hour.radios) {
            AskedMbps& asked = of_hour[r.radio.access_point];
            asked.down += r.asked_down_mbps;
            asked.up += r.asked_up_mbps;
        }
    }
    return all;
}

double most_asked_mbps(const AskedByHour& hours, const std::set<AccessPointId>& of) {
    double most = 0;
    for (const auto& hour : hours) {
        AskedMbps sum;
        for (const AccessPointId id : of)
            if (const auto found = hour.find(id); found != hour.end()) {
                sum.down += found->second.down;
                sum.up += found->second.up;
            }
        most = std::max({most, sum.down, sum.up});
    }
    return most;
}

}  // namespace yemvo
