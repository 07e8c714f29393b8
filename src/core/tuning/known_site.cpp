// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/known_site.h"

#include "capacity/capacity_verdict.h"

namespace yemvo {

KnownSite know_site(const Project& project, Predictor& predictor, const CancelToken& cancel) {
    KnownSite site;
    const std::vector<AirRadio> radios = air_radios(project);
    std::vector<std::vector<HeardFloor::Pair>> between;
    std::vector<Spill> spill;
    SiteJudge judge(project);
    const PredictionWish wish = wish_to_judge(project);
    for (const Floor* floor : all_floors(project)) {
        const SitePrediction one = predictor.predict(project, {floor->id}, wish, cancel);
        for (const FloorPrediction& p : one.floors) {
            judge.add(p);
            site.heard.push_back(std::make_shared<const HeardFloor>(heard_on(project, radios, p)));
            between.push_back(site.heard.back()->between);
            for (const Spill& s : spill_on(project, p)) spill.push_back(s);
            site.room.add(tuning_room_on(project, p));
        }
    }
    SceneCache scenes(usual_budget_bytes());
    site.scene = make_scene(project, scenes);
    site.hearing = site_hearing(radios, between);
    site.hearing.spill = std::move(spill);
    CapacitySolver solver;
    if (has_demand(project)) site.capacity = solver.solve(project, radios, site.heard, cancel);
    site.verdict = judge.verdict();
    if (site.capacity) add_capacity(site.verdict, project, *site.capacity);
    judge_uplink(site.verdict, project);
    return site;
}

}  // namespace yemvo
