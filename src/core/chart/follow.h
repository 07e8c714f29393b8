// SPDX-License-Identifier: GPL-3.0-or-later
// A curve round a centre: its colour, and the way along it.
#pragma once
#include <vector>

#include "base/progress.h"
#include "chart/chart.h"
#include "chart/lines.h"

namespace yemvo::chart {

/// Colours of lines inside of the chart, the one that runs round most completely first.
std::vector<Colour> curve_colours(const Lines&, const FoundChart&);

/// Along the directions of the picture, `columns` of them.
inline constexpr int columns = 720;
inline constexpr float least_seen = 0.3f;  ///< below it what is told is guessed
struct Way {
    std::vector<double> radius_px;  ///< of each column
    std::vector<float> seen;        ///< how much of the curve is there, 0 to 1
};
/// `through`: as CurveWishes has them, in pixels of the lines.
Way follow(const Lines&, const FoundChart&, Colour, const std::vector<std::vector<Point>>& through,
           const CancelToken&);

}  // namespace yemvo::chart
