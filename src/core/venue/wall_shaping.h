// SPDX-License-Identifier: GPL-3.0-or-later
// Walls cut, joined, moved aside and made to meet. What is given back keeps the first wall's id, type and
// heights; openings stay where they stood as far as their wall does.
#pragma once
#include "venue/wall.h"

namespace yemvo {

/// A corner put into a piece, in (0, piece length).
Wall with_corner(const Wall&, int piece, double along_m);
/// A corner taken out; the pieces beside it become one straight one. An end of a run goes with its piece.
/// None when the wall would have no piece left.
std::optional<Wall> without_corner(const Wall&, int corner);
/// The other way round.
Wall reversed(const Wall&);
/// Cut in two; a closed run is opened into one. The second has no id.
std::vector<Wall> split(const Wall&, int piece, double along_m);
/// One run of both where an end of one lies within reach of an end of the other; the gap is closed.
std::optional<Wall> joined(const Wall&, const Wall&, double reach_m);
/// Moved to the left of its run (to the right when negative); corners are mitred.
Wall offset(const Wall&, double left_m);
std::vector<Point> offset_run(const std::vector<Point>&, bool closed, double left_m);

/// The end of `wall` nearest to where its line meets the other wall, lengthened or cut back to meet it; the
/// other's own end as well where they meet beyond it. None when no end piece's line meets the other within
/// `reach_m` of that end.
struct Meeting {
    Wall wall, other;
    Point at;
};
std::optional<Meeting> met(const Wall& wall, const Wall& other, double reach_m = 50);
/// One end (0: the first) put elsewhere; openings on its piece keep their place.
Wall with_end(const Wall&, int end, Point);

/// The piece's nearest place to a point.
struct PlaceOnWall {
    int piece;
    double along_m;
    double distance_m;
};
PlaceOnWall nearest_place(const Wall&, Point);

}  // namespace yemvo
