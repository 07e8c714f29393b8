// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/demand/capacity_result.h"

#include "capacity/capacity_verdict.h"

namespace yemvo::app {

SiteWork capacity_work(const Project& project, const std::shared_ptr<CapacitySolver>& solver) {
    const auto radios = std::make_shared<const std::vector<AirRadio>>(air_radios(project));
    // who stands where follows from the busy hours as well as from the floor
    std::string key = "capacity";
    for (const BusyHour& h : project.demand.hours) key += " " + h.key;
    SiteWork work;
    work.of_floor = {key,
                     [radios](const Project& p, const FloorPrediction& floor, const Verdict&,
                              const CancelToken&) -> Answer {
                         return std::make_shared<const HeardFloor>(heard_on(p, *radios, floor));
                     },
                     false};
    work.of_all = [project, radios, solver](const std::vector<Answer>& answers,
                                            const CancelToken& cancel) -> Answer {
        std::vector<std::shared_ptr<const HeardFloor>> floors;
        for (const Answer& a : answers)
            if (a) floors.push_back(std::static_pointer_cast<const HeardFloor>(a));
        return solver->solve(project, *radios, floors, cancel);
    };
    work.judge = [project](Verdict& verdict, const Answer& answer) {
        if (answer) add_capacity(verdict, project, *static_cast<const SiteCapacity*>(answer.get()));
    };
    work.air = [hour = project.demand.hour](const Answer& answer) {
        return answer ? air_figures(*static_cast<const SiteCapacity*>(answer.get()), hour) : nullptr;
    };
    return work;
}

}  // namespace yemvo::app
