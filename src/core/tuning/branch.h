// SPDX-License-Identifier: GPL-3.0-or-later
// The optimum of a part of an instance by branch and bound. For tuning's own use.
#pragma once
#include <chrono>
#include <vector>

#include "base/progress.h"
#include "tuning/pair_costs.h"

namespace yemvo {

struct ProvenPart {
    std::vector<std::uint32_t> chosen;  ///< as the members; of `known` where nothing is better
    double lower_bound = 0;
    bool proven = false;
    bool out_of_time = false;  ///< and not out of steps: another machine may find more
};

/// Russian doll search (Verfaillie, Lemaitre & Schiex 1996): the optimum of the last radios in an order
/// bounds what the earlier ones leave open, whatever they choose; to that comes what each of them has to
/// suffer from those that are decided. `known`: settings of the members to do better than. Ends after so many
/// steps, the same on every machine, unless the time is up before.
ProvenPart branch_and_bound(const PairCosts&, const std::vector<std::uint32_t>& members,
                            const std::vector<std::uint32_t>& known, std::uint64_t most_steps,
                            std::chrono::steady_clock::time_point until, const CancelToken&);

}  // namespace yemvo
