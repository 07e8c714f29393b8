// SPDX-License-Identifier: GPL-3.0-or-later
#include "cabling/closet_places.h"

#include <cmath>
#include <tuple>

#include "cover/cover_bound.h"
#include "cover/cover_search.h"
#include "project/kinds/thing_edits.h"

namespace yemvo {
namespace {

/// A node with the runs that it would serve.
struct Candidate {
    CableNode node;
    Point place;
    double together_m = 0, longest_m = 0;  ///< of the links from it
    double to_wall_m = 0;
};

constexpr double in_a_wall_m = 0.3;

double to_wall_m(const Floor& floor, Point p) {
    double least = 1e9;
    for (const Wall& w : *floor.walls)
        for (int i = 0; i < w.pieces(); ++i) least = std::min(least, distance(w.piece(i), p));
    return least;
}

/// Racks stand at walls, and short cables are cheap.
bool is_better(const Candidate& a, const Candidate& b) {
    constexpr double beside_a_wall_m = 1.5;
    const bool a_at = a.to_wall_m <= beside_a_wall_m, b_at = b.to_wall_m <= beside_a_wall_m;
    if (a_at != b_at) return a_at;
    return a.together_m < b.together_m - 1e-6;
}

class PlaceSearch {
public:
    PlaceSearch(const Project& project, const std::vector<const CableRun*>& runs, const CancelToken& cancel)
        : project_(project), runs_(runs), cancel_(cancel), network_(project, cancel) {}

    void find(ClosetPlaces& out) {
        gather();
        CoverProblem problem;
        std::vector<const std::pair<const std::vector<std::uint32_t>, Candidate>*> columns;
        for (const auto& of_set : best_) {
            problem.columns.push_back({1, false, of_set.first, {}});
            columns.push_back(&of_set);
        }
        std::vector<char> reached(runs_.size(), 0);
        for (const auto& c : problem.columns)
            for (const std::uint32_t row : c.rows) reached[row] = 1;
        for (std::size_t i = 0; i < runs_.size(); ++i)
            if (!reached[i]) out.beyond.push_back(runs_[i]->access_point);
        if (columns.empty()) return;
        // each access point by itself has to be reached
        for (std::uint32_t i = 0; i < runs_.size(); ++i)
            problem.groups.push_back({i, 1, reached[i] ? 1u : 0u, 1});
        CoverWish wish;
        wish.seconds = 2;
        const CoverPlan plan = search_cover(problem, wish, cancel_);
        BoundWish bound;
        bound.seconds = 2;
        out.fewest = out.fewest && bound_cover(problem, bound, cancel_).cost >= double(plan.size()) - 1e-6;
        for (const std::uint32_t c : plan) {
            const Candidate& best = columns[c]->second;
            ClosetPlace place{network_.floors()[best.node.floor]->id, best.place, {}, best.longest_m};
            for (const std::uint32_t row : columns[c]->first)
                place.reaches.push_back(runs_[row]->access_point);
            out.places.push_back(std::move(place));
        }
    }

private:
    /// Of all places that reach the same runs the best one.
    void gather() {
        const CablingBook& book = project_.cabling;
        const double most_way_m = (longest_link_m(book) - book.slack_m) / (1 + book.slack_share);
        std::vector<Candidate> candidates = candidates_of_site();
        std::vector<std::vector<std::uint32_t>> reached(candidates.size());
        for (std::uint32_t i = 0; i < runs_.size(); ++i) {
            const AccessPoint& ap = *find_access_point(project_, runs_[i]->floor, runs_[i]->access_point);
            const CableNode end = network_.at(runs_[i]->floor, ap.position);
            const double up_m = std::abs(network_.ways(end.floor).run_m() - ap.height_m);
            const CableTree tree = network_.from({end}, most_way_m, cancel_);
            for (std::size_t k = 0; k < candidates.size(); ++k) {
                const double way_m = way_to(candidates[k], tree, end) + up_m +
                                     std::abs(network_.ways(candidates[k].node.floor).run_m() - book.panel_m);
                if (way_m > most_way_m) continue;
                reached[k].push_back(i);
                candidates[k].together_m += link_m(book, way_m);
                candidates[k].longest_m = std::max(candidates[k].longest_m, link_m(book, way_m));
            }
        }
        for (std::size_t k = 0; k < candidates.size(); ++k) {
            if (reached[k].empty()) continue;
            const auto [at, added] = best_.try_emplace(std::move(reached[k]), candidates[k]);
            if (!added && is_better(candidates[k], at->second)) at->second = candidates[k];
        }
        drop_contained();
    }

    /// Where no riser is drawn a new closet is one itself: cables come to it from above and below.
    double way_to(const Candidate& c, const CableTree& tree, CableNode end) const {
        const double along_m = tree.length_m(c.node);
        if (c.node.floor == end.floor || !network_.closets_are_risers(c.node.floor) ||
            !network_.are_stacked(c.node.floor, end.floor))
            return along_m;
        const auto height_m = [&](std::uint32_t f) {
            return network_.floors()[f]->elevation_m + network_.ways(f).run_m();
        };
        return std::min(along_m, network_.length_m(tree, network_.floors()[end.floor]->id, c.place) +
                                     std::abs(height_m(c.node.floor) - height_m(end.floor)));
    }

    /// As many as can be held against every run; of a large site one every few metres.
    std::vector<Candidate> candidates_of_site() const {
        constexpr double most_pairs = 4e6, widest_m = 16;
        const std::vector<Candidate> all = every_candidate();
        std::vector<Candidate> out;
        for (double pitch_m = 0.5; pitch_m <= widest_m; pitch_m *= 2) {
            out = best_of_squares(all, pitch_m);
            if (double(out.size()) * double(runs_.size()) <= most_pairs) break;
        }
        return out;
    }

    std::vector<Candidate> every_candidate() const {
        std::vector<Candidate> out;
        for (std::uint32_t f = 0; f < network_.floors().size(); ++f) {
            cancel_.check();
            for (FloorWays::Node n = 0; n < network_.ways(f).nodes(); ++n) {
                if (!network_.ways(f).may_hold_closet(n)) continue;
                const Point at = network_.ways(f).place(n);
                const double wall_m = to_wall_m(*network_.floors()[f], at);
                if (wall_m >= in_a_wall_m) out.push_back({{f, n}, at, 0, 0, wall_m});
            }
        }
        return out;
    }

    static std::vector<Candidate> best_of_squares(const std::vector<Candidate>& all, double pitch_m) {
        std::map<std::tuple<std::uint32_t, long, long>, Candidate> by_square;
        for (const Candidate& c : all) {
            const std::tuple square{c.node.floor, std::lround(c.place.x / pitch_m),
                                    std::lround(c.place.y / pitch_m)};
            const auto [it, added] = by_square.try_emplace(square, c);
            if (!added && is_better(c, it->second)) it->second = c;
        }
        std::vector<Candidate> out;
        for (const auto& [square, candidate] : by_square) out.push_back(candidate);
        return out;
    }

    /// Sets within another one need no column of their own; of a large site there are many.
    void drop_contained() {
        constexpr std::size_t many = 3000;  // then the search has to do with them
        if (best_.size() > many) return;
        for (auto it = best_.begin(); it != best_.end();) {
            const bool within = std::ranges::any_of(best_, [&](const auto& other) {
                return other.first.size() > it->first.size() && std::ranges::includes(other.first, it->first);
            });
            it = within ? best_.erase(it) : std::next(it);
        }
    }

    const Project& project_;
    const std::vector<const CableRun*>& runs_;
    const CancelToken& cancel_;
    CableNetwork network_;
    std::map<std::vector<std::uint32_t>, Candidate> best_;
};

}  // namespace

void place_closet(Project& project, const ClosetPlace& place) {
    add_thing(project, place.floor, Closet{{}, free_closet_name(project), place.place});
    for (const PlacedAccessPoint& placed : placed_access_points(project)) {
        if (!placed.access_point->closet || std::ranges::count(place.reaches, placed.access_point->id) == 0)
            continue;
        AccessPoint ap = *placed.access_point;
        ap.closet = {};
        replace_access_point(project, FloorId(placed.floor->id), ap);
    }
}

bool is_out_of_reach(const CablingBook& book, const CableRun& r) {
    return !r.closet || (!r.outlet && r.link_m > longest_link_m(book) + 1e-9);
}

ClosetPlaces closet_places(const Project& project, const CablePlan& plan, const CancelToken& cancel) {
    ClosetPlaces out;
    out.fewest = true;
    std::vector<const CableRun*> runs;
    for (const CableRun& r : plan.runs)
        if (is_out_of_reach(project.cabling, r)) runs.push_back(&r);
    if (!runs.empty()) PlaceSearch(project, runs, cancel).find(out);
    std::ranges::stable_sort(out.places, std::greater{},
                             [](const ClosetPlace& p) { return p.reaches.size(); });
    return out;
}

}  // namespace yemvo
