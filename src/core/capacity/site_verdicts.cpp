// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/site_verdicts.h"

#include "capacity/capacity_verdict.h"
#include "capacity/heard_by_floors.h"

namespace yemvo {

SiteVerdict SiteVerdicts::of(const Project& project, const CancelToken& cancel) {
    const auto radios = std::make_shared<const std::vector<AirRadio>>(air_radios(project));
    FloorByFloor::Wish wish{wish_to_judge(project), {}};
    if (has_demand(project)) wish.questions.push_back(heard_question(project, radios));
    SiteJudge judge(project);
    std::vector<Answer> answers;
    for (const Floor* f : all_floors(project)) {
        JudgedFloor floor = floors_.judged(judge, project, f->id, wish, cancel);
        judge.add(floor.part);
        for (Answer& a : floor.answers) answers.push_back(std::move(a));
    }
    SiteVerdict out{judge.verdict(), nullptr};
    if (has_demand(project)) {
        out.capacity = solver_.solve(project, *radios, heard_floors(answers), cancel);
        add_capacity(out.verdict, project, *out.capacity);
    }
    judge_uplink(out.verdict, project);
    return out;
}

}  // namespace yemvo
