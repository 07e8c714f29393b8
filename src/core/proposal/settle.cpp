// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposal/settle.h"

#include <algorithm>
#include <cmath>
#include <numeric>

#include "project/edits.h"
#include "proposal/verdict_lack.h"
#include "proposal/why.h"
#include "tuning/permits.h"
#include "wireless/spectrum.h"

namespace yemvo {
namespace {

/// A metre up or down counts as so many along the floor.
constexpr double storey_away = 2.5;
constexpr double first_step_m = 4, last_step_m = 0.9;

/// Nothing of another building is near.
double away_m(const Project& p, FloorId a, FloorId b, Point from, Point to) {
    if (a == b) return distance(from, to);
    const Floor &lower = *find_floor(p, a), &upper = *find_floor(p, b);
    if (&building_with(p, a) != &building_with(p, b)) return 1e9;
    return distance(from, to) + std::abs(upper.elevation_m - lower.elevation_m) * storey_away;
}

/// In eight directions, in whole centimetres.
std::array<Point, 8> places_round(Point at, double away_m, double turned = 0) {
    std::array<Point, 8> out;
    for (std::size_t i = 0; i < out.size(); ++i) {
        const double angle = double(i) * 3.14159265358979 / 4 + turned;
        out[i] = at + Point{std::round(100 * away_m * std::cos(angle)) / 100,
                            std::round(100 * away_m * std::sin(angle)) / 100};
    }
    return out;
}

}  // namespace

PlanSettler::PlanSettler(const Project& project, const ProposalAsk& ask, const AskedPart& part,
                         Predictor& predictor, Limits limits, const CancelToken& cancel)
    : project_(project),
      ask_(ask),
      trials_(predictor, part, cancel),
      limits_(std::move(limits)),
      cancel_(cancel),
      scene_(make_scene(project, *predictor.store().scenes())) {}

const HangingGround& PlanSettler::ground(FloorId id) {
    const auto known = grounds_.find(id);
    if (known != grounds_.end()) return known->second;
    return grounds_.emplace(id, HangingGround(project_, scene_, *find_floor(project_, id), ask_))
        .first->second;
}

std::vector<PlanSettler::Movable> PlanSettler::movable(const HungPlan& plan) const {
    std::vector<Movable> out;
    for (const ProposalMove& m : plan.moves)
        if (m.kind != MoveKind::removed && limits_.may_move(m.access_point))
            out.push_back({m.access_point, m.floor, m.to});
    return out;
}

std::vector<PlanSettler::Movable> PlanSettler::round(const HungPlan& plan, FloorId floor, Point at,
                                                     std::size_t most) const {
    constexpr double within_m = 30;
    std::vector<Movable> out = movable(plan);
    const auto away = [&](const Movable& m) { return away_m(project_, floor, m.floor, at, m.at); };
    std::erase_if(out, [&](const Movable& m) { return away(m) > within_m; });
    std::ranges::stable_sort(out, {}, away);
    if (out.size() > most) out.resize(most);
    return out;
}

bool PlanSettler::may_hang(const HungPlan& plan, const Movable& m, Point p) {
    return ground(m.floor).may_hang(p) && limits_.may_be_at(m.id, p) &&
           std::ranges::none_of(access_points(plan.project, m.floor), [&](const AccessPoint& other) {
               return !(other.id == m.id) && distance(other.position, p) < ask_.apart_m - 1e-9;
           });
}

HungPlan PlanSettler::moved(const HungPlan& plan, AccessPointId id, Point to) const {
    HungPlan out = plan;
    move_in_plan(out, id, to);
    return out;
}

bool PlanSettler::descend(SettledPlan& plan, std::vector<Movable> who, int& tries) {
    constexpr double gain = 1e-6;
    const double turned = 0.2 * double(ask_.seed - 1);  // another seed tries other places
    double lacks = plan.lacks();
    for (double step_m = first_step_m; step_m >= last_step_m && lacks > 0;) {
        bool any = false;
        for (Movable& m : who) {
            std::vector<Point> places;
            for (const Point& to : places_round(m.at, step_m, turned))
                if (may_hang(plan.hung, m, to)) places.push_back(to);
            tries -= static_cast<int>(places.size());
            const auto at = [&](std::size_t i) { return std::optional(moved(plan.hung, m.id, places[i])); };
            if (auto better = trials_.best(places.size(), at, lacks - gain)) {
                plan = std::move(*better);
                lacks = plan.lacks();
                m.at = find_access_point(plan.hung.project, m.floor, m.id)->position;
                any = true;
            }
            if (lacks <= 0) return true;
            if (tries <= 0 || limits_.is_over()) return false;
        }
        if (!any) step_m /= 2;
    }
    return lacks <= 0;
}

std::optional<SettledPlan> PlanSettler::fewer(const SettledPlan& plan,
                                              const std::function<void(const SettledPlan&)>& found) {
    constexpr double hopeless = 0.35;  // of shares
    constexpr int tries_each = 160;
    SettledPlan best = plan;
    bool any = false;
    const auto without = [&](AccessPointId id) {
        HungPlan out = best.hung;
        take_out_of_plan(out, id);
        return out;
    };
    const auto take = [&](SettledPlan fewer) {
        best = std::move(fewer);
        any = true;
        if (found) found(best);
    };
    std::vector<Movable> all = movable(plan.hung);
    std::erase_if(all, [&](const Movable& m) { return !limits_.may_go(m.id); });
    const std::vector<double> lacks =
        trials_.lacks(all.size(), [&](std::size_t i) { return std::optional(without(all[i].id)); });
    std::vector<std::size_t> order(all.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    std::ranges::stable_sort(order, {}, [&](std::size_t i) { return lacks[i]; });
    for (const std::size_t i : order) {
        if (limits_.is_over() || lacks[i] > hopeless) break;
        SettledPlan trial = trials_.judged(without(all[i].id));
        int tries = tries_each;
        if (trial.lacks() <= 0 || descend(trial, round(trial.hung, all[i].floor, all[i].at, 6), tries))
            take(std::move(trial));
    }
    if (!any) return {};
    return best;
}

std::optional<SettledPlan> PlanSettler::merged(const SettledPlan& plan,
                                               const std::vector<ProposalCandidate>& candidates) {
    constexpr double near_m = 18, hopeless = 0.6;
    constexpr int tries_each = 120;
    std::vector<Movable> all = movable(plan.hung);
    std::erase_if(all, [&](const Movable& m) { return !limits_.may_go(m.id); });
    std::vector<std::pair<Movable, Movable>> pairs;
    for (std::size_t i = 0; i < all.size(); ++i)
        for (std::size_t k = i + 1; k < all.size(); ++k)
            if (away_m(project_, all[i].floor, all[k].floor, all[i].at, all[k].at) < near_m)
                pairs.push_back({all[i], all[k]});
    const auto without = [&](std::size_t i) {
        std::optional<HungPlan> out = plan.hung;
        take_out_of_plan(*out, pairs[i].first.id);
        take_out_of_plan(*out, pairs[i].second.id);
        return out;
    };
    const std::vector<double> lacks = trials_.lacks(pairs.size(), without);
    std::vector<std::size_t> order(pairs.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    std::ranges::stable_sort(order, {}, [&](std::size_t i) { return lacks[i]; });
    for (const std::size_t i : order) {
        if (limits_.is_over() || lacks[i] > hopeless) break;
        auto trial = one_more(trials_.judged(*without(i)), candidates);
        if (!trial) continue;
        const Movable& m = pairs[i].first;
        int tries = tries_each;
        if (trial->lacks() <= 0 || descend(*trial, round(trial->hung, m.floor, m.at, 6), tries)) return trial;
    }
    return {};
}

std::optional<SettledPlan> PlanSettler::moved_better(const SettledPlan& plan, int most_tries) {
    constexpr std::size_t most_who = 8;
    const std::optional<Need> where = need(plan);
    if (!where) return {};
    SettledPlan out = plan;
    descend(out, round(plan.hung, where->floor, where->at, most_who), most_tries);
    if (out.lacks() < plan.lacks() - 1e-6) return out;
    return {};
}

std::optional<PlanSettler::Need> PlanSettler::need(const SettledPlan& plan) const {
    std::optional<Need> most;
    const auto add = [&](FloorId floor, Point at, double share) {
        if (share > 1e-9 && (!most || share > most->share)) most = Need{floor, at, share};
    };
    for (const RequirementResult& r : plan.part.requirements) {
        if (!r.asks() || r.met()) continue;
        if (plan.judged.capacity && required_lens(r.requirement).counts == RequirementCounts::radios) {
            for (const HourCapacity& hour : plan.judged.capacity->hours)
                for (const RadioCapacity& radio : hour.radios) {
                    if (std::ranges::find(r.floors, radio.radio.floor, &PlaceResult::floor) == r.floors.end())
                        continue;  // none of those that are asked about
                    if (const AccessPoint* ap =
                            find_access_point(plan.hung.project, radio.radio.floor, radio.radio.access_point))
                        add(radio.radio.floor, ap->position, overload_beyond(r.requirement, radio));
                }
            continue;
        }
        for (const PlaceResult& z : r.zones)
            if (z.worst)
                add(z.floor, z.worst->place,
                    (r.requirement.share_required - r.share_met(z)) * z.asked / r.site.asked);
        for (const PlaceResult& f : r.floors)
            if (f.worst && r.zones.empty())
                add(f.floor, f.worst->place,
                    (r.requirement.share_required - r.share_met(f)) * f.asked / r.site.asked);
    }
    for (const BandResult& b : plan.part.bands) {
        if (b.share_met() >= b.share_required - 1e-9) continue;
        for (const ZoneArea& z : b.zones)
            if (const Zone* zone = find_zone(*find_floor(project_, z.floor), z.zone))
                add(z.floor, centroid(zone->outline),
                    (b.share_required - z.share_met()) * z.demanded_m2 / b.demanded_m2);
    }
    return most;
}

/// As wide as most in the plan.
static int usual_width_mhz(const std::vector<PlacedAccessPoint>& all, BandId band) {
    std::map<int, int> count;
    for (const PlacedAccessPoint& placed : all)
        for (const Radio& r : placed.access_point->radios)
            if (r.on && r.channel.band == band) ++count[r.channel.width_mhz];
    const auto most = std::ranges::max_element(count, {}, [](const auto& c) { return c.second; });
    return most == count.end() ? 20 : most->first;
}

double PlanSettler::nearest_user_m(const HungPlan& plan, FloorId floor, Point at,
                                   const Channel& channel) const {
    double nearest = 1e9;
    for (const PlacedAccessPoint& other : placed_access_points(plan.project))
        for (const Radio& r : other.access_point->radios)
            if (r.on && r.channel.band == channel.band && overlap(r.channel, channel) > 0)
                nearest = std::min(
                    nearest, away_m(project_, floor, other.floor->id, at, other.access_point->position));
    return nearest;
}

void PlanSettler::on_far_channels(const HungPlan& plan, FloorId floor, AccessPoint& ap) const {
    const Place place = place_of(scene_, *find_floor(project_, floor), ap);
    const auto placed = placed_access_points(plan.project);
    for (std::size_t i = 0; i < ap.radios.size(); ++i) {
        Radio& mine = ap.radios[i];
        if (!mine.on || mine.locked) continue;
        const BandId band = mine.channel.band;
        const int width = usual_width_mhz(placed, band);
        double furthest = -1;
        for (const OpenChannel& open : open_channels(project_, place, ap, i, width)) {
            const Channel& c = open.permit.channel;
            const bool usual = c.width_mhz == width && !radar_seen_on(project_, c) &&
                               (!(band == band_24) || (c.number - 1) % 5 == 0);
            const double away = usual ? nearest_user_m(plan, floor, ap.position, c) : -1;
            if (away <= furthest) continue;
            furthest = away;
            mine.channel = c;
            mine.primary = open.primary;
        }
    }
}

std::optional<SettledPlan> PlanSettler::one_more(const SettledPlan& plan,
                                                 const std::vector<ProposalCandidate>& candidates) {
    constexpr std::size_t most_tried = 48;
    const std::optional<Need> where = need(plan);
    if (!where) return {};
    std::vector<const ProposalCandidate*> there;
    for (const ProposalCandidate& c : candidates)
        // another place of what may move a little is none for a new one
        if (c.floor == where->floor && c.of.value == 0 &&
            may_hang(plan.hung, {AccessPointId{}, c.floor, {}}, c.access_point.position))
            there.push_back(&c);
    std::ranges::stable_sort(
        there, {}, [&](const ProposalCandidate* c) { return distance(c->access_point.position, where->at); });
    if (there.size() > most_tried) there.resize(most_tried);
    const auto with = [&](std::size_t i) {
        ProposalCandidate c = *there[i];
        on_far_channels(plan.hung, c.floor, c.access_point);
        std::optional<HungPlan> out = plan.hung;
        add_to_plan(*out, c);
        return out;
    };
    return trials_.best(there.size(), with, plan.lacks() - 1e-6);
}

/// Moved where that loses nothing.
bool PlanSettler::takes_place(SettledPlan& plan, const Movable& m, Point to) {
    if (!may_hang(plan.hung, m, to)) return false;
    SettledPlan trial = trials_.judged(moved(plan.hung, m.id, to));
    if (!losses(plan.part, trial.part).empty()) return false;
    plan = std::move(trial);
    return true;
}

SettledPlan PlanSettler::tidied(SettledPlan plan) {
    polish(plan);
    straighten(plan);
    return plan;
}

double PlanSettler::neighbour_m(const HungPlan& plan, const Movable& m, Point at) const {
    double nearest = 1e9;
    for (const AccessPoint& other : access_points(plan.project, m.floor))
        if (!(other.id == m.id)) nearest = std::min(nearest, distance(other.position, at));
    return nearest;
}

/// What is in hand, less what access points that hang near each other cost: as many share the air, and an
/// engineer would not draw them.
double PlanSettler::comfort(const SettledPlan& plan) const {
    constexpr double near_m = 7, crowding = 0.01;
    double sum = in_hand(plan.part);
    for (const Movable& m : movable(plan.hung))
        sum -= crowding * std::max(0.0, 1 - neighbour_m(plan.hung, m, m.at) / near_m);
    return sum;
}

void PlanSettler::polish(SettledPlan& plan) {
    constexpr double worth = 2e-4, beyond = 1e3;
    const auto score = [&](const SettledPlan& p) { return beyond * p.lacks() - comfort(p); };
    double now = score(plan);
    for (const double step_m : {2.5, 1.2}) {
        bool any = true;
        for (int sweep = 0; sweep < 3 && any; ++sweep) {
            any = false;
            for (const Movable& m : movable(plan.hung)) {
                if (limits_.is_over()) return;
                std::vector<Point> places;
                for (const Point& to : places_round(m.at, step_m))
                    if (may_hang(plan.hung, m, to)) places.push_back(to);
                const auto at = [&](std::size_t i) {
                    return std::optional(moved(plan.hung, m.id, places[i]));
                };
                auto better = trials_.best(places.size(), at, now - worth, score);
                if (!better) continue;
                plan = std::move(*better);
                now = score(plan);
                any = true;
            }
        }
    }
}

void PlanSettler::straighten(SettledPlan& plan) {
    constexpr double near_m = 25, out_of_line_m = 1.6;
    for (const Movable& mine : movable(plan.hung)) {
        for (const bool along_x : {true, false}) {
            if (limits_.is_over()) return;
            Movable m = mine;
            m.at = find_access_point(plan.hung.project, m.floor, m.id)->position;
            std::vector<Movable> others = movable(plan.hung);
            std::erase_if(others, [&](const Movable& o) {
                const double off = along_x ? std::abs(o.at.x - m.at.x) : std::abs(o.at.y - m.at.y);
                return o.id == m.id || !(o.floor == m.floor) || distance(o.at, m.at) > near_m ||
                       off > out_of_line_m || off < 1e-6;
            });
            std::ranges::stable_sort(others, {}, [&](const Movable& o) { return distance(o.at, m.at); });
            for (std::size_t i = 0; i < std::min<std::size_t>(others.size(), 2); ++i)
                if (takes_place(plan, m,
                                along_x ? Point{others[i].at.x, m.at.y} : Point{m.at.x, others[i].at.y}))
                    break;
        }
    }
}

}  // namespace yemvo
