// SPDX-License-Identifier: GPL-3.0-or-later
#include "venue/wall_shaping.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace yemvo {
namespace {

/// Bulge of a part of an arc that has a share of its angle.
double part_bulge(double bulge, double share) { return bulge == 0 ? 0 : std::tan(std::atan(bulge) * share); }

void make_bulges(Wall& w) {
    if (w.bulges.empty()) w.bulges.assign(static_cast<std::size_t>(w.pieces()), 0.0);
}

/// All straight is told by no bulges at all.
void tidy(Wall& w) {
    if (std::all_of(w.bulges.begin(), w.bulges.end(), [](double b) { return b == 0; })) w.bulges.clear();
}

/// Kept on its piece where it fits.
void hold_on_piece(const Wall& w, Opening& o) {
    const double room_m = piece_length_m(w, o.piece);
    o.start_m = std::clamp(o.start_m, 0.0, std::max(0.0, room_m - o.width_m));
    o.width_m = std::min(o.width_m, room_m);
}

std::optional<Point> lines_meet(const Segment& s, const Segment& t) {
    const Point d = s.b - s.a, e = t.b - t.a;
    const double turn = cross(d, e);
    if (std::abs(turn) < 0.02 * length(d) * length(e))
        return std::nullopt;  // within about a degree of parallel
    return s.a + d * (cross(t.a - s.a, e) / turn);
}

}  // namespace

Wall with_corner(const Wall& wall, int piece, double along_m) {
    Wall w = wall;
    const double length_here_m = piece_length_m(wall, piece);
    const double share = std::clamp(along_m / length_here_m, 0.0, 1.0);
    const auto at = static_cast<std::ptrdiff_t>(piece);
    if (!w.bulges.empty()) {
        const double whole = wall.bulge(piece);
        w.bulges[static_cast<std::size_t>(piece)] = part_bulge(whole, share);
        w.bulges.insert(w.bulges.begin() + at + 1, part_bulge(whole, 1 - share));
    }
    w.points.insert(w.points.begin() + at + 1, place_on(wall, piece, along_m));
    for (Opening& o : w.openings) {
        if (o.piece > piece) {
            ++o.piece;
        } else if (o.piece == piece && o.start_m + o.width_m / 2 > along_m) {
            ++o.piece;
            o.start_m -= along_m;
            hold_on_piece(w, o);
        } else if (o.piece == piece) {
            hold_on_piece(w, o);
        }
    }
    return w;
}

std::optional<Wall> without_corner(const Wall& wall, int corner) {
    if (wall.pieces() < 2) return std::nullopt;
    const bool round = wall.closed();
    if (round && wall.pieces() < 4) return std::nullopt;
    Wall w = wall;
    const int last = wall.pieces();
    if (round && (corner == 0 || corner == last)) {
        // begin the run one corner later, so that the corner is an inner one
        w.points.pop_back();
        std::rotate(w.points.begin(), w.points.begin() + 1, w.points.end());
        w.points.push_back(w.points.front());
        if (!w.bulges.empty()) std::rotate(w.bulges.begin(), w.bulges.begin() + 1, w.bulges.end());
        for (Opening& o : w.openings) o.piece = (o.piece + last - 1) % last;
        corner = last - 1;
    }
    make_bulges(w);
    const auto at = static_cast<std::size_t>(corner);
    if (corner == 0 || corner == last) {
        const int gone = corner == 0 ? 0 : last - 1;
        std::erase_if(w.openings, [&](const Opening& o) { return o.piece == gone; });
        if (corner == 0)
            for (Opening& o : w.openings) --o.piece;
        w.bulges.erase(w.bulges.begin() + gone);
        w.points.erase(w.points.begin() + corner);
    } else {
        const double before_m = piece_length_m(w, corner - 1), after_m = piece_length_m(w, corner);
        w.points.erase(w.points.begin() + corner);
        w.bulges.erase(w.bulges.begin() + corner);
        w.bulges[at - 1] = 0;
        const double ratio = piece_length_m(w, corner - 1) / (before_m + after_m);
        for (Opening& o : w.openings) {
            if (o.piece == corner) o.start_m += before_m;
            const bool here = o.piece == corner || o.piece == corner - 1;
            if (o.piece >= corner) --o.piece;
            if (!here) continue;
            o.start_m *= ratio;
            hold_on_piece(w, o);
        }
    }
    tidy(w);
    return w;
}

Wall reversed(const Wall& wall) {
    Wall w = wall;
    std::reverse(w.points.begin(), w.points.end());
    std::reverse(w.bulges.begin(), w.bulges.end());
    for (double& b : w.bulges) b = -b;
    for (Opening& o : w.openings) {
        o.start_m = piece_length_m(wall, o.piece) - o.start_m - o.width_m;
        o.piece = wall.pieces() - 1 - o.piece;
        o.hinge_at_end = !o.hinge_at_end;
        o.swings_left = !o.swings_left;
    }
    return w;
}

std::vector<Wall> split(const Wall& wall, int piece, double along_m) {
    const Wall whole = with_corner(wall, piece, along_m);
    const auto cut = static_cast<std::ptrdiff_t>(piece) + 1;
    if (wall.closed()) {
        Wall w = whole;
        w.points.pop_back();
        std::rotate(w.points.begin(), w.points.begin() + cut, w.points.end());
        w.points.push_back(w.points.front());
        if (!w.bulges.empty()) std::rotate(w.bulges.begin(), w.bulges.begin() + cut, w.bulges.end());
        const int n = whole.pieces();
        for (Opening& o : w.openings) o.piece = (o.piece + n - static_cast<int>(cut)) % n;
        return {w};
    }
    Wall first = whole, second = whole;
    first.points.assign(whole.points.begin(), whole.points.begin() + cut + 1);
    second.points.assign(whole.points.begin() + cut, whole.points.end());
    if (!whole.bulges.empty()) {
        first.bulges.assign(whole.bulges.begin(), whole.bulges.begin() + cut);
        second.bulges.assign(whole.bulges.begin() + cut, whole.bulges.end());
    }
    std::erase_if(first.openings, [&](const Opening& o) { return o.piece >= cut; });
    std::erase_if(second.openings, [&](const Opening& o) { return o.piece < cut; });
    for (Opening& o : second.openings) o.piece -= static_cast<int>(cut);
    second.id = {};
    tidy(first);
    tidy(second);
    return {first, second};
}

std::optional<Wall> joined(const Wall& first, const Wall& second, double reach_m) {
    if (first.closed() || second.closed()) return std::nullopt;
    // turned so that the first one's end meets the second one's beginning
    std::optional<std::pair<Wall, Wall>> best;
    double least_m = reach_m;
    for (const bool turn_first : {false, true})
        for (const bool turn_second : {false, true}) {
            const Point end = turn_first ? first.points.front() : first.points.back();
            const Point begin = turn_second ? second.points.back() : second.points.front();
            if (distance(end, begin) > least_m) continue;
            least_m = distance(end, begin) * (1 - 1e-12);
            best = {turn_first ? reversed(first) : first, turn_second ? reversed(second) : second};
        }
    if (!best) return std::nullopt;
    auto& [a, b] = *best;
    make_bulges(a);
    make_bulges(b);
    const int before = a.pieces();
    const Point at = lerp(a.points.back(), b.points.front(), 0.5);
    const bool touching = distance(a.points.back(), b.points.front()) < 1e-6;
    if (!touching) a.points.back() = at;
    a.points.insert(a.points.end(), b.points.begin() + 1, b.points.end());
    a.bulges.insert(a.bulges.end(), b.bulges.begin(), b.bulges.end());
    for (Opening o : b.openings) {
        o.piece += before;
        a.openings.push_back(o);
    }
    tidy(a);
    if (a.points.size() > 3 && distance(a.points.front(), a.points.back()) < reach_m)
        a.points.back() = a.points.front();
    return a;
}

std::vector<Point> offset_run(const std::vector<Point>& run, bool closed, double left_m) {
    const std::size_t n = run.size();
    if (n < 2) return run;
    const auto direction = [&](std::size_t i) { return unit(run[i + 1] - run[i]); };
    std::vector<Point> out;
    for (std::size_t i = 0; i < n; ++i) {
        const bool first = i == 0, last = i + 1 == n;
        const Point before = !first ? direction(i - 1) : closed ? direction(n - 2) : direction(0);
        const Point after = !last ? direction(i) : closed ? direction(0) : direction(n - 2);
        const Point n0 = left_of(before), n1 = left_of(after);
        const double stretch = 1 + dot(n0, n1);
        // a turn sharper than about 150 degrees is cut square instead of running far out
        out.push_back(run[i] + (stretch > 0.13 ? (n0 + n1) * (1 / stretch) : n1) * left_m);
    }
    return out;
}

Wall offset(const Wall& wall, double left_m) {
    Wall w = wall;
    if (wall.bulges.empty()) {
        w.points = offset_run(wall.points, wall.closed(), left_m);
    } else {
        // each corner moves by the mitre of the tangents there; an arc keeps its angle
        const int n = wall.pieces();
        const auto tangent = [&](int piece, double share) {
            const Segment s = wall.piece(piece);
            const double turn = 2 * std::atan(wall.bulge(piece)) * (2 * share - 1);
            const Point d = unit(s.b - s.a);
            return d * std::cos(turn) + left_of(d) * std::sin(turn);
        };
        for (int i = 0; i <= n; ++i) {
            const Point before = i > 0           ? tangent(i - 1, 1)
                                 : wall.closed() ? tangent(n - 1, 1)
                                                 : tangent(0, 0);
            const Point after = i < n ? tangent(i, 0) : wall.closed() ? tangent(0, 0) : tangent(n - 1, 1);
            const Point n0 = left_of(before), n1 = left_of(after);
            const double stretch = 1 + dot(n0, n1);
            auto& p = w.points[static_cast<std::size_t>(i)];
            p = p + (stretch > 0.13 ? (n0 + n1) * (1 / stretch) : n1) * left_m;
        }
    }
    for (Opening& o : w.openings) {
        o.start_m += (piece_length_m(w, o.piece) - piece_length_m(wall, o.piece)) / 2;
        hold_on_piece(w, o);
    }
    return w;
}

Wall with_end(const Wall& wall, int end, Point to) {
    Wall w = wall;
    const int piece = end == 0 ? 0 : wall.pieces() - 1;
    const double before_m = piece_length_m(wall, piece);
    (end == 0 ? w.points.front() : w.points.back()) = to;
    const double longer_m = piece_length_m(w, piece) - before_m;
    for (Opening& o : w.openings)
        if (o.piece == piece) {
            if (end == 0) o.start_m += longer_m;
            hold_on_piece(w, o);
        }
    return w;
}

std::optional<Meeting> met(const Wall& wall, const Wall& other, double reach_m) {
    if (wall.closed()) return std::nullopt;
    struct Choice {
        int end, piece;
        Point at;
        double moves_m;
    };
    std::optional<Choice> best;
    for (const int end : {0, 1}) {
        const int own = end == 0 ? 0 : wall.pieces() - 1;
        if (wall.bulge(own) != 0) continue;
        const Segment line = wall.piece(own);
        const Point from = end == 0 ? line.a : line.b;
        for (int piece = 0; piece < other.pieces(); ++piece) {
            if (other.bulge(piece) != 0) continue;
            const auto at = lines_meet(line, other.piece(piece));
            if (!at) continue;
            // its other end stays: the piece may be cut back but not turned round
            const Point stays = end == 0 ? line.b : line.a;
            if (dot(*at - stays, from - stays) <= 0) continue;
            double moves_m = distance(*at, from);
            const bool on_piece = distance(other.piece(piece), *at) < 1e-6;
            if (!on_piece) {
                // beyond the other's end: that one has to move as well, and only an end can
                const Segment s = other.piece(piece);
                const bool at_front = distance(*at, s.a) < distance(*at, s.b);
                const bool is_end = !other.closed() && (at_front ? piece == 0 : piece == other.pieces() - 1);
                if (!is_end) continue;
                moves_m += std::min(distance(*at, s.a), distance(*at, s.b));
            }
            if (moves_m <= reach_m && (!best || moves_m < best->moves_m)) best = {end, piece, *at, moves_m};
        }
    }
    if (!best) return std::nullopt;
    Meeting m{with_end(wall, best->end, best->at), other, best->at};
    const Segment s = other.piece(best->piece);
    if (distance(s, best->at) >= 1e-6)
        m.other = with_end(other, distance(best->at, s.a) < distance(best->at, s.b) ? 0 : 1, best->at);
    return m;
}

PlaceOnWall nearest_place(const Wall& wall, Point p) {
    PlaceOnWall best{0, 0, std::numeric_limits<double>::max()};
    for_each_chord(wall, [&](const Chord& c) {
        const double share = nearest_parameter(c.line, p);
        const double away_m = distance(lerp(c.line.a, c.line.b, share), p);
        if (away_m < best.distance_m) best = {c.piece, c.start_m + share * (c.end_m - c.start_m), away_m};
    });
    return best;
}

}  // namespace yemvo
