// The map under the walls: steps, contour lines, and hatching where the threshold is not kept.
#pragma once
#include <QImage>
#include <map>
#include <memory>
#include <vector>

#include "coverage/lens.h"
#include "coverage/site_prediction.h"
#include "render/palette.h"
#include "render/plan_view_map.h"

namespace yemvo::render {

/// What the map shows.
struct MapChoice {
    LensId lens = LensId::signal;
    BandId band = band_5;
    double threshold = -67;
    friend bool operator==(const MapChoice&, const MapChoice&) = default;
};

/// Colour of a step of the lens's range.
QColor step_colour(const Palette&, const LensInfo&, double value);
/// Which of the six tints each access point's area takes in the serving lens, so that areas that meet differ
/// wherever six tints can do it.
std::map<int, std::size_t> serving_tints(const Surface&, const std::vector<float>& values);

/// A transparent picture of `size` pixels with the map where cells are shown. Values between cells are
/// interpolated; the hatch is fixed to the picture, not to the plan. Painted in parallel.
QImage paint_heat_map(const FloorPrediction&, const std::vector<float>& values, const MapChoice&,
                      const PlanMap&, QSize size, const Palette&);
/// The same into a picture used before, which is kept when it has the size: fresh memory for each frame of a
/// drag costs more than the colouring.
void paint_heat_map(QImage& into, const FloorPrediction&, const std::vector<float>& values, const MapChoice&,
                    const PlanMap&, QSize size, const Palette&);

}  // namespace yemvo::render
