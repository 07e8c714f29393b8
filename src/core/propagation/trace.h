// SPDX-License-Identifier: GPL-3.0-or-later
// One link walked through the scene: what it crosses, in order.
#pragma once
#include <vector>

#include "propagation/scene.h"

namespace yemvo {

enum class CrossingKind { wall, opening, slab, ceiling, ramp, obstacle };

struct Crossing {
    CrossingKind kind;
    int row;        ///< into Scene::laws
    double share;   ///< of the way, in (0, 1)
    double cosine;  ///< of the angle between the ray and the normal of what it crosses, [0, 1]
    FloorId floor;  ///< where it stands, or the floor on the slab
    WallId wall;
    OpeningId opening;
    int prism = -1;            ///< obstacles: into Scene::prisms; share is where the ray enters
    double length_m = 0;       ///< obstacles: of the way inside
    double angle_deg() const;  ///< [0, 90]; 0 of obstacles
};

/// From a source to a receiver, near end first. A ray through the joint of two pieces counts one of them; a
/// receiver on a wall is before it.
std::vector<Crossing> trace(const Scene&, Point3 source, Point3 receiver);

/// What it takes [dB] in a band.
double loss_db(const Scene&, const Crossing&, BandId band);
/// Sum of the crossings' losses [dB] in a band.
double obstruction_db(const Scene&, const std::vector<Crossing>&, BandId);
/// Standard deviation [dB] of what they take together: crossings of one type err together, types apart.
double deviation_db(const Scene&, const std::vector<Crossing>&, BandId);

}  // namespace yemvo
