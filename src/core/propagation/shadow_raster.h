// Obstruction of a whole receiver surface at once: each panel's shadow, seen from the source, is drawn onto
// the grid and its loss added to the cells inside; every band from one trace. Exact: the same rule as
// trace.h.
#pragma once
#include <vector>

#include "base/progress.h"
#include "propagation/surface.h"

namespace yemvo {

/// Loss [dB] of all that stands between the source and each cell, one plane a band, Surface::index order.
struct Obstruction {
    std::vector<std::vector<float>> by_band;
};

/// Throws Cancelled.
Obstruction cast_shadows(const Scene&, const Surface&, Point3 source, const CancelToken&);

}  // namespace yemvo
