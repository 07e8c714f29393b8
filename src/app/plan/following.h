// Walls taken from the lines of a drawing. Pure functions: no widget needed.
#pragma once
#include <optional>
#include <vector>

#include "geometry/segment_index.h"

namespace yemvo::app {

/// A wall as a drawing shows it.
struct TakenLine {
    Segment centre;
    double thickness_m = 0;            ///< between both faces; 0 where only one line was found
    std::vector<std::uint32_t> lines;  ///< that it was made of
};

/// The line nearest to a place within reach, its colinear continuations across gaps of at most 1.2 m (doors),
/// and the other face where a parallel line runs 4 to 60 cm beside it.
std::optional<TakenLine> taken_line(const SegmentIndex&, Point at, double reach_m);

/// Lines whose ends nearly meet are brought together and made runs.
std::vector<std::vector<Point>> as_runs(const std::vector<TakenLine>&);

}  // namespace yemvo::app
