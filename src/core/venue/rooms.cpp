// SPDX-License-Identifier: GPL-3.0-or-later
#include "venue/rooms.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <unordered_map>

#include "geometry/segment_index.h"

namespace yemvo {
namespace {

constexpr double same_place_m = 0.01;

struct Piece {
    Segment line;
    double half_m;
    int bridge = -1;  ///< into the gaps
};

std::vector<Segment> lines_of(const std::vector<Piece>& pieces) {
    std::vector<Segment> out;
    for (const Piece& p : pieces) out.push_back(p.line);
    return out;
}

/// Cut wherever another piece crosses, ends on or runs along it.
std::vector<Piece> cut_at_crossings(const std::vector<Piece>& pieces) {
    const SegmentIndex index(lines_of(pieces));
    std::vector<Piece> out;
    for (std::size_t i = 0; i < pieces.size(); ++i) {
        const Piece& p = pieces[i];
        std::vector<double> cuts{0, 1};
        for (std::uint32_t k : index.near(box_of(p.line).grown(same_place_m))) {
            if (k == i) continue;
            const Segment& other = pieces[k].line;
            for (Point end : {other.a, other.b})
                if (distance(p.line, end) <= same_place_m) cuts.push_back(nearest_parameter(p.line, end));
            if (const auto at = crossing(p.line, other)) cuts.push_back(nearest_parameter(p.line, *at));
        }
        std::sort(cuts.begin(), cuts.end());
        const double least = same_place_m / std::max(length(p.line), same_place_m);
        double from = 0;
        for (double to : cuts) {
            if (to - from < least) continue;
            if (1 - to < least) to = 1;
            out.push_back(
                {{lerp(p.line.a, p.line.b, from), lerp(p.line.a, p.line.b, to)}, p.half_m, p.bridge});
            from = to;
            if (to == 1) break;
        }
    }
    return out;
}

/// Corners, places within a centimetre being one.
class Corners {
public:
    int at(Point p) {
        const auto key = [](Point q) {
            return std::pair{std::llround(q.x / same_place_m), std::llround(q.y / same_place_m)};
        };
        const auto [kx, ky] = key(p);
        for (long long dx = -1; dx <= 1; ++dx)
            for (long long dy = -1; dy <= 1; ++dy) {
                const auto found = by_cell_.find({kx + dx, ky + dy});
                if (found != by_cell_.end() &&
                    distance(places_[static_cast<std::size_t>(found->second)], p) <= same_place_m)
                    return found->second;
            }
        places_.push_back(p);
        const int made = static_cast<int>(places_.size()) - 1;
        by_cell_[{kx, ky}] = made;
        return made;
    }
    Point place(int corner) const { return places_[static_cast<std::size_t>(corner)]; }
    std::size_t count() const { return places_.size(); }

private:
    std::vector<Point> places_;
    struct Hash {
        std::size_t operator()(const std::pair<long long, long long>& cell) const {
            return std::hash<long long>()(cell.first * 73856093LL ^ cell.second * 19349663LL);
        }
    };
    std::unordered_map<std::pair<long long, long long>, int, Hash> by_cell_;
};

struct Link {
    int a, b;
    double half_m;
    int bridge;
};

struct Graph {
    Corners corners;
    std::vector<Link> links;
    std::vector<std::vector<int>> at;  ///< links by corner

    explicit Graph(const std::vector<Piece>& pieces) {
        std::map<std::pair<int, int>, std::size_t> known;
        for (const Piece& p : pieces) {
            const int a = corners.at(p.line.a), b = corners.at(p.line.b);
            if (a == b) continue;
            const auto key = std::pair{std::min(a, b), std::max(a, b)};
            const auto found = known.find(key);
            if (found != known.end()) {  // drawn twice: the thicker counts
                Link& l = links[found->second];
                l.half_m = std::max(l.half_m, p.half_m);
                continue;
            }
            known[key] = links.size();
            links.push_back({a, b, p.half_m, p.bridge});
        }
        at.resize(corners.count());
        for (std::size_t i = 0; i < links.size(); ++i) {
            at[static_cast<std::size_t>(links[i].a)].push_back(static_cast<int>(i));
            at[static_cast<std::size_t>(links[i].b)].push_back(static_cast<int>(i));
        }
    }
    const Link& link(int i) const { return links[static_cast<std::size_t>(i)]; }
    int other(int i, int corner) const { return link(i).a == corner ? link(i).b : link(i).a; }
    std::vector<Point> loose_ends() const {
        std::vector<Point> out;
        for (std::size_t c = 0; c < at.size(); ++c)
            if (at[c].size() == 1) out.push_back(corners.place(static_cast<int>(c)));
        return out;
    }
    /// Stubs go, from their loose ends inward.
    void prune() {
        std::vector<int> open;
        for (std::size_t c = 0; c < at.size(); ++c)
            if (at[c].size() == 1) open.push_back(static_cast<int>(c));
        while (!open.empty()) {
            const int c = open.back();
            open.pop_back();
            auto& mine = at[static_cast<std::size_t>(c)];
            if (mine.size() != 1) continue;
            const int gone = mine.front(), far = other(gone, c);
            mine.clear();
            auto& theirs = at[static_cast<std::size_t>(far)];
            std::erase(theirs, gone);
            if (theirs.size() == 1) open.push_back(far);
        }
    }
};

/// For a loose end the shortest way to another wall, not back onto its own.
void bridge_gaps(std::vector<Piece>& pieces, const std::vector<Piece>& cut, double gap_m,
                 std::vector<BridgedGap>& gaps) {
    const Graph graph(cut);
    double thickest_m = 0;
    for (const Piece& p : cut) thickest_m = std::max(thickest_m, p.half_m);
    const SegmentIndex index(lines_of(cut));
    for (std::size_t c = 0; c < graph.at.size(); ++c) {
        if (graph.at[c].size() != 1) continue;
        const Point end = graph.corners.place(static_cast<int>(c));
        const Link& own = graph.link(graph.at[c].front());
        const Point inward =
            unit(graph.corners.place(graph.other(graph.at[c].front(), static_cast<int>(c))) - end);
        double best = gap_m + 1e-9;
        std::optional<Point> target;
        bool target_is_end = false;
        const double reach_m = gap_m + thickest_m + same_place_m;
        index.near(Box{end, end}.grown(reach_m), [&](std::size_t i) {
            const Piece& p = cut[i];
            const auto offer = [&](Point q, bool is_end) {
                const double away_m = distance(q, end);
                if (away_m <= same_place_m) return;
                // not backwards along its own run
                if (dot(unit(q - end), inward) > 0.7) return;
                const double clear_m = std::max(0.0, away_m - p.half_m);
                // an end is taken before the middle of a wall that is about as near
                const double judged = clear_m + (is_end ? 0 : 0.02);
                if (clear_m > gap_m + 1e-9 || judged >= best + 0.02) return;
                if (judged < best || (is_end && !target_is_end && judged < best + 0.02)) {
                    best = judged;
                    target = q;
                    target_is_end = is_end;
                }
            };
            offer(p.line.a, true);
            offer(p.line.b, true);
            offer(nearest_point(p.line, end), false);
        });
        if (!target) continue;
        const double clear_m = std::max(0.0, best - (target_is_end ? 0 : 0.02));
        pieces.push_back({{end, *target}, own.half_m, static_cast<int>(gaps.size())});
        gaps.push_back({{end, *target}, clear_m});
    }
}

struct Way {
    int link;
    bool forward;
    friend auto operator<=>(const Way&, const Way&) = default;
};

/// Walks round every face with it on the left.
std::vector<std::vector<Way>> faces(const Graph& g) {
    const auto tail = [&](Way w) { return w.forward ? g.link(w.link).a : g.link(w.link).b; };
    const auto head = [&](Way w) { return w.forward ? g.link(w.link).b : g.link(w.link).a; };
    // ways out of each corner by angle
    std::vector<std::vector<std::pair<double, Way>>> out(g.at.size());
    for (std::size_t c = 0; c < g.at.size(); ++c) {
        for (int i : g.at[c]) {
            const Way w{i, g.link(i).a == static_cast<int>(c)};
            const Point d = g.corners.place(head(w)) - g.corners.place(tail(w));
            out[c].push_back({std::atan2(d.y, d.x), w});
        }
        std::sort(out[c].begin(), out[c].end());
    }
    std::vector<bool> walked(2 * g.links.size());
    const auto mark = [](Way w) { return 2 * static_cast<std::size_t>(w.link) + (w.forward ? 1 : 0); };
    std::vector<std::vector<Way>> found;
    for (std::size_t c = 0; c < g.at.size(); ++c)
        for (const auto& [angle, first] : out[c]) {
            if (walked[mark(first)]) continue;
            std::vector<Way> face;
            Way w = first;
            do {
                walked[mark(w)] = true;
                face.push_back(w);
                // at the head: the next to the right of the way back, so that the face stays on the left
                const auto& around = out[static_cast<std::size_t>(head(w))];
                const Way back{w.link, !w.forward};
                std::size_t k = 0;
                while (around[k].second != back) ++k;
                w = around[(k + around.size() - 1) % around.size()].second;
            } while (w != first);
            found.push_back(std::move(face));
        }
    return found;
}

double signed_area_m2(const std::vector<Point>& outline) {
    double twice = 0;
    for (std::size_t i = 0; i < outline.size(); ++i)
        twice += cross(outline[i], outline[(i + 1) % outline.size()]);
    return twice / 2;
}

/// Inside of a closed line of edges, each moved inward by its own half thickness.
std::vector<Point> faces_outline(const std::vector<Point>& corners, const std::vector<double>& half_m) {
    const std::size_t n = corners.size();
    std::vector<Point> out;
    for (std::size_t i = 0; i < n; ++i) {
        const std::size_t before = (i + n - 1) % n;
        const Point d0 = unit(corners[i] - corners[before]), d1 = unit(corners[(i + 1) % n] - corners[i]);
        const Point p0 = corners[i] + left_of(d0) * half_m[before], p1 = corners[i] + left_of(d1) * half_m[i];
        const double turn = cross(d0, d1);
        if (std::abs(turn) < 0.02) {  // straight on
            const bool step = std::abs(half_m[before] - half_m[i]) > 1e-3;
            if (step) out.insert(out.end(), {p0, p1});
            if (!step && std::abs(turn) > 1e-4) out.push_back(p1);
            if (!step && dot(d0, d1) < 0) out.insert(out.end(), {p0, p1});
            continue;
        }
        out.push_back(p0 + d0 * (cross(p1 - p0, d1) / turn));
    }
    return out;
}

}  // namespace

RoomFinder::RoomFinder(const std::vector<RoomEdge>& edges, double gap_m) {
    std::vector<Piece> pieces;
    for (const RoomEdge& e : edges)
        if (length(e.line) > same_place_m) pieces.push_back({e.line, e.half_m});
    const auto cut = cut_at_crossings(pieces);
    bridge_gaps(pieces, cut, gap_m, gaps_);
    Graph graph(gaps_.empty() ? cut : cut_at_crossings(pieces));
    loose_ = graph.loose_ends();
    graph.prune();
    for (const auto& face : faces(graph)) {
        Room room;
        std::vector<double> half_m;
        for (const Way& w : face) {
            const Link& l = graph.link(w.link);
            room.centre_line.push_back(graph.corners.place(w.forward ? l.a : l.b));
            half_m.push_back(l.half_m);
            if (l.bridge >= 0) room.gaps.push_back(gaps_[static_cast<std::size_t>(l.bridge)]);
        }
        const double area = signed_area_m2(room.centre_line);
        if (area < 0.01) continue;  // the outside of something, or nothing at all
        room.outline = faces_outline(room.centre_line, half_m);
        if (room.outline.size() < 3 || signed_area_m2(room.outline) <= 0 ||
            signed_area_m2(room.outline) > area)
            room.outline = room.centre_line;
        rooms_.push_back(std::move(room));
    }
    std::stable_sort(rooms_.begin(), rooms_.end(), [](const Room& a, const Room& b) {
        return area_m2(a.centre_line) < area_m2(b.centre_line);
    });
}

std::optional<Room> RoomFinder::at(Point p) const {
    for (const Room& r : rooms_)
        if (contains(r.centre_line, p)) return r;
    return std::nullopt;
}

}  // namespace yemvo
