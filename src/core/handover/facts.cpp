// SPDX-License-Identifier: GPL-3.0-or-later
#include "handover/facts.h"

#include "capacity/capacity_verdict.h"

namespace yemvo {
namespace {

/// Shares of the time that the parts take, as measured on plans of many floors.
constexpr double knowing = 0.6, checking = 0.7;

void show_floors(const Project& project, Predictor& predictor, const SiteCapacity* capacity,
                 const std::function<void(const FloorPrediction&)>& seen, const PredictionWish& wish,
                 const CancelToken& cancel, const std::function<void(double)>& progress) {
    const auto air = capacity ? air_figures(*capacity, project.demand.hour) : nullptr;
    const auto floors = all_floors(project);
    for (std::size_t i = 0; i < floors.size(); ++i) {
        SitePrediction one = predictor.predict(project, {floors[i]->id}, wish, cancel);
        for (FloorPrediction& floor : one.floors) {
            floor.air = air;
            seen(floor);
        }
        progress(checking + (1 - checking) * static_cast<double>(i + 1) / static_cast<double>(floors.size()));
    }
}

}  // namespace

HandoverFacts gather_facts(const Project& project, Predictor& predictor, const CancelToken& cancel,
                           const std::function<void(const FloorPrediction&)>& seen,
                           const PredictionWish& wish, const std::function<void(double)>& progress) {
    const auto tell = [&](double share) {
        cancel.check();
        if (progress) progress(share);
    };
    HandoverFacts facts;
    facts.project = project;
    facts.day = today();
    const KnownSite site = know_site(project, predictor, cancel);
    tell(knowing);
    facts.verdict = site.verdict;
    facts.capacity = site.capacity;
    const KnownAir air = known_air(project, site.hearing, site.capacity.get());
    facts.findings = findings(project, site.scene, cancel, &air);
    facts.cables = plan_cables(project, cancel);
    tell(checking);
    if (seen) show_floors(project, predictor, site.capacity.get(), seen, wish, cancel, tell);
    return facts;
}

}  // namespace yemvo
