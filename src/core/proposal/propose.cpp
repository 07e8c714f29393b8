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
#include "cover/cover_bound.h"
#include "cover/cover_search.h"
#include "project/edits.h"
#include "proposal/raise_needs.h"
#include "proposal/settle.h"
#include "proposal/verdict_lack.h"
#include "tuning/known_site.h"
#include "tuning/retune.h"

namespace yemvo {
namespace {

using Clock = std::chrono::steady_clock;

/// A plan hung, tuned and judged.
struct Judged {
    CoverPlan plan;        ///< of the cover problem, unless:
    bool is_free = false;  ///< access points have left the candidate places
    double cost = 0;
    HungPlan hung;
    Verdict verdict;
    std::shared_ptr<const SiteCapacity> capacity;
    Verdict part;  ///< of the verdict what is asked
    /// Requirements that fail and bands in which they do not hold together, then by how much of what is
    /// asked, then the cost: less is better.
    std::tuple<int, double, double> rank() const { return {failing(), std::round(lacks() * 500), cost}; }
    int failing() const { return yemvo::failing(part); }
    double lacks() const { return lacking(part, capacity.get()); }
    SettledPlan as_settled() const { return {hung, {verdict, capacity}, part}; }
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
          part_(project, ask),
          asked_(floors_asked(project, ask)) {}

    Proposal run() {
        look_at_site();
        for (const CoverGroup& g : cover_.problem.groups) first_needs_.push_back(g.need);
        BoundInTheBack bound(cover_.problem, ask_);
        bound_ = &bound;
        try {
            ask_.from ? go_on() : search_and_judge();
            if (ask_.survives_one && !is_over() && !best_->is_free) try_without_each();
            if (!is_over() && !best_->is_free) search_longer();
            if (ask_.survives_one && !is_over() && !best_->is_free) try_without_each();
            if (!is_over()) settle();
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
    /// Time is left to put the plan in line and tune it.
    bool is_nearly_over() const {
        return cancel_.cancelled() || seconds() > ask_.seconds - std::clamp(0.15 * ask_.seconds, 0.3, 12.0);
    }

    /// No plan of the candidate places is cheaper: there is nothing to be gained that could be told honestly.
    bool is_best() const { return best_ && best_->failing() == 0 && best_->cost <= bound_->cost() + 1e-9; }
    /// The bound is of the candidate places. A plan that has left them may turn out to be cheaper than it,
    /// once it has risen: then it says nothing of that plan.
    double bound_below(double bound) const { return best_ ? std::min(bound, best_->cost) : bound; }

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

    /// The plan of before, held against what the project asks for now.
    void go_on() {
        HungPlan hung{project_, ask_.from->moves};
        hung.project.next_id = std::max(hung.project.next_id, ask_.from->project.next_id);
        for (Variant& v : hung.project.variants)
            if (v.id == hung.project.variant)
                for (const Floor* f : all_floors(project_))
                    v.access_points[f->id] = access_points(ask_.from->project, f->id);
        if (!verdicts_) verdicts_ = std::make_unique<SiteVerdicts>(predictor_);
        SiteVerdict judged = verdicts_->of(hung.project, cancel_);
        Verdict part = part_.of(judged.verdict);
        Judged begin = settled({std::move(hung), std::move(judged), std::move(part)});
        keep(begin);
        if (begin.failing() == 0 || ask_.survives_one) return;
        fill_up(begin);
        keep(std::move(begin));
    }

    void search_and_judge() {
        constexpr int most_rounds = 16;
        constexpr double nearly_there = 0.35;  // of shares: the rest is made up for on the verdict itself
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
            bool whole = judged.failing() == 0;
            const bool asks_more =
                !whole && raise_needs(cover_, project_, {judged.plan, judged.part, judged.capacity.get()});
            if (!whole && !ask_.survives_one && judged.lacks() < nearly_there) {
                keep(judged);
                fill_up(judged);
                whole = judged.failing() == 0;
            }
            keep(std::move(judged));
            if (whole || !asks_more) return;
        }
    }

    /// What the best plan covers does; what the first asked for did not. Between the two the search looks for
    /// cheaper plans, and the verdict says which end moves.
    void search_longer() {
        constexpr int most_rounds = 10;
        std::vector<std::uint32_t> fails = first_needs_;
        const double until = 0.45 * ask_.seconds;  // the rest is for what the verdict sees
        for (int round = 0; round < most_rounds && seconds() < until && !is_over(); ++round) {
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
            wish.seconds = std::max(0.5, 0.5 * (until - seconds()));
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

    /// Takes out what neither the cover problem, which knows of failures, nor the verdict misses; channels
    /// stay as they are meanwhile.
    void try_without_each() {
        std::set<std::uint32_t> needed;
        for (;;) {
            if (is_over() || best_->cost <= bound_->cost() + 1e-9) return;
            const auto out = std::ranges::find_if(best_->plan, [&](std::uint32_t c) {
                return !cover_.problem.columns[c].fixed && !needed.contains(c) &&
                       rows_short(cover_.problem, without(best_->plan, c)) == 0;
            });
            if (out == best_->plan.end()) return;
            needed.insert(*out);
            Judged judged = judge_as_tuned(without(best_->plan, *out));
            if (judged.rank() < best_->rank()) keep(std::move(judged));
        }
    }

    static CoverPlan without(CoverPlan plan, std::uint32_t column) {
        std::erase(plan, column);
        return plan;
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
        if (!verdicts_) verdicts_ = std::make_unique<SiteVerdicts>(predictor_);
        SiteVerdict site = verdicts_->of(out.hung.project, cancel_);
        out.verdict = std::move(site.verdict);
        out.part = part_.of(out.verdict);
        out.capacity = std::move(site.capacity);
        return out;
    }

    Judged judge_plan(const CoverPlan& plan) {
        Judged out;
        out.plan = plan;
        out.cost = cost_on_floors(plan);
        out.hung = hang_plan(project_, cover_, plan, asked_);
        tune_and_judge(out);
        return out;
    }

    void tune_and_judge(Judged& out) {
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
        out.part = part_.of(out.verdict);
        out.capacity = std::move(site.capacity);
    }

    /// What the plan lacks is made up for by moving access points, and by more of them where that is not
    /// enough.
    void fill_up(Judged& judged) {
        const std::size_t most = 3 + judged.hung.moves.size() / 4;
        constexpr double worth_it = 0.8;  // of what was lacking; else a search that asks for more is quicker
        double lacked = 1e9;
        for (std::size_t more = 0; more <= most && !is_over(); ++more) {
            if (auto better = settler().moved_better(judged.as_settled(), 100)) {
                judged = settled(std::move(*better));
                keep(judged);
            }
            if (judged.failing() == 0 || is_over() || judged.lacks() > worth_it * lacked) return;
            lacked = judged.lacks();
            auto with_one = settler().one_more(judged.as_settled(), cover_.candidates);
            if (!with_one) return;
            judged = settled(std::move(*with_one));
            if (judged.failing() > 0) tune_and_judge(judged);
            keep(judged);
        }
    }

    /// Access points leave the candidate places: one less at a time, as long as moving the others makes up
    /// for it; then in line. A verdict knows nothing of failures, so that where any one may fail all stays.
    void settle() {
        if (ask_.survives_one) return;
        while (!is_nearly_over() && !is_best()) {
            if (best_->failing() > 0) {
                auto better = settler().moved_better(best_->as_settled(), 600);
                if (!better) break;
                keep(settled(std::move(*better)));
                continue;
            }
            const auto found = [this](const SettledPlan& p) { keep(settled(p)); };
            if (settler().fewer(best_->as_settled(), found)) continue;
            if (is_nearly_over()) break;
            auto merged = settler().merged(best_->as_settled(), cover_.candidates);
            if (!merged) break;
            keep(settled(std::move(*merged)));
        }
        if (is_over()) return;
        tidying_ = true;
        Judged tidy = settled(settler().tidied(best_->as_settled()));
        Judged tuned = tidy;
        if (!(best_->rank() < tidy.rank())) put(std::move(tidy));
        if (is_over()) return;
        tune_and_judge(tuned);
        if (tuned.rank() < best_->rank()) put(std::move(tuned));
    }

    PlanSettler& settler() {
        if (!settler_)
            settler_ = std::make_unique<PlanSettler>(
                project_, ask_, part_, predictor_,
                PlanSettler::Limits{
                    [this](AccessPointId id) { return !is_locked(id); },
                    [this](AccessPointId id) { return !is_locked(id) && !ask_.reach_m.contains(id); },
                    [this](AccessPointId id, Point p) { return is_within_reach(id, p); },
                    [this] { return tidying_ ? is_over() : is_nearly_over() || is_best(); }},
                cancel_);
        return *settler_;
    }

    Judged settled(SettledPlan plan) const {
        Judged out;
        for (const ProposalMove& m : plan.hung.moves)
            if (m.kind != MoveKind::removed)
                out.cost += access_point_cost(
                    project_, *find_access_point(plan.hung.project, m.floor, m.access_point), ask_.goal);
        out.is_free = true;
        out.hung = std::move(plan.hung);
        out.verdict = std::move(plan.judged.verdict);
        out.capacity = std::move(plan.judged.capacity);
        out.part = std::move(plan.part);
        return out;
    }

    /// Where it hangs in the present plan; none for a new one.
    std::optional<std::pair<FloorId, Point>> hung_at(AccessPointId id) const {
        for (const ProposalCandidate& c : cover_.candidates)
            if (c.stands && c.access_point.id == id) return std::pair(c.floor, c.access_point.position);
        return {};
    }

    bool is_within_reach(AccessPointId id, Point p) const {
        const auto reach = ask_.reach_m.find(id);
        const auto at = hung_at(id);
        return reach == ask_.reach_m.end() || !at || distance(at->second, p) <= reach->second + 1e-9;
    }

    bool is_locked(AccessPointId id) const {
        if (std::ranges::count(ask_.locked, id) > 0) return true;
        if (const auto at = hung_at(id); at && !part_.has(at->first, at->second)) return true;
        return ask_.keep && std::ranges::any_of(cover_.candidates, [&](const ProposalCandidate& c) {
                   return c.stands && c.access_point.id == id;
               });
    }

    double cost_on_floors(const CoverPlan& plan) const { return cost_of(cover_.problem, plan); }

    void keep(Judged judged) {
        if (!best_ || judged.rank() < best_->rank()) put(std::move(judged));
    }

    void put(Judged judged) {
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
        out_.lower_bound = bound_below(bound_->cost());
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
        s.lower_bound = bound_below(bound_->cost());
        out_.history.push_back(s);
        if (stand_) stand_(s);
    }

    void finish(BoundInTheBack& bound) {
        if (!best_) throw Cancelled();
        out_.stopped = is_over();
        const double left = cancel_.cancelled() ? 0 : ask_.seconds - seconds();
        const CoverBound found = bound.take(best_->cost <= bound.cost() + 1e-9 ? 0 : left);
        out_.lower_bound = bound_below(found.cost);
        out_.bound_is_exact = found.exact && out_.lower_bound >= found.cost - 1e-9;
        if (out_.lower_bound < found.cost - 1e-9)
            out_.notes.push_back(
                say("Access points off the candidate places save what no plan of these places does: at least "
                    "%1 there",
                    said_figure(found.cost, 0)));
        for (std::size_t g = 0; g < cover_.subjects.size() && g < found.asks.size(); ++g)
            if (found.asks[g] > 0.01) out_.ruling.push_back({cover_.subjects[g], found.asks[g]});
        std::ranges::stable_sort(out_.ruling, std::greater{}, &Proposal::Ruling::part);
        note_failing();
        out_.seconds = seconds();
    }

    void note_failing() {
        for (const RequirementResult& r : best_->part.requirements)
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
    std::unique_ptr<SiteVerdicts> verdicts_;
    AskedPart part_;
    std::unique_ptr<PlanSettler> settler_;
    std::vector<FloorId> asked_;
    Clock::time_point begin_ = Clock::now();
    SiteCover cover_;
    std::vector<std::uint32_t> first_needs_;
    BoundInTheBack* bound_ = nullptr;
    std::optional<Judged> best_;
    bool tidying_ = false;  ///< the last of it
    Proposal out_;
};

}  // namespace

Proposal propose(const Project& project, Predictor& predictor, const ProposalAsk& ask,
                 const CancelToken& cancel, const std::function<void(const Proposal&)>& better,
                 const std::function<void(const ProposalStand&)>& stand) {
    return Proposer(project, predictor, ask, cancel, better, stand).run();
}

}  // namespace yemvo
