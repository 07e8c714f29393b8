// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/heard_by_floors.h"

namespace yemvo {

std::vector<std::shared_ptr<const HeardFloor>> heard_by_floors(const Project& project,
                                                               const std::vector<AirRadio>& radios,
                                                               Predictor& predictor,
                                                               const CancelToken& cancel) {
    std::vector<std::shared_ptr<const HeardFloor>> floors;
    for (const Floor* f : all_floors(project)) {
        const SitePrediction one = predictor.predict(project, {f->id}, {}, cancel);
        floors.push_back(std::make_shared<const HeardFloor>(heard_on(project, radios, one.floors.front())));
    }
    return floors;
}

FloorQuestion heard_question(const Project& project, std::shared_ptr<const std::vector<AirRadio>> radios) {
    // who stands where follows from the busy hours as well as from the floor
    std::string key = "capacity";
    for (const BusyHour& h : project.demand.hours) key += " " + h.key;
    return {key,
            [radios = std::move(radios)](const Project& p, const FloorPrediction& floor, const Verdict&,
                                         const CancelToken&) -> Answer {
                return std::make_shared<const HeardFloor>(heard_on(p, *radios, floor));
            },
            false};
}

std::vector<std::shared_ptr<const HeardFloor>> heard_floors(const std::vector<Answer>& answers) {
    std::vector<std::shared_ptr<const HeardFloor>> floors;
    for (const Answer& a : answers)
        if (a) floors.push_back(std::static_pointer_cast<const HeardFloor>(a));
    return floors;
}

}  // namespace yemvo
