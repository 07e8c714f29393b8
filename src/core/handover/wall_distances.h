// SPDX-License-Identifier: GPL-3.0-or-later
// Where to drill: how far a place is from the walls round it, as somebody with a tape measures it.
#pragma once
#include <functional>
#include <vector>

#include "venue/floor.h"

namespace yemvo {

struct WallDistance {
    Point foot;         ///< on the face of the wall
    double distance_m;  ///< from the place to the face, square to it
};

/// The nearest wall face and the nearest one about square to it, both square to their wall from the place:
/// two lengths that fix it. Fewer where there are no such walls within 100 m. `thickness_m` is asked for each
/// wall.
std::vector<WallDistance> wall_distances(const Floor&, Point,
                                         const std::function<double(const Wall&)>& thickness_m);

}  // namespace yemvo
