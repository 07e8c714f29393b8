// SPDX-License-Identifier: GPL-3.0-or-later
// Something happens to the air: what is lost at once, who moves where, and what is left then.
#pragma once
#include <string>
#include <vector>

#include "tuning/retune.h"

namespace yemvo {

struct WhatIf {
    enum class Kind { radar, neighbour, failure };
    Kind kind = Kind::radar;
    int radar_channel = 100;  ///< 20 MHz at 5 GHz on which radar is seen
    RadioRef met = {};        ///< the radio on whose channel, and at whose place, a neighbour turns up
    double level_dbm = -60, use = 0.5;  ///< of that neighbour
    std::vector<AccessPointId> failed = {};
};

struct HourThen {
    std::string hour;
    double satisfied_now = 1, satisfied_at_once = 1, satisfied_after = 1;  ///< shares of clients
    double carried_now_mbps = 0, carried_at_once_mbps = 0, carried_after_mbps = 0;
};

struct WhatIfResult {
    std::vector<RadioRef> hit;  ///< silent at once, or on the neighbour's spectrum and in its hearing
    RetuneResult retune;        ///< the moves that answer it
    std::vector<HourThen> hours;
};

/// The project once it has happened: radar noted, a listening place with the neighbour, the access points
/// off. Radios that radar silences are still where they were.
Project once_happened(const Project&, const WhatIf&);

/// Where `ask` leaves open who may move, it is those that are hit, and where access points fail those that
/// heard them. `capacity` may be null. Throws Cancelled.
WhatIfResult what_if(const Project&, const Scene&, const SiteHearing&, const SiteCapacity* capacity,
                     const WhatIf&, const RetuneAsk&, const CancelToken& = {});

}  // namespace yemvo
