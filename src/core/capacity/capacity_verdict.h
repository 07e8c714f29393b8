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
/// A set of one busy hour is counted at that alone. With judge_uplink.
void add_capacity(Verdict&, const Project&, const SiteCapacity&);

/// Whether the circuit carries what is asked, at the busy hour that asks for most of it.
void judge_uplink(Verdict&, const Project&);

/// How one client stands to a requirement that counts clients.
struct ClientStanding {
    bool counts = false;         ///< the requirement asks about it
    BandId band;                 ///< of its radio; the first that is asked about where nobody serves it
    double value = 0;            ///< in the lens's unit
    double margin = 0;           ///< below 0: by how much it fails
    const Zone* zone = nullptr;  ///< that it stands in, if any
};
ClientStanding standing_of(const Project&, const RequirementSet&, const Requirement&, const HourCapacity&,
                           const ClientCapacity&);

/// For lenses, at one busy hour; null where there is none of that key.
std::shared_ptr<const AirFigures> air_figures(const SiteCapacity&, std::string_view hour);

}  // namespace yemvo
