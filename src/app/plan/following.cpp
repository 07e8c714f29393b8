// SPDX-License-Identifier: GPL-3.0-or-later
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

/// Lines of one layer, and what can be made of one of them.
class Taker {
public:
    Taker(const SegmentIndex& lines, const std::vector<int>& layers, std::uint32_t first)
        : lines_(lines), layers_(layers), first_(first) {}

    TakenLine take(Point at) const {
        const Segment& s = lines_.segments()[first_];
        const Point from = s.a, direction = unit(s.b - s.a);
        TakenLine taken;
        taken.lines.push_back(first_);
        Span span = grown(from, direction, along(s, from, direction), taken.lines);
        double shift = 0;
        if (const auto other = face(from, direction, span, at)) {
            const double aside = cross(direction, lines_.segments()[*other].a - from);
            const Point on = from + left_of(direction) * aside;
            std::vector<std::uint32_t> others{*other};
            const Span beside = grown(on, direction, along(lines_.segments()[*other], on, direction), others);
            taken.lines.insert(taken.lines.end(), others.begin(), others.end());
            // at a corner one face is as much too long as the other is too short
            const auto mean = [](double p, double q) {
                return std::abs(p - q) < 2 * thickest_m ? (p + q) / 2 : p;
            };
            span = {mean(span.low, beside.low), mean(span.high, beside.high)};
            shift = aside / 2;
            taken.thickness_m = std::abs(aside);
        }
        const Point origin = from + left_of(direction) * shift;
        taken.centre = {origin + direction * span.low, origin + direction * span.high};
        return taken;
    }

private:
    bool usable(std::uint32_t i) const {
        return length(lines_.segments()[i]) >= shortest_m &&
               (layers_.empty() || layers_[i] == layers_[first_]);
    }
    /// Grows the span by lines that lie on the same line and begin where it ends, or a door's width on.
    Span grown(Point from, Point direction, Span span, std::vector<std::uint32_t>& used) const {
        bool more = true;
        while (more) {
            more = false;
            const Point a = from + direction * (span.low - widest_gap_m),
                        b = from + direction * (span.high + widest_gap_m);
            for (std::uint32_t i : lines_.near(box_of({a, b}).grown(0.02))) {
                const Segment& s = lines_.segments()[i];
                if (!usable(i) || !parallel(s, direction) || std::abs(cross(direction, s.a - from)) > 0.015)
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
    /// The parallel line beside it that runs along most of it, the nearer of equals: a window's sill line
    /// lies nearer than the other face, but runs along a little of it only.
    std::optional<std::uint32_t> face(Point from, Point direction, Span span, Point at) const {
        const Point a = from + direction * span.low, b = from + direction * span.high;
        std::optional<std::uint32_t> found;
        double best = 0;
        std::vector<std::uint32_t> seen;
        for (std::uint32_t i : lines_.near(box_of({a, b}).grown(thickest_m))) {
            const Segment& s = lines_.segments()[i];
            if (!usable(i) || !parallel(s, direction) || std::find(seen.begin(), seen.end(), i) != seen.end())
                continue;
            const double away = cross(direction, s.a - from);
            if (std::abs(away) < thinnest_m || std::abs(away) > thickest_m) continue;
            seen.push_back(i);
            const Span other =
                grown(from + left_of(direction) * away, direction, along(s, from, direction), seen);
            const double shared = std::min(other.high, span.high) - std::max(other.low, span.low);
            const double coverage = shared / (span.high - span.low);
            if (coverage < 0.5) continue;
            // on the pointer's side when both sides have one about as near
            const double nearness = std::abs(away) - (away * cross(direction, at - from) > 0 ? 0.02 : 0);
            const double judged = std::round(coverage * 10) - nearness;
            if (found && judged <= best) continue;
            best = judged;
            found = i;
        }
        return found;
    }
    const SegmentIndex& lines_;
    const std::vector<int>& layers_;
    std::uint32_t first_;
};

}  // namespace

std::optional<TakenLine> taken_line(const SegmentIndex& lines, const std::vector<int>& layers, Point at,
                                    double reach_m) {
    constexpr std::size_t most_tried = 8;
    std::vector<std::pair<double, std::uint32_t>> near;
    for (std::uint32_t i : lines.near(Box{at, at}.grown(reach_m))) {
        const Segment& s = lines.segments()[i];
        if (length(s) >= shortest_m && distance(s, at) < reach_m) near.emplace_back(distance(s, at), i);
    }
    std::sort(near.begin(), near.end());
    if (near.size() > most_tried) near.resize(most_tried);
    std::optional<TakenLine> best;
    for (const auto& [away_m, i] : near) {
        TakenLine taken = Taker(lines, layers, i).take(at);
        const bool first_with_face = taken.thickness_m > 0 && best && best->thickness_m == 0;
        if (!best || first_with_face || lies_inside(*best, taken)) best = std::move(taken);
    }
    return best;
}

bool lies_inside(const TakenLine& line, const TakenLine& wall) {
    constexpr double slack_m = 0.05;
    const double half_m = wall.thickness_m / 2 + slack_m;
    return wall.thickness_m > 0 && length(line.centre) <= length(wall.centre) + slack_m &&
           distance(wall.centre, line.centre.a) <= half_m && distance(wall.centre, line.centre.b) <= half_m;
}

namespace {

/// Ends brought to what stands there already: onto another wall's end that lies in line, or onto its line.
void meet_standing(Wall& wall, const std::vector<Wall>& standing) {
    constexpr double reach_m = 0.4, aside_m = 0.12;
    for (const Wall& other : standing) {
        if (other.closed() || wall.closed()) continue;
        for (const int end : {0, 1}) {
            const Point from = end == 0 ? wall.points.front() : wall.points.back();
            const Point before = end == 0 ? wall.points[1] : wall.points[wall.points.size() - 2];
            for (Point to : {other.points.front(), other.points.back()})
                if (distance(to, from) <= reach_m &&
                    std::abs(cross(unit(from - before), to - from)) <= aside_m &&
                    distance(to, before) > shortest_m)
                    wall = with_end(wall, end, to);
        }
    }
    for (const Wall& other : standing)
        if (const auto m = met(wall, other, reach_m); m && m->other == other) wall = m->wall;
}

}  // namespace

std::vector<std::vector<Point>> as_runs(const std::vector<TakenLine>& taken,
                                        const std::vector<Wall>& standing) {
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
    for (Wall& w : walls) {
        meet_standing(w, standing);
        runs.push_back(w.points);
    }
    return runs;
}

}  // namespace yemvo::app
