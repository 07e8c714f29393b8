// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/room_walls.h"

namespace yemvo {

bool makes_rooms(const Floor& floor, const Wall& wall) {
    constexpr double highest_base_m = 1, lowest_top_m = 1.8;
    return wall.base_m <= highest_base_m && wall.top_m.value_or(floor.height_m) >= lowest_top_m;
}

std::vector<RoomEdge> room_edges(const Project& project, const Floor& floor) {
    std::vector<RoomEdge> edges;
    for (const Wall& w : *floor.walls) {
        if (!makes_rooms(floor, w)) continue;
        const double half_m = wall_type(project, w.type).thickness_m / 2;
        for_each_chord(w, [&](const Chord& c) { edges.push_back({c.line, half_m}); });
    }
    return edges;
}

}  // namespace yemvo
