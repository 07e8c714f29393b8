// Which places of a floor lie inside its walls.
#pragma once
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

private:
    Box box_{};
    int columns_ = 0, rows_ = 0;
    bool enclosed_ = false;
    std::vector<std::uint8_t> inside_;
};

}  // namespace yemvo
