// SPDX-License-Identifier: GPL-3.0-or-later
// The Lagrangian bound of a cover problem: what rows are worth, raised where they stay open and lowered where
// they are covered too often (Held & Karp 1971, Fisher 1981). At its best it is the linear relaxation; each
// step is a bound, costs one pass over the rows, and can be stopped.
//   L(v) = sum_i min(0, cost_i - sum of v over its blocks) + sum_g times_g (sum of v, less the dearest that
//   may stay open), v >= 0
#pragma once
#include <functional>

#include "base/progress.h"
#include "proposal/cover_problem.h"

namespace yemvo {

/// Rows of a group that the same columns cover, once those of a block are taken together.
struct CoverBlock {
    std::uint32_t group;
    double rows;
    std::vector<std::uint32_t> columns;  ///< rising
};
/// Groups that need nothing have none.
std::vector<CoverBlock> gathered_blocks(const CoverProblem&);

struct DualBound {
    double cost = 0;
    std::vector<double> asks;  ///< the part of each group
};
/// `known_cost`: of a plan; steps are as long as the way to it. Ends after `steps`, or once it comes to rest.
DualBound dual_bound(const CoverProblem&, const std::vector<CoverBlock>&, double known_cost, int steps,
                     const CancelToken& = {}, const std::function<void(double)>& better = {});

}  // namespace yemvo
