// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/floor_by_floor.h"

#include <algorithm>

namespace yemvo {

FloorByFloor::FloorByFloor(Predictor& predictor, std::size_t passing_bytes)
    : passing_bytes_(std::min(passing_bytes, predictor.budget().limit_bytes())),
      memory_(std::make_shared<MemoryBudget>(passing_bytes_)),
      passing_(memory_, predictor.store().scenes()) {}

FloorByFloor::Asked FloorByFloor::asked(const Project& p, FloorId id, const Wish& wish) {
    Asked a{*find_floor(p, id), p.settings, p.requirement_sets, p.clients, {}};
    for (const FloorQuestion& q : wish.questions) a.questions.push_back(q.key);
    return a;
}

const JudgedFloor* FloorByFloor::find(const Project& project, FloorId id, const Wish& wish,
                                      const CancelToken& cancel) {
    const auto found = known_.find(id);
    if (found == known_.end() || !(found->second.asked == asked(project, id, wish))) return nullptr;
    return passing_.floor_key(project, id, wish.prediction, cancel) == found->second.key
               ? &found->second.judged
               : nullptr;
}

JudgedFloor FloorByFloor::judge(const SiteJudge& site, const Project& project, const FloorPrediction& p,
                                const Wish& wish, const CancelToken& cancel) {
    JudgedFloor judged{site.part(p), {}};
    for (const FloorQuestion& q : wish.questions)
        judged.answers.push_back(q.answer(project, p, judged.part, cancel));
    if (known_.size() > all_floors(project).size())  // of floors that are gone, or of another project
        std::erase_if(known_, [&](const auto& entry) { return !find_floor(project, entry.first); });
    known_[p.floor] = {passing_.floor_key(project, p.floor, wish.prediction, cancel),
                       asked(project, p.floor, wish), judged};
    return judged;
}

JudgedFloor FloorByFloor::judged(const SiteJudge& site, const Project& project, const FloorPrediction& p,
                                 const Wish& wish, const CancelToken& cancel) {
    if (const JudgedFloor* known = find(project, p.floor, wish, cancel)) return *known;
    return judge(site, project, p, wish, cancel);
}

JudgedFloor FloorByFloor::judged(const SiteJudge& site, const Project& project, FloorId id, const Wish& wish,
                                 const CancelToken& cancel) {
    if (const JudgedFloor* known = find(project, id, wish, cancel)) return *known;
    memory_->set_limit(passing_bytes_);
    ++predicted_;
    const SitePrediction one = passing_.predict(project, {id}, wish.prediction, cancel);
    return judge(site, project, one.floors.front(), wish, cancel);
}

Verdict judge_by_floors(const Project& project, FloorByFloor& floors, const CancelToken& cancel) {
    SiteJudge site(project);
    const FloorByFloor::Wish wish{wish_to_judge(project)};
    for (const Floor* floor : all_floors(project))
        site.add(floors.judged(site, project, floor->id, wish, cancel).part);
    return site.verdict();
}

Verdict judge_by_floors(const Project& project, Predictor& predictor, const CancelToken& cancel) {
    const auto all = all_floors(project);
    if (all.size() == 1)
        return judge(project, predictor.predict(project, {}, wish_to_judge(project), cancel));
    FloorByFloor floors(predictor);
    return judge_by_floors(project, floors, cancel);
}

}  // namespace yemvo
