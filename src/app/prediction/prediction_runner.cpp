#include "app/prediction/prediction_runner.h"

#include <algorithm>

#include "app/model/prediction.h"
#include "base/free_memory.h"
#include "coverage/worst_places.h"
#include "project/project.h"

namespace yemvo::app {

using namespace std::chrono_literals;

static constexpr std::size_t most_places = 6;  ///< that Proof shows
/// Fields of all floors are kept side by side up to this part of the budget; a site that needs more is judged
/// floor by floor.
static constexpr std::size_t part_for_fields = 4;

PredictionRunner::PredictionRunner(const std::shared_ptr<MemoryBudget>& budget, QObject* parent)
    : QObject(parent), predictor_(budget), behind_({Behind::Takes::newest, 0ms, 250ms}) {
    connect(&behind_, &Behind::progressed, this, &PredictionRunner::progressed);
}

void PredictionRunner::request(const Project& project, FloorId in_view, const ExtraWish& extra,
                               std::shared_ptr<const Project> other, int of) {
    behind_.request(
        {tr("Predicting"),
         [this, request = Request{project, in_view, extra, std::move(other), of}](const AtWork& at) {
             run(request, at);
             if (!at.newer_waits()) tidy();
         },
         [this](const QString& why) { emit failed(tr("The prediction failed: %1").arg(why)); }});
}

/// Not in the pauses of a drag.
void PredictionRunner::tidy() {
    floors_.rest();
    if (const auto now = std::chrono::steady_clock::now(); now - tidied_ > 10s) {
        give_back_free_memory();
        tidied_ = now;
    }
}

void PredictionRunner::hand_over(const AtWork& at, std::shared_ptr<const Prediction> prediction) {
    at.hand_over([this, prediction = std::move(prediction)] { emit ready(prediction); });
}

/// The floor in view first.
static std::vector<FloorId> in_order(const Project& project, FloorId in_view) {
    std::vector<FloorId> order{in_view};
    for (const Floor* floor : all_floors(project))
        if (floor->id != in_view) order.push_back(floor->id);
    return order;
}

/// About what the fields of all radios on all floors take together, if each reached every floor.
static std::size_t field_bytes(const Project& project) {
    std::size_t radios = 0;
    for (const PlacedAccessPoint& placed : placed_access_points(project))
        for (const Radio& r : placed.access_point->radios) radios += r.on;
    double cells = 0;
    const double cell_m2 = project.settings.grid_m * project.settings.grid_m;
    for (const Floor* f : all_floors(project))
        if (const auto box = extent(*f)) cells += std::min(box->width() * box->height() / cell_m2, 4e6);
    return static_cast<std::size_t>(cells) * radios * sizeof(std::int16_t);
}

PredictionRunner::Judged PredictionRunner::judge_floors(const Request& request,
                                                        const std::vector<FloorId>& order,
                                                        const FloorPrediction& in_view, PredictionWish wish,
                                                        const AtWork& at) {
    SiteJudge judge(request.project);
    std::vector<WorstPlace> places;
    const int all = static_cast<int>(order.size());
    int done = 0;
    for (FloorId id : order) {
        wish.progress = [&at, done, all](double share) { at.tell((done + share) / all); };
        const FloorByFloor::Wish asked{wish, request.extra.places ? most_places : 0};
        const JudgedFloor floor = id == in_view.floor
                                      ? floors_.judged(judge, request.project, in_view, asked, at.cancel())
                                      : floors_.judged(judge, request.project, id, asked, at.cancel());
        judge.add(floor.part);
        places.insert(places.end(), floor.places.begin(), floor.places.end());
        ++done;
        at.hand_over([this, done, all] { emit judged_so_far(done, all); });
        at.check();
    }
    std::stable_sort(places.begin(), places.end(), [](const WorstPlace& a, const WorstPlace& b) {
        if ((a.on_floor == Outcome::met) != (b.on_floor == Outcome::met)) return b.on_floor == Outcome::met;
        return a.area_m2 > b.area_m2;
    });
    if (places.size() > most_places) places.resize(most_places);
    return {request.project, request.extra, judge.verdict(), std::move(places)};
}

void PredictionRunner::run_by_floors(const Request& request, const std::vector<FloorId>& order,
                                     std::shared_ptr<Prediction> whole, const AtWork& at) {
    PredictionWish wish = wish_to_judge(request.project);
    wish.deviation = wish.deviation || request.extra.deviation;
    wish.progress = [&at, all = order.size()](double share) { at.tell(share / static_cast<double>(all)); };
    const FloorPrediction in_view =
        predictor_.predict(request.project, {order.front()}, wish, at.cancel()).floors.front();
    whole->site.floors.push_back(in_view);
    hand_over(at, std::make_shared<Prediction>(*whole));
    if (!judged_ || !(judged_->extra == request.extra) || !(judged_->project == request.project)) {
        if (at.newer_waits()) at.cancel().cancel();
        judged_ = judge_floors(request, order, in_view, wish, at);
    }
    whole->verdict = judged_->verdict;
    whole->places = judged_->places;
    if (request.extra.outside) add_outside(request, *whole, at);
    hand_over(at, whole);
}

void PredictionRunner::add_outside(const Request& request, Prediction& to, const AtWork& at) {
    constexpr double beyond_m = 25;
    to.outside = predictor_.predict(request.project, {request.in_view}, {{}, false, beyond_m}, at.cancel())
                     .floors.front();
}

void PredictionRunner::run(const Request& request, const AtWork& at) {
    const auto order = in_order(request.project, request.in_view);
    const ExtraWish& extra = request.extra;
    PredictionWish wish = wish_to_judge(request.project);
    wish.deviation = wish.deviation || extra.deviation;
    auto whole = std::make_shared<Prediction>();
    whole->project = request.project;
    whole->of = request.of;
    if (request.other && find_floor(*request.other, request.in_view)) {
        whole->other_project = request.other;
        whole->other =
            predictor_.predict(*request.other, {request.in_view}, wish, at.cancel()).floors.front();
    }
    if (field_bytes(request.project) > predictor_.budget().limit_bytes() / part_for_fields)
        return run_by_floors(request, order, whole, at);
    bool first = true;
    wish.progress = [&at](double share) { at.tell(share); };
    whole->site =
        predictor_.predict(request.project, order, wish, at.cancel(), [&](const FloorPrediction& floor) {
            if (!first) return;
            first = false;
            const bool gives_way = order.size() > 1 && at.newer_waits();
            // the map of the floor in view is painted while the rest and the verdict are worked out
            auto part = std::make_shared<Prediction>(*whole);
            part->site.floors.push_back(floor);
            hand_over(at, part);
            if (gives_way) at.cancel().cancel();
        });
    whole->verdict = judge(request.project, whole->site);
    if (extra.places)
        whole->places = worst_places(request.project, whole->site, *whole->verdict, most_places, at.cancel());
    if (extra.outside) add_outside(request, *whole, at);
    hand_over(at, whole);
}

}  // namespace yemvo::app
