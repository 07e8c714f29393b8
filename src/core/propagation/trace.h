// One link walked through the scene: what it crosses, in order.
#pragma once
#include <vector>

#include "propagation/scene.h"

namespace yemvo {

enum class CrossingKind { wall, opening, slab };

struct Crossing {
    CrossingKind kind;
    int row;           ///< into Scene::losses
    double share;      ///< of the way, in (0, 1)
    double angle_deg;  ///< between the ray and the normal of what it crosses, [0, 90]
    FloorId floor;     ///< where the wall stands, or the floor on the slab
    WallId wall;
    OpeningId opening;
};

/// From a source to a receiver, near end first. A ray through the joint of two pieces counts one of them; a
/// receiver on a wall is before it.
std::vector<Crossing> trace(const Scene&, Point3 source, Point3 receiver);

/// Sum of the crossings' losses [dB] in a band.
double obstruction_db(const Scene&, const std::vector<Crossing>&, BandId);

}  // namespace yemvo
