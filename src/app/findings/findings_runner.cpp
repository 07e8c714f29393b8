#include "app/findings/findings_runner.h"

#include <utility>

namespace yemvo::app {

static constexpr auto pause_before = std::chrono::milliseconds(120);

FindingsRunner::FindingsRunner(QObject* parent) : QObject(parent), masks_(std::size_t{16} << 20) {
    thread_ = std::thread([this] { work(); });
}

FindingsRunner::~FindingsRunner() {
    {
        const std::lock_guard lock(mutex_);
        stop_ = true;
        running_.cancel();
    }
    wake_.notify_one();
    thread_.join();
}

void FindingsRunner::request(const Project& project) {
    {
        const std::lock_guard lock(mutex_);
        waiting_ = project;
        running_.cancel();
    }
    wake_.notify_one();
}

bool FindingsRunner::is_idle() const {
    const std::lock_guard lock(mutex_);
    return !busy_ && !waiting_;
}

void FindingsRunner::work() {
    std::unique_lock lock(mutex_);
    while (true) {
        wake_.wait(lock, [this] { return stop_ || waiting_; });
        // the hand and the prediction go first: a moment without another edit is waited for
        while (!stop_ && wake_.wait_for(lock, pause_before) == std::cv_status::no_timeout) {
        }
        if (stop_) return;
        const Project project = *std::exchange(waiting_, std::nullopt);
        running_ = CancelToken();
        const CancelToken cancel = running_;
        busy_ = true;
        lock.unlock();
        try {
            emit found(std::make_shared<const std::vector<Finding>>(
                findings(project, make_scene(project, masks_), cancel)));
        } catch (const Cancelled&) {
            // a newer project waits
        } catch (const std::exception& fault) {
            emit failed("The findings could not be worked out: " + QString::fromUtf8(fault.what()));
        }
        lock.lock();
        busy_ = false;
    }
}

}  // namespace yemvo::app
