// SPDX-License-Identifier: GPL-3.0-or-later
// Plans for a cover problem: greedy, then local search.
//
// A search takes away the column that is missed least and exchanges the others (CoverAnnealer) until the plan
// is whole again, for as long as that succeeds. References: Chvatal 1979 (greedy), Teitz & Bart 1968
// (exchange).
#pragma once
#include <functional>

#include "base/progress.h"
#include "cover/cover_problem.h"

namespace yemvo {

/// Most still missing a cost first, then what is redundant taken away.
CoverPlan greedy_cover(const CoverProblem&);

struct CoverWish {
    std::uint64_t seed = 1;
    std::uint64_t tries = 400'000;             ///< of exchanges, for each column less
    int failures = 6;                          ///< after so many that came to nothing in a row it stops
    double seconds = 60;                       ///< at most; the plan depends on the machine where it runs out
    std::function<double()> good_enough = {};  ///< stops at a plan that costs no more
    std::function<void(const CoverPlan&)> better = {};
};
/// From a plan that may be short, or from the greedy one. Needs have to be within reach (take_down_needs).
CoverPlan search_cover(const CoverProblem&, const CoverWish&, const CancelToken& = {},
                       const CoverPlan* start = nullptr);

}  // namespace yemvo
