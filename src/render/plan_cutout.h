// SPDX-License-Identifier: GPL-3.0-or-later
// A piece of a floor's plan with its map, for cards and reports.
#pragma once
#include <QImage>

#include "render/heat_map.h"

namespace yemvo::render {

struct Cutout {
    QImage image;
    PlanMap map;  ///< in logical pixels of the image
};

/// `size` logical pixels round a place, about `across_m` metres wide; kept over the building, so that it
/// shows as little else as can be.
Cutout plan_cutout(const Project&, const Floor&, const FloorPrediction&, const MapChoice&, Point centre,
                   QSize size, qreal ratio, const Palette&, double across_m = 18);

}  // namespace yemvo::render
