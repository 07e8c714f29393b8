// SPDX-License-Identifier: GPL-3.0-or-later
// Variations of a hung plan held against the verdict, several at a time.
#pragma once
#include <array>
#include <functional>
#include <optional>

#include "capacity/site_verdicts.h"
#include "proposal/asked_part.h"
#include "proposal/hang_plan.h"

namespace yemvo {

struct SettledPlan {
    HungPlan hung;
    SiteVerdict judged;
    Verdict part;          ///< of it what is asked
    double lacks() const;  ///< lacking() of that
};

/// Not safe from several threads: it has its own.
class PlanTrials {
public:
    /// Predictor and part must outlive it.
    PlanTrials(Predictor& predictor, const AskedPart&, const CancelToken&);
    SettledPlan judged(HungPlan);
    using Variation = std::function<std::optional<HungPlan>(std::size_t)>;
    /// Of so many variations the one with the least score, where that is less than `below`; the first of
    /// equals. `variation` and `score` are called from several threads; no variation: left out.
    using Score = std::function<double(const SettledPlan&)>;
    std::optional<SettledPlan> best(std::size_t count, const Variation& variation, double below,
                                    const Score& score = &SettledPlan::lacks);
    /// What each lacks.
    std::vector<double> lacks(std::size_t count, const Variation& variation);

private:
    /// Fixed, so that what each remembers does not depend on the machine.
    static constexpr std::size_t lanes = 2;
    void each(std::size_t count, const Variation& variation,
              const std::function<void(std::size_t lane, std::size_t i, SettledPlan)>& done);
    std::array<SiteVerdicts, lanes> verdicts_;
    void judge(SettledPlan&, std::size_t lane);
    const AskedPart& part_;
    CancelToken cancel_;
};

}  // namespace yemvo
