// SPDX-License-Identifier: GPL-3.0-or-later
// A plan of columns as access points in the venue, and what it changes.
#pragma once
#include <set>

#include "proposal/site_cover.h"

namespace yemvo {

enum class MoveKind {
    stays,  ///< where it hangs; its settings may be others
    moved,  ///< another place, or another model
    added,
    removed,
};
std::string_view move_kind_name(MoveKind);

struct ProposalMove {
    MoveKind kind = MoveKind::stays;
    FloorId floor;
    AccessPointId access_point;  ///< in the proposal; of what goes: in the present plan
    int number = 0;
    Point from, to;  ///< the same where it does not move
    ModelId model;
};

struct HungPlan {
    Project project;                  ///< the present one with other access points in its variant
    std::vector<ProposalMove> moves;  ///< of the floors asked, by floor and number
};

/// Who stays keeps id, number and channels; of the others each takes number and id of the nearest that goes
/// on its floor, within `moves_within_m`; new ones are numbered in
/// reading order, above all that there are.
HungPlan hang_plan(const Project&, const SiteCover&, const CoverPlan&, const std::vector<FloorId>& asked,
                   double moves_within_m = 12);

/// One of its access points at another place of its floor, or out of it.
void move_in_plan(HungPlan&, AccessPointId, Point to);
void take_out_of_plan(HungPlan&, AccessPointId);
/// What stood there before takes its place again; else it comes as a new one, above all numbers. Gives its
/// id.
AccessPointId add_to_plan(HungPlan&, const ProposalCandidate&);

/// The plan's access points on these floors in place of those of the current variant, as one edit.
/// New ones get new ids; in a variant of its own all do.
void take_plan(Project&, const HungPlan&, const std::set<FloorId>& floors);
/// One move of the plan alone: hung, moved, set as proposed, or taken out. `access_point` as its move names
/// it. Gives the id that it has in the project. Throws Error where the plan has no such move.
AccessPointId take_move(Project&, const HungPlan&, AccessPointId access_point);
/// The plan as it stands to a project that this move was taken into, where the access point is called `is`
/// now.
HungPlan with_taken(HungPlan, AccessPointId access_point, AccessPointId is);

}  // namespace yemvo
