// SPDX-License-Identifier: GPL-3.0-or-later
// What other people's radios give over a floor, by the channel that they are on: worked out with the
// prediction, since a lens is painted while somebody waits.
#pragma once
#include <cstdint>
#include <vector>

#include "project/neighbours.h"
#include "propagation/surface.h"

namespace yemvo {

/// All neighbours on one channel; a value a cell.
struct NeighbourPlanes {
    Channel channel;
    std::vector<float> mean_mw;    ///< in the mean over time
    std::vector<float> heard;      ///< how many arrive at the level from which one counts as heard
    std::vector<float> heard_use;  ///< share of time that those send, together
};

struct NeighbourField {
    std::uint64_t key = 0;  ///< equal for equal content; 0 for none
    std::vector<NeighbourPlanes> channels;
    std::size_t bytes() const;
};

/// Of all that the result depends on; 0 where nothing was heard on the floor.
std::uint64_t neighbour_field_key(const Neighbours&, FloorId, const Surface&, double heard_dbm);
NeighbourField neighbour_field(const Neighbours&, FloorId, const Surface&, double heard_dbm);

}  // namespace yemvo
