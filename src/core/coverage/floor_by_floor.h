// SPDX-License-Identifier: GPL-3.0-or-later
// A site predicted and judged one floor after the other, so that one floor's fields at a time have to be in
// memory. What a floor gave is remembered: after an edit only the floors that it reaches are worked out
// again.
#pragma once
#include <map>

#include "coverage/floor_question.h"
#include "coverage/site_prediction.h"

namespace yemvo {

struct JudgedFloor {
    Verdict part;                 ///< for SiteJudge::add
    std::vector<Answer> answers;  ///< one a question
};

/// Not safe from several threads.
class FloorByFloor {
public:
    /// Shares the scenes with `predictor`, which must outlive it, and keeps little of the floors passed by.
    explicit FloorByFloor(Predictor& predictor, std::size_t passing_bytes = std::size_t{256} << 20);

    struct Wish {
        PredictionWish prediction = {};
        std::vector<FloorQuestion> questions = {};
    };
    /// From memory where nothing that it depends on has changed. The floor must be the project's. Throws
    /// Cancelled.
    JudgedFloor judged(const SiteJudge&, const Project&, FloorId, const Wish&, const CancelToken&);
    /// Of a floor that is predicted already, with the same wish.
    JudgedFloor judged(const SiteJudge&, const Project&, const FloorPrediction&, const Wish&,
                       const CancelToken&);
    /// Lets go of all but what floors gave.
    void rest() { memory_->set_limit(0); }
    /// Floors that had to be predicted so far, for tests and benchmarks.
    std::size_t predicted() const { return predicted_; }

private:
    /// What a judged floor depends on besides its prediction.
    struct Asked {
        Floor floor;
        SiteSettings settings;
        Shared<std::vector<RequirementSet>> sets;
        Shared<std::vector<ClientProfile>> clients;
        std::vector<std::string> questions;  ///< their keys
        friend bool operator==(const Asked&, const Asked&) = default;
    };
    struct Known {
        std::uint64_t key;
        Asked asked;
        JudgedFloor judged;
    };
    static Asked asked(const Project&, FloorId, const Wish&);
    const JudgedFloor* find(const Project&, FloorId, const Wish&, const CancelToken&);
    JudgedFloor judge(const SiteJudge&, const Project&, const FloorPrediction&, const Wish&,
                      const CancelToken&);

    std::size_t passing_bytes_;  ///< while a floor is worked out
    std::shared_ptr<MemoryBudget> memory_;
    Predictor passing_;
    std::map<FloorId, Known> known_;
    std::size_t predicted_ = 0;
};

/// Every floor of the project. Throws Cancelled.
Verdict judge_by_floors(const Project&, Predictor&, const CancelToken& = {});
/// With what `floors` remembers.
Verdict judge_by_floors(const Project&, FloorByFloor& floors, const CancelToken& = {});

}  // namespace yemvo
