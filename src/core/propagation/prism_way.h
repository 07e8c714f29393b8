// SPDX-License-Identifier: GPL-3.0-or-later
// The way of a ray inside a prism: the one rule that the link walk and the raster both follow.
#pragma once
#include "propagation/scene.h"

namespace yemvo {

struct PrismWay {
    double length_m = 0;  ///< of the way inside, in space
    double enters = 0;    ///< share of the way; 0 when the source stands in it
};

/// Even-odd where the outline crosses itself. A source or receiver inside counts its own part of the way.
PrismWay prism_way(const ScenePrism&, Point3 source, Point3 receiver);

/// What that takes [dB] in a band.
inline double prism_loss_db(const Scene& scene, const ScenePrism& prism, double way_m, std::size_t band) {
    return way_loss_db(double{scene.laws[static_cast<std::size_t>(prism.row)][band].c[0][0]}, way_m,
                       prism.most_db, prism.saturates);
}

}  // namespace yemvo
