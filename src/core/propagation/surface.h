// SPDX-License-Identifier: GPL-3.0-or-later
// Receiver surfaces: where the field is asked for.
#pragma once
#include <optional>

#include "base/content_key.h"
#include "project/project.h"
#include "propagation/scene.h"

namespace yemvo {

/// A plane z = z0 + slope_x x + slope_y y over a grid of square cells. One a floor at the client height;
/// other heights, raked seats and ramps are more of them.
struct Surface {
    FloorId floor;
    double z0 = 0, slope_x = 0, slope_y = 0;
    Point origin;  ///< lower left corner of cell (0, 0)
    double cell_m = 0.5;
    int columns = 0, rows = 0;

    std::size_t cells() const { return static_cast<std::size_t>(columns) * static_cast<std::size_t>(rows); }
    std::size_t index(int column, int row) const {
        return static_cast<std::size_t>(row) * static_cast<std::size_t>(columns) +
               static_cast<std::size_t>(column);
    }
    Point centre(int column, int row) const {
        return {origin.x + (column + 0.5) * cell_m, origin.y + (row + 0.5) * cell_m};
    }
    Point centre(std::size_t index) const;
    double height_m(Point p) const { return z0 + slope_x * p.x + slope_y * p.y; }
    Point3 receiver(Point p) const { return {p.x, p.y, height_m(p)}; }
    Box box() const { return {origin, origin + Point{columns * cell_m, rows * cell_m}}; }
    /// Index of the cell a place lies in.
    std::optional<std::size_t> cell_at(Point) const;
    std::uint64_t key() const;
    friend bool operator==(const Surface&, const Surface&) = default;
};

inline constexpr std::size_t most_cells = 4'000'000;

/// The floor's surface at the client height over its plate or else its enclosed area; in a yard 1 m beyond
/// its walls and zones; while there is nothing of that, over the drawings and 15 m round its access points.
/// In the metres of the floor's building: the scene must have that as its frame. No cells for a floor with
/// nothing on it. `beyond_m` adds so much on every side. The cell is doubled until there are at most
/// most_cells.
Surface make_surface(const Project&, const Scene&, const Floor&, double cell_m = 0.5, double beyond_m = 0);

}  // namespace yemvo
