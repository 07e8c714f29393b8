// SPDX-License-Identifier: GPL-3.0-or-later
// All that rules, retuning and widths ask of a site, for those who have no window that keeps it.
#pragma once
#include <memory>
#include <vector>

#include "coverage/verdict.h"
#include "tuning/meetings.h"
#include "tuning/tuning_room.h"

namespace yemvo {

struct KnownSite {
    std::vector<std::shared_ptr<const HeardFloor>> heard;
    SiteHearing hearing;
    TuningRoom room;
    std::shared_ptr<const SiteCapacity> capacity;  ///< null where nobody asks for anything
    Scene scene;
    Verdict verdict;  ///< of the whole, capacity counted
};
/// One floor's fields at a time in memory. Throws Cancelled.
KnownSite know_site(const Project&, Predictor&, const CancelToken& = {});

}  // namespace yemvo
