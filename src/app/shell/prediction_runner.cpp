#include "app/shell/prediction_runner.h"

namespace yemvo::app {

using namespace std::chrono_literals;

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

void PredictionRunner::request(const Project& project, FloorId in_view, const ExtraWish& extra) {
    {
        const std::lock_guard lock(mutex_);
        waiting_ = Request{project, in_view, extra};
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

void PredictionRunner::run(const Request& request, const CancelToken& token) {
    std::vector<FloorId> order{request.in_view};
    for (const Floor* floor : all_floors(request.project))
        if (floor->id != request.in_view) order.push_back(floor->id);
    emit working(true, tr("Predicting"));
    bool first = true;
    const PredictionWish wish{request.extra.cell_m, request.extra.deviation || needs_deviation(request.project), 0};
    SitePrediction site =
        predictor_.predict(request.project, order, wish, token, [&](const FloorPrediction& floor) {
            if (!first) return;
            first = false;
            if (order.size() > 1 && newer_waits()) {
                auto part = std::make_shared<Prediction>();
                part->site.floors.push_back(floor);
                emit ready(part);
                token.cancel();
            }
        });
    auto whole = std::make_shared<Prediction>();
    whole->verdict = judge(request.project, site);
    whole->site = std::move(site);
    if (request.extra.outside) {
        constexpr double beyond_m = 25;
        whole->outside =
            predictor_.predict(request.project, {request.in_view}, {request.extra.cell_m, false, beyond_m}, token)
                .floors.front();
    }
    emit ready(whole);
}

}  // namespace yemvo::app
