// SPDX-License-Identifier: GPL-3.0-or-later
#include "cabling/floor_ways.h"

#include <numeric>

#include "cabling/corridors.h"
#include "propagation/floor_mask.h"

namespace yemvo {
namespace {

/// Lines nearer to each other than that are one.
constexpr double same_line_m = 0.01;
/// No further apart than that, so that every place has a way out near it.
constexpr double widest_mesh_m = 4;

/// Cables in no tray run as high as most of the floor's trays, else near the top of the storey.
double run_height_m(const Project& project, const Floor& floor) {
    double most_m = 0, height_m = std::max(0.0, floor.height_m - project.cabling.below_top_m);
    std::map<double, double> by_height;
    for (const Tray& t : *floor.trays)
        for (std::size_t i = 1; i < t.points.size(); ++i)
            by_height[t.height_m] += distance(t.points[i - 1], t.points[i]);
    for (const auto& [height, length_m] : by_height)
        if (length_m > most_m) {
            most_m = length_m;
            height_m = height;
        }
    return height_m;
}

/// Rising, each once, with further ones between those that lie far apart.
std::vector<double> mesh(std::vector<double> lines) {
    std::ranges::sort(lines);
    std::vector<double> out;
    for (const double v : lines) {
        if (!out.empty() && v - out.back() < same_line_m) continue;
        if (!out.empty()) {
            const double from = out.back(), gap = v - from;
            const int parts = static_cast<int>(std::ceil(gap / widest_mesh_m));
            for (int k = 1; k < parts; ++k) out.push_back(from + gap * k / parts);
        }
        out.push_back(v);
    }
    if (out.empty()) out.push_back(0);
    return out;
}

/// Where edges of a corridor face each other: the line half way between them.
void middle_lines(const std::vector<Point>& outline, std::vector<double>& xs, std::vector<double>& ys) {
    constexpr double straight = 0.05, widest_m = 5;
    const auto along = [&](std::size_t i, bool x) -> std::optional<std::array<double, 3>> {
        const Point a = outline[i], b = outline[(i + 1) % outline.size()];
        const double across = x ? std::abs(b.x - a.x) : std::abs(b.y - a.y);
        const double run = x ? std::abs(b.y - a.y) : std::abs(b.x - a.x);
        if (run < 1 || across > straight * run) return std::nullopt;
        return x ? std::array{(a.x + b.x) / 2, std::min(a.y, b.y), std::max(a.y, b.y)}
                 : std::array{(a.y + b.y) / 2, std::min(a.x, b.x), std::max(a.x, b.x)};
    };
    for (const bool x : {true, false})
        for (std::size_t i = 0; i < outline.size(); ++i)
            for (std::size_t k = i + 1; k < outline.size(); ++k) {
                const auto one = along(i, x), other = along(k, x);
                if (!one || !other) continue;
                const double apart = std::abs((*one)[0] - (*other)[0]);
                const double beside = std::min((*one)[2], (*other)[2]) - std::max((*one)[1], (*other)[1]);
                if (apart > 0.5 && apart <= widest_m && beside > 1)
                    (x ? xs : ys).push_back(((*one)[0] + (*other)[0]) / 2);
            }
}

std::vector<Point> turned_outline(const PointMap& turn, const std::vector<Point>& outline) {
    std::vector<Point> out;
    for (const Point& p : outline) out.push_back(turn.apply(p));
    return out;
}

struct Boxed {
    std::vector<Point> outline;
    Box box;
    bool holds(Point p) const { return box.contains(p) && contains(outline, p); }
};
Boxed boxed(std::vector<Point> outline) {
    Box box{outline.front(), outline.front()};
    for (const Point& p : outline) {
        box.low = {std::min(box.low.x, p.x), std::min(box.low.y, p.y)};
        box.high = {std::max(box.high.x, p.x), std::max(box.high.y, p.y)};
    }
    return {std::move(outline), box};
}
bool any_holds(const std::vector<Boxed>& all, Point p) {
    return std::ranges::any_of(all, [&](const Boxed& b) { return b.holds(p); });
}

}  // namespace

FloorWays::FloorWays(const Project& project, const Floor& floor, std::span<const Point> ends)
    : run_m_(run_height_m(project, floor)), turn_(Similarity{1, -main_axis_deg(floor), {}}) {
    const auto rooms = corridors(project, floor);
    lay_lines(floor, ends, rooms);
    price_lines(project, floor, rooms);
    price_walls(project, floor);
    lay_trays(floor);
    sort_links();
}

void FloorWays::lay_lines(const Floor& floor, std::span<const Point> ends,
                          const std::vector<std::vector<Point>>& corridors) {
    const auto meet = [&](Point p) {
        const Point q = turned(p);
        xs_.push_back(q.x);
        ys_.push_back(q.y);
    };
    for (const Point& p : ends) meet(p);
    for (const Closet& c : *floor.closets) meet(c.position);
    for (const Outlet& o : *floor.outlets) meet(o.position);
    for (const Riser& r : *floor.risers) meet(r.position);
    for (const Tray& t : *floor.trays)
        for (const Point& p : t.points) meet(p);
    for (const Wall& w : *floor.walls)
        for (const Opening& o : w.openings)
            if (o.kind == OpeningKind::door) {
                const Segment s = span(w, o);
                const Point a = turned(s.a), b = turned(s.b), middle = lerp(a, b, 0.5);
                (std::abs(b.x - a.x) > std::abs(b.y - a.y) ? xs_ : ys_)
                    .push_back(std::abs(b.x - a.x) > std::abs(b.y - a.y) ? middle.x : middle.y);
            }
    for (const auto& outline : corridors) middle_lines(turned_outline(turn_, outline), xs_, ys_);
    if (const auto box = extent(floor))
        for (const Point& corner :
             {box->low, box->high, Point{box->low.x, box->high.y}, Point{box->high.x, box->low.y}})
            meet(corner);
    xs_ = mesh(std::move(xs_));
    ys_ = mesh(std::move(ys_));
    const std::size_t n = xs_.size() * ys_.size();
    right_.assign(n, 0.0f);
    up_.assign(n, 0.0f);
    no_closet_.assign(n, 0);
}

void FloorWays::price_lines(const Project& project, const Floor& floor,
                            const std::vector<std::vector<Point>>& corridors) {
    std::vector<Boxed> passages, shunned;
    for (const auto& outline : corridors) passages.push_back(boxed(outline));
    for (const Zone& z : *floor.zones)
        if (z.kind == ZoneKind::not_needed || z.kind == ZoneKind::outside)
            shunned.push_back(boxed(z.outline));
    const bool yard = building_with(project, floor.id).kind == BuildingKind::yard;
    const FloorMask mask(*floor.walls, open_air(floor));
    const auto is_out = [&](Point p) {
        if (yard) return false;
        return !floor.plate.empty() ? !contains(floor.plate, p) : !mask.inside(p);
    };
    const auto a_metre = [&](Point p) {
        if (any_holds(shunned, p) || is_out(p)) return CableCosts::shunned;
        return any_holds(passages, p) ? CableCosts::corridor : CableCosts::room;
    };
    for (std::size_t i = 0; i < xs_.size(); ++i)
        for (std::size_t j = 0; j < ys_.size(); ++j) {
            const Point at{xs_[i], ys_[j]};
            const Node n = node(i, j);
            const double here = a_metre(turn_.invert(at));
            no_closet_[n] = here != CableCosts::room;
            if (i + 1 < xs_.size()) {
                const double metres = xs_[i + 1] - xs_[i];
                right_[n] =
                    static_cast<float>(metres * a_metre(turn_.invert({(xs_[i] + xs_[i + 1]) / 2, at.y})));
            }
            if (j + 1 < ys_.size()) {
                const double metres = ys_[j + 1] - ys_[j];
                up_[n] =
                    static_cast<float>(metres * a_metre(turn_.invert({at.x, (ys_[j] + ys_[j + 1]) / 2})));
            }
        }
    for (const Zone& z : *floor.zones) {
        if (z.kind != ZoneKind::keep_out) continue;
        const Boxed zone = boxed(z.outline);
        for (Node n = 0; n < no_closet_.size(); ++n)
            if (zone.holds(place(n))) no_closet_[n] = 1;
    }
}

/// Only walls that stand in the way at the height of the cables.
void FloorWays::price_walls(const Project&, const Floor& floor) {
    for (const Wall& w : *floor.walls) {
        if (w.base_m > run_m_ || w.top_m.value_or(floor.height_m) < run_m_) continue;
        if (w.to_ceiling && !w.top_m) {
            const Point middle = w.points[w.points.size() / 2];
            if (ceiling_m(floor, middle, floor.height_m) < run_m_) continue;
        }
        for_each_chord(w, [&](const Chord& c) {
            const Point a = turned(c.line.a), b = turned(c.line.b);
            std::vector<std::pair<double, double>> doors;
            const double long_m = std::max(1e-9, c.end_m - c.start_m);
            for (const Opening& o : w.openings) {
                if (o.piece != c.piece || o.kind != OpeningKind::door) continue;
                const double from = (o.start_m - c.start_m) / long_m,
                             to = (o.start_m + o.width_m - c.start_m) / long_m;
                if (to > 0 && from < 1) doors.push_back({std::max(0.0, from), std::min(1.0, to)});
            }
            std::ranges::sort(doors);
            double done = 0;
            for (const auto& [from, to] : doors) {
                if (from > done) through_wall({lerp(a, b, done), lerp(a, b, from)}, CableCosts::wall);
                through_wall({lerp(a, b, from), lerp(a, b, to)}, CableCosts::door);
                done = std::max(done, to);
            }
            if (done < 1) through_wall({lerp(a, b, done), b}, CableCosts::wall);
        });
    }
}

/// Adds to every way of the mesh that crosses the segment.
void FloorWays::through_wall(const Segment& s, double cost) {
    const auto cross = [cost](const std::vector<double>& lines, double a, double b, auto at_line) {
        const double low = std::min(a, b), high = std::max(a, b);
        if (high - low < 1e-9) return;
        for (auto i = std::lower_bound(lines.begin(), lines.end(), low); i != lines.end() && *i < high; ++i)
            at_line(static_cast<std::size_t>(i - lines.begin()), (*i - a) / (b - a),
                    static_cast<float>(cost));
    };
    const auto between = [](const std::vector<double>& lines, double v) -> std::optional<std::size_t> {
        const auto after = std::upper_bound(lines.begin(), lines.end(), v);
        if (after == lines.begin() || after == lines.end()) return std::nullopt;
        return static_cast<std::size_t>(after - lines.begin()) - 1;
    };
    cross(xs_, s.a.x, s.b.x, [&](std::size_t i, double t, float add) {
        if (const auto j = between(ys_, s.a.y + t * (s.b.y - s.a.y))) up_[node(i, *j)] += add;
    });
    cross(ys_, s.a.y, s.b.y, [&](std::size_t j, double t, float add) {
        if (const auto i = between(xs_, s.a.x + t * (s.b.x - s.a.x))) right_[node(*i, j)] += add;
    });
}

void FloorWays::join(Node a, Node b, double cost, double length_m) {
    links_.push_back({a, b, static_cast<float>(cost), static_cast<float>(length_m)});
    links_.push_back({b, a, static_cast<float>(cost), static_cast<float>(length_m)});
}

FloorWays::Node FloorWays::add_tray_node(Point at, double height_m) {
    const Node n = static_cast<Node>(nodes());
    tray_.push_back({at, height_m});
    // to the ends of the way of the mesh that it lies on, or to the corner of the mesh itself
    const double up_m = std::abs(height_m - run_m_);
    const auto near = [](const std::vector<double>& lines, double v) {
        const auto after = std::lower_bound(lines.begin(), lines.end(), v - same_line_m);
        const std::size_t k =
            std::min<std::size_t>(static_cast<std::size_t>(after - lines.begin()), lines.size() - 1);
        return std::pair(k, std::abs(lines[k] - v) <= same_line_m);
    };
    const auto [i, on_x] = near(xs_, at.x);
    const auto [j, on_y] = near(ys_, at.y);
    if (on_x && on_y) {
        join(n, node(i, j), CableCosts::room * up_m, up_m);
    } else if (on_x && j > 0) {
        const double whole = ys_[j] - ys_[j - 1], up = ys_[j] - at.y, down = at.y - ys_[j - 1];
        const double price = up_[node(i, j - 1)] / whole;
        join(n, node(i, j), price * up + CableCosts::room * up_m, up + up_m);
        join(n, node(i, j - 1), price * down + CableCosts::room * up_m, down + up_m);
    } else if (on_y && i > 0) {
        const double whole = xs_[i] - xs_[i - 1], up = xs_[i] - at.x, down = at.x - xs_[i - 1];
        const double price = right_[node(i - 1, j)] / whole;
        join(n, node(i, j), price * up + CableCosts::room * up_m, up + up_m);
        join(n, node(i - 1, j), price * down + CableCosts::room * up_m, down + up_m);
    }
    return n;
}

/// Cut where it meets lines of the mesh.
void FloorWays::lay_tray(const Tray& tray) {
    std::optional<Node> before;
    Point last;
    const auto go_on = [&](Point at) {
        if (before && distance(last, at) < 1e-6) return;
        const Node n = add_tray_node(at, tray.height_m);
        if (before) join(*before, n, distance(last, at), distance(last, at));
        before = n;
        last = at;
    };
    for (std::size_t k = 1; k < tray.points.size(); ++k) {
        const Point a = turned(tray.points[k - 1]), b = turned(tray.points[k]);
        std::vector<double> cuts{0, 1};
        const auto cut = [&](const std::vector<double>& lines, double from, double to) {
            if (std::abs(to - from) < same_line_m) return;
            for (const double v : lines) {
                const double t = (v - from) / (to - from);
                if (t > 1e-9 && t < 1 - 1e-9) cuts.push_back(t);
            }
        };
        cut(xs_, a.x, b.x);
        cut(ys_, a.y, b.y);
        std::ranges::sort(cuts);
        for (const double t : cuts) go_on(lerp(a, b, t));
    }
}

void FloorWays::lay_trays(const Floor& floor) {
    for (const Tray& t : *floor.trays) lay_tray(t);
}

void FloorWays::sort_links() {
    std::ranges::stable_sort(links_, {}, &Link::from);
    first_.assign(nodes() + 1, 0);
    for (const Link& l : links_) ++first_[l.from + 1];
    std::partial_sum(first_.begin(), first_.end(), first_.begin());
}

FloorWays::Node FloorWays::at(Point place) const {
    Node best = 0;
    double least = 1e18;
    each_near(place, [&](Node n, double length_m) {
        if (length_m >= least) return;
        least = length_m;
        best = n;
    });
    return best;
}

Point FloorWays::place(Node n) const {
    return turn_.invert(is_free(n) ? Point{xs_[n / ys_.size()], ys_[n % ys_.size()]}
                                   : tray_[n - xs_.size() * ys_.size()].at);
}

bool FloorWays::may_hold_closet(Node n) const { return is_free(n) && !no_closet_[n]; }

}  // namespace yemvo
