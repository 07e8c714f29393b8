// Which places of a floor lie inside its walls.
#pragma once
#include <algorithm>
#include <cstdint>
#include <vector>

#include "geometry/polygon.h"
#include "venue/floor.h"

namespace yemvo {

/// A raster over the walls' bounding box: a place is inside when it cannot be reached from outside without
/// crossing a wall (doors and windows count as closed). Walls' own cells are inside.
class FloorMask {
public:
    static constexpr double cell_m = 0.25;
    explicit FloorMask(const std::vector<Wall>&);
    /// False while the walls do not close round at least half of their bounding box: then nothing is outside.
    bool enclosed() const { return enclosed_; }
    /// Always true when not enclosed.
    bool inside(Point) const;
    /// Calls `use(from, to)` for runs of i in [0, count) for which first + i step is inside.
    template <class Use>
    void along(Point first, Point step, int count, Use use) const {
        if (!enclosed_) return use(0, count);
        int i = 0;
        while (i < count) {
            const Point p = first + step * i;
            int end = i + 1;
            if (step.y == 0 && step.x > 0) end = std::clamp(run_end(p, step.x, i), i + 1, count);
            if (inside(p)) use(i, end);
            i = end;
        }
    }
    /// What lies beyond it is outside, when enclosed.
    const Box& box() const { return box_; }
    std::uint64_t key() const { return key_; }  ///< equal for equal masks

private:
    void set_runs_and_key();
    /// First i' > i by which a walk of `step_x` leaves the run of equal cells that p, its step i, lies in.
    int run_end(Point p, double step_x, int i) const;
    Box box_{};
    int columns_ = 0, rows_ = 0;
    bool enclosed_ = false;
    std::uint64_t key_ = 0;
    std::vector<std::uint8_t> inside_;
    std::vector<std::int32_t> same_until_;  ///< column where the run of equal cells that a cell is in ends
};

}  // namespace yemvo
