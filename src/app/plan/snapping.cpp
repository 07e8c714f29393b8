// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/snapping.h"

#include <cmath>
#include <numbers>

namespace yemvo::app {
namespace {

struct Nearest {
    double reach_m;
    std::optional<Point> point;
    void offer(Point candidate, Point at) {
        const double d = distance(candidate, at);
        if (d > reach_m) return;
        reach_m = d;
        point = candidate;
    }
};

Point on_angle(Point from, Point at) {
    constexpr double step = std::numbers::pi / 12;
    const double angle = std::round(std::atan2(at.y - from.y, at.x - from.x) / step) * step;
    const Point along{std::cos(angle), std::sin(angle)};
    return from + along * dot(at - from, along);
}

double to_grid(double v, double step) { return std::round(v / step) * step; }

/// Level or plumb with the point before, when nearly so.
std::optional<Point> level_with(Point from, Point at, double reach_m, double grid_m) {
    const auto held = [&](double v) { return grid_m > 0 ? to_grid(v, grid_m) : v; };
    if (std::abs(at.y - from.y) < reach_m / 2 && std::abs(at.x - from.x) > reach_m)
        return Point{held(at.x), from.y};
    if (std::abs(at.x - from.x) < reach_m / 2 && std::abs(at.y - from.y) > reach_m)
        return Point{from.x, held(at.y)};
    return std::nullopt;
}

/// The place on a line through `on` that is also level or plumb with the point before, where one is near.
std::optional<Point> square_on_line(const SegmentIndex& lines, Point on, const SnapOptions& o) {
    if (!o.from) return std::nullopt;
    constexpr double far_m = 1e5;
    const Segment level{{-far_m, o.from->y}, {far_m, o.from->y}},
        plumb{{o.from->x, -far_m}, {o.from->x, far_m}};
    for (std::uint32_t i : lines.near(Box{on, on}.grown(1e-6))) {
        const Segment& s = lines.segments()[i];
        if (distance(s, on) > 1e-9) continue;
        for (const Segment& line : {level, plumb})
            if (const auto p = crossing(s, line); p && distance(*p, on) <= o.reach_m / 2) return p;
    }
    return std::nullopt;
}

/// Where the square from the point before meets a line near the pointer.
std::optional<Point> foot(const Segment& s, Point from) {
    const Point d = s.b - s.a;
    const double square = dot(d, d);
    if (square <= 0) return std::nullopt;
    const double share = dot(from - s.a, d) / square;
    if (share < 0 || share > 1) return std::nullopt;
    const Point p = lerp(s.a, s.b, share);
    return distance(p, from) > 0.01 ? std::optional(p) : std::nullopt;
}

/// The nearest place on the line of a segment beyond its ends.
struct Extension {
    Point point, from;
};
std::optional<Extension> extension(const SegmentIndex& lines, Point at, double reach_m) {
    constexpr double longest_m = 6;
    std::optional<Extension> best;
    double least = reach_m;
    for (std::uint32_t i : lines.near(Box{at, at}.grown(longest_m))) {
        const Segment& s = lines.segments()[i];
        const Point along = unit(s.b - s.a);
        const double l = length(s), t = dot(at - s.a, along);
        if ((t >= 0 && t <= l) || t < -longest_m || t > l + longest_m || l < 0.3) continue;
        const Point p = s.a + along * t;
        if (distance(p, at) >= least) continue;
        least = distance(p, at);
        best = Extension{p, t < 0 ? s.a : s.b};
    }
    return best;
}

/// What of the lines lies near, each kind by its own reach.
struct Candidates {
    Nearest end, middle, line, crossing, foot;
};

void offer_lines(Candidates& c, const SegmentIndex& lines, Point at, const SnapOptions& o,
                 const SnapLines* with_chords) {
    const auto near = lines.near(Box{at, at}.grown(o.reach_m));
    for (std::size_t k = 0; k < near.size(); ++k) {
        const Segment& s = lines.segments()[near[k]];
        if (distance(s, at) > o.reach_m) {
            continue;  // an end is near only where its line is
        }
        const bool chord = with_chords && with_chords->is_chord(near[k]);
        if (!chord) {
            c.end.offer(s.a, at);
            c.end.offer(s.b, at);
            c.middle.offer(lerp(s.a, s.b, 0.5), at);
        }
        c.line.offer(nearest_point(s, at), at);
        if (o.from)
            if (const auto p = foot(s, *o.from)) c.foot.offer(*p, at);
        for (std::size_t m = k + 1; m < near.size() && near.size() < 200; ++m)
            if (const auto p = yemvo::crossing(s, lines.segments()[near[m]])) c.crossing.offer(*p, at);
    }
}

}  // namespace

SnapLines::SnapLines(const Floor& floor, WallId without)
    : from_walls_(floor.walls),
      from_obstacles_(floor.obstacles),
      from_zones_(floor.zones),
      from_slab_(floor.slab),
      without_(without) {
    std::vector<Segment> lines, around;
    for (const Wall& w : *floor.walls) {
        if (w.id == without) continue;
        for_each_chord(w, [&](const Chord& c) {
            lines.push_back(c.line);
            chord_.push_back(w.bulge(c.piece) != 0);
        });
    }
    const auto outline = [&](const std::vector<Point>& corners) {
        for (std::size_t i = 0; i < corners.size(); ++i)
            around.push_back({corners[i], corners[(i + 1) % corners.size()]});
    };
    for (const Obstacle& o : *floor.obstacles) outline(body(o));
    for (const Zone& z : *floor.zones) outline(z.outline);
    for (const SlabVoid& v : floor.slab->voids) outline(v.outline);
    walls_ = SegmentIndex(std::move(lines));
    outlines_ = SegmentIndex(std::move(around));
}

bool SnapLines::of(const Floor& floor, WallId without) const {
    return from_walls_.same(floor.walls) && from_obstacles_.same(floor.obstacles) &&
           from_zones_.same(floor.zones) && from_slab_.same(floor.slab) && without_ == without;
}

Snapped snap(const SnapLines& lines, Point at, const SnapOptions& o) {
    if (o.angles && o.from) return {on_angle(*o.from, at), SnapKind::angle, o.from};
    if (o.suspended) return {at, SnapKind::none, std::nullopt};
    const auto reaches = [&] {
        return Candidates{{o.reach_m, {}},
                          {o.reach_m * 0.8, {}},
                          {o.reach_m * 0.7, {}},
                          {o.reach_m * 0.8, {}},
                          {o.reach_m * 0.7, {}}};
    };
    Candidates near = reaches();
    for (Point p : o.drawn) near.end.offer(p, at);
    offer_lines(near, lines.walls(), at, o, &lines);
    if (near.end.point) return {*near.end.point, SnapKind::end, std::nullopt};
    if (near.crossing.point) return {*near.crossing.point, SnapKind::crossing, std::nullopt};
    if (near.middle.point) return {*near.middle.point, SnapKind::middle, std::nullopt};
    if (near.foot.point && near.line.point) return {*near.foot.point, SnapKind::perpendicular, o.from};
    if (near.line.point)
        return {square_on_line(lines.walls(), *near.line.point, o).value_or(*near.line.point),
                SnapKind::on_line, std::nullopt};
    Candidates outline = reaches();
    offer_lines(outline, lines.outlines(), at, o, nullptr);
    if (outline.end.point) return {*outline.end.point, SnapKind::end, std::nullopt};
    if (o.drawing) {
        Candidates drawn = reaches();
        offer_lines(drawn, *o.drawing, at, o, nullptr);
        if (drawn.end.point) return {*drawn.end.point, SnapKind::drawing_end, std::nullopt};
        if (drawn.crossing.point) return {*drawn.crossing.point, SnapKind::crossing, std::nullopt};
        if (drawn.line.point)
            return {square_on_line(*o.drawing, *drawn.line.point, o).value_or(*drawn.line.point),
                    SnapKind::drawing_line, std::nullopt};
    }
    if (o.from)
        if (const auto level = level_with(*o.from, at, o.reach_m, o.grid_m))
            return {*level, SnapKind::angle, o.from};
    if (const auto beyond = extension(lines.walls(), at, o.reach_m * 0.4))
        return {beyond->point, SnapKind::along, beyond->from};
    if (o.grid_m > 0)
        return {{to_grid(at.x, o.grid_m), to_grid(at.y, o.grid_m)}, SnapKind::grid, std::nullopt};
    return {at, SnapKind::none, std::nullopt};
}

Snapped snap(const Floor& floor, Point at, const SnapOptions& o) {
    return snap(SnapLines(floor, o.without), at, o);
}

const char* snap_name(SnapKind kind) {
    switch (kind) {
        case SnapKind::end:
            return mark("Endpoint");
        case SnapKind::middle:
            return mark("Midpoint");
        case SnapKind::on_line:
            return mark("On wall");
        case SnapKind::angle:
            return mark("Right angle");
        case SnapKind::crossing:
            return mark("Intersection");
        case SnapKind::perpendicular:
            return mark("Perpendicular");
        case SnapKind::along:
            return mark("Extension");
        case SnapKind::drawing_end:
            return mark("Endpoint in drawing");
        case SnapKind::drawing_line:
            return mark("Line in drawing");
        case SnapKind::grid:
            return mark("Grid");
        case SnapKind::none:
            break;
    }
    return "";
}

double grid_step_m(double px_per_m) {
    const double wanted = 8 / px_per_m;
    const double power = std::pow(10, std::floor(std::log10(wanted)));
    for (double factor : {1.0, 2.0, 5.0})
        if (factor * power >= wanted) return factor * power;
    return 10 * power;
}

}  // namespace yemvo::app
