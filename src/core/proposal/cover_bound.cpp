// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposal/cover_bound.h"

#include <CbcEventHandler.hpp>
#include <CbcModel.hpp>
#include <CglGomory.hpp>
#include <CglMixedIntegerRounding2.hpp>
#include <CglProbing.hpp>
#include <ClpEventHandler.hpp>
#include <ClpSimplex.hpp>
#include <CoinPackedMatrix.hpp>
#include <OsiClpSolverInterface.hpp>
#include <chrono>
#include <cmath>
#include <limits>

#include "proposal/cover_dual.h"
#include "proposal/cover_search.h"

namespace yemvo {
namespace {

class StopLinear : public ClpEventHandler {
public:
    explicit StopLinear(CancelToken cancel) : cancel_(std::move(cancel)) {}
    ClpEventHandler* clone() const override { return new StopLinear(*this); }
    int event(Event) override { return cancel_.cancelled() ? 5 : -1; }

private:
    CancelToken cancel_;
};

/// Bounds that are told on the way may be those of searches within the search, with columns held: they are
/// not asked.
class StopBranching : public CbcEventHandler {
public:
    explicit StopBranching(CancelToken cancel) : cancel_(std::move(cancel)) {}
    CbcEventHandler* clone() const override { return new StopBranching(*this); }
    CbcAction event(CbcEvent) override { return cancel_.cancelled() ? stop : noAction; }

private:
    CancelToken cancel_;
};

class Programme {
public:
    Programme(const CoverProblem& problem, const std::vector<CoverBlock>& blocks)
        : columns_(problem.columns.size()) {
        const std::size_t n = columns_ + blocks.size();
        std::vector<double> low(n, 0.0), high(n, 1.0), cost(n, 0.0);
        for (std::size_t c = 0; c < columns_; ++c) {
            cost[c] = problem.columns[c].cost;
            if (problem.columns[c].fixed) low[c] = 1;
        }
        CoinPackedMatrix rows(false, 0, 0);
        rows.setDimensions(0, static_cast<int>(n));
        std::vector<double> row_low, row_high;
        std::vector<std::vector<int>> at(problem.groups.size());
        std::vector<std::vector<double>> weight(problem.groups.size());
        std::vector<int> index;
        std::vector<double> value;
        for (std::size_t b = 0; b < blocks.size(); ++b) {
            const int times = problem.groups[blocks[b].group].times;
            index.assign(blocks[b].columns.begin(), blocks[b].columns.end());
            value.assign(index.size(), 1.0);
            index.push_back(static_cast<int>(columns_ + b));
            value.push_back(times);
            if (times > 1) several_.push_back(index.back());
            rows.appendRow(static_cast<int>(index.size()), index.data(), value.data());
            row_low.push_back(times);
            row_high.push_back(COIN_DBL_MAX);
            at[blocks[b].group].push_back(index.back());
            weight[blocks[b].group].push_back(blocks[b].rows);
        }
        for (std::size_t g = 0; g < at.size(); ++g) {
            if (at[g].empty()) continue;
            rows.appendRow(static_cast<int>(at[g].size()), at[g].data(), weight[g].data());
            row_low.push_back(-COIN_DBL_MAX);
            row_high.push_back(problem.groups[g].rows - problem.groups[g].need);
        }
        linear_.loadProblem(rows, low.data(), high.data(), cost.data(), row_low.data(), row_high.data());
        linear_.setLogLevel(0);
    }

    /// None where it was stopped.
    bool solve_linear(double seconds, const CancelToken& cancel) {
        StopLinear stop(cancel);
        linear_.passInEventHandler(&stop);
        linear_.setMaximumSeconds(seconds);
        linear_.primal();
        return linear_.status() == 0;
    }
    double relaxed() const { return linear_.objectiveValue(); }

    std::vector<double> asks(const std::vector<CoverBlock>& blocks, std::size_t groups) const {
        std::vector<double> out(groups, 0.0);
        const double* dual = linear_.dualRowSolution();
        const double* row = linear_.rowLower();
        for (std::size_t b = 0; b < blocks.size(); ++b) out[blocks[b].group] += dual[b] * row[b];
        return out;
    }

    struct Branched {
        double bound;
        bool done;
    };
    Branched branch(double seconds, const CancelToken& cancel) {
        OsiClpSolverInterface solver(&linear_);
        solver.messageHandler()->setLogLevel(0);
        for (std::size_t c = 0; c < columns_; ++c) solver.setInteger(static_cast<int>(c));
        // covered once, what has to be twice is not covered by half
        for (const int u : several_) solver.setInteger(u);
        CbcModel model(solver);
        model.setLogLevel(0);
        StopBranching stop(cancel);
        model.passInEventHandler(&stop);
        model.setMaximumSeconds(seconds);
        CglProbing probing;
        probing.setMaxPass(1);
        probing.setMaxProbe(10);
        CglGomory gomory;
        CglMixedIntegerRounding2 rounding;
        model.addCutGenerator(&probing, -1, "probing");
        model.addCutGenerator(&gomory, -1, "gomory");
        model.addCutGenerator(&rounding, -1, "rounding");
        model.setNumberStrong(10);
        model.branchAndBound();
        return {model.getBestPossibleObjValue(), model.status() == 0 && !cancel.cancelled()};
    }

private:
    std::size_t columns_;
    std::vector<int> several_;  ///< blocks that have to be covered more than once
    ClpSimplex linear_;
};

/// Programmes of more entries take longer than anybody waits, and cannot be stopped meanwhile.
constexpr std::size_t most_entries = 700'000;
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
    const CoverPlan greedy = greedy_cover(problem);
    const double known = cost_of(problem, greedy);
    // columns that exclude each other may leave the greedy plan short: then nothing is known from above
    const double most = rows_short(problem, greedy) == 0 ? known : std::numeric_limits<double>::infinity();
    const auto better = [&](double cost) {
        cost = rounded_up(cost, wish.whole_counts);
        // a programme that says more than a plan costs is mistaken
        if (cost <= out.cost || cost > most + 1e-6) return;
        out.cost = cost;
        if (wish.better) wish.better(cost);
    };
    const std::vector<CoverBlock> blocks = gathered_blocks(problem);
    out.blocks = blocks.size();
    std::size_t entries = 0;
    for (const CoverBlock& b : blocks) entries += b.columns.size();
    const DualBound dual = dual_bound(problem, blocks, known, most_steps, cancel, better);
    out.relaxed = dual.cost;
    out.asks = dual.asks;
    if (entries < most_entries && !cancel.cancelled() && seconds() < wish.seconds && out.cost < most - 1e-9) {
        Programme programme(problem, blocks);
        if (programme.solve_linear(wish.seconds - seconds(), cancel)) {
            out.relaxed = std::max(out.relaxed, programme.relaxed());
            out.asks = programme.asks(blocks, problem.groups.size());
            better(out.relaxed);
            const auto branched = programme.branch(wish.seconds - seconds(), cancel);
            if (branched.bound < 1e40) better(branched.bound);
            out.exact = branched.done;
        }
    }
    out.exact = out.exact || out.cost >= most - 1e-9;
    out.seconds = seconds();
    return out;
}

}  // namespace yemvo
