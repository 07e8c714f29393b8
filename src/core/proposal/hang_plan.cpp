// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposal/hang_plan.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "base/error.h"
#include "project/edits.h"

namespace yemvo {
namespace {

struct Pair {
    double distance_m;
    std::size_t gone, come;
};

class Hanger {
public:
    Hanger(const Project& project, const SiteCover& cover, const CoverPlan& plan) {
        out_.project = project;
        for (const std::uint32_t c : plan) taken_.insert(c);
        for (std::uint32_t c = 0; c < cover.candidates.size(); ++c) {
            const ProposalCandidate& candidate = cover.candidates[c];
            if (candidate.stands) highest_ = std::max(highest_, candidate.access_point.number);
            const bool in = taken_.contains(c);
            if (candidate.stands && in) stay_.push_back(candidate);
            if (candidate.stands && !in) go_.push_back(candidate);
            if (!candidate.stands && in) come_.push_back(candidate);
        }
        reading_order();
    }

    HungPlan hung(const std::vector<FloorId>& asked, double moves_within_m) {
        for (Variant& v : out_.project.variants)
            if (v.id == out_.project.variant)
                for (auto& [floor, list] : v.access_points) list = {};
        for (const ProposalCandidate& c : stay_) {
            put(c.floor, c.access_point);
            if (std::ranges::count(asked, c.floor) > 0)
                note(MoveKind::stays, c.floor, c.access_point, c.access_point.position);
        }
        move_them(moves_within_m);
        add_them();
        for (std::size_t i = 0; i < go_.size(); ++i)
            if (!replaced_.contains(i))
                note(MoveKind::removed, go_[i].floor, go_[i].access_point, go_[i].access_point.position);
        std::map<FloorId, int> order;
        for (const Floor* f : all_floors(out_.project)) order[f->id] = int(order.size());
        std::ranges::stable_sort(out_.moves, {},
                                 [&](const ProposalMove& m) { return std::pair(order[m.floor], m.number); });
        return std::move(out_);
    }

private:
    /// Rows of about 3 m from above, each from left to right.
    void reading_order() {
        std::ranges::stable_sort(come_, {}, [](const ProposalCandidate& c) {
            const Point p = c.access_point.position;
            return std::tuple(c.floor.value, std::lround(-p.y / 3), p.x);
        });
    }

    /// What may move a little stays itself.
    void move_within_reach() {
        for (std::size_t g = 0; g < go_.size(); ++g)
            for (std::size_t k = 0; k < come_.size(); ++k)
                if (come_[k].of.value != 0 && come_[k].of == go_[g].access_point.id) take_over(g, k);
    }

    void take_over(std::size_t gone, std::size_t come) {
        replaced_.insert(gone);
        placed_.insert(come);
        AccessPoint ap = come_[come].access_point;
        const AccessPoint& before = go_[gone].access_point;
        ap.id = before.id;
        ap.number = before.number;
        ap.source = before.model == ap.model ? before.source : ap.source;
        put(come_[come].floor, ap);
        note(MoveKind::moved, come_[come].floor, ap, before.position);
    }

    void move_them(double within_m) {
        move_within_reach();
        std::vector<Pair> pairs;
        for (std::size_t g = 0; g < go_.size(); ++g)
            for (std::size_t k = 0; k < come_.size(); ++k) {
                if (go_[g].floor != come_[k].floor) continue;
                const double d = distance(go_[g].access_point.position, come_[k].access_point.position);
                if (d <= within_m) pairs.push_back({d, g, k});
            }
        std::ranges::stable_sort(pairs, {}, &Pair::distance_m);
        for (const Pair& p : pairs) {
            if (replaced_.contains(p.gone) || placed_.contains(p.come)) continue;
            take_over(p.gone, p.come);
        }
    }

    void add_them() {
        for (std::size_t k = 0; k < come_.size(); ++k) {
            if (placed_.contains(k)) continue;
            AccessPoint ap = come_[k].access_point;
            ap.id = AccessPointId{out_.project.next_id++};
            ap.number = ++highest_;
            put(come_[k].floor, ap);
            note(MoveKind::added, come_[k].floor, ap, ap.position);
        }
    }

    void put(FloorId floor, const AccessPoint& ap) {
        for (Variant& v : out_.project.variants)
            if (v.id == out_.project.variant) v.access_points[floor].edit().push_back(ap);
    }

    void note(MoveKind kind, FloorId floor, const AccessPoint& ap, Point from) {
        out_.moves.push_back({kind, floor, ap.id, ap.number, from, ap.position, ap.model});
    }

    HungPlan out_;
    int highest_ = 0;  ///< number; one that goes is not given to another
    std::set<std::uint32_t> taken_;
    std::vector<ProposalCandidate> stay_, go_, come_;
    std::set<std::size_t> replaced_, placed_;
};

}  // namespace

std::string_view move_kind_name(MoveKind kind) {
    static constexpr std::string_view names[] = {"stays", "moved", "added", "removed"};
    return names[static_cast<int>(kind)];
}

/// Of what hangs in the plan.
static std::vector<ProposalMove>::iterator move_of(HungPlan& plan, AccessPointId id) {
    return std::ranges::find_if(plan.moves, [&](const ProposalMove& m) {
        return m.access_point == id && m.kind != MoveKind::removed;
    });
}

void move_in_plan(HungPlan& plan, AccessPointId id, Point to) {
    ProposalMove& m = *move_of(plan, id);
    AccessPoint ap = *find_access_point(plan.project, m.floor, id);
    ap.position = to;
    replace_access_point(plan.project, m.floor, ap);
    m.to = to;
    if (m.kind == MoveKind::added)
        m.from = to;
    else if (!(m.from == to))
        m.kind = MoveKind::moved;
}

void take_out_of_plan(HungPlan& plan, AccessPointId id) {
    const auto m = move_of(plan, id);
    remove_access_point(plan.project, m->floor, id);
    if (m->kind == MoveKind::added) {
        plan.moves.erase(m);
        return;
    }
    m->kind = MoveKind::removed;
    m->to = m->from;
}

AccessPointId add_to_plan(HungPlan& plan, const ProposalCandidate& candidate) {
    AccessPoint ap = candidate.access_point;
    const auto gone = std::ranges::find_if(plan.moves, [&](const ProposalMove& m) {
        return candidate.stands && m.kind == MoveKind::removed && m.access_point == ap.id;
    });
    ProposalMove move{MoveKind::added, candidate.floor, ap.id, ap.number, ap.position, ap.position, ap.model};
    if (gone != plan.moves.end()) {
        gone->kind = MoveKind::stays;
    } else {
        move.access_point = ap.id = AccessPointId{plan.project.next_id++};
        move.number = 0;
        for (const ProposalMove& m : plan.moves) move.number = std::max(move.number, m.number);
        for (const PlacedAccessPoint& placed : placed_access_points(plan.project))
            move.number = std::max(move.number, placed.access_point->number);
        ap.number = ++move.number;
        // after the others of its floor
        const auto after = std::ranges::find_if(plan.moves.rbegin(), plan.moves.rend(),
                                                [&](const ProposalMove& m) { return m.floor == move.floor; });
        plan.moves.insert(after == plan.moves.rend() ? plan.moves.end() : after.base(), move);
    }
    for (Variant& v : plan.project.variants)
        if (v.id == plan.project.variant) v.access_points[candidate.floor].edit().push_back(ap);
    return ap.id;
}

void take_plan(Project& p, const HungPlan& plan, const std::set<FloorId>& floors) {
    const bool same_variant = p.variant == plan.project.variant;
    std::set<AccessPointId> known;
    for (const PlacedAccessPoint& placed : placed_access_points(p)) known.insert(placed.access_point->id);
    for (Variant& v : p.variants) {
        if (!(v.id == p.variant)) continue;
        for (const FloorId floor : floors) {
            std::vector<AccessPoint> list = access_points(plan.project, floor);
            // ids that the proposal gave may have gone to something else since
            for (AccessPoint& ap : list)
                if (!same_variant || !known.contains(ap.id)) ap.id = AccessPointId{p.next_id++};
            v.access_points[floor] = std::move(list);
        }
    }
}

AccessPointId take_move(Project& p, const HungPlan& plan, AccessPointId id) {
    const auto move = std::ranges::find(plan.moves, id, &ProposalMove::access_point);
    if (move == plan.moves.end())
        throw Error(say("the proposal has no access point %1", std::to_string(id.value)));
    if (move->kind == MoveKind::removed) {
        remove_access_point(p, move->floor, id);
        return id;
    }
    AccessPoint ap = *find_access_point(plan.project, move->floor, id);
    if (move->kind != MoveKind::added) {
        replace_access_point(p, move->floor, ap);
        return id;
    }
    ap.id = AccessPointId{p.next_id++};
    for (Variant& v : p.variants)
        if (v.id == p.variant) v.access_points[move->floor].edit().push_back(ap);
    return ap.id;
}

HungPlan with_taken(HungPlan plan, AccessPointId id, AccessPointId is) {
    const auto move = std::ranges::find(plan.moves, id, &ProposalMove::access_point);
    if (move == plan.moves.end()) return plan;
    if (move->kind == MoveKind::removed) {
        plan.moves.erase(move);
        return plan;
    }
    for (Variant& v : plan.project.variants)
        if (v.id == plan.project.variant)
            for (AccessPoint& ap : v.access_points[move->floor].edit())
                if (ap.id == id) ap.id = is;
    move->kind = MoveKind::stays;
    move->access_point = is;
    move->from = move->to;
    return plan;
}

HungPlan hang_plan(const Project& project, const SiteCover& cover, const CoverPlan& plan,
                   const std::vector<FloorId>& asked, double moves_within_m) {
    return Hanger(project, cover, plan).hung(asked, moves_within_m);
}

}  // namespace yemvo
