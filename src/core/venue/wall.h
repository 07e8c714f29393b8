// Walls as runs of straight pieces, with doors and windows in them.
#pragma once
#include <optional>
#include <vector>

#include "base/id.h"
#include "geometry/segment.h"

namespace yemvo {

enum class OpeningKind { door, window };

/// A door or window: a span of one piece of a wall, with its own type between sill and head.
struct Opening {
    OpeningId id;
    OpeningKind kind = OpeningKind::door;
    WallTypeId type;
    int piece = 0;       ///< which piece of the run, from 0
    double start_m = 0;  ///< from the first point of the piece
    double width_m = 0.9;
    double sill_m = 0;          ///< above the floor
    double head_m = 2.1;        ///< above the floor, > sill_m
    bool hinge_at_end = false;  ///< doors: which jamb carries the leaf ...
    bool swings_left = true;    ///< ... and to which side of the run it opens
    friend bool operator==(const Opening&, const Opening&) = default;
};

/// A run through two or more points, drawn by its centre line.
struct Wall {
    WallId id;
    WallTypeId type;
    std::vector<Point> points;
    double base_m = 0;            ///< above the floor
    std::optional<double> top_m;  ///< above the floor; none: up to the slab above
    std::vector<Opening> openings;
    int pieces() const { return static_cast<int>(points.size()) - 1; }
    Segment piece(int index) const {
        return {points[static_cast<std::size_t>(index)], points[static_cast<std::size_t>(index) + 1]};
    }
    friend bool operator==(const Wall&, const Wall&) = default;
};

/// The stretch of wall that an opening takes up.
Segment span(const Wall&, const Opening&);

/// A part of a wall's face that one type fills: along the piece from start_m to end_m, between two heights.
struct Panel {
    int piece;
    double start_m, end_m;
    double base_m, top_m;
    WallTypeId type;
    OpeningId opening;  ///< none: the wall itself
};

/// The wall cut into panels: its openings, and what is left of it beside, below and above them.
/// `ceiling_m` is the height that a full-height wall reaches. Openings are cut off at the ends of their piece
/// and at the wall's base and top; where two overlap, the first along the piece keeps its place.
std::vector<Panel> panels(const Wall&, double ceiling_m);

}  // namespace yemvo
