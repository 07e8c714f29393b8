// SPDX-License-Identifier: GPL-3.0-or-later
// Branch and bound over the dual (cover_dual.h): whether a plan of a cover problem can cost no more than so
// much. In each branch the dual goes on from where the branch before left it; columns whose reduced cost says
// that they cannot be in such a plan, or not out of it, are held (Beasley 1987).
#pragma once
#include "cover/cover_dual.h"

namespace yemvo {

enum class Branched {
    none,      ///< no plan costs so little
    possible,  ///< one does, of the gathered blocks at least
    unknown,   ///< the time was up
};

struct BranchWish {
    double at_most = 0;  ///< a plan may cost
    double seconds = 10;
};
/// `worth`: where the dual starts, of each block.
Branched branch_cover(const CoverProblem&, const std::vector<CoverBlock>&, const std::vector<double>& worth,
                      const BranchWish&, const CancelToken& = {});

}  // namespace yemvo
