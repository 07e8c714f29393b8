// SPDX-License-Identifier: GPL-3.0-or-later
// The Lagrangian bound of a cover problem: what rows are worth, raised where they stay open and lowered where
// they are covered too often (Held & Karp 1971, Fisher 1981). At its best it is the linear relaxation; each
// step is a bound, costs one pass over the rows, and can be stopped.
//   L(v) = sum_i min(0, cost_i - sum of v over its blocks) + sum_g times_g (sum of v, less the dearest that
//   may stay open), v >= 0
#pragma once
#include <functional>

#include "base/progress.h"
#include "cover/cover_problem.h"

namespace yemvo {

/// Rows of a group that the same columns cover, once those of a block are taken together.
struct CoverBlock {
    std::uint32_t group;
    double rows;
    std::vector<std::uint32_t> columns;  ///< rising
};
/// Groups that need nothing have none.
std::vector<CoverBlock> gathered_blocks(const CoverProblem&);

/// What is held of a column: by the problem, or while a search branches.
enum class ColumnState : char { free, in, out };

/// One set of worths, stepped. Problem and blocks must outlive it.
class CoverDual {
public:
    CoverDual(const CoverProblem&, const std::vector<CoverBlock>&);
    /// The bound that the present worths give.
    double value();
    /// One step up the slope, as long as the way to `target` asks for times `pace`; after value(). False at
    /// the top.
    bool step(double target, double value, double pace);
    /// At the last value(): the cost of each column less what it covers is worth.
    const std::vector<double>& reduced() const { return reduced_; }
    const std::vector<double>& asks() const { return asks_; }
    /// Of each block.
    const std::vector<double>& worth() const { return worth_; }
    void set_worth(std::vector<double> worth) { worth_ = std::move(worth); }
    const std::vector<ColumnState>& state() const { return state_; }
    /// Columns that are out are passed over from now on, and so are blocks that those which are in cover. Of
    /// other blocks a column that is in takes one time off: half covered is worth nothing.
    void set_state(std::vector<ColumnState>);
    bool takes(std::size_t column) const {
        return state_[column] == ColumnState::in ||
               (state_[column] == ColumnState::free && reduced_[column] < 0);
    }

private:
    double group_value(std::size_t g);
    void gather();
    const CoverProblem& problem_;
    const std::vector<CoverBlock>& blocks_;
    std::vector<ColumnState> state_;
    std::vector<double> worth_, open_, reduced_, way_, asks_;
    /// Lists one behind the other, with where each begins; one more at the end.
    struct Lists {
        std::vector<std::uint32_t> first, all;
    };
    Lists of_block_, of_column_;                        ///< columns of a block, blocks of a column
    std::vector<std::vector<std::uint32_t>> of_group_;  ///< blocks that are not decided
    std::vector<double> may_stay_open_;                 ///< rows of each group, of those blocks
    std::vector<int> covered_;                          ///< of each block, by what is taken
    std::vector<int> times_;                            ///< of each block, without what is in
    std::vector<std::uint32_t> live_;
    std::vector<std::pair<double, std::uint32_t>> dearest_;  ///< worth of a row, block
};

struct DualBound {
    double cost = 0;
    std::vector<double> asks;   ///< the part of each group
    std::vector<double> worth;  ///< of each block, at the best
};
/// `known_cost`: of a plan; steps are as long as the way to it. Ends after `steps`, or once it comes to rest.
DualBound dual_bound(const CoverProblem&, const std::vector<CoverBlock>&, double known_cost, int steps,
                     const CancelToken& = {}, const std::function<void(double)>& better = {});

}  // namespace yemvo
