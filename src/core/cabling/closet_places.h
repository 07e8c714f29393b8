// SPDX-License-Identifier: GPL-3.0-or-later
// Where further closets would bring within reach what no closet reaches: the fewest that do.
#pragma once
#include "cabling/cable_plan.h"

namespace yemvo {

struct ClosetPlace {
    FloorId floor;
    Point place;
    std::vector<AccessPointId> reaches;  ///< of those that were out of reach
    double longest_link_m = 0;           ///< of them
};

struct ClosetPlaces {
    std::vector<ClosetPlace> places;    ///< the one that reaches most first
    std::vector<AccessPointId> beyond;  ///< that no place reaches
    bool fewest = false;                ///< proven
};

/// For the runs of a plan that are longer than a link may be, or lead nowhere. Places are in rooms or halls,
/// beside a wall where that costs no reach. Throws Cancelled.
ClosetPlaces closet_places(const Project&, const CablePlan&, const CancelToken& = {});

/// Under the next free name; access points that were told another closet and are reached from it take the
/// nearest.
void place_closet(Project&, const ClosetPlace&);

/// A run that a nearer closet would mend.
bool is_out_of_reach(const CablingBook&, const CableRun&);

}  // namespace yemvo
