// SPDX-License-Identifier: GPL-3.0-or-later
#include "cabling/cable_network.h"

#include <queue>

namespace yemvo {

double CableTree::length_m(CableNode n) const {
    const Reached& r = reached_[first_[n.floor] + n.node];
    return r.cost == std::numeric_limits<float>::infinity() ? nowhere : double(r.length_m);
}
double CableTree::cost(CableNode n) const { return reached_[first_[n.floor] + n.node].cost; }

CableNetwork::CableNetwork(const Project& project, const Building& building,
                           const std::map<FloorId, std::vector<Point>>& ends, const CancelToken& cancel) {
    bool drawn = false;
    for (const Floor& f : building.floors) drawn = drawn || !f.risers->empty();
    closets_are_risers_ = !drawn && building.floors.size() > 1;
    // what goes through several floors is met exactly on each of them
    std::vector<Point> through;
    for (const Floor& f : building.floors) {
        for (const Riser& r : *f.risers) through.push_back(r.position);
        if (closets_are_risers_)
            for (const Closet& c : *f.closets) through.push_back(c.position);
    }
    first_.push_back(0);
    for (const Floor& f : building.floors) {
        cancel.check();
        std::vector<Point> here = through;
        if (const auto own = ends.find(f.id); own != ends.end())
            here.insert(here.end(), own->second.begin(), own->second.end());
        floors_.push_back(&f);
        ways_.push_back(std::make_unique<FloorWays>(project, f, here));
        first_.push_back(first_.back() + static_cast<std::uint32_t>(ways_.back()->nodes()));
    }
    for (const Floor& f : building.floors) {
        for (const Riser& r : *f.risers) add_riser(f, r.position, r.storeys);
        if (closets_are_risers_)
            for (const Closet& c : *f.closets)
                add_riser(building.floors.front(), c.position, static_cast<int>(building.floors.size()));
    }
}

/// From floor to floor; a mezzanine is a floor of its own.
void CableNetwork::add_riser(const Floor& lowest, Point place, int storeys) {
    std::optional<CableNode> below;
    double below_m = 0;
    int gone = 0;
    for (std::uint32_t i = 0; i < floors_.size() && gone <= storeys; ++i) {
        if (floors_[i]->elevation_m < lowest.elevation_m) continue;
        const CableNode here{i, ways_[i]->at(place)};
        const double height_m = floors_[i]->elevation_m + ways_[i]->run_m();
        if (below) {
            const double length_m = std::abs(height_m - below_m);
            rises_.insert({row(*below), {here, length_m}});
            rises_.insert({row(here), {*below, length_m}});
        }
        below = here;
        below_m = height_m;
        ++gone;
    }
}

std::optional<CableNode> CableNetwork::at(FloorId floor, Point place) const {
    for (std::uint32_t i = 0; i < floors_.size(); ++i)
        if (floors_[i]->id == floor) return CableNode{i, ways_[i]->at(place)};
    return std::nullopt;
}

CableNode CableNetwork::of_row(std::uint32_t r) const {
    const auto after = std::upper_bound(first_.begin(), first_.end(), r);
    const auto floor = static_cast<std::uint32_t>(after - first_.begin() - 1);
    return {floor, r - first_[floor]};
}

CableTree CableNetwork::from(const std::vector<CableNode>& begins, double most_m,
                             const CancelToken& cancel) const {
    CableTree tree;
    tree.first_ = first_;
    tree.reached_.resize(first_.back());
    using Entry = std::pair<float, std::uint32_t>;
    std::priority_queue<Entry, std::vector<Entry>, std::greater<>> open;
    for (std::uint32_t i = 0; i < begins.size(); ++i) {
        const std::uint32_t r = row(begins[i]);
        if (tree.reached_[r].cost == 0) continue;  // two at one place: the first has it
        tree.reached_[r] = {0, 0, r, i};
        open.push({0, r});
    }
    std::size_t steps = 0;
    while (!open.empty()) {
        if (++steps % 4096 == 0) cancel.check();
        const auto [cost, r] = open.top();
        open.pop();
        const auto here = tree.reached_[r];
        if (cost > here.cost) continue;
        const CableNode n = of_row(r);
        const auto go = [&](CableNode to, double add, double metres) {
            if (here.length_m + metres > most_m) return;
            auto& there = tree.reached_[row(to)];
            const float sum = cost + static_cast<float>(add);
            if (sum >= there.cost) return;
            there = {sum, here.length_m + static_cast<float>(metres), r, here.from};
            open.push({sum, row(to)});
        };
        ways_[n.floor]->each_way(n.node, [&](FloorWays::Node to, double add, double metres) {
            go({n.floor, to}, add, metres);
        });
        const auto [low, high] = rises_.equal_range(r);
        for (auto rise = low; rise != high; ++rise)
            go(rise->second.first, rise->second.second, rise->second.second);
    }
    return tree;
}

std::size_t CableNetwork::begin_of(const CableTree& tree, CableNode n) const {
    return tree.reached_[row(n)].from;
}

std::vector<CableLeg> CableNetwork::way(const CableTree& tree, CableNode n) const {
    std::vector<CableLeg> out;
    const auto add = [](std::vector<Point>& points, Point p) {
        if (!points.empty() && distance(points.back(), p) < 1e-6) return;
        if (points.size() > 1) {
            // a corner alone is worth a point
            const Point a = points.back() - points[points.size() - 2], b = p - points.back();
            if (std::abs(a.x * b.y - a.y * b.x) < 1e-6 * (std::hypot(a.x, a.y) * std::hypot(b.x, b.y) + 1e-9))
                points.pop_back();
        }
        points.push_back(p);
    };
    for (std::uint32_t r = row(n);;) {
        const CableNode at = of_row(r);
        if (out.empty() || out.back().floor != floors_[at.floor]->id)
            out.push_back({floors_[at.floor]->id, {}});
        add(out.back().points, ways_[at.floor]->place(at.node));
        const std::uint32_t before = tree.reached_[r].before;
        if (before == r) return out;
        r = before;
    }
}

double CableNetwork::length_m(const CableTree& tree, FloorId floor, Point place) const {
    double best = CableTree::nowhere;
    for (std::uint32_t i = 0; i < floors_.size(); ++i)
        if (floors_[i]->id == floor)
            ways_[i]->each_near(place, [&](FloorWays::Node node, double metres) {
                best = std::min(best, tree.length_m({i, node}) + metres);
            });
    return best;
}

}  // namespace yemvo
