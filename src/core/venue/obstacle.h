// SPDX-License-Identifier: GPL-3.0-or-later
// Solids that a ray passes through: columns, shelving, machinery, crowds, foliage.
#pragma once
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "base/id.h"
#include "geometry/point.h"

namespace yemvo {

enum class ObstacleKind { column, shelving, racking, machinery, vehicle, crowd, foliage, metal_boxes, other };

/// An upright prism that takes its type's dB a metre of way through it.
struct Obstacle {
    ObstacleId id;
    std::string name;
    ObstacleKind kind = ObstacleKind::other;
    WallTypeId type;             ///< with the use "obstacle"
    std::vector<Point> outline;  ///< at least three corners; when round: its centre and a place on its rim
    bool round = false;
    double base_m = 0;                 ///< above the floor
    std::optional<double> top_m = {};  ///< above the floor; none: up to the slab above
    GroupId group = {};
    friend bool operator==(const Obstacle&, const Obstacle&) = default;
};

/// Its corners; of a round one those of a regular 24-gon with the circle's area.
std::vector<Point> body(const Obstacle&);

std::string_view obstacle_kind_name(ObstacleKind);
std::optional<ObstacleKind> find_obstacle_kind(std::string_view name);

/// Rows of racking in a rectangle: `rows` of `depth_m`, `aisle_m` apart, along the longer side or across it.
struct RowsWanted {
    int rows = 4;
    double depth_m = 1.1;
    bool along_width = true;  ///< the rows run along the side from a to b
};
/// Outlines of the rows in the rectangle with side a-b and depth `across` (a vector square to it): as many as
/// wanted, the aisles between them equal. Empty when they do not fit.
std::vector<std::vector<Point>> row_outlines(Point a, Point b, Point across, const RowsWanted&);

}  // namespace yemvo
