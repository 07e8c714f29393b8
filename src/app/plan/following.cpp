#include "app/plan/following.h"

#include <algorithm>
#include <cmath>

#include "venue/wall_shaping.h"

namespace yemvo::app {
namespace {

constexpr double thinnest_m = 0.04, thickest_m = 0.6, widest_gap_m = 1.2, shortest_m = 0.15;

/// An extent along a line given by a place and a direction.
struct Span {
    double low, high;
};

Span along(const Segment& s, Point from, Point direction) {
    const double a = dot(s.a - from, direction), b = dot(s.b - from, direction);
    return {std::min(a, b), std::max(a, b)};
}

bool parallel(const Segment& s, Point direction) {
    return std::abs(cross(unit(s.b - s.a), direction)) < 0.035;
}

/// Grows the span by lines that lie on the same line and begin where it ends, or a door's width on.
Span grown(const SegmentIndex& lines, Point from, Point direction, Span span,
           std::vector<std::uint32_t>& used) {
    bool more = true;
    while (more) {
        more = false;
        const Point a = from + direction * (span.low - widest_gap_m),
                    b = from + direction * (span.high + widest_gap_m);
        for (std::uint32_t i : lines.near(box_of({a, b}).grown(0.02))) {
            const Segment& s = lines.segments()[i];
            if (!parallel(s, direction) || std::abs(cross(direction, s.a - from)) > 0.015 ||
                length(s) < shortest_m)
                continue;
            const Span other = along(s, from, direction);
            if (other.high < span.low - widest_gap_m || other.low > span.high + widest_gap_m) continue;
            if (std::find(used.begin(), used.end(), i) != used.end()) continue;
            used.push_back(i);
            span = {std::min(span.low, other.low), std::max(span.high, other.high)};
            more = true;
        }
    }
    return span;
}

}  // namespace

std::optional<TakenLine> taken_line(const SegmentIndex& lines, Point at, double reach_m) {
    std::optional<std::uint32_t> nearest;
    double least_m = reach_m;
    for (std::uint32_t i : lines.near(Box{at, at}.grown(reach_m))) {
        const Segment& s = lines.segments()[i];
        if (length(s) < shortest_m || distance(s, at) >= least_m) continue;
        least_m = distance(s, at);
        nearest = i;
    }
    if (!nearest) return std::nullopt;
    const Segment& first = lines.segments()[*nearest];
    const Point from = first.a, direction = unit(first.b - first.a);
    TakenLine taken;
    taken.lines.push_back(*nearest);
    Span span = grown(lines, from, direction, along(first, from, direction), taken.lines);

    // the other face: the nearest parallel line that runs beside at least half of it
    const Point a = from + direction * span.low, b = from + direction * span.high;
    double aside = 0;
    std::optional<std::uint32_t> face;
    for (std::uint32_t i : lines.near(box_of({a, b}).grown(thickest_m))) {
        const Segment& s = lines.segments()[i];
        if (length(s) < shortest_m || !parallel(s, direction)) continue;
        const double away = cross(direction, s.a - from);
        if (std::abs(away) < thinnest_m || std::abs(away) > thickest_m) continue;
        const Span other = along(s, from, direction);
        const double shared = std::min(other.high, span.high) - std::max(other.low, span.low);
        if (shared < 0.5 * std::min(other.high - other.low, span.high - span.low)) continue;
        // on the pointer's side when both sides have one about as near
        const double judged = std::abs(away) - (away * cross(direction, at - from) > 0 ? 0.02 : 0);
        if (face && judged >= std::abs(aside)) continue;
        aside = away;
        face = i;
    }
    double shift = 0;
    if (face) {
        const Point on = from + left_of(direction) * aside;
        std::vector<std::uint32_t> others{*face};
        const Span other = grown(lines, on, direction, along(lines.segments()[*face], on, direction), others);
        taken.lines.insert(taken.lines.end(), others.begin(), others.end());
        // at a corner one face is as much too long as the other is too short
        const auto mean = [](double p, double q) {
            return std::abs(p - q) < 2 * thickest_m ? (p + q) / 2 : p;
        };
        span = {mean(span.low, other.low), mean(span.high, other.high)};
        shift = aside / 2;
        taken.thickness_m = std::abs(aside);
    }
    const Point origin = from + left_of(direction) * shift;
    taken.centre = {origin + direction * span.low, origin + direction * span.high};
    return taken;
}

std::vector<std::vector<Point>> as_runs(const std::vector<TakenLine>& taken) {
    constexpr double reach_m = 0.5;
    std::vector<Wall> walls;
    for (const TakenLine& t : taken) {
        Wall w;
        w.points = {t.centre.a, t.centre.b};
        walls.push_back(w);
    }
    for (std::size_t i = 0; i < walls.size(); ++i)
        for (std::size_t k = 0; k < walls.size(); ++k)
            if (i != k)
                if (const auto m = met(walls[i], walls[k], reach_m)) {
                    walls[i] = m->wall;
                    walls[k] = m->other;
                }
    for (std::size_t i = 0; i < walls.size(); ++i)
        for (std::size_t k = i + 1; k < walls.size();) {
            // a corner that a third wall runs into stays a joint
            if (const auto both = joined(walls[i], walls[k], 0.02)) {
                walls[i] = *both;
                walls.erase(walls.begin() + static_cast<std::ptrdiff_t>(k));
                k = i + 1;
            } else {
                ++k;
            }
        }
    std::vector<std::vector<Point>> runs;
    for (const Wall& w : walls) runs.push_back(w.points);
    return runs;
}

}  // namespace yemvo::app
