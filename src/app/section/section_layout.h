// Where the storeys lie in the section: pure geometry, no widget.
#pragma once
#include <QPointF>
#include <QRectF>
#include <vector>

#include "project/project.h"

namespace yemvo::app {

struct SectionStorey {
    FloorId floor;
    QRectF room;                                          ///< between the slabs
    QRectF slab;                                          ///< the plate under it
    std::vector<std::pair<double, double>> voids_x;       ///< of the slab
    std::vector<std::pair<AccessPointId, QPointF>> dots;  ///< access points, spread where they would overlap
};

struct SectionLayout {
    std::vector<SectionStorey> storeys;  ///< lowest first
    double stretch = 1;                  ///< heights against widths
    double top_level_m = 0;
    QRectF roof;
};

/// All storeys of the project in one scale of heights, widths squeezed to fit.
SectionLayout lay_out_section(const Project&, const QRectF& into);

}  // namespace yemvo::app
