// SPDX-License-Identifier: GPL-3.0-or-later
// Walls taken from the lines of a drawing. Pure functions: no widget needed.
#pragma once
#include <optional>
#include <vector>

#include "geometry/point.h"
#include "geometry/segment_index.h"
#include "project/project.h"
#include "venue/wall.h"

namespace yemvo::app {

/// A wall as a drawing shows it.
struct TakenLine {
    Segment centre;
    double thickness_m = 0;            ///< between both faces; 0 where only one line was found
    std::vector<std::uint32_t> lines;  ///< that it was made of
};

/// The line near a place within reach, its colinear continuations across gaps of at most 1.2 m (doors), and
/// the other face where a parallel line of the same layer runs 4 to 60 cm beside it. A line that has another
/// face goes before a nearer one that has none: an axis is no wall. `layers`: of each line; empty: all one.
std::optional<TakenLine> taken_line(const SegmentIndex&, const std::vector<int>& layers, Point at,
                                    double reach_m);

/// A line that belongs to a wall, as the sill of a window in it does.
bool lies_inside(const TakenLine& line, const TakenLine& wall);

/// Lines whose ends nearly meet are brought together and made runs; ends near walls that stand already meet
/// them.
std::vector<std::vector<Point>> as_runs(const std::vector<TakenLine>&,
                                        const std::vector<Wall>& standing = {});

}  // namespace yemvo::app
