#include "app/model/results.h"

#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/shown_map.h"

namespace yemvo::app {

Results::Results(Document& document, InView& in_view, ShownMap& shown)
    : document_(document), in_view_(in_view), shown_(shown) {}

void Results::start() {
    prediction_ = nullptr;
    verdict_ = previous_verdict_ = std::nullopt;
}

const FloorPrediction* Results::floor_prediction() const {
    return prediction_ ? prediction_->site.find(in_view_.floor_id()) : nullptr;
}

const FloorPrediction* Results::map_prediction() const {
    if (!lens(shown_.map().lens).needs.surroundings) return floor_prediction();
    const bool known =
        prediction_ && prediction_->outside && prediction_->outside->floor == in_view_.floor_id();
    return known ? &*prediction_->outside : nullptr;
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

/// The floor that is ready; the others stay as they were until they are, the verdict and its places too.
void Results::take_part(const Prediction& part) {
    auto now = std::make_shared<Prediction>(part);
    if (prediction_) {
        now->places = prediction_->places;
        now->outside = prediction_->outside;
        for (const FloorPrediction& f : prediction_->site.floors)
            if (!now->site.find(f.floor)) now->site.floors.push_back(f);
    }
    prediction_ = std::move(now);
}

}  // namespace yemvo::app
