// SPDX-License-Identifier: GPL-3.0-or-later
// Where the storeys lie in the section: pure geometry, no widget.
#pragma once
#include <QPointF>
#include <QRectF>
#include <vector>

#include "project/project.h"

namespace yemvo::app {

struct SectionStorey {
    FloorId floor;
    BuildingId building;
    QRectF room;                                          ///< between the slabs
    QRectF slab;                                          ///< the plate under it; in a yard of no height
    std::vector<std::pair<double, double>> voids_x;       ///< of the slab
    std::vector<std::pair<AccessPointId, QPointF>> dots;  ///< access points, spread where they would overlap
    bool mezzanine = false, yard = false;
    double ground_left = 0, ground_right = 0;  ///< heights of a yard's ground at both ends
};

/// One building or yard.
struct SectionStack {
    BuildingId building;
    QRectF area;  ///< from its roof to the underside of its lowest slab
    QRectF roof;
    double top_level_m = 0;
};

struct SectionLayout {
    std::vector<SectionStorey> storeys;  ///< building by building, lowest first
    std::vector<SectionStack> stacks;
    double stretch = 1;   ///< heights against widths
    double px_per_m = 1;  ///< of heights
    /// Storeys too low to read: a list of rows instead, not to scale.
    bool rows = false;
    double height = 0;  ///< of all of it
    const SectionStorey* find(FloorId) const;
};

/// All buildings and yards in one scale of heights, side by side, widths squeezed to fit. Where a storey
/// would get too low to read, or there are too many stacks, rows under each other.
SectionLayout lay_out_section(const Project&, const QRectF& into);

}  // namespace yemvo::app
