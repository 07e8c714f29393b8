// SPDX-License-Identifier: GPL-3.0-or-later
// Which places of a floor lie inside its walls.
#pragma once
#include <algorithm>
#include <cstdint>
#include <vector>

#include "geometry/polygon.h"
#include "venue/floor.h"

namespace yemvo {

/// A place is inside when it cannot be reached from outside without crossing a wall (doors and windows count
/// as closed), on a raster of 0.25 m. Of the cells that walls run through those are inside that touch such a
/// place: strays, garden walls and open ends enclose nothing and change nothing. Courtyards that are open to
/// the sky are outside.
class FloorMask {
public:
    /// Coarser where the walls that enclose something lie so far apart that the raster would be too large.
    static constexpr double finest_cell_m = 0.25;
    explicit FloorMask(const std::vector<Wall>&, const std::vector<std::vector<Point>>& open_air = {});
    /// Walls enclose at least a square metre; else nothing is known to be outside.
    bool enclosed() const { return enclosed_; }
    double area_m2() const { return area_m2_; }  ///< of the inside; 0 when not enclosed
    /// Always true when not enclosed.
    bool inside(Point) const;
    /// Calls `use(from, to)` for runs of i in [0, count) for which first + i step is inside.
    template <class Use>
    void along(Point first, Point step, int count, Use use) const {
        if (!enclosed()) return use(0, count);
        int i = 0;
        while (i < count) {
            const Point p = first + step * i;
            int end = i + 1;
            if (step.y == 0 && step.x > 0) end = std::clamp(run_end(p, step.x, i), i + 1, count);
            if (inside(p)) use(i, end);
            i = end;
        }
    }
    /// Round the inside. What lies beyond it is outside, when enclosed.
    const Box& box() const { return box_; }
    /// Where the inside ends, as horizontal and vertical pieces; none when not enclosed.
    std::vector<Segment> edges() const;
    std::uint64_t key() const { return key_; }  ///< equal for equal masks

private:
    struct Raster;
    void keep(const Raster&);
    int row_of(double y) const;  ///< -1 beyond the box
    /// First i' > i by which a walk of `step_x` leaves the run of equal cells that p, its step i, lies in.
    int run_end(Point p, double step_x, int i) const;
    Box box_{};
    double cell_m_ = finest_cell_m, area_m2_ = 0;
    bool enclosed_ = false;
    int columns_ = 0, rows_ = 0;
    std::uint64_t key_ = 0;
    /// Of each row the columns where inside and outside change, rising: the inside begins at the first.
    std::vector<std::int32_t> changes_;
    std::vector<std::uint32_t> row_starts_;  ///< into changes_; one more than rows
};

/// The courtyards of a floor: zones that are open to the sky.
std::vector<std::vector<Point>> open_air(const Floor&);

}  // namespace yemvo
