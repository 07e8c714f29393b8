// SPDX-License-Identifier: GPL-3.0-or-later
// Which requirement rules a plan, and what asking a step less of it would save.
#pragma once
#include "capacity/site_verdicts.h"
#include "proposal/propose.h"

namespace yemvo {

/// How many access points something fails without, by requirement: most first. Of one that several fail
/// without each counts.
struct RulingRequirement {
    RequirementId requirement;
    std::size_t access_points = 0;
};
/// Of the floors asked. Throws Cancelled.
std::vector<RulingRequirement> ruling_requirements(const Project& plan, const std::vector<FloorId>& floors,
                                                   const Verdict&, SiteVerdicts&, const CancelToken& = {});

/// One step less: 3 dB of levels and ratios, a fifth of rates, a quarter more clients, 10 points of air in
/// use or headroom; of clients 5 points of their share.
Requirement a_step_less(Requirement);
/// "Signal, 5 and 6 GHz: −70 instead of −67 dBm"
Said step_words(const Requirement& now, const Requirement& less);

struct RelaxedPlan {
    Requirement now, less;
    std::size_t rules = 0;  ///< access points that it fails without
    std::size_t access_points = 0;
    double cost = 0, saved = 0;  ///< as the goal counts
    bool holds = false;          ///< all that is asked then
};
struct RelaxWish {
    std::size_t most = 3;  ///< requirements, those that rule most
    double seconds = 10;   ///< for each
};
/// A search from the plan for each of the requirements that rule it. `present`: the project that the proposal
/// is for. `so_far`: told each as it is known, with the share of the work done. Throws Cancelled.
std::vector<RelaxedPlan> relaxed_plans(
    const Project& present, const Proposal&, const ProposalAsk&, Predictor&, const RelaxWish& = {},
    const CancelToken& = {}, const std::function<void(const RelaxedPlan&, double share)>& so_far = {});

}  // namespace yemvo
