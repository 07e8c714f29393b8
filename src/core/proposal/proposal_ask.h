// SPDX-License-Identifier: GPL-3.0-or-later
// What a proposal is asked for.
#pragma once
#include <cstdint>
#include <map>
#include <memory>
#include <string_view>
#include <vector>

#include "project/project.h"

namespace yemvo {

class CableReach;
struct HungPlan;

/// What is to be least.
enum class ProposalGoal { count, price, watts };
std::string_view proposal_goal_name(ProposalGoal);

/// A part of a floor where no access point may hang.
struct KeepOut {
    FloorId floor;
    std::vector<Point> outline;
};

struct ProposalAsk {
    std::vector<FloorId> floors = {};  ///< empty: all; what hangs on others stays
    /// Empty: all of these floors; else these zones alone: they are asked about, and new ones hang in them.
    std::vector<ZoneId> zones = {};
    /// Models that may be taken, each where it is made to hang; empty: the one that the present plan has most
    /// of, inside and in the open, else the project's first that fits.
    std::vector<ModelId> models = {};
    BandSet bands = all_bands();             ///< radios of other bands are off
    bool keep = false;                       ///< all that hangs now stays where it is
    std::vector<AccessPointId> locked = {};  ///< these stay where they are in any case
    /// These stay as well, each within so many metres of where it hangs.
    std::map<AccessPointId, double> reach_m = {};
    std::vector<KeepOut> keep_out = {};  ///< besides the zones of that kind
    /// Set: access points hang only where a cable reaches a closet within its limits.
    std::shared_ptr<const CableReach> cabled = nullptr;
    double pitch_m = 4;                      ///< between candidate places of a room, about
    double from_walls_m = 0.5, apart_m = 4;  ///< at least; apart: on the same floor
    /// Every level that a requirement asks for has to hold with any one access point gone.
    bool survives_one = false;
    ProposalGoal goal = ProposalGoal::count;
    /// Goes on from this plan, of the same project or one that asks for something else; null: from nothing.
    std::shared_ptr<const HungPlan> from = nullptr;
    double seconds = 60;
    std::uint64_t seed = 1;
};

}  // namespace yemvo
