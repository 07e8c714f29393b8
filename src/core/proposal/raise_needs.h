// SPDX-License-Identifier: GPL-3.0-or-later
// What a cover problem is asked for beyond its first needs, so that its plans hold what the verdict counts.
#pragma once
#include "capacity/site_capacity.h"
#include "coverage/verdict.h"
#include "proposal/site_cover.h"

namespace yemvo {

/// A plan of the problem, judged.
struct JudgedCover {
    const CoverPlan& plan;
    const Verdict& verdict;
    const SiteCapacity* capacity;  ///< null without demand
};

/// Of a level that does not hold, so many more places as are lacking; where clients or air are short, one
/// more access point in the zones that need it most. True where anything was asked for that was not before.
bool raise_needs(SiteCover&, const Project&, const JudgedCover&);

}  // namespace yemvo
