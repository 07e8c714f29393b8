// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposal/relax.h"

#include <algorithm>
#include <cmath>

#include "project/edits.h"
#include "proposal/why.h"

namespace yemvo {

std::vector<RulingRequirement> ruling_requirements(const Project& plan, const std::vector<FloorId>& floors,
                                                   const Verdict& verdict, SiteVerdicts& verdicts,
                                                   const CancelToken& cancel) {
    std::vector<RulingRequirement> out;
    for (const FloorId floor : floors)
        for (const AccessPoint& ap : access_points(plan, floor)) {
            std::vector<RequirementId> seen;
            const Verdict without = verdicts.of(without_access_point(plan, ap.id), cancel).verdict;
            for (const VerdictLoss& l : losses(verdict, without)) {
                if (!l.fails || l.requirement.value == 0 || std::ranges::count(seen, l.requirement) > 0)
                    continue;
                seen.push_back(l.requirement);
                const auto known = std::ranges::find(out, l.requirement, &RulingRequirement::requirement);
                if (known == out.end())
                    out.push_back({l.requirement, 1});
                else
                    ++known->access_points;
            }
        }
    std::ranges::stable_sort(out, std::greater{}, &RulingRequirement::access_points);
    return out;
}

/// What a limit of that is eased by.
static double eased(const Requirement& r, double limit) {
    constexpr double db = 3, points = 10;
    const LensInfo& info = required_lens(r);
    if (info.id == LensId::radio_clients) return limit * 1.25;
    const double step = info.unit == "dBm" || info.unit == "dB" ? db
                        : info.unit == "%"                      ? points
                        : info.unit == "radios"                 ? 1
                                                                : 0.2 * limit;
    return info.more_is_better ? limit - step : limit + step;
}

Requirement a_step_less(Requirement r) {
    constexpr double share = 0.05;
    if (required_lens(r).counts == RequirementCounts::clients) {
        r.share_required = std::max(0.0, r.share_required - share);
        return r;
    }
    const double before = r.limit;
    r.limit = eased(r, before);
    for (auto& [band, limit] : r.band_limits) limit = eased(r, limit);
    return r;
}

Said step_words(const Requirement& now, const Requirement& less) {
    if (now.share_required != less.share_required)
        return say("%1: %2 instead of %3", requirement_name(now),
                   say("%1 %", said_figure(100 * less.share_required, 0)),
                   say("%1 %", said_figure(100 * now.share_required, 0)));
    const std::string unit(required_lens(now).unit);
    const int decimals = now.limit == std::round(now.limit) && less.limit == std::round(less.limit) ? 0 : 1;
    return say("%1: %2 instead of %3 %4", requirement_name(now), said_figure(less.limit, decimals),
               said_figure(now.limit, decimals), unit);
}

std::vector<RelaxedPlan> relaxed_plans(const Project& present, const Proposal& proposal,
                                       const ProposalAsk& ask, Predictor& predictor, const RelaxWish& wish,
                                       const CancelToken& cancel,
                                       const std::function<void(const RelaxedPlan&, double)>& so_far) {
    SiteVerdicts verdicts(predictor);
    std::vector<RulingRequirement> rules = ruling_requirements(
        proposal.plan.project, floors_asked(present, ask), proposal.verdict, verdicts, cancel);
    if (rules.size() > wish.most) rules.resize(wish.most);
    std::vector<RelaxedPlan> out;
    for (const RulingRequirement& r : rules) {
        cancel.check();
        RelaxedPlan relaxed;
        relaxed.now = *find_requirement(present, r.requirement);
        relaxed.less = a_step_less(relaxed.now);
        relaxed.rules = r.access_points;
        Project eased_project = present;
        std::vector<RequirementSet> sets = *present.requirement_sets;
        for (RequirementSet& set : sets)
            for (Requirement& requirement : set.requirements)
                if (requirement.id == r.requirement) requirement = relaxed.less;
        eased_project.requirement_sets = std::move(sets);
        ProposalAsk again = ask;
        again.from = std::make_shared<const HungPlan>(proposal.plan);
        again.seconds = wish.seconds;
        const Proposal found = propose(eased_project, predictor, again, cancel);
        relaxed.access_points = found.access_points;
        relaxed.cost = found.cost;
        relaxed.saved = proposal.cost - found.cost;
        relaxed.holds = found.verdict.not_met() == 0;
        out.push_back(relaxed);
        if (so_far) so_far(relaxed, double(out.size()) / double(rules.size()));
    }
    return out;
}

}  // namespace yemvo
