// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposal/cover_dual.h"

#include <algorithm>
#include <map>
#include <numeric>

namespace yemvo {

std::vector<CoverBlock> gathered_blocks(const CoverProblem& problem) {
    std::vector<std::vector<std::uint32_t>> of_row(problem.rows());
    for (std::uint32_t c = 0; c < problem.columns.size(); ++c)
        for (const std::uint32_t row : problem.columns[c].rows) of_row[row].push_back(c);
    std::vector<CoverBlock> out;
    for (std::uint32_t g = 0; g < problem.groups.size(); ++g) {
        const CoverGroup& group = problem.groups[g];
        if (group.need == 0) continue;
        std::map<std::uint32_t, std::pair<double, std::vector<std::uint32_t>>> by_block;
        for (std::uint32_t row = group.first; row < group.first + group.rows; ++row) {
            auto& [rows, columns] = by_block[problem.block.empty() ? row : problem.block[row]];
            rows += 1;
            columns.insert(columns.end(), of_row[row].begin(), of_row[row].end());
        }
        std::map<std::vector<std::uint32_t>, double> alike;
        for (auto& [block, held] : by_block) {
            std::ranges::sort(held.second);
            held.second.erase(std::unique(held.second.begin(), held.second.end()), held.second.end());
            alike[held.second] += held.first;
        }
        for (const auto& [columns, rows] : alike) out.push_back({g, rows, columns});
    }
    return out;
}

namespace {

class Dual {
public:
    Dual(const CoverProblem& problem, const std::vector<CoverBlock>& blocks)
        : problem_(problem),
          blocks_(blocks),
          worth_(blocks.size(), 0.0),
          open_(blocks.size()),
          reduced_(problem.columns.size()),
          of_group_(problem.groups.size()) {
        for (std::uint32_t b = 0; b < blocks.size(); ++b) of_group_[blocks[b].group].push_back(b);
    }

    /// Of the present worths; leaves what is taken and what stays open.
    double value() {
        for (std::size_t c = 0; c < reduced_.size(); ++c) reduced_[c] = problem_.columns[c].cost;
        for (std::size_t b = 0; b < blocks_.size(); ++b)
            if (worth_[b] > 0)
                for (const std::uint32_t c : blocks_[b].columns) reduced_[c] -= worth_[b];
        double sum = 0;
        for (std::size_t c = 0; c < reduced_.size(); ++c)
            sum += problem_.columns[c].fixed ? reduced_[c] : std::min(0.0, reduced_[c]);
        asks_.assign(problem_.groups.size(), 0.0);
        for (std::size_t g = 0; g < of_group_.size(); ++g)
            if (!of_group_[g].empty()) sum += asks_[g] = group_value(g);
        return sum;
    }

    const std::vector<double>& asks() const { return asks_; }

    /// Gives the square of the way that every worth wants to go.
    double slope() {
        double square = 0;
        constexpr double momentum = 0.75;  // of the way before, which keeps it from going to and fro
        way_.resize(blocks_.size(), 0.0);
        for (std::size_t b = 0; b < blocks_.size(); ++b) {
            const int times = problem_.groups[blocks_[b].group].times;
            double way = times * (1 - open_[b]);
            for (const std::uint32_t c : blocks_[b].columns)
                way -= problem_.columns[c].fixed || reduced_[c] < 0 ? 1 : 0;
            way += momentum * way_[b];
            if (worth_[b] <= 0 && way < 0) way = 0;
            way_[b] = way;
            square += way * way;
        }
        return square;
    }
    void step(double length) {
        for (std::size_t b = 0; b < blocks_.size(); ++b)
            worth_[b] = std::max(0.0, worth_[b] + length * way_[b]);
    }
    std::vector<double>& worth() { return worth_; }

private:
    /// What covering the group is worth, with the dearest rows left open that may be: by row, since a block
    /// of many rows takes much of what may stay open.
    double group_value(std::size_t g) {
        const CoverGroup& group = problem_.groups[g];
        auto& list = of_group_[g];
        double may_stay_open = double(group.rows) - double(group.need), sum = 0;
        order_.assign(list.begin(), list.end());
        std::ranges::sort(order_, std::greater{},
                          [&](std::uint32_t b) { return worth_[b] / blocks_[b].rows; });
        for (const std::uint32_t b : order_) {
            open_[b] = worth_[b] > 0 ? std::clamp(may_stay_open / blocks_[b].rows, 0.0, 1.0) : 0;
            may_stay_open -= open_[b] * blocks_[b].rows;
            sum += group.times * worth_[b] * (1 - open_[b]);
        }
        return sum;
    }

    const CoverProblem& problem_;
    const std::vector<CoverBlock>& blocks_;
    std::vector<double> worth_, open_, reduced_, way_, asks_;
    std::vector<std::vector<std::uint32_t>> of_group_;
    std::vector<std::uint32_t> order_;
};

}  // namespace

DualBound dual_bound(const CoverProblem& problem, const std::vector<CoverBlock>& blocks, double known_cost,
                     int steps, const CancelToken& cancel, const std::function<void(double)>& better) {
    DualBound out;
    out.asks.assign(problem.groups.size(), 0.0);
    Dual dual(problem, blocks);
    double pace = 1;
    int idle = 0;
    for (int i = 0; i < steps && !cancel.cancelled() && pace > 1e-4; ++i) {
        const double value = dual.value();
        if (value > out.cost) {
            if (value > out.cost + 1e-4 * known_cost) idle = 0;
            out.cost = value;
            out.asks = dual.asks();
            if (better) better(value);
        } else if (++idle >= 25) {
            pace *= 0.8;
            idle = 0;
        }
        const double square = dual.slope();
        if (square <= 1e-12) break;
        dual.step(pace * std::max(1e-3 * known_cost, known_cost - out.cost) / square);
    }
    // parts of the whole, without what columns that were taken more than once give back
    const double sum = std::accumulate(out.asks.begin(), out.asks.end(), 0.0);
    if (sum > 0)
        for (double& a : out.asks) a *= out.cost / sum;
    return out;
}

}  // namespace yemvo
