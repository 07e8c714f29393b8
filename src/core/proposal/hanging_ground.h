// SPDX-License-Identifier: GPL-3.0-or-later
// Where on a floor an access point may hang at all.
#pragma once
#include "project/room_walls.h"
#include "propagation/scene.h"
#include "proposal/proposal_ask.h"

namespace yemvo {

/// All of it must outlive this.
class HangingGround {
public:
    HangingGround(const Project&, const Scene&, const Floor&, const ProposalAsk&);
    /// Not in voids, in solids that reach the ceiling, in zones where nobody needs service, where nothing may
    /// hang and outside the property, beyond the walls, nearer to a wall than asked, further from a closet
    /// than cables reach where that is asked.
    bool may_hang(Point) const;
    /// From the face of the nearest wall that reaches up to where things hang.
    double from_walls_m(Point) const;

private:
    bool is_open_air(Point) const;
    const Floor& floor_;
    const FloorMask& mask_;
    const ProposalAsk& ask_;
    std::vector<RoomEdge> walls_;
    std::vector<const Zone*> served_, barred_;
    bool open_ground_ = false;
};

}  // namespace yemvo
