// SPDX-License-Identifier: GPL-3.0-or-later
#include "cover/cover_dual.h"

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

CoverDual::CoverDual(const CoverProblem& problem, const std::vector<CoverBlock>& blocks)
    : problem_(problem),
      blocks_(blocks),
      state_(problem.columns.size(), ColumnState::free),
      worth_(blocks.size(), 0.0),
      open_(blocks.size()),
      reduced_(problem.columns.size()),
      way_(blocks.size(), 0.0),
      covered_(blocks.size()),
      times_(blocks.size(), 0) {
    for (std::size_t c = 0; c < state_.size(); ++c)
        if (problem.columns[c].fixed) state_[c] = ColumnState::in;
    gather();
}

void CoverDual::set_state(std::vector<ColumnState> state) {
    state_ = std::move(state);
    gather();
}

void CoverDual::gather() {
    of_block_ = of_column_ = {};
    of_group_.assign(problem_.groups.size(), {});
    may_stay_open_.clear();
    for (const CoverGroup& g : problem_.groups) may_stay_open_.push_back(double(g.rows) - double(g.need));
    std::vector<std::uint32_t> count(state_.size() + 1, 0);
    live_.clear();
    of_block_.first.push_back(0);
    for (std::uint32_t b = 0; b < blocks_.size(); ++b) {
        const CoverBlock& block = blocks_[b];
        int in = 0, can = 0;
        for (const std::uint32_t c : block.columns) {
            in += state_[c] == ColumnState::in;
            can += state_[c] != ColumnState::out;
        }
        const int times = problem_.groups[block.group].times;
        times_[b] = times - in;
        if (in < times && can >= times) {
            for (const std::uint32_t c : block.columns) {
                if (state_[c] != ColumnState::free) continue;
                of_block_.all.push_back(c);
                ++count[c + 1];
            }
            of_group_[block.group].push_back(b);
            live_.push_back(b);
        } else {
            worth_[b] = 0;
            way_[b] = 0;
            if (in < times) may_stay_open_[block.group] -= block.rows;  // nothing covers it any more
        }
        of_block_.first.push_back(static_cast<std::uint32_t>(of_block_.all.size()));
    }
    for (std::size_t c = 1; c < count.size(); ++c) count[c] += count[c - 1];
    of_column_.first = count;
    of_column_.all.resize(of_block_.all.size());
    for (const std::uint32_t b : live_)
        for (std::uint32_t i = of_block_.first[b]; i < of_block_.first[b + 1]; ++i)
            of_column_.all[count[of_block_.all[i]]++] = b;
}

double CoverDual::value() {
    for (std::size_t c = 0; c < reduced_.size(); ++c) reduced_[c] = problem_.columns[c].cost;
    for (const std::uint32_t b : live_)
        if (worth_[b] > 0)
            for (std::uint32_t i = of_block_.first[b]; i < of_block_.first[b + 1]; ++i)
                reduced_[of_block_.all[i]] -= worth_[b];
    double sum = 0;
    for (std::size_t c = 0; c < reduced_.size(); ++c)
        if (takes(c)) sum += reduced_[c];
    asks_.assign(problem_.groups.size(), 0.0);
    for (std::size_t g = 0; g < of_group_.size(); ++g)
        if (!of_group_[g].empty()) sum += asks_[g] = group_value(g);
    return sum;
}

bool CoverDual::step(double target, double value, double pace) {
    constexpr double momentum = 0.75;  // of the way before, which keeps it from going to and fro
    for (const std::uint32_t b : live_) covered_[b] = 0;
    for (std::uint32_t c = 0; c < reduced_.size(); ++c)
        if (takes(c))
            for (std::uint32_t i = of_column_.first[c]; i < of_column_.first[c + 1]; ++i)
                ++covered_[of_column_.all[i]];
    double square = 0;
    for (const std::uint32_t b : live_) {
        double way = times_[b] * (1 - open_[b]) - covered_[b] + momentum * way_[b];
        if (worth_[b] <= 0 && way < 0) way = 0;
        way_[b] = way;
        square += way * way;
    }
    if (square <= 1e-12) return false;
    const double length = pace * std::max(1e-3 * target, target - value) / square;
    for (const std::uint32_t b : live_) worth_[b] = std::max(0.0, worth_[b] + length * way_[b]);
    return true;
}

/// What covering the group is worth, with the dearest rows left open that may be: by row, since a block of
/// many rows takes much of what may stay open. Those are few: a heap is enough of an order.
double CoverDual::group_value(std::size_t g) {
    double may_stay_open = std::max(0.0, may_stay_open_[g]), sum = 0;
    dearest_.clear();
    for (const std::uint32_t b : of_group_[g]) {
        open_[b] = 0;
        if (worth_[b] <= 0) continue;
        const double all = times_[b] * worth_[b];
        sum += all;
        dearest_.push_back({all / blocks_[b].rows, b});
    }
    std::ranges::make_heap(dearest_);
    while (may_stay_open > 0 && !dearest_.empty()) {
        const auto [a_row, b] = dearest_.front();
        std::ranges::pop_heap(dearest_);
        dearest_.pop_back();
        const double rows = std::min(may_stay_open, blocks_[b].rows);
        open_[b] = rows / blocks_[b].rows;
        may_stay_open -= rows;
        sum -= rows * a_row;
    }
    return sum;
}

DualBound dual_bound(const CoverProblem& problem, const std::vector<CoverBlock>& blocks, double known_cost,
                     int steps, const CancelToken& cancel, const std::function<void(double)>& better) {
    DualBound out;
    out.asks.assign(problem.groups.size(), 0.0);
    out.worth.assign(blocks.size(), 0.0);
    CoverDual dual(problem, blocks);
    double pace = 1;
    int idle = 0;
    for (int i = 0; i < steps && !cancel.cancelled() && pace > 1e-4; ++i) {
        const double value = dual.value();
        if (value > out.cost) {
            if (value > out.cost + 1e-4 * known_cost) idle = 0;
            out.cost = value;
            out.asks = dual.asks();
            out.worth = dual.worth();
            if (better) better(value);
        } else if (++idle >= 25) {
            pace *= 0.8;
            idle = 0;
        }
        if (!dual.step(known_cost, out.cost, pace)) break;
    }
    // parts of the whole, without what columns that were taken more than once give back
    const double sum = std::accumulate(out.asks.begin(), out.asks.end(), 0.0);
    if (sum > 0)
        for (double& a : out.asks) a *= out.cost / sum;
    return out;
}

}  // namespace yemvo
