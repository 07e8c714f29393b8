// SPDX-License-Identifier: GPL-3.0-or-later
// Where access points could hang: even rows in every room, in line with its walls; the middle line of what is
// narrow; rows over open ground that is served.
#pragma once
#include "propagation/scene.h"
#include "proposal/proposal_ask.h"

namespace yemvo {

/// In the metres of the floor. None in voids, in solids that reach the ceiling, in zones where nobody needs
/// service, where nothing may hang and outside the property, beyond the walls, nearer to a wall than asked.
std::vector<Point> candidate_places(const Project&, const Scene&, const Floor&, const ProposalAsk&);

}  // namespace yemvo
