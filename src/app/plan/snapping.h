// Where a drawn point jumps to. Pure functions: no widget needed.
#pragma once
#include <optional>
#include <vector>

#include "venue/floor.h"

namespace yemvo::app {

enum class SnapKind { none, end, middle, on_line, grid, angle };

struct Snapped {
    Point point;
    SnapKind kind = SnapKind::none;
    std::optional<Point> guide;  ///< from where an angle was kept
};

struct SnapOptions {
    double reach_m = 0.5;       ///< how near something must be
    double grid_m = 0.1;        ///< 0: no grid
    bool suspended = false;     ///< Alt
    bool angles = false;        ///< Shift: 15 degree steps from `from`
    std::optional<Point> from;  ///< the point drawn before
    std::vector<Point> drawn;   ///< points of the run being drawn
    WallId without;             ///< a wall that is being moved itself
};

/// Ends first, then middles, then walls' lines, then level with `from`, then the grid.
Snapped snap(const Floor&, Point at, const SnapOptions&);

const char* snap_name(SnapKind);

/// A step of 1, 2 or 5 times a power of ten metres that is about 8 px.
double grid_step_m(double px_per_m);

}  // namespace yemvo::app
