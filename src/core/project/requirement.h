// SPDX-License-Identifier: GPL-3.0-or-later
// What must hold, where, and on how much of the area.
#pragma once
#include <algorithm>
#include <string>
#include <utility>
#include <vector>

#include "base/id.h"
#include "venue/floor.h"
#include "wireless/band.h"

namespace yemvo {

/// One limit on one quantity, and the share of area that must keep it.
struct Requirement {
    RequirementId id;
    std::string lens;  ///< key of a lens that is an amount: "signal", "next_best", "snr"
    BandSet bands;
    double limit = -67;  ///< in the lens's unit
    double share_required = 0.95;
    bool any_band = false;  ///< at a place one of the bands is enough; else each has to reach the share
    std::vector<std::pair<BandId, double>> band_limits = {};  ///< bands whose limit is another
    friend bool operator==(const Requirement&, const Requirement&) = default;

    double limit_in(BandId band) const {
        const auto own = std::find_if(band_limits.begin(), band_limits.end(),
                                      [&](const auto& b) { return b.first == band; });
        return own == band_limits.end() ? limit : own->second;
    }
};

/// A named list of requirements and where they hold: in these zones; else in all zones of these kinds; else
/// wherever service is demanded.
struct RequirementSet {
    RequirementSetId id;
    std::string name;
    bool on = true;  ///< off: kept, but not judged
    std::vector<ZoneId> zones;
    std::vector<ZoneKind> kinds;
    std::vector<Requirement> requirements;
    std::string hour = {};  ///< busy hour at which its clients and radios are counted; empty: each
    friend bool operator==(const RequirementSet&, const RequirementSet&) = default;

    bool is_everywhere() const { return zones.empty() && kinds.empty(); }
    /// Whether it holds in a zone, which a set everywhere leaves to the zone.
    bool names(const Zone& zone) const {
        if (!zones.empty()) return std::find(zones.begin(), zones.end(), zone.id) != zones.end();
        return std::find(kinds.begin(), kinds.end(), zone.kind) != kinds.end();
    }
};

}  // namespace yemvo
