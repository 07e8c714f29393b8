// SPDX-License-Identifier: GPL-3.0-or-later
// The map under the walls: steps, contour lines, and hatching where the threshold is not kept.
#pragma once
#include <QImage>

#include "render/map_choice.h"
#include "render/plan_view_map.h"

namespace yemvo::render {

/// A transparent picture of `size` pixels with the map where cells are shown. Values between cells are
/// interpolated; the hatch is fixed to the picture, not to the plan. Painted in parallel.
QImage paint_heat_map(const FloorPrediction&, const std::vector<float>& values, const MapChoice&,
                      const PlanMap&, QSize size, const Palette&);
/// The same into a picture used before, which is kept when it has the size: fresh memory for each frame of a
/// drag costs more than the colouring. `plainly`: pixel by pixel, as tests and the bench hold the quick way
/// against.
void paint_heat_map(QImage& into, const FloorPrediction&, const std::vector<float>& values, const MapChoice&,
                    const PlanMap&, QSize size, const Palette&, bool plainly = false);

}  // namespace yemvo::render
