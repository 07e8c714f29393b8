// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>

#include "checks/collector.h"
#include "project/room_walls.h"
#include "venue/wall_shaping.h"

namespace yemvo {
namespace {

constexpr double touching_m = 0.002, widest_gap_m = 0.3, longest_stub_m = 0.4;

/// A straight part of a wall, and the wall.
struct Part {
    const Wall* wall;
    Chord chord;
    double half_m;
};

std::vector<Part> parts_of(const Project& project, const Floor& floor) {
    std::vector<Part> parts;
    for (const Wall& w : *floor.walls) {
        const double half_m = wall_type(project, w.type).thickness_m / 2;
        for_each_chord(w, [&](const Chord& c) { parts.push_back({&w, c, half_m}); });
    }
    return parts;
}

SegmentIndex index_of(const std::vector<Part>& parts) {
    std::vector<Segment> lines;
    for (const Part& p : parts) lines.push_back(p.chord.line);
    return SegmentIndex(std::move(lines));
}

bool share_height(const Floor& f, const Wall& a, const Wall& b) {
    const double top_m = std::min(a.top_m.value_or(f.height_m), b.top_m.value_or(f.height_m));
    return std::max(a.base_m, b.base_m) < top_m;
}

class WallChecker {
public:
    explicit WallChecker(const Check& check)
        : check_(check), parts_(parts_of(check.project, check.floor)), index_(index_of(parts_)) {}

    void gaps() {
        for (const Wall& w : *check_.floor.walls)
            if (!w.closed() && makes_rooms(check_.floor, w))
                for (const int end : {0, 1}) gap(w, end);
    }
    void doubled() {
        for (std::size_t i = 0; i < parts_.size(); ++i)
            for (std::uint32_t k : index_.near(box_of(parts_[i].chord.line).grown(0.05)))
                if (k > i) doubled(parts_[i], parts_[k]);
    }
    void through() {
        for (std::size_t i = 0; i < parts_.size(); ++i)
            for (std::uint32_t k : index_.near(box_of(parts_[i].chord.line)))
                if (k != i && parts_[k].wall != parts_[i].wall) through(parts_[i], parts_[k]);
    }

private:
    /// An end that stops short of another wall.
    void gap(const Wall& w, int end) {
        const Point at = end == 0 ? w.points.front() : w.points.back();
        const Point inward = unit((end == 0 ? w.points[1] : w.points[w.points.size() - 2]) - at);
        const Part* nearest = nullptr;
        Point target{};
        double least_m = widest_gap_m;
        bool joined_already = false;
        for (std::uint32_t k : index_.near(Box{at, at}.grown(widest_gap_m))) {
            const Part& p = parts_[k];
            if (!makes_rooms(check_.floor, *p.wall)) continue;
            const bool own_end = p.wall == &w && p.chord.piece == (end == 0 ? 0 : w.pieces() - 1);
            if (own_end) continue;
            Point q = nearest_point(p.chord.line, at);
            for (Point corner : {p.chord.line.a, p.chord.line.b})  // an end is meant before a line
                if (distance(corner, at) <= distance(q, at) + 0.05 && distance(corner, at) <= widest_gap_m)
                    q = corner;
            const double away_m = distance(q, at);
            if (away_m <= touching_m) joined_already = true;
            if (away_m > touching_m && away_m < least_m && dot(unit(q - at), inward) < 0.7) {
                least_m = away_m;
                nearest = &p;
                target = q;
            }
        }
        if (joined_already || !nearest) return;
        // told once for two ends that face each other
        const bool faces_end = distance(nearest->wall->points.front(), target) < 1e-9 ||
                               distance(nearest->wall->points.back(), target) < 1e-9;
        if (faces_end && !nearest->wall->closed() && nearest->wall->id.value < w.id.value) return;
        Finding& f = check_.add(Rule::gap, lerp(at, target, 0.5),
                                nearest->wall == &w
                                    ? say("A wall ends %1 short of its own run", check_.length(least_m))
                                    : say("A wall ends %1 short of the next", check_.length(least_m)),
                                {item_of(w), item_of(*nearest->wall)});
        f.subjects = {w.id.value, static_cast<std::uint32_t>(end), nearest->wall->id.value};
        f.mends.push_back(
            {say("Close the gap"), [floor = check_.floor.id, id = w.id, end, target](Project& p) {
                 replace_wall(p, floor, with_end(*find_wall(*find_floor(p, floor), id), end, target));
             }});
    }

    void doubled(const Part& a, const Part& b) {
        if (a.wall == b.wall && std::abs(a.chord.piece - b.chord.piece) < 2) return;
        const Segment &s = a.chord.line, &t = b.chord.line;
        const Point along = unit(s.b - s.a);
        const double aside_m = std::max(0.03, std::min(a.half_m, b.half_m) * 0.5);
        if (std::abs(cross(along, unit(t.b - t.a))) > 0.02) return;
        if (std::abs(cross(along, t.a - s.a)) > aside_m || std::abs(cross(along, t.b - s.a)) > aside_m)
            return;
        double low = dot(t.a - s.a, along), high = dot(t.b - s.a, along);
        if (low > high) std::swap(low, high);
        const double from = std::max(0.0, low), to = std::min(yemvo::length(s), high);
        if (to - from < 0.1 || !share_height(check_.floor, *a.wall, *b.wall)) return;
        for (const Finding& f : check_.out)  // one a pair of walls
            if (f.rule == Rule::doubled_wall && f.floor == check_.floor.id &&
                f.subjects == std::vector<std::uint32_t>{a.wall->id.value, b.wall->id.value})
                return;
        Finding& f = check_.add(Rule::doubled_wall, s.a + along * ((from + to) / 2),
                                say("Two walls lie on each other for %1", check_.length(to - from)),
                                {item_of(*a.wall), item_of(*b.wall)});
        mend_doubled(f, *a.wall, *b.wall, {s.a + along * from, s.a + along * to});
    }

    void mend_doubled(Finding& f, const Wall& a, const Wall& b, const Segment& shared) {
        const FloorId floor = check_.floor.id;
        for (const Wall* w : {&b, &a}) {
            const bool whole = w->pieces() == 1 && yemvo::length(w->piece(0)) <= yemvo::length(shared) + 0.05;
            if (whole && w->openings.empty()) {
                f.mends.push_back({say("Remove the shorter one"),
                                   [floor, id = w->id](Project& p) { remove_wall(p, floor, id); }});
                return;
            }
        }
        for (const Wall* w : {&b, &a}) {
            if (w->closed()) continue;
            for (const int end : {0, 1}) {
                const int piece = end == 0 ? 0 : w->pieces() - 1;
                const Segment line = w->piece(piece);
                const Point tip = end == 0 ? line.a : line.b, stays = end == 0 ? line.b : line.a;
                if (w->bulge(piece) != 0 || distance(shared, tip) > 0.05) continue;
                const Point to = distance(shared.a, stays) < distance(shared.b, stays) ? shared.a : shared.b;
                if (distance(to, stays) < 0.05) continue;
                f.mends.push_back({say("Cut one back"), [floor, id = w->id, end, to](Project& p) {
                                       replace_wall(p, floor,
                                                    with_end(*find_wall(*find_floor(p, floor), id), end, to));
                                   }});
                return;
            }
        }
    }

    /// `a` runs through `b`: with a short stub beyond it, or through one of its openings.
    void through(const Part& a, const Part& b) {
        const auto at = crossing(a.chord.line, b.chord.line);
        if (!at || !share_height(check_.floor, *a.wall, *b.wall)) return;
        const Wall& w = *a.wall;
        for (const int end : {0, 1}) {
            if (w.closed() || a.chord.piece != (end == 0 ? 0 : w.pieces() - 1)) continue;
            const Point tip = end == 0 ? w.points.front() : w.points.back();
            const double beyond_m = distance(tip, *at);
            const bool own_chord = distance(a.chord.line, tip) < 1e-9;
            const double length_m = piece_length_m(w, a.chord.piece);
            if (!own_chord || beyond_m <= b.half_m + touching_m || beyond_m > longest_stub_m ||
                beyond_m > length_m / 2)
                continue;
            Finding& f = check_.add(Rule::wall_through, *at,
                                    say("A wall runs %1 beyond another", check_.length(beyond_m)),
                                    {item_of(w), item_of(*b.wall)});
            f.mends.push_back(
                {say("Cut it back"), [floor = check_.floor.id, id = w.id, end, to = *at](Project& p) {
                     replace_wall(p, floor, with_end(*find_wall(*find_floor(p, floor), id), end, to));
                 }});
        }
        const double along_m =
            b.chord.start_m + nearest_parameter(b.chord.line, *at) * (b.chord.end_m - b.chord.start_m);
        for (const Opening& o : b.wall->openings) {
            constexpr double jamb_m = 0.02;
            if (o.piece != b.chord.piece || along_m < o.start_m + jamb_m ||
                along_m > o.start_m + o.width_m - jamb_m)
                continue;
            if (o.head_m <= w.base_m || o.sill_m >= w.top_m.value_or(check_.floor.height_m)) continue;
            Finding& f = check_.add(Rule::wall_through, *at,
                                    o.kind == OpeningKind::door ? say("A wall runs through a door")
                                                                : say("A wall runs through a window"),
                                    {item_of(w), Item{ItemKind::opening, o.id.value, b.wall->id.value}});
            mend_opening(f, *b.wall, o, along_m, a.half_m);
        }
    }

    /// Slid to the side of the wall that has more room.
    void mend_opening(Finding& f, const Wall& wall, const Opening& o, double along_m, double half_m) {
        const double room_m = piece_length_m(wall, o.piece);
        const double left_m = along_m - half_m - o.width_m, right_m = along_m + half_m;
        const bool fits_left = left_m >= 0, fits_right = right_m + o.width_m <= room_m;
        if (!fits_left && !fits_right) return;
        const bool go_left =
            fits_left && (!fits_right || std::abs(left_m - o.start_m) < std::abs(right_m - o.start_m));
        Opening moved = o;
        moved.start_m = go_left ? left_m : right_m;
        f.mends.push_back(
            {say("Slide the opening beside it"), [floor = check_.floor.id, id = wall.id, moved](Project& p) {
                 replace_opening(p, floor, id, moved);
             }});
    }

    const Check& check_;
    std::vector<Part> parts_;
    SegmentIndex index_;
};

}  // namespace

void check_walls(const Check& check, const CancelToken& cancel) {
    WallChecker walls(check);
    walls.gaps();
    cancel.check();
    walls.doubled();
    cancel.check();
    walls.through();
}

void check_rooms(const Check& check, const CancelToken& cancel) {
    constexpr double doorway_m = 1.3, smallest_room_m2 = 2;
    const auto edges = room_edges(check.project, check.floor);
    if (edges.size() < 3) return;
    cancel.check();
    const RoomFinder wide(edges, doorway_m);
    if (wide.gaps().empty()) return;
    cancel.check();
    const RoomFinder narrow(edges, widest_gap_m);
    for (const Room& room : wide.all()) {
        if (area_m2(room.centre_line) < smallest_room_m2) continue;
        const BridgedGap* widest = nullptr;
        for (const BridgedGap& g : room.gaps)
            if (g.gap_m > widest_gap_m && (!widest || g.gap_m > widest->gap_m)) widest = &g;
        if (!widest) continue;
        // only where the narrow search finds nothing as small round the same place
        const Point inside = centroid(room.outline);
        const auto known =
            narrow.at(contains(room.outline, inside) ? inside : lerp(widest->line.a, widest->line.b, 0.5));
        if (known && area_m2(known->centre_line) <= area_m2(room.centre_line) * 1.02) continue;
        const Point at = lerp(widest->line.a, widest->line.b, 0.5);
        const bool told = std::any_of(check.out.begin(), check.out.end(), [&](const Finding& f) {
            return f.rule == Rule::room_open && f.floor == check.floor.id && distance(f.place, at) < 0.01;
        });
        if (told) continue;  // the room on the other side of the same gap
        const Wall* beside = nullptr;
        for (const Wall& w : *check.floor.walls)
            if (nearest_place(w, widest->line.a).distance_m < 0.011) beside = &w;
        if (!beside) continue;
        Finding& f = check.add(Rule::room_open, at,
                               say("A room of %1 has a gap of %2", check.area(area_m2(room.outline)),
                                   check.length(widest->gap_m)),
                               {item_of(*beside)});
        f.subjects = {beside->id.value, static_cast<std::uint32_t>(std::llround((at.x + 1e5) * 10)),
                      static_cast<std::uint32_t>(std::llround((at.y + 1e5) * 10))};
        Wall closing = *beside;
        closing.points = {widest->line.a, widest->line.b};
        closing.bulges.clear();
        closing.openings.clear();
        f.mends.push_back({say("Close it with a wall"),
                           [floor = check.floor.id, closing](Project& p) { add_wall(p, floor, closing); }});
        if (widest->gap_m >= 0.6)
            if (const WallTypeId door = first_type(check.project, TypeUse::door)) {
                Opening o;
                o.type = door;
                o.start_m = (yemvo::length(widest->line) - widest->gap_m) / 2;
                o.width_m = widest->gap_m;
                o.head_m = std::min(2.1, check.floor.height_m);
                Wall with_door = closing;
                with_door.openings = {o};
                f.mends.push_back(
                    {say("Close it with a door"),
                     [floor = check.floor.id, with_door](Project& p) { add_wall(p, floor, with_door); }});
            }
    }
}

}  // namespace yemvo
