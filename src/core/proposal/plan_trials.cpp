// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposal/plan_trials.h"

#include <future>

#include "proposal/verdict_lack.h"

namespace yemvo {

double SettledPlan::lacks() const { return lacking(part, judged.capacity.get()); }

/// Of each lane: what is tried reaches a floor or three.
static constexpr std::size_t lane_bytes = std::size_t{96} << 20;

PlanTrials::PlanTrials(Predictor& predictor, const AskedPart& part, const CancelToken& cancel)
    : verdicts_{SiteVerdicts(predictor, lane_bytes), SiteVerdicts(predictor, lane_bytes)},
      part_(part),
      cancel_(cancel) {}

SettledPlan PlanTrials::judged(HungPlan plan) {
    SettledPlan out{std::move(plan), {}, {}};
    judge(out, 0);
    return out;
}

void PlanTrials::judge(SettledPlan& plan, std::size_t lane) {
    plan.judged = verdicts_[lane].of(plan.hung.project, cancel_);
    plan.part = part_.of(plan.judged.verdict);
}

void PlanTrials::each(std::size_t count, const Variation& variation,
                      const std::function<void(std::size_t, std::size_t, SettledPlan)>& done) {
    const auto work = [&](std::size_t lane) {
        for (std::size_t i = lane; i < count; i += lanes) {
            std::optional<HungPlan> plan = variation(i);
            if (!plan) continue;
            SettledPlan tried{std::move(*plan), {}, {}};
            judge(tried, lane);
            done(lane, i, std::move(tried));
        }
    };
    std::future<void> other;
    if (count > 1) other = std::async(std::launch::async, work, 1);
    work(0);
    if (count > 1) other.get();
}

std::optional<SettledPlan> PlanTrials::best(std::size_t count, const Variation& variation, double below,
                                            const Score& score) {
    struct Found {
        double score;
        std::size_t at = 0;
        std::optional<SettledPlan> plan = {};
    };
    std::array<Found, lanes> found{Found{below}, Found{below}};
    each(count, variation, [&](std::size_t lane, std::size_t i, SettledPlan plan) {
        const double scored = score(plan);
        if (scored < found[lane].score) found[lane] = {scored, i, std::move(plan)};
    });
    Found& first = found[0];
    Found& second = found[1];
    if (!first.plan) return std::move(second.plan);
    if (!second.plan) return std::move(first.plan);
    return std::pair(first.score, first.at) < std::pair(second.score, second.at) ? std::move(first.plan)
                                                                                 : std::move(second.plan);
}

std::vector<double> PlanTrials::lacks(std::size_t count, const Variation& variation) {
    std::vector<double> out(count, 1e9);
    each(count, variation,
         [&](std::size_t, std::size_t i, const SettledPlan& plan) { out[i] = plan.lacks(); });
    return out;
}

}  // namespace yemvo
