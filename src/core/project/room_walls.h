// SPDX-License-Identifier: GPL-3.0-or-later
// Which walls of a floor make its rooms.
#pragma once
#include "project/project.h"
#include "venue/rooms.h"

namespace yemvo {

/// Walls that stand on the floor and reach at least 1.8 m; beams and low partitions make no rooms. Openings
/// count as closed.
std::vector<RoomEdge> room_edges(const Project&, const Floor&);
bool makes_rooms(const Floor&, const Wall&);

}  // namespace yemvo
