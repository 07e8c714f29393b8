// SPDX-License-Identifier: GPL-3.0-or-later
// Results that views ask for while they need them, each a type of its own: what a prediction brings along
// beside the fields and the verdict. A feature teaches its kinds to Results; whoever looks at one says that
// it is wanted.
#pragma once
#include <functional>
#include <map>
#include <memory>
#include <typeindex>
#include <vector>

#include "coverage/floor_question.h"

namespace yemvo::app {

/// Results by their type.
class ResultBag {
public:
    template <class T>
    const T* find() const {
        const auto found = results_.find(typeid(T));
        return found == results_.end() ? nullptr : static_cast<const T*>(found->second.get());
    }
    void put(std::type_index type, Answer result) {
        if (result) results_[type] = std::move(result);
    }
    /// Takes one over from another where this has none.
    void take(std::type_index type, const ResultBag& from) {
        const auto found = from.results_.find(type);
        if (found != from.results_.end()) results_.insert(*found);
    }

private:
    std::map<std::type_index, Answer> results_;
};

/// What a result of the floor in view is worked out from, behind the window, before the map is painted.
struct ViewSource {
    const Project& project;
    FloorId floor;
    const PredictionWish& wish;
    Predictor& predictor;
    const CancelToken& cancel;
};
using ViewWork = std::function<Answer(const ViewSource&)>;

/// A result of the whole site: asked of each floor, then put together in the order of the floors.
struct SiteWork {
    FloorQuestion of_floor;
    /// Throws Cancelled.
    std::function<Answer(const std::vector<Answer>&, const CancelToken&)> of_all;
    /// What it adds to the verdict; and what lenses learn from it, laid on every floor. Both may be empty.
    std::function<void(Verdict&, const Answer&)> judge = {};
    std::function<std::shared_ptr<const AirFigures>(const Answer&)> air = {};
};

/// One kind of result; of_view and of_site are called on the interface thread when a prediction is asked for.
/// A ViewWork that is empty: there is nothing to work out now.
struct ResultKind {
    std::type_index type;
    std::function<ViewWork()> of_view = {};
    std::function<SiteWork()> of_site = {};
    bool deviation = false;  ///< asks that fields tell how far off they may be
    bool cables = false;     ///< asks that floors tell how long cables would be
};

/// All that is to be worked out beside fields and verdict.
struct WantedWork {
    bool deviation = false, cables = false;
    std::vector<std::pair<std::type_index, ViewWork>> of_view;
    std::vector<std::pair<std::type_index, SiteWork>> of_site;
};

}  // namespace yemvo::app
