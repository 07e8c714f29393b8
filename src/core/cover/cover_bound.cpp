// SPDX-License-Identifier: GPL-3.0-or-later
#include "cover/cover_bound.h"

#include <chrono>
#include <cmath>
#include <limits>

#include "cover/cover_branch.h"
#include "cover/cover_search.h"

namespace yemvo {
namespace {

/// Good enough to say what is not worth looking for.
CoverPlan quick_plan(const CoverProblem& problem, const BoundWish& bound, const CancelToken& cancel) {
    CoverWish wish;
    wish.tries = 60'000;
    wish.failures = 2;
    wish.seconds = std::min(3.0, 0.15 * bound.seconds);
    return search_cover(problem, wish, cancel);
}

constexpr int most_steps = 4000;

/// Up to the next whole number where costs are whole, but for rounding.
double rounded_up(double cost, bool whole) { return whole ? std::ceil(cost - 1e-6) : cost; }

}  // namespace

CoverBound bound_cover(const CoverProblem& problem, const BoundWish& wish, const CancelToken& cancel) {
    const auto begin = std::chrono::steady_clock::now();
    const auto seconds = [&] {
        return std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count();
    };
    CoverBound out;
    for (const CoverColumn& c : problem.columns)
        if (c.fixed) out.cost += c.cost;
    const CoverPlan plan = quick_plan(problem, wish, cancel);
    const double known = cost_of(problem, plan);
    // columns that exclude each other may leave the plan short: then nothing is known from above
    const double most = rows_short(problem, plan) == 0 ? known : std::numeric_limits<double>::infinity();
    const auto better = [&](double cost) {
        cost = rounded_up(cost, wish.whole_counts);
        // a programme that says more than a plan costs is mistaken
        if (cost <= out.cost || cost > most + 1e-6) return;
        out.cost = cost;
        if (wish.better) wish.better(cost);
    };
    const std::vector<CoverBlock> blocks = gathered_blocks(problem);
    out.blocks = blocks.size();
    const DualBound dual = dual_bound(problem, blocks, known, most_steps, cancel, better);
    out.relaxed = dual.cost;
    out.asks = dual.asks;
    // no plan costs just the bound: then the bound is the next cost above it; of costs that are no whole
    // numbers a part of what is left between
    double part = 0.5;
    while (std::isfinite(most) && !cancel.cancelled() && seconds() < wish.seconds && out.cost < most - 1e-9 &&
           part > 0.01) {
        const double at_most =
            wish.whole_counts ? out.cost : out.cost + part * (std::min(most, 2 * out.cost + 1) - out.cost);
        const BranchWish branch{at_most, wish.seconds - seconds()};
        const Branched found = branch_cover(problem, blocks, dual.worth, branch, cancel);
        if (found == Branched::none) {
            better(wish.whole_counts ? at_most + 1 : at_most);
            continue;
        }
        if (wish.whole_counts) {
            out.exact = found == Branched::possible;
            break;
        }
        part /= 2;
    }
    out.exact = out.exact || out.cost >= most - 1e-9;
    out.seconds = seconds();
    return out;
}

}  // namespace yemvo
