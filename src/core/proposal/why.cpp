// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposal/why.h"

#include <algorithm>
#include <cmath>
#include <deque>
#include <map>

#include "base/error.h"
#include "project/edits.h"
#include "proposal/hanging_ground.h"

namespace yemvo {
namespace {

/// Of a share: losing less is the grain of the grid.
constexpr double least_loss = 0.002;

/// What is asked and met at a place, of one band or of all.
double met_at(const RequirementResult& r, const PlaceResult& place, std::optional<BandId> band) {
    if (band) return place.met[band->index];
    return r.share_met(place) * place.asked;
}

void find_where(VerdictLoss& loss, const RequirementResult& before, const RequirementResult& after) {
    double most = 0;
    const auto look = [&](const std::vector<PlaceResult>& of_before,
                          const std::vector<PlaceResult>& of_after) {
        for (const PlaceResult& b : of_before) {
            const auto a = std::ranges::find_if(
                of_after, [&](const PlaceResult& p) { return p.floor == b.floor && p.zone == b.zone; });
            if (a == of_after.end() || b.asked <= 0 || a->asked <= 0) continue;
            const double had = met_at(before, b, loss.band), has = met_at(after, *a, loss.band);
            if (had - has <= most) continue;
            most = had - has;
            loss.floor = b.floor;
            loss.zone = b.zone;
            loss.hour = a->hour;
            loss.share_there = had / b.asked;
            loss.share_there_after = has / a->asked;
        }
    };
    look(before.zones, after.zones);
    if (most <= 0) look(before.floors, after.floors);
    if (loss.hour.empty()) loss.hour = after.site.hour;
}

void find_where(VerdictLoss& loss, const BandResult& before, const BandResult& after) {
    double most = 0;
    for (const ZoneArea& b : before.zones)
        for (const ZoneArea& a : after.zones) {
            if (!(a.floor == b.floor && a.zone == b.zone) || b.met_m2 - a.met_m2 <= most) continue;
            most = b.met_m2 - a.met_m2;
            loss.floor = b.floor;
            loss.zone = b.zone;
            loss.share_there = b.share_met();
            loss.share_there_after = a.share_met();
        }
    if (most > 0) return;
    for (const FloorArea& b : before.floors)
        for (const FloorArea& a : after.floors) {
            if (!(a.floor == b.floor) || b.met_m2 - a.met_m2 <= most) continue;
            most = b.met_m2 - a.met_m2;
            loss.floor = b.floor;
            loss.share_there = b.share_met();
            loss.share_there_after = a.share_met();
        }
}

/// Bands that each have to reach the share; none: the requirement is counted as one.
std::vector<std::optional<BandId>> counted_in(const Requirement& r) {
    if (r.any_band || required_lens(r).counts != RequirementCounts::area) return {std::nullopt};
    std::vector<std::optional<BandId>> out;
    for (const BandId b : r.bands.list()) out.push_back(b);
    return out;
}

/// True where it is a loss.
bool weigh(VerdictLoss& loss) {
    const bool held = loss.share >= loss.share_required - 1e-9;
    loss.fails = held && loss.share_after < loss.share_required - 1e-9;
    return loss.fails || (!held && loss.share_after < loss.share - least_loss);
}

/// Held with so much to spare that a step within a cell does not break it, or no worse than it was.
bool holds_firmly(const Verdict& before, const Verdict& after) {
    const auto firm = [](double share, double share_after, double required) {
        return share < required - 1e-9 || share_after >= std::min(share, required + least_loss) - 1e-9;
    };
    for (const RequirementResult& b : before.requirements) {
        const RequirementResult* a = after.find(b.requirement.id);
        if (!a || !b.asks() || !a->asks()) continue;
        if (!firm(b.share_met(), a->share_met(), b.requirement.share_required)) return false;
    }
    return std::ranges::all_of(before.bands, [&](const BandResult& b) {
        const BandResult* a = after.find(b.band);
        return !a || firm(b.share_met(), a->share_met(), b.share_required);
    });
}

class MovableFinder {
public:
    MovableFinder(const Project& project, AccessPointId id, const ProposalAsk& ask, SiteVerdicts& verdicts,
                  const MovableWish& wish, const CancelToken& cancel,
                  const std::function<void(const MovableArea&)>& so_far)
        : project_(project),
          ask_(ask),
          verdicts_(verdicts),
          wish_(wish),
          cancel_(cancel),
          so_far_(so_far),
          scene_(make_scene(project, scenes_)) {
        for (const PlacedAccessPoint& placed : placed_access_points(project))
            if (placed.access_point->id == id) {
                ap_ = *placed.access_point;
                out_.floor = placed.floor->id;
            }
        if (out_.floor.value == 0)
            throw Error(say("access point %1 is not part of the plan", std::to_string(id.value)));
        out_.from = ap_.position;
    }

    MovableArea found() {
        before_ = verdicts_.of(project_, cancel_).verdict;
        HangingGround ground(project_, scene_, *find_floor(project_, out_.floor), ask_);
        ground_ = &ground;
        search(wish_.step_m);
        if (out_.cells.empty() && out_.is_whole) {
            const std::optional<MovableArea::Break> wide = out_.nearest_break;
            search(wish_.step_m / 2);
            if (!out_.nearest_break) out_.nearest_break = wide;
        }
        return std::move(out_);
    }

private:
    using Node = std::pair<int, int>;
    Point at(Node n) const { return out_.from + Point{n.first * out_.step_m, n.second * out_.step_m}; }

    void search(double step_m) {
        out_.step_m = step_m;
        out_.cells.clear();
        holds_ = {{{0, 0}, true}};
        std::deque<Node> edge{{0, 0}};
        while (!edge.empty()) {
            const Node n = edge.front();
            edge.pop_front();
            for (const auto& [dx, dy] : {Node{1, 0}, {0, 1}, {-1, 0}, {0, -1}}) {
                const Node next{n.first + dx, n.second + dy};
                if (holds_.contains(next)) continue;
                if (distance(at(next), out_.from) > wish_.most_m + 1e-9) continue;
                if (out_.tried >= wish_.most_tries) {
                    out_.is_whole = false;
                    return;
                }
                const bool holds = holds_there(at(next));
                holds_[next] = holds;
                if (!holds) continue;
                edge.push_back(next);
                if (add_cells(next) && so_far_) so_far_(out_);
            }
        }
    }

    bool holds_there(Point p) {
        if (!ground_->may_hang(p)) return false;
        for (const AccessPoint& other : access_points(project_, out_.floor))
            if (!(other.id == ap_.id) && distance(other.position, p) < ask_.apart_m - 1e-9) return false;
        const Verdict after = moved_to(p);
        const std::vector<VerdictLoss> lost = losses(before_, after);
        if (lost.empty()) return holds_firmly(before_, after);
        const double away = distance(p, out_.from);
        if (!out_.nearest_break || away < out_.nearest_break->distance_m)
            out_.nearest_break = MovableArea::Break{p, away, lost.front()};
        return false;
    }

    Verdict moved_to(Point p) {
        ++out_.tried;
        return verdicts_.of(with_access_point_at(project_, out_.floor, ap_.id, p), cancel_).verdict;
    }

    /// Cells of which this was the last corner.
    bool add_cells(Node n) {
        bool any = false;
        for (const int x : {n.first - 1, n.first})
            for (const int y : {n.second - 1, n.second}) {
                const auto is_in = [&](int i, int j) {
                    const auto known = holds_.find({i, j});
                    return known != holds_.end() && known->second;
                };
                if (!is_in(x, y) || !is_in(x + 1, y) || !is_in(x, y + 1) || !is_in(x + 1, y + 1)) continue;
                const Point low = at({x, y}), half{out_.step_m / 2, out_.step_m / 2};
                if (!losses(before_, moved_to(low + half)).empty()) continue;
                out_.cells.push_back(low);
                any = true;
            }
        return any;
    }

    const Project& project_;
    const ProposalAsk& ask_;
    SiteVerdicts& verdicts_;
    const MovableWish& wish_;
    const CancelToken& cancel_;
    const std::function<void(const MovableArea&)>& so_far_;
    SceneCache scenes_{usual_budget_bytes()};
    Scene scene_;
    const HangingGround* ground_ = nullptr;
    AccessPoint ap_;
    Verdict before_;
    std::map<Node, bool> holds_;
    MovableArea out_;
};

}  // namespace

std::vector<VerdictLoss> losses(const Verdict& before, const Verdict& after) {
    std::vector<VerdictLoss> out;
    std::vector<char> band_fails(band_count(), 0);
    for (const RequirementResult& b : before.requirements) {
        const RequirementResult* a = after.find(b.requirement.id);
        if (!a || !b.asks() || !a->asks()) continue;
        for (const std::optional<BandId> band : counted_in(b.requirement)) {
            VerdictLoss loss;
            loss.requirement = b.requirement.id;
            loss.band = band;
            loss.share = band ? b.site.share_met(*band) : b.share_met();
            loss.share_after = band ? a->site.share_met(*band) : a->share_met();
            loss.share_required = b.requirement.share_required;
            if (!weigh(loss)) continue;
            if (band && loss.fails) band_fails[band->index] = 1;
            find_where(loss, b, *a);
            out.push_back(std::move(loss));
        }
    }
    for (const BandResult& b : before.bands) {
        const BandResult* a = after.find(b.band);
        if (!a || b.demanded_m2 <= 0 || band_fails[b.band.index]) continue;
        VerdictLoss loss;
        loss.band = b.band;
        loss.share = b.share_met();
        loss.share_after = a->share_met();
        loss.share_required = b.share_required;
        if (!weigh(loss)) continue;
        find_where(loss, b, *a);
        out.push_back(std::move(loss));
    }
    std::ranges::stable_sort(out, [](const VerdictLoss& x, const VerdictLoss& y) {
        if (x.fails != y.fails) return x.fails;
        return x.share - x.share_after > y.share - y.share_after;
    });
    return out;
}

Project without_access_point(const Project& project, AccessPointId id) {
    Project out = project;
    for (const PlacedAccessPoint& placed : placed_access_points(project))
        if (placed.access_point->id == id) remove_access_point(out, placed.floor->id, id);
    return out;
}

Project with_access_point_at(const Project& project, FloorId floor, AccessPointId id, Point to) {
    Project out = project;
    AccessPoint ap = *find_access_point(project, floor, id);
    ap.position = to;
    replace_access_point(out, floor, ap);
    return out;
}

bool MovableArea::contains(Point p) const {
    return std::ranges::any_of(cells, [&](Point low) {
        return p.x >= low.x && p.y >= low.y && p.x <= low.x + step_m && p.y <= low.y + step_m;
    });
}

MovableArea movable_area(const Project& project, AccessPointId id, const ProposalAsk& ask,
                         SiteVerdicts& verdicts, const MovableWish& wish, const CancelToken& cancel,
                         const std::function<void(const MovableArea&)>& so_far) {
    return MovableFinder(project, id, ask, verdicts, wish, cancel, so_far).found();
}

}  // namespace yemvo
