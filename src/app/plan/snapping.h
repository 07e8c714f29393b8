// SPDX-License-Identifier: GPL-3.0-or-later
// Where a drawn point jumps to. Pure functions: no widget needed.
#pragma once
#include <memory>
#include <optional>
#include <vector>

#include "geometry/point.h"
#include "geometry/segment_index.h"
#include "project/project.h"
#include "venue/floor.h"

namespace yemvo::app {

enum class SnapKind {
    none,
    end,
    middle,
    on_line,
    grid,
    angle,  ///< level, plumb, or in 15 degree steps with the point before
    crossing,
    perpendicular,  ///< foot of the square from the point before
    along,          ///< on the line of a wall beyond its end
    drawing_end,
    drawing_line,
};

struct Snapped {
    Point point;
    SnapKind kind = SnapKind::none;
    std::optional<Point> guide;  ///< from where an angle or a line was kept
};

/// The straight parts of a floor that can be snapped to, ready to be asked many times.
class SnapLines {
public:
    SnapLines() = default;
    explicit SnapLines(const Floor&, WallId without = {});
    const SegmentIndex& walls() const { return walls_; }
    const SegmentIndex& outlines() const { return outlines_; }
    /// Whether the parts are still those of the floor.
    bool of(const Floor&, WallId without) const;
    /// True for a line that is only a chord of an arc: its ends are no corners.
    bool is_chord(std::size_t wall_line) const { return chord_[wall_line]; }

private:
    SegmentIndex walls_, outlines_;
    std::vector<bool> chord_;
    Shared<std::vector<Wall>> from_walls_;
    Shared<std::vector<Obstacle>> from_obstacles_;
    Shared<std::vector<Zone>> from_zones_;
    Shared<Slab> from_slab_;
    WallId without_;
};

struct SnapOptions {
    double reach_m = 0.5;                         ///< how near something must be
    double grid_m = 0.1;                          ///< 0: no grid
    bool suspended = false;                       ///< Alt
    bool angles = false;                          ///< Shift: 15 degree steps from `from`
    std::optional<Point> from;                    ///< the point drawn before
    std::vector<Point> drawn;                     ///< points of the run being drawn
    WallId without;                               ///< a wall that is being moved itself
    std::shared_ptr<const SegmentIndex> drawing;  ///< lines of the drawings under the floor
};

/// Ends first, then crossings, middles, feet of a square, walls' lines, the drawings' ends and lines, level
/// with `from`, on a wall's line beyond its end, then the grid.
Snapped snap(const SnapLines&, Point at, const SnapOptions&);
Snapped snap(const Floor&, Point at, const SnapOptions&);

const char* snap_name(SnapKind);

/// A step of 1, 2 or 5 times a power of ten metres that is about 8 px.
double grid_step_m(double px_per_m);

}  // namespace yemvo::app
