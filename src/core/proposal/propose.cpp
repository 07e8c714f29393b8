// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposal/propose.h"

#include <algorithm>
#include <atomic>
#include <chrono>
#include <cmath>
#include <future>
#include <set>

#include "base/error.h"
#include "capacity/site_verdicts.h"
#include "project/edits.h"
#include "proposal/cover_bound.h"
#include "proposal/cover_search.h"
#include "tuning/known_site.h"
#include "tuning/retune.h"

namespace yemvo {
namespace {

using Clock = std::chrono::steady_clock;

/// A plan hung, tuned and judged.
struct Judged {
    CoverPlan plan;
    double cost = 0;
    HungPlan hung;
    Verdict verdict;
    std::shared_ptr<const SiteCapacity> capacity;
    /// Requirements that fail and bands in which they do not hold together, then by how much of what is
    /// asked, then the cost: less is better.
    std::tuple<int, double, double> rank() const {
        double lacks = 0;
        for (const RequirementResult& r : verdict.requirements)
            if (r.asks()) lacks += std::max(0.0, r.requirement.share_required - r.share_met());
        for (const BandResult& b : verdict.bands) lacks += std::max(0.0, b.share_required - b.share_met());
        return {failing(), std::round(lacks * 500), cost};
    }
    int failing() const {
        return verdict.not_met() +
               static_cast<int>(std::ranges::count_if(verdict.bands, [](const BandResult& b) {
                   return b.share_met() < b.share_required - 1e-9;
               }));
    }
};

/// The bound on its way, on a thread of its own.
class BoundInTheBack {
public:
    BoundInTheBack(const CoverProblem& problem, const ProposalAsk& ask) : problem_(problem) {
        wish_.seconds = ask.seconds;
        wish_.whole_counts = ask.goal == ProposalGoal::count;
        wish_.better = [this](double cost) { cost_ = cost; };
        result_ = std::async(std::launch::async, [this] { return bound_cover(problem_, wish_, cancel_); });
    }
    ~BoundInTheBack() { cancel_.cancel(); }
    double cost() const { return cost_; }
    /// Waits so long at most before it is stopped.
    CoverBound take(double seconds) {
        result_.wait_for(std::chrono::duration<double>(std::max(0.0, seconds)));
        cancel_.cancel();
        return result_.get();
    }

private:
    CoverProblem problem_;
    BoundWish wish_;
    CancelToken cancel_;
    std::atomic<double> cost_ = 0;
    std::future<CoverBound> result_;  ///< last: it is waited for before the others go
};

class Proposer {
public:
    Proposer(const Project& project, Predictor& predictor, const ProposalAsk& ask, const CancelToken& cancel,
             const std::function<void(const Proposal&)>& better,
             const std::function<void(const ProposalStand&)>& stand)
        : project_(project),
          predictor_(predictor),
          ask_(ask),
          cancel_(cancel),
          better_(better),
          stand_(stand),
          verdicts_(predictor),
          asked_(floors_asked(project, ask)) {}

    Proposal run() {
        look_at_site();
        for (const CoverGroup& g : cover_.problem.groups) first_needs_.push_back(g.need);
        BoundInTheBack bound(cover_.problem, ask_);
        bound_ = &bound;
        try {
            search_and_judge();
            if (!is_over()) try_without_each();
            if (!is_over()) search_longer();
            if (!is_over()) try_without_each();
        } catch (const Cancelled&) {
            if (!best_) throw;  // else the best so far is the answer
        }
        finish(bound);
        bound_ = nullptr;
        return std::move(out_);
    }

private:
    double seconds() const { return std::chrono::duration<double>(Clock::now() - begin_).count(); }
    bool is_over() const { return cancel_.cancelled() || seconds() > ask_.seconds; }

    void look_at_site() {
        const KnownSite now = know_site(project_, predictor_, cancel_);
        out_.before = now.verdict;
        out_.goal = ask_.goal;
        cover_ = site_cover(project_, predictor_, ask_, grid_for(asked_.size()), cancel_);
        for (std::uint32_t c = 0; c < cover_.candidates.size(); ++c) {
            if (!cover_.candidates[c].stands) {
                ++out_.candidates;
                continue;
            }
            if (std::ranges::count(asked_, cover_.candidates[c].floor) == 0) continue;
            ++out_.access_points_before;
            out_.cost_before += cover_.problem.columns[c].cost;
        }
        out_.cell_m = cover_.cell_m;
        note_limits();
    }

    void note_limits() {
        for (std::size_t g = 0; g < cover_.subjects.size(); ++g) {
            if (cover_.beyond_reach[g] == 0) continue;
            const CoverSubject& s = cover_.subjects[g];
            out_.notes.push_back(say(
                "%1 on %2: %3 of the places asked for are beyond the reach of every candidate place",
                requirement_name(*find_requirement(project_, s.requirement)),
                floor_title(project_, *find_floor(project_, s.floor)),
                say("%1 %", said_figure(100.0 * cover_.beyond_reach[g] / cover_.problem.groups[g].rows, 1))));
        }
    }

    void search_and_judge() {
        constexpr int most_rounds = 16;
        CoverPlan plan;
        for (int round = 0; round < most_rounds && (!best_ || !is_over()); ++round) {
            CoverWish wish;
            wish.seed = ask_.seed + std::uint64_t(round);
            wish.tries = 60'000;
            wish.failures = 1;
            wish.seconds = std::max(0.5, ask_.seconds - seconds());
            wish.good_enough = [this] { return bound_->cost(); };
            wish.better = [&](const CoverPlan& p) { tell_cover(p); };
            plan = search_cover(cover_.problem, wish, cancel_, round == 0 ? nullptr : &plan);
            if (cancel_.cancelled() && best_) return;
            Judged judged = judge_plan(plan);
            const bool whole = judged.failing() == 0;
            const bool asks_more = !whole && ask_for_more(judged);
            keep(std::move(judged));
            if (whole || !asks_more) return;
        }
    }

    /// What the best plan covers does; what the first asked for did not. Between the two the search looks for
    /// cheaper plans, and the verdict says which end moves.
    void search_longer() {
        constexpr int most_rounds = 10;
        std::vector<std::uint32_t> fails = first_needs_;
        for (int round = 0; round < most_rounds && !is_over(); ++round) {
            if (best_->cost <= bound_->cost() + 1e-9) return;
            const std::vector<std::uint32_t> does = covered_rows(cover_.problem, best_->plan);
            bool any_between = false;
            for (std::size_t g = 0; g < does.size(); ++g) {
                const std::uint32_t low = std::min(fails[g], does[g]);
                cover_.problem.groups[g].need = low + (does[g] - low) / 2;
                any_between = any_between || does[g] > low + 1;
            }
            CoverWish wish;
            wish.seed = ask_.seed + 1000 + std::uint64_t(round);
            wish.seconds = std::max(0.5, 0.5 * (ask_.seconds - seconds()));
            wish.tries = 250'000;
            wish.failures = 3;
            wish.good_enough = [this] { return bound_->cost(); };
            const CoverPlan plan = search_cover(cover_.problem, wish, cancel_, &best_->plan);
            if (cancel_.cancelled()) return;
            const bool cheaper = cost_of(cover_.problem, plan) < best_->cost - 1e-9;
            Judged judged = cheaper ? judge_plan(plan) : Judged();
            if (cheaper && judged.rank() < best_->rank())
                keep(std::move(judged));
            else if (cheaper)  // it asked for too little
                for (std::size_t g = 0; g < fails.size(); ++g)
                    fails[g] = std::max(fails[g], cover_.problem.groups[g].need);
            else if (!any_between)
                return;
            else  // it asked for too much: nearer to what failed
                for (std::size_t g = 0; g < fails.size(); ++g)
                    fails[g] = fails[g] > first_needs_[g] / 50 ? fails[g] - first_needs_[g] / 50 : 0;
        }
    }

    /// Takes out what the verdict does not miss, dearest places first; channels stay as they are meanwhile.
    void try_without_each() {
        std::set<std::uint32_t> needed;
        for (;;) {
            if (is_over() || best_->cost <= bound_->cost() + 1e-9) return;
            std::optional<std::uint32_t> out;
            std::uint64_t least = 0;
            for (const std::uint32_t c : best_->plan) {
                if (cover_.problem.columns[c].fixed || needed.contains(c)) continue;
                CoverPlan without = best_->plan;
                std::erase(without, c);
                const std::uint64_t missed = rows_short(cover_.problem, without);
                if (!out || missed < least) {
                    out = c;
                    least = missed;
                }
            }
            // far from enough: nothing that the finer grid could make up for
            if (!out || least > cover_.problem.rows() / 100 + 3) return;
            needed.insert(*out);
            CoverPlan without = best_->plan;
            std::erase(without, *out);
            Judged judged = judge_as_tuned(without);
            if (judged.rank() < best_->rank()) keep(std::move(judged));
        }
    }

    /// With the settings that the best plan has at the same places: quick enough to try many.
    Judged judge_as_tuned(const CoverPlan& plan) {
        Judged out;
        out.plan = plan;
        out.cost = cost_on_floors(plan);
        out.hung = hang_plan(project_, cover_, plan, asked_);
        for (const ProposalMove& m : out.hung.moves) {
            if (m.kind == MoveKind::removed) continue;
            const auto& tuned = access_points(best_->hung.project, m.floor);
            const auto same = std::ranges::find(tuned, m.to, &AccessPoint::position);
            if (same == tuned.end()) continue;
            AccessPoint ap = *find_access_point(out.hung.project, m.floor, m.access_point);
            ap.radios = same->radios;
            replace_access_point(out.hung.project, m.floor, ap);
        }
        SiteVerdict site = verdicts_.of(out.hung.project, cancel_);
        out.verdict = std::move(site.verdict);
        out.capacity = std::move(site.capacity);
        return out;
    }

    std::size_t hang_in(const ServedPlace& place, const CoverPlan& plan) const {
        const Zone& zone = *find_zone(*find_floor(project_, place.floor), place.zone);
        return static_cast<std::size_t>(std::ranges::count_if(plan, [&](std::uint32_t c) {
            return cover_.candidates[c].floor == place.floor &&
                   contains(zone.outline, cover_.candidates[c].access_point.position);
        }));
    }

    Judged judge_plan(const CoverPlan& plan) {
        Judged out;
        out.plan = plan;
        out.cost = cost_on_floors(plan);
        out.hung = hang_plan(project_, cover_, plan, asked_);
        KnownSite site = know_site(out.hung.project, predictor_, cancel_);
        RetuneAsk ask;
        ask.seed = ask_.seed;
        ask.seconds = std::clamp((ask_.seconds - seconds()) / 10, 0.3, 4.0);
        for (const ProposalMove& m : out.hung.moves)
            if (m.kind != MoveKind::removed && !is_locked(m.access_point)) ask.only.push_back(m.access_point);
        if (!ask.only.empty()) {
            const RetuneResult tuned =
                Retuning(out.hung.project, site.scene, site.hearing, site.capacity.get(), ask, {}, &site.room)
                    .run(cancel_);
            make_changes(out.hung.project, tuned.changes);
            site = know_site(out.hung.project, predictor_, cancel_);
        }
        out.verdict = std::move(site.verdict);
        out.capacity = std::move(site.capacity);
        return out;
    }

    bool is_locked(AccessPointId id) const {
        if (std::ranges::count(ask_.locked, id) > 0) return true;
        return ask_.keep && std::ranges::any_of(cover_.candidates, [&](const ProposalCandidate& c) {
                   return c.stands && c.access_point.id == id;
               });
    }

    double cost_on_floors(const CoverPlan& plan) const { return cost_of(cover_.problem, plan); }

    /// True where the search was asked for anything that it was not before.
    bool ask_for_more(const Judged& judged) {
        bool any = false;
        for (const RequirementResult& r : judged.verdict.requirements) {
            if (!r.asks() || r.met()) continue;
            if (required_lens(r.requirement).counts == RequirementCounts::area)
                any = ask_for_places(r) || any;
        }
        for (const BandResult& b : judged.verdict.bands)
            if (b.share_met() < b.share_required) any = ask_for_all_at_once(b) || any;
        if (judged.capacity && asks_about_capacity(judged.verdict)) any = ask_for_servers(judged) || any;
        return any;
    }

    /// Where a floor is short of a level, by so much more than it is short.
    bool ask_for_places(const RequirementResult& r) {
        bool any = false;
        for (const PlaceResult& on : r.floors)
            for (const BandId band : r.requirement.bands.list()) {
                const double lacks = r.requirement.share_required - on.share_met(band);
                if (lacks <= 0) continue;
                any = raise(on.floor, r.requirement.id, band, lacks + 0.003) || any;
            }
        return any;
    }

    /// Each holds on its own share of places: where they do not hold on the same, each has to on more.
    bool ask_for_all_at_once(const BandResult& b) {
        bool any = false;
        for (const FloorArea& on : b.floors) {
            const double lacks = b.share_required - on.share_met();
            if (lacks > 0 && on.demanded_m2 > 0 && several_asked(on.floor, b.band))
                any = raise(on.floor, {}, b.band, lacks / 2 + 0.003) || any;
        }
        return any;
    }

    /// One requirement alone holds where it holds.
    bool several_asked(FloorId floor, BandId band) const {
        return std::ranges::count_if(cover_.subjects, [&](const CoverSubject& s) {
                   return s.floor == floor && s.band == band;
               }) > 1;
    }

    /// The groups of the requirement; of one that another implies, all of that band on the floor.
    bool raise(FloorId floor, RequirementId requirement, BandId band, double by_share) {
        const auto of = [&](const CoverSubject& s, bool any_requirement) {
            return s.floor == floor && (any_requirement || s.requirement == requirement) &&
                   (!s.band || *s.band == band);
        };
        const bool own =
            std::ranges::any_of(cover_.subjects, [&](const CoverSubject& s) { return of(s, false); });
        bool any = false;
        CoverPlan all;
        for (std::uint32_t c = 0; c < cover_.problem.columns.size(); ++c) all.push_back(c);
        const std::vector<std::uint32_t> most = covered_rows(cover_.problem, all);
        for (std::size_t g = 0; g < cover_.subjects.size(); ++g) {
            if (!of(cover_.subjects[g], !own)) continue;
            CoverGroup& group = cover_.problem.groups[g];
            const auto need = std::min<std::uint32_t>(
                most[g],
                group.need + std::max(1u, static_cast<std::uint32_t>(std::ceil(by_share * group.rows))));
            any = any || need > group.need;
            group.need = need;
        }
        return any;
    }

    /// More in the zones whose clients get too little, or whose access points have too many.
    bool ask_for_servers(const Judged& judged) {
        std::map<ZoneId, double> overload;  // what is asked of an access point there, over what it may be
        for (const RequirementResult& r : judged.verdict.requirements) {
            if (!r.asks() || r.met() || required_lens(r.requirement).counts == RequirementCounts::area)
                continue;
            for (const HourCapacity& hour : judged.capacity->hours) add_zones_in_need(r, hour, overload);
        }
        bool any = false;
        for (const ServedPlace& place : cover_.served) {
            const auto need = overload.find(place.zone);
            if (need == overload.end()) continue;
            const std::size_t there = hang_in(place, judged.plan);
            // half of what the figures say: more access points take air from each other as well
            const double more = std::clamp(0.5 * (need->second - 1) * double(there), 1.0, 4.0);
            for (std::size_t k = 0; k < std::min(place.most, there + std::size_t(more)); ++k) {
                CoverGroup& group = cover_.problem.groups[place.first + k];
                any = any || group.need == 0;
                group.need = 1;
            }
        }
        return any;
    }

    void add_zones_in_need(const RequirementResult& r, const HourCapacity& hour,
                           std::map<ZoneId, double>& overload) const {
        const bool radios = required_lens(r.requirement).counts == RequirementCounts::radios;
        struct Need {
            double clients = 0, over = 1;
        };
        std::map<ZoneId, Need> failing;
        for (const ClientCapacity& c : hour.clients) {
            const ZoneId zone = hour.zones[c.place_at].zone;
            if (zone.value == 0) continue;
            double over = c.satisfied < 0.95f ? 1.5 : 0;
            if (radios)
                over = c.radio < 0
                           ? 0
                           : overload_of(r.requirement, hour.radios[static_cast<std::size_t>(c.radio)]);
            if (over <= 1) continue;
            Need& need = failing[zone];
            need.clients += double(c.weight);
            need.over = std::max(need.over, over);
        }
        // the zones that need it most; a few clients who stray into a full radio are no reason
        double most = 0;
        for (const auto& [zone, need] : failing) most = std::max(most, need.clients);
        for (const auto& [zone, need] : failing)
            if (need.clients >= 0.3 * most) overload[zone] = std::max(overload[zone], need.over);
    }

    /// Above 1 where the radio fails.
    static double overload_of(const Requirement& r, const RadioCapacity& radio) {
        const double limit = r.limit_in(radio.radio.channel.band);
        switch (required_lens(r).id) {
            case LensId::radio_clients:
                return radio.clients / std::max(1.0, limit);
            case LensId::air_used:
                return 100 * radio.use / std::max(1.0, limit);
            case LensId::headroom:
                return 100 * radio.headroom < limit ? 1.5 : 0;
            default:
                return 0;
        }
    }

    void keep(Judged judged) {
        if (best_ && !(judged.rank() < best_->rank())) return;
        best_ = std::move(judged);
        fill();
        note_stand(true);
        if (better_) better_(out_);
    }

    void fill() {
        out_.plan = best_->hung;
        out_.verdict = best_->verdict;
        out_.capacity = best_->capacity;
        out_.cost = best_->cost;
        out_.access_points = count_of(best_->hung);
        out_.seconds = seconds();
        out_.lower_bound = std::max(out_.lower_bound, bound_->cost());
    }

    static std::size_t count_of(const HungPlan& hung) {
        return static_cast<std::size_t>(std::ranges::count_if(
            hung.moves, [](const ProposalMove& m) { return m.kind != MoveKind::removed; }));
    }

    void tell_cover(const CoverPlan& plan) {
        ProposalStand s;
        s.access_points = 0;
        for (const std::uint32_t c : plan)
            s.access_points += std::ranges::count(asked_, cover_.candidates[c].floor) > 0;
        const std::vector<std::uint32_t> met = covered_rows(cover_.problem, plan);
        for (std::size_t g = 0; g < cover_.subjects.size(); ++g)
            s.short_m2 +=
                cover_.row_m2[g] * std::max(0.0, double(cover_.problem.groups[g].need) - double(met[g]));
        tell(s);
    }

    void note_stand(bool judged) {
        ProposalStand s;
        s.access_points = out_.access_points;
        s.judged = judged;
        s.failing = best_->verdict.not_met();
        for (const BandResult& b : best_->verdict.bands) s.short_m2 += b.demanded_m2 - b.met_m2;
        tell(s);
    }

    void tell(ProposalStand s) {
        s.seconds = seconds();
        s.lower_bound = bound_->cost();
        out_.history.push_back(s);
        if (stand_) stand_(s);
    }

    void finish(BoundInTheBack& bound) {
        if (!best_) throw Cancelled();
        out_.stopped = is_over();
        const double left = cancel_.cancelled() ? 0 : ask_.seconds - seconds();
        const CoverBound found = bound.take(best_->cost <= bound.cost() + 1e-9 ? 0 : left);
        out_.lower_bound = found.cost;
        out_.bound_is_exact = found.exact;
        for (std::size_t g = 0; g < cover_.subjects.size() && g < found.asks.size(); ++g)
            if (found.asks[g] > 0.01) out_.ruling.push_back({cover_.subjects[g], found.asks[g]});
        std::ranges::stable_sort(out_.ruling, std::greater{}, &Proposal::Ruling::part);
        note_failing();
        out_.seconds = seconds();
    }

    void note_failing() {
        for (const RequirementResult& r : best_->verdict.requirements)
            if (r.asks() && !r.met())
                out_.notes.push_back(say("%1 does not hold: %2, %3 required", requirement_name(r.requirement),
                                         say("%1 %", said_figure(100 * r.share_met(), 1)),
                                         say("%1 %", said_figure(100 * r.requirement.share_required, 0))));
    }

    const Project& project_;
    Predictor& predictor_;
    const ProposalAsk& ask_;
    const CancelToken& cancel_;
    const std::function<void(const Proposal&)>& better_;
    const std::function<void(const ProposalStand&)>& stand_;
    SiteVerdicts verdicts_;
    std::vector<FloorId> asked_;
    Clock::time_point begin_ = Clock::now();
    SiteCover cover_;
    std::vector<std::uint32_t> first_needs_;
    BoundInTheBack* bound_ = nullptr;
    std::optional<Judged> best_;
    Proposal out_;
};

}  // namespace

Proposal propose(const Project& project, Predictor& predictor, const ProposalAsk& ask,
                 const CancelToken& cancel, const std::function<void(const Proposal&)>& better,
                 const std::function<void(const ProposalStand&)>& stand) {
    return Proposer(project, predictor, ask, cancel, better, stand).run();
}

}  // namespace yemvo
