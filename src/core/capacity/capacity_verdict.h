// SPDX-License-Identifier: GPL-3.0-or-later
// Requirements that count clients and radios, judged over all busy hours.
#pragma once
#include "capacity/site_capacity.h"
#include "coverage/air_figures.h"
#include "coverage/verdict.h"

namespace yemvo {

/// Fills in the results of requirements that count clients or radios; each place has its worst busy hour. A
/// client keeps a limit on satisfaction by its own share, one on Mbit/s by what it could get; a radio by its
/// own figure. Sets that hold in some zones count the clients there, and the radios that serve them.
void add_capacity(Verdict&, const Project&, const SiteCapacity&);

/// For lenses, at one busy hour; null where there is none of that key.
std::shared_ptr<const AirFigures> air_figures(const SiteCapacity&, std::string_view hour);

}  // namespace yemvo
