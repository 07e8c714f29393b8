#include "app/shell/prediction_runner.h"

namespace yemvo::app {

using namespace std::chrono_literals;

static constexpr std::size_t most_places = 6;  ///< that Proof shows

PredictionRunner::PredictionRunner(QObject* parent) : QObject(parent), thread_([this] { work(); }) {}

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
    if (extra.outside) {
        constexpr double beyond_m = 25;
        whole->outside = predictor_.predict(request.project, {request.in_view}, {{}, false, beyond_m}, token)
                             .floors.front();
    }
    emit ready(whole);
}

}  // namespace yemvo::app
