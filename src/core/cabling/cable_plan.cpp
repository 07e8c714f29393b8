// SPDX-License-Identifier: GPL-3.0-or-later
#include "cabling/cable_plan.h"

#include <cmath>
#include <numbers>
#include <tuple>

#include "cabling/corridors.h"

namespace yemvo {
namespace {

/// Right-angled, along the floor's walls, with the difference of heights.
double cord_m(const Floor& floor, const AccessPoint& ap, const Outlet& outlet) {
    const Point way = outlet.position - ap.position;
    const double turn = main_axis_deg(floor) * std::numbers::pi / 180;
    return std::abs(way.x * std::cos(turn) + way.y * std::sin(turn)) +
           std::abs(way.y * std::cos(turn) - way.x * std::sin(turn)) +
           std::abs(outlet.height_m - ap.height_m);
}

/// Each outlet for one access point, the nearest pairs first.
std::map<AccessPointId, const Outlet*> outlets_taken(const Project& project, const Floor& floor) {
    struct Pair {
        double metres;
        int number;
        const AccessPoint* ap;
        const Outlet* outlet;
    };
    std::vector<Pair> pairs;
    for (const AccessPoint& ap : access_points(project, floor.id))
        for (const Outlet& outlet : *floor.outlets)
            if (const double metres = cord_m(floor, ap, outlet); metres <= project.cabling.outlet_reach_m)
                pairs.push_back({metres, ap.number, &ap, &outlet});
    std::ranges::sort(pairs, {}, [](const Pair& p) { return std::tuple(p.metres, p.number, p.outlet->id); });
    std::map<AccessPointId, const Outlet*> out;
    std::set<OutletId> gone;
    for (const Pair& p : pairs)
        if (!out.contains(p.ap->id) && gone.insert(p.outlet->id).second) out[p.ap->id] = p.outlet;
    return out;
}

class SiteCables {
public:
    SiteCables(const Project& project, const CancelToken& cancel)
        : project_(project), cancel_(cancel), network_(project, cancel) {
        for (const Floor* f : network_.floors())
            for (const Closet& c : *f->closets) {
                closets_.push_back({f, &c, network_.at(f->id, c.position)});
                begins_.push_back(closets_.back().node);
            }
        tree_ = network_.from(begins_, 1e9, cancel);
    }

    bool closets_are_risers() const {
        for (std::uint32_t i = 0; i < network_.floors().size(); ++i)
            if (network_.closets_are_risers(i)) return true;
        return false;
    }

    void add_runs(const Floor& floor, std::vector<CableRun>& out) {
        cancel_.check();
        const auto taken = outlets_taken(project_, floor);
        std::vector<CableRun> runs;
        for (const AccessPoint& ap : access_points(project_, floor.id)) {
            const auto outlet = taken.find(ap.id);
            runs.push_back(run(floor, ap, outlet == taken.end() ? nullptr : outlet->second));
        }
        std::ranges::sort(runs, {}, [](const CableRun& r) { return std::pair(r.number, r.access_point); });
        std::ranges::move(runs, std::back_inserter(out));
    }

private:
    struct At {
        const Floor* floor;
        const Closet* closet;
        CableNode node;
    };

    CableRun run(const Floor& floor, const AccessPoint& ap, const Outlet* outlet) {
        CableRun r;
        r.floor = floor.id;
        r.access_point = ap.id;
        r.number = ap.number;
        if (outlet) r.outlet = outlet->id;
        feed(ap, r);
        const CableNode end = network_.at(floor.id, outlet ? outlet->position : ap.position);
        const CableTree* tree = &tree_;
        std::size_t closet = network_.begin_of(tree_, end);
        if (const auto told =
                std::ranges::find(closets_, ap.closet, [](const At& c) { return c.closet->id; });
            told != closets_.end()) {
            closet = static_cast<std::size_t>(told - closets_.begin());
            tree = &tree_of(closet);
        }
        if (tree->length_m(end) == CableTree::nowhere) return r;
        const At& at = closets_[closet];
        r.closet_floor = at.floor->id;
        r.closet = at.closet->id;
        r.way_m = tree->length_m(end);
        r.drops_m = std::abs(run_m(floor.id) - (outlet ? outlet->height_m : ap.height_m)) +
                    std::abs(run_m(at.floor->id) - project_.cabling.panel_m);
        r.link_m = link_m(project_.cabling, r.way_m + r.drops_m);
        r.channel_m = r.link_m + project_.cabling.cords_m;
        r.legs = network_.way(*tree, end);
        if (r.power_class) r.port_w = port_w(*r.power_class, r.draw_w, r.channel_m);
        return r;
    }

    void feed(const AccessPoint& ap, CableRun& r) const {
        const AccessPointModel& m = model(project_, ap.model);
        r.wants = ap.source ? ap.source : usual_source(m);
        const PowerRow* row = r.wants ? power_row(m, *r.wants) : nullptr;
        r.draw_w = row ? row->watts : 0;
        if (r.wants && r.wants != PowerSource::dc && r.draw_w > 0) r.power_class = class_that_feeds(r.draw_w);
    }

    double run_m(FloorId floor) const { return network_.ways(network_.index_of(floor)).run_m(); }

    const CableTree& tree_of(std::size_t closet) {
        auto& tree = of_closet_[closet];
        if (!tree) tree = std::make_unique<CableTree>(network_.from({begins_[closet]}, 1e9, cancel_));
        return *tree;
    }

    const Project& project_;
    const CancelToken& cancel_;
    CableNetwork network_;
    std::vector<At> closets_;
    std::vector<CableNode> begins_;
    CableTree tree_;
    std::map<std::size_t, std::unique_ptr<CableTree>> of_closet_;  ///< of those that were told
};

/// How well a switch suits a run: the more the better; none where no port is left.
std::optional<int> suits(const Switch& s, const SwitchUse& use, const CableRun& run, double budget_share) {
    if (use.ports_used >= s.ports) return std::nullopt;
    const bool needs = run.wants && *run.wants != PowerSource::dc;
    if (!needs) return s.source ? 1 : 2;  // ports with power are for those who need it
    if (!s.source) return 0;
    if (*s.source < *run.wants) return 1;
    const double more_w = run.power_class ? run.power_class->port_w : 0;
    return use.class_w + more_w <= s.budget_w * budget_share + 1e-9 ? 3 : 2;
}

void give_port(const CablingBook& book, const Closet& closet, ClosetUse& use, CableRun& run) {
    int best = -1;
    for (std::size_t i = 0; i < closet.switches.size(); ++i) {
        const auto fit = suits(closet.switches[i], use.switches[i], run, book.budget_share);
        if (!fit || *fit <= best) continue;
        best = *fit;
        run.port = SwitchPort{i, use.switches[i].ports_used + 1};
    }
    if (!run.port) {
        use.without_port += !closet.switches.empty();
        return;
    }
    SwitchUse& of = use.switches[run.port->of];
    ++of.ports_used;
    run.gets = closet.switches[run.port->of].source;
    if (!run.gets || !run.power_class) return;
    of.class_w += run.power_class->port_w;
    of.drawn_w += run.port_w;
}

void give_ports(const Project& project, CablePlan& plan) {
    std::map<ClosetId, std::size_t> at;
    std::vector<const Closet*> closets;
    for (const Floor* f : all_floors(project))
        for (const Closet& c : *f->closets) {
            at[c.id] = plan.closets.size();
            plan.closets.push_back({f->id, c.id, 0, 0, std::vector<SwitchUse>(c.switches.size())});
            closets.push_back(&c);
        }
    for (CableRun& run : plan.runs) {
        if (!run.closet) continue;
        const std::size_t i = at.at(run.closet);
        ++plan.closets[i].runs;
        give_port(project.cabling, *closets[i], plan.closets[i], run);
    }
}

}  // namespace

bool has_closets(const Project& project) {
    return std::ranges::any_of(all_floors(project), [](const Floor* f) { return !f->closets->empty(); });
}

std::set<AccessPointId> fed_by(const CablePlan& plan, ClosetId closet, std::size_t of) {
    std::set<AccessPointId> fed;
    for (const CableRun& run : plan.runs)
        if (run.closet == closet && run.port && run.port->of == of) fed.insert(run.access_point);
    return fed;
}

double link_m(const CablingBook& book, double way_m) { return way_m * (1 + book.slack_share) + book.slack_m; }

double longest_link_m(const CablingBook& book) {
    return std::min(book.most_link_m, book.most_channel_m - book.cords_m);
}

double port_w(const PowerClass& c, double draw_w, double cable_m) {
    const double k = c.loop_ohm * cable_m / 100 / (c.least_v * c.least_v);
    if (k * draw_w < 1e-12) return draw_w;
    const double root = 1 - 4 * k * draw_w;
    // further than the standard reaches: the cable takes half
    return root <= 0 ? 2 * draw_w : (1 - std::sqrt(root)) / (2 * k);
}

CablePlan plan_cables(const Project& project, const CancelToken& cancel) {
    CablePlan plan;
    if (placed_access_points(project).empty()) {
        give_ports(project, plan);
        return plan;
    }
    SiteCables cables(project, cancel);
    plan.closets_are_risers = cables.closets_are_risers();
    for (const Floor* f : all_floors(project)) cables.add_runs(*f, plan.runs);
    give_ports(project, plan);
    for (const CableRun& r : plan.runs) {
        if (!r.closet) continue;
        if (r.outlet) {
            ++plan.outlets_used;
            continue;
        }
        ++plan.new_cables;
        plan.cable_m += r.link_m;
    }
    return plan;
}

}  // namespace yemvo
