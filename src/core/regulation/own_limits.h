// SPDX-License-Identifier: GPL-3.0-or-later
// Limits that the database does not hold: densities, classes of devices at 6 GHz, powers by elevation, longer
// waits for radar. They stand in data/regulation.json, each with its source.
#pragma once
#include <cstddef>
#include <optional>
#include <span>
#include <string>
#include <vector>

#include "regulation/device_class.h"
#include "regulation/regulatory_database.h"

namespace yemvo {

/// Towards the sky no more than so much.
struct ElevationLimit {
    double above_deg, max_eirp_dbm;
    friend bool operator==(const ElevationLimit&, const ElevationLimit&) = default;
};

struct OwnLimit {
    std::vector<std::string> countries;
    double low_mhz, high_mhz;
    std::optional<DeviceClass> device_class;    ///< none: any
    std::optional<double> max_eirp_dbm;         ///< of an access point, instead of the database's
    std::optional<double> density_dbm_per_mhz;  ///< EIRP
    std::optional<ElevationLimit> elevation_outdoors;
    bool indoor_only = false;
    std::string source;
    bool sure = true;  ///< false: not held against the rules' own text
};

struct LongWait {
    DfsRegion region;
    double low_mhz, high_mhz;
    int wait_s;
    std::string name;  ///< "weather radar"
};

struct OwnLimits {
    int usual_wait_s = 60;
    std::vector<LongWait> waits;
    std::vector<OwnLimit> limits;
};

/// Throws Error naming the place.
OwnLimits read_own_limits(std::span<const std::byte> json);

}  // namespace yemvo
