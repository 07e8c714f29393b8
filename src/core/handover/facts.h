// SPDX-License-Identifier: GPL-3.0-or-later
// All that a handed-over plan says, worked out once from a project.
#pragma once
#include <functional>
#include <memory>
#include <vector>

#include "cabling/cable_plan.h"
#include "checks/findings.h"
#include "coverage/verdict.h"
#include "tuning/known_site.h"

namespace yemvo {

struct HandoverFacts {
    Project project;
    Verdict verdict;                               ///< of the whole, capacity counted
    std::shared_ptr<const SiteCapacity> capacity;  ///< null where nobody asks for anything
    std::vector<Finding> findings;
    CablePlan cables;
    std::string day;  ///< on which it was worked out, as 2026-03-01
};

/// `seen`: shown every floor's prediction, with the air at the project's busy hour, one at a time; none: no
/// floor needs to be looked at again. `wish`: of those predictions. `progress`: told the share of the work
/// that is done. Throws Cancelled.
HandoverFacts gather_facts(const Project&, Predictor&, const CancelToken& = {},
                           const std::function<void(const FloorPrediction&)>& seen = {},
                           const PredictionWish& wish = {}, const std::function<void(double)>& progress = {});

}  // namespace yemvo
