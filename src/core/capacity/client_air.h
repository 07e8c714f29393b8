// SPDX-License-Identifier: GPL-3.0-or-later
// The air as one client has it: what other radios give on its channel, and how long that is in use.
#pragma once
#include <span>

#include "capacity/site_capacity.h"
#include "propagation/explain.h"

namespace yemvo {

struct ClientAir {
    double interference_dbm = -120;  ///< of other radios on its channel, in the mean over time
    double sinr_db = 0;              ///< over that and the noise of its receiver
    double use = 0;  ///< share of time in use by radios that it hears on its channel, its own counted
};
/// As the lenses SINR, Interference and Air in use here have it at that place; of a client that a radio
/// serves.
ClientAir client_air(const Project&, const HourCapacity&, const ClientCapacity&);

/// The same for one of the links at a place, whichever radio serves there: `all` are the links of every radio
/// that is heard there.
ClientAir link_air(const Project&, const HourCapacity&, std::span<const LinkExplanation> all,
                   std::size_t which, FloorId, Point place);

}  // namespace yemvo
