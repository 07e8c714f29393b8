// SPDX-License-Identifier: GPL-3.0-or-later
// What no plan of a cover problem can cost less than.
//
// Rows of a block are taken together and count as covered where any column covers any of them, and columns
// that exclude each other may come together: each of the two only lowers the least cost, so the bound holds
// for the problem as it is. The Lagrangian bound (cover_dual.h) is there soon; branches over it
// (cover_branch.h) raise it while there is time.
#pragma once
#include <functional>

#include "base/progress.h"
#include "cover/cover_problem.h"

namespace yemvo {

struct CoverBound {
    double cost = 0;     ///< no plan costs less
    double relaxed = 0;  ///< the dual's, before any branch
    bool exact = false;  ///< the best plan of what was gathered costs just as much
    /// What each group asks of the relaxed cost, in the order of the groups.
    std::vector<double> asks;
    std::size_t blocks = 0;  ///< rows after gathering
    double seconds = 0;
};

struct BoundWish {
    double seconds = 30;
    bool whole_counts = true;  ///< costs are whole numbers, so that the bound may be rounded up
    std::function<void(double cost)> better = {};
};
CoverBound bound_cover(const CoverProblem&, const BoundWish&, const CancelToken& = {});

}  // namespace yemvo
