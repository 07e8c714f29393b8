// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/demand/capacity_result.h"

#include "capacity/capacity_verdict.h"
#include "capacity/heard_by_floors.h"

namespace yemvo::app {

SiteWork capacity_work(const Project& project, const std::shared_ptr<CapacitySolver>& solver) {
    const auto radios = std::make_shared<const std::vector<AirRadio>>(air_radios(project));
    SiteWork work;
    work.of_floor = heard_question(project, radios);
    work.of_all = [project, radios, solver](const std::vector<Answer>& answers,
                                            const CancelToken& cancel) -> Answer {
        return solver->solve(project, *radios, heard_floors(answers), cancel);
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
