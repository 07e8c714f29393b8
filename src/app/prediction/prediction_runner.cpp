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
    : QObject(parent), predictor_(budget), thread_([this] { work(); }) {}

PredictionRunner::~PredictionRunner() {
    {
        const std::lock_guard lock(mutex_);
        stop_ = true;
        running_.cancel();
    }
    wake_.notify_all();
    thread_.join();
}

void PredictionRunner::request(const Project& project, FloorId in_view, const ExtraWish& extra,
                               std::shared_ptr<const Project> other, int of) {
    {
        const std::lock_guard lock(mutex_);
        waiting_ = Request{project, in_view, extra, std::move(other), of};
        if (busy_ && std::chrono::steady_clock::now() - started_ > 250ms) running_.cancel();
    }
    wake_.notify_all();
}

void PredictionRunner::cancel() {
    const std::lock_guard lock(mutex_);
    waiting_.reset();
    running_.cancel();
}

bool PredictionRunner::is_idle() const {
    const std::lock_guard lock(mutex_);
    return !busy_ && !waiting_;
}

bool PredictionRunner::newer_waits() {
    const std::lock_guard lock(mutex_);
    return waiting_.has_value();
}

void PredictionRunner::work() {
    for (;;) {
        Request request;
        CancelToken token;
        {
            std::unique_lock lock(mutex_);
            wake_.wait(lock, [this] { return stop_ || waiting_; });
            if (stop_) return;
            request = std::move(*waiting_);
            waiting_.reset();
            running_ = token;
            busy_ = true;
            started_ = std::chrono::steady_clock::now();
        }
        try {
            run(request, token);
        } catch (const Cancelled&) {
            // a newer request is on its way, or the person asked to stop
        } catch (const std::exception& fault) {
            emit failed(QString::fromUtf8(fault.what()));
        }
        {
            const std::lock_guard lock(mutex_);
            busy_ = false;
            if (waiting_) continue;
        }
        floors_.rest();
        // not in the pauses of a drag
        if (const auto now = std::chrono::steady_clock::now(); now - tidied_ > 10s) {
            give_back_free_memory();
            tidied_ = now;
        }
        emit working(false, {});
    }
}

/// Work that takes long tells how far it is, ten times a second at most. Called from any thread.
void PredictionRunner::tell_share(double share) {
    using Clock = std::chrono::steady_clock;
    const auto now = Clock::now().time_since_epoch().count();
    auto last = told_at_.load();
    const auto wait = std::chrono::duration_cast<Clock::duration>(100ms).count();
    if (now - last < wait || Clock::now() - started_ < 300ms) return;
    if (told_at_.compare_exchange_strong(last, now))
        emit working(true, tr("Predicting, %1 %").arg(static_cast<int>(100 * share)));
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
                                                        const CancelToken& token) {
    SiteJudge judge(request.project);
    std::vector<WorstPlace> places;
    const int all = static_cast<int>(order.size());
    int done = 0;
    for (FloorId id : order) {
        wish.progress = [this, done, all](double share) { tell_share((done + share) / all); };
        const FloorByFloor::Wish asked{wish, request.extra.places ? most_places : 0};
        const JudgedFloor floor = id == in_view.floor
                                      ? floors_.judged(judge, request.project, in_view, asked, token)
                                      : floors_.judged(judge, request.project, id, asked, token);
        judge.add(floor.part);
        places.insert(places.end(), floor.places.begin(), floor.places.end());
        emit judged_so_far(++done, all);
        token.check();
    }
    std::stable_sort(places.begin(), places.end(), [](const WorstPlace& a, const WorstPlace& b) {
        if ((a.on_floor == Outcome::met) != (b.on_floor == Outcome::met)) return b.on_floor == Outcome::met;
        return a.area_m2 > b.area_m2;
    });
    if (places.size() > most_places) places.resize(most_places);
    return {request.project, request.extra, judge.verdict(), std::move(places)};
}

void PredictionRunner::run_by_floors(const Request& request, const std::vector<FloorId>& order,
                                     std::shared_ptr<Prediction> whole, const CancelToken& token) {
    PredictionWish wish = wish_to_judge(request.project);
    wish.deviation = wish.deviation || request.extra.deviation;
    wish.progress = [this, all = order.size()](double share) {
        tell_share(share / static_cast<double>(all));
    };
    const FloorPrediction in_view =
        predictor_.predict(request.project, {order.front()}, wish, token).floors.front();
    whole->site.floors.push_back(in_view);
    emit ready(std::make_shared<Prediction>(*whole));
    if (!judged_ || !(judged_->extra == request.extra) || !(judged_->project == request.project)) {
        if (newer_waits()) token.cancel();
        judged_ = judge_floors(request, order, in_view, wish, token);
    }
    whole->verdict = judged_->verdict;
    whole->places = judged_->places;
    if (request.extra.outside) add_outside(request, *whole, token);
    emit ready(whole);
}

void PredictionRunner::add_outside(const Request& request, Prediction& to, const CancelToken& token) {
    constexpr double beyond_m = 25;
    to.outside =
        predictor_.predict(request.project, {request.in_view}, {{}, false, beyond_m}, token).floors.front();
}

void PredictionRunner::run(const Request& request, const CancelToken& token) {
    const auto order = in_order(request.project, request.in_view);
    emit working(true, tr("Predicting"));
    const ExtraWish& extra = request.extra;
    PredictionWish wish = wish_to_judge(request.project);
    wish.deviation = wish.deviation || extra.deviation;
    auto whole = std::make_shared<Prediction>();
    whole->project = request.project;
    whole->of = request.of;
    if (request.other && find_floor(*request.other, request.in_view)) {
        whole->other_project = request.other;
        whole->other = predictor_.predict(*request.other, {request.in_view}, wish, token).floors.front();
    }
    if (field_bytes(request.project) > predictor_.budget().limit_bytes() / part_for_fields)
        return run_by_floors(request, order, whole, token);
    bool first = true;
    wish.progress = [this](double share) { tell_share(share); };
    whole->site = predictor_.predict(request.project, order, wish, token, [&](const FloorPrediction& floor) {
        if (!first) return;
        first = false;
        const bool gives_way = order.size() > 1 && newer_waits();
        // the map of the floor in view is painted while the rest and the verdict are worked out
        auto part = std::make_shared<Prediction>(*whole);
        part->site.floors.push_back(floor);
        emit ready(part);
        if (gives_way) token.cancel();
    });
    whole->verdict = judge(request.project, whole->site);
    if (extra.places)
        whole->places = worst_places(request.project, whole->site, *whole->verdict, most_places, token);
    if (extra.outside) add_outside(request, *whole, token);
    emit ready(whole);
}

}  // namespace yemvo::app
