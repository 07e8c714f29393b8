// SPDX-License-Identifier: GPL-3.0-or-later
// Centres that many lines bend round, their rings, and their spokes.
#pragma once
#include <vector>

#include "base/progress.h"
#include "chart/lines.h"
#include "geometry/point.h"

namespace yemvo::chart {

struct Rings {
    Point centre;
    std::vector<double> radii;  ///< that are seen, falling
    double spacing = 0;         ///< of the even rings; 0: there is the outermost alone
    double seen = 0;            ///< share of the outermost ring that is
};

/// By the size of their outermost ring, the largest first.
std::vector<Rings> find_rings(const Lines&, const CancelToken&);

/// Directions of the spokes: evenly spaced ones; empty where there are none.
std::vector<double> find_spokes(const Lines&, const Rings&);

}  // namespace yemvo::chart
