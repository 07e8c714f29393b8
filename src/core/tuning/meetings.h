// SPDX-License-Identifier: GPL-3.0-or-later
// Who hears whom on the site, and what air that costs them.
#pragma once
#include <memory>
#include <vector>

#include "capacity/site_capacity.h"
#include "tuning/air_share.h"
#include "tuning/spill.h"

namespace yemvo {

/// One radio at another's place (at the client height below it).
struct HeardRadio {
    std::uint32_t listener, heard;  ///< indices into SiteAir::radios
    double dbm;
};

/// What the planning of channels needs of the site.
struct SiteAir {
    std::vector<AirRadio> radios;  ///< the plan's own, then other people's, which have no access point
    std::size_t own = 0;           ///< how many of them are the plan's
    std::shared_ptr<const Neighbours> neighbours;
    /// Null for one of the plan's own.
    const NeighbourRadio* neighbour(std::uint32_t radio) const {
        return radio < own ? nullptr : &neighbours->radios[radio - own];
    }
    std::vector<HeardRadio> hearing;  ///< from heard_least_cdbm up; of both directions, each by itself
    /// Share of time that each radio and its clients send, as it works now.
    std::vector<double> use;
    /// Share of the site's demand that each radio carries; the sum is 1.
    std::vector<double> demand;
    bool assumed = false;  ///< nobody asks for anything: every radio is taken to send for assumed_use
};
/// What a radio is taken to send for where no demand is known.
inline constexpr double assumed_use = 0.2;

/// Who hears whom, whatever the radios are called by then.
struct SiteHearing {
    std::vector<RadioRef> radios;
    std::vector<HeardRadio> pairs;  ///< with indices into those
    std::vector<Spill> spill;
};
SiteHearing site_hearing(const std::vector<AirRadio>&,
                         const std::vector<std::vector<HeardFloor::Pair>>& floors);

/// With the radios that the project has now; those that are gone are heard no more. `capacity` may be null.
SiteAir site_air(const Project&, const SiteHearing&, const SiteCapacity*);

/// The same from what is heard on each floor. `capacity` may be null. Of the uses at the busy hours the
/// greatest counts, of the demand the mean.
SiteAir site_air(const Project&, const std::vector<std::shared_ptr<const HeardFloor>>&, const SiteCapacity*);

/// Two radios on overlapping spectrum that hear each other.
struct AirMeeting {
    std::uint32_t a, b;             ///< a < b
    Sharing how;                    ///< the worse of both directions
    double heard_dbm;               ///< the stronger of both directions
    double lost_a = 0, lost_b = 0;  ///< share of time that each loses to the other; what neighbours lose is
                                    ///< not known
    double lost() const { return lost_a > lost_b ? lost_a : lost_b; }
};
/// Those that lose at least `least` of their time, most first.
std::vector<AirMeeting> air_meetings(const SiteAir&, double heard_dbm, double least = 0.001);

/// What a radio would lose and take on another channel, if the others stayed.
struct AirAt {
    double lost = 0;   ///< share of its time
    double taken = 0;  ///< of the others' time together
    std::vector<std::pair<std::uint32_t, double>>
        to;  ///< whom it would meet, and the greater loss; most first
};
AirAt air_at(const SiteAir&, std::uint32_t radio, const Channel&, int primary, double heard_dbm);

}  // namespace yemvo
