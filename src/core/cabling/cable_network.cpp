// SPDX-License-Identifier: GPL-3.0-or-later
#include "cabling/cable_network.h"

#include <queue>

#include "propagation/floor_mask.h"

namespace yemvo {

double CableTree::length_m(CableNode n) const {
    const Reached& r = reached_[first_[n.floor] + n.node];
    return r.cost == std::numeric_limits<float>::infinity() ? nowhere : double(r.length_m);
}
double CableTree::cost(CableNode n) const { return reached_[first_[n.floor] + n.node].cost; }

namespace {

bool has_riser(const Building& b) {
    return std::ranges::any_of(b.floors, [](const Floor& f) { return !f.risers->empty(); });
}
bool goes_up_at_closets(const Building& b) { return b.floors.size() > 1 && !has_riser(b); }

/// The floor that lies nearest to a level of the site.
const Floor* floor_at_level(const Building& b, double level_m) {
    const Floor* best = nullptr;
    for (const Floor& f : b.floors)
        if (!best ||
            std::abs(b.level_m + f.elevation_m - level_m) < std::abs(b.level_m + best->elevation_m - level_m))
            best = &f;
    return best;
}

std::vector<Point> outer_doors(const Floor& floor) {
    constexpr double aside_m = 0.8;
    const FloorMask mask(*floor.walls, open_air(floor));
    std::vector<Point> out;
    for (const Wall& w : *floor.walls)
        for (const Opening& o : w.openings) {
            if (o.kind != OpeningKind::door) continue;
            const Segment s = span(w, o);
            const Point middle = lerp(s.a, s.b, 0.5), along = unit(s.b - s.a);
            const Point aside{-along.y * aside_m, along.x * aside_m};
            if (mask.inside(middle + aside) != mask.inside(middle - aside)) out.push_back(middle);
        }
    return out;
}

}  // namespace

CableNetwork::CableNetwork(const Project& project, const CancelToken& cancel) {
    Ends ends;
    for (const PlacedAccessPoint& placed : placed_access_points(project))
        ends[placed.floor->id].push_back(placed.access_point->position);
    const std::vector<Entry> joined = entries(project);
    for (const Entry& e : joined) {
        ends[e.yard].push_back(e.outside);
        ends[e.floor].push_back(e.inside);
    }
    first_.push_back(0);
    for (const Building& b : project.buildings) add_floors(project, b, ends, cancel);
    for (const Building& b : project.buildings) add_risers(b);
    for (const Entry& e : joined)
        join(at(e.yard, e.outside), at(e.floor, e.inside), e.rise_m, e.rise_m + CableCosts::outside);
}

std::vector<CableNetwork::Entry> CableNetwork::entries(const Project& project) const {
    constexpr double beside_m = 3;
    std::vector<Entry> out;
    for (const Building& yard : project.buildings) {
        if (yard.kind != BuildingKind::yard) continue;
        for (const Floor& ground : yard.floors) {
            const auto box = extent(ground);
            if (!box) continue;
            for (const Building& b : project.buildings) {
                const Floor* floor = b.kind == BuildingKind::yard
                                         ? nullptr
                                         : floor_at_level(b, yard.level_m + ground.elevation_m);
                if (!floor) continue;
                const double rise_m =
                    std::abs(b.level_m + floor->elevation_m - yard.level_m - ground.elevation_m);
                for (const Point& door : outer_doors(*floor)) {
                    const Point outside = yard.placement.invert(b.placement.apply(door));
                    if (box->grown(beside_m).contains(outside))
                        out.push_back({ground.id, floor->id, outside, door, rise_m});
                }
            }
        }
    }
    return out;
}

void CableNetwork::add_floors(const Project& project, const Building& building, const Ends& ends,
                              const CancelToken& cancel) {
    const bool at_closets = goes_up_at_closets(building);
    // what goes through several floors is met exactly on each of them
    std::vector<Point> through;
    for (const Floor& f : building.floors) {
        for (const Riser& r : *f.risers) through.push_back(r.position);
        if (at_closets)
            for (const Closet& c : *f.closets) through.push_back(c.position);
    }
    const std::size_t index = building_.empty() ? 0 : building_.back() + 1;
    for (const Floor& f : building.floors) {
        cancel.check();
        std::vector<Point> here = through;
        if (const auto own = ends.find(f.id); own != ends.end())
            here.insert(here.end(), own->second.begin(), own->second.end());
        floors_.push_back(&f);
        ways_.push_back(std::make_unique<FloorWays>(project, f, here));
        first_.push_back(first_.back() + static_cast<std::uint32_t>(ways_.back()->nodes()));
        closets_are_risers_.push_back(at_closets);
        building_.push_back(index);
    }
}

void CableNetwork::add_risers(const Building& building) {
    for (const Floor& f : building.floors) {
        for (const Riser& r : *f.risers) add_riser(building, f, r.position, r.storeys);
        if (goes_up_at_closets(building))
            for (const Closet& c : *f.closets)
                add_riser(building, building.floors.front(), c.position,
                          static_cast<int>(building.floors.size()));
    }
}

/// From floor to floor; a mezzanine is a floor of its own.
void CableNetwork::add_riser(const Building& building, const Floor& lowest, Point place, int storeys) {
    std::optional<CableNode> below;
    double below_m = 0;
    int gone = 0;
    for (const Floor& f : building.floors) {
        if (gone > storeys) return;
        if (f.elevation_m < lowest.elevation_m) continue;
        const CableNode here = at(f.id, place);
        const double height_m = f.elevation_m + ways_[here.floor]->run_m();
        if (below) join(*below, here, std::abs(height_m - below_m), std::abs(height_m - below_m));
        below = here;
        below_m = height_m;
        ++gone;
    }
}

void CableNetwork::join(CableNode a, CableNode b, double length_m, double cost) {
    rises_.insert({row(a), {b, length_m, cost}});
    rises_.insert({row(b), {a, length_m, cost}});
}

std::uint32_t CableNetwork::index_of(FloorId floor) const {
    for (std::uint32_t i = 0; i < floors_.size(); ++i)
        if (floors_[i]->id == floor) return i;
    throw Error(say("a floor that the project does not have"));
}

CableNode CableNetwork::at(FloorId floor, Point place) const {
    const std::uint32_t i = index_of(floor);
    return {i, ways_[i]->at(place)};
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
    using Reach = std::pair<float, std::uint32_t>;
    std::priority_queue<Reach, std::vector<Reach>, std::greater<>> open;
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
            go(rise->second.to, rise->second.cost, rise->second.length_m);
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

CableNetwork::Near CableNetwork::nearest(const CableTree& tree, FloorId floor, Point place) const {
    const std::uint32_t i = index_of(floor);
    Near best;
    ways_[i]->each_near(place, [&](FloorWays::Node node, double metres) {
        const double all_m = tree.length_m({i, node}) + metres;
        if (all_m < best.length_m) best = {{i, node}, all_m};
    });
    return best;
}

}  // namespace yemvo
