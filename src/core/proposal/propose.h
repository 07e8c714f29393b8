// SPDX-License-Identifier: GPL-3.0-or-later
// A plan worked out: where access points go on all floors at once, with channels, held against the verdict as
// it is judged, and how far it may be from the best.
//
// A cover search finds the places (site_cover.h, cover_search.h). The plan is then hung, its channels are
// chosen (Retuning) and the whole is judged; where a requirement fails, the search is asked for more there:
// of a level so many more places, of clients and air one more access point in the zone. In turns until all
// holds or nothing helps. Then each access point is tried without. The lower bound is of the cover problem
// alone, on a thread of its own meanwhile: requirements that come later only add to it.
#pragma once
#include <functional>
#include <memory>

#include "capacity/site_capacity.h"
#include "coverage/verdict.h"
#include "proposal/hang_plan.h"

namespace yemvo {

/// What stands at a moment of the search.
struct ProposalStand {
    double seconds = 0;
    std::size_t access_points = 0;  ///< on the floors asked
    double lower_bound = 0;
    double short_m2 = 0;  ///< of area that a level is asked for, over all requirements
    bool judged = false;  ///< the whole plan was judged: then `failing` holds
    int failing = 0;      ///< requirements that do not hold
};

struct Proposal {
    HungPlan plan;  ///< with its channels
    Verdict before, verdict;
    std::shared_ptr<const SiteCapacity> capacity;  ///< null without demand
    std::size_t access_points_before = 0, access_points = 0;
    ProposalGoal goal = ProposalGoal::count;
    double cost_before = 0, cost = 0;  ///< as the goal counts
    double lower_bound = 0;            ///< of the cost, for plans of the candidate places; at most the cost
    bool bound_is_exact = false;
    /// What asks for most of the bound: a requirement in a band on a floor, and its part of the bound.
    struct Ruling {
        CoverSubject subject;
        double part = 0;
    };
    std::vector<Ruling> ruling;             ///< the greatest first
    std::size_t candidates = 0;             ///< places and models that were looked at
    std::map<FloorId, double> cell_m = {};  ///< of the grids that the search looked at
    std::vector<Said> notes;                ///< what cannot be met, and why; what was left to the verdict
    std::vector<ProposalStand> history;
    double seconds = 0;
    bool stopped = false;  ///< cancelled, or out of time before it came to rest
    double gap() const { return lower_bound > 0 ? (cost - lower_bound) / lower_bound : 0; }
};

/// `better` is told each plan that is shown, from the calling thread; `stand` more often. Cancelling gives
/// the best plan so far; throws Cancelled before there is one, and Error where there is nothing to propose.
Proposal propose(const Project&, Predictor&, const ProposalAsk&, const CancelToken& = {},
                 const std::function<void(const Proposal&)>& better = {},
                 const std::function<void(const ProposalStand&)>& stand = {});

}  // namespace yemvo
