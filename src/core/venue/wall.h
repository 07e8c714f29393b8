// SPDX-License-Identifier: GPL-3.0-or-later
// Walls as runs of straight or curved pieces, with doors and windows in them.
#pragma once
#include <optional>
#include <vector>

#include "base/id.h"
#include "geometry/arc.h"
#include "geometry/segment.h"

namespace yemvo {

enum class OpeningKind { door, window };

/// A door or window: a span of one piece of a wall, with its own type between sill and head.
struct Opening {
    OpeningId id;
    OpeningKind kind = OpeningKind::door;
    WallTypeId type;
    int piece = 0;       ///< which piece of the run, from 0
    double start_m = 0;  ///< from the first point of the piece, along it
    double width_m = 0.9;
    double sill_m = 0;          ///< above the floor
    double head_m = 2.1;        ///< above the floor, > sill_m
    bool hinge_at_end = false;  ///< doors: which jamb carries the leaf ...
    bool swings_left = true;    ///< ... and to which side of the run it opens
    bool open = false;          ///< stands open: nothing is in the way
    friend bool operator==(const Opening&, const Opening&) = default;
};

/// A run through two or more points, drawn by its centre line.
struct Wall {
    WallId id;
    WallTypeId type;
    std::vector<Point> points;
    double base_m = 0;            ///< above the floor
    std::optional<double> top_m;  ///< above the floor; none: up to the slab above, or the ceiling
    std::vector<Opening> openings;
    std::vector<double> bulges{};  ///< of each piece (geometry/arc.h); empty: all straight
    bool to_ceiling = false;       ///< without top_m: ends at the ceiling area over it, where there is one
    GroupId group = {};
    int pieces() const { return static_cast<int>(points.size()) - 1; }
    /// From end to end, straight also where the piece is an arc.
    Segment piece(int index) const {
        return {points[static_cast<std::size_t>(index)], points[static_cast<std::size_t>(index) + 1]};
    }
    double bulge(int index) const { return bulges.empty() ? 0 : bulges[static_cast<std::size_t>(index)]; }
    bool closed() const { return points.size() > 3 && points.front() == points.back(); }
    friend bool operator==(const Wall&, const Wall&) = default;
};

/// A straight part of a wall: a piece, or one of the chords that stand for an arc.
struct Chord {
    Segment line;
    int piece;
    double start_m, end_m;  ///< along the piece
};

/// Calls `each(const Chord&)` along the run. Arcs are followed within 1 cm.
template <class Each>
void for_each_chord(const Wall& wall, Each each) {
    for (int i = 0; i < wall.pieces(); ++i) {
        const Segment straight = wall.piece(i);
        if (wall.bulge(i) == 0) {
            each(Chord{straight, i, 0, length(straight)});
            continue;
        }
        const Arc arc(straight, wall.bulge(i));
        const int n = arc.chords();
        Point from = straight.a;
        for (int k = 0; k < n; ++k) {
            const Point to = arc.at((k + 1.0) / n);
            each(Chord{{from, to}, i, arc.length_m() * k / n, arc.length_m() * (k + 1) / n});
            from = to;
        }
    }
}
std::vector<Chord> chords(const Wall&);
/// Corners of the run with its arcs followed.
std::vector<Point> flattened(const Wall&);

/// Along the piece.
double piece_length_m(const Wall&, int piece);
double length_m(const Wall&);
/// The place along a piece, in [0, piece_length_m].
Point place_on(const Wall&, int piece, double along_m);
/// The stretch of wall that an opening takes up, from jamb to jamb.
Segment span(const Wall&, const Opening&);

/// A part of a wall's face that one type fills: along the piece from start_m to end_m, between two heights.
struct Panel {
    int piece;
    double start_m, end_m;
    double base_m, top_m;
    WallTypeId type;
    OpeningId opening;  ///< none: the wall itself
};

/// The wall cut into panels: its openings that are not open, and what is left of it beside, below and above
/// them. `ceiling_m` is the height that a full-height wall reaches. Openings are cut off at the ends of their
/// piece and at the wall's base and top; where two overlap, the first along the piece keeps its place.
std::vector<Panel> panels(const Wall&, double ceiling_m);

}  // namespace yemvo
