// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/results.h"

#include <algorithm>

#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/map_results.h"
#include "app/model/shown_map.h"

namespace yemvo::app {

Results::Results(Document& document, InView& in_view, ShownMap& shown)
    : document_(document), in_view_(in_view), shown_(shown) {
    teach_map_results(*this, shown, document);
}

void Results::start() {
    prediction_ = nullptr;
    verdict_ = previous_verdict_ = std::nullopt;
}

const FloorPrediction* Results::floor_prediction() const {
    return prediction_ ? prediction_->site.find(in_view_.floor_id()) : nullptr;
}

const FloorPrediction* Results::map_prediction() const {
    if (!lens(shown_.map().lens).needs.surroundings) return floor_prediction();
    const Surroundings* round = find<Surroundings>();
    return round && round->floor.floor == in_view_.floor_id() ? &round->floor : nullptr;
}

void Results::set_prediction(std::shared_ptr<const Prediction> prediction) {
    if (prediction && !prediction->verdict) {
        take_part(*prediction);
        emit floor_predicted();
        return;
    }
    judged_so_far_.reset();
    prediction_ = std::move(prediction);
    if (prediction_) {
        const int at = document_.history().index();
        if (at != judged_at_) previous_verdict_ = verdict_;
        judged_at_ = at;
        verdict_ = prediction_->verdict;
    }
    emit changed();
}

void Results::set_judged_so_far(int floors, int all) {
    judged_so_far_.reset();
    if (floors < all) judged_so_far_ = {floors, all};
    emit progressed();
}

bool Results::set_wanted(std::type_index type, const void* who, bool on) {
    const bool was = is_wanted(type);
    if (on)
        wanted_.insert({type, who});
    else
        wanted_.erase({type, who});
    if (on && !was) emit wanted();
    return on && !was;
}

bool Results::is_wanted(std::type_index type) const {
    return std::ranges::any_of(wanted_, [&](const auto& w) { return w.first == type; });
}

bool Results::wants_of_view() const {
    return std::ranges::any_of(kinds_, [&](const ResultKind& k) { return k.of_view && is_wanted(k.type); });
}

WantedWork Results::wanted_work() const {
    WantedWork work;
    for (const ResultKind& kind : kinds_) {
        if (!is_wanted(kind.type)) continue;
        work.deviation = work.deviation || kind.deviation;
        work.cables = work.cables || kind.cables;
        if (kind.of_site) work.of_site.emplace_back(kind.type, kind.of_site());
        if (kind.of_view)
            if (ViewWork now = kind.of_view()) work.of_view.emplace_back(kind.type, std::move(now));
    }
    return work;
}

/// The floor that is ready; the others stay as they were until they are, the verdict and what is of the site
/// too.
void Results::take_part(const Prediction& part) {
    auto now = std::make_shared<Prediction>(part);
    if (prediction_) {
        for (const ResultKind& kind : kinds_)
            if (kind.of_site) now->more.take(kind.type, prediction_->more);
        for (const FloorPrediction& f : prediction_->site.floors)
            if (!now->site.find(f.floor)) now->site.floors.push_back(f);
    }
    prediction_ = std::move(now);
}

}  // namespace yemvo::app
