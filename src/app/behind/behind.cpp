#include "app/behind/behind.h"

#include <new>
#include <utility>

namespace yemvo::app {

Behind::Behind(Faulty faulty, std::chrono::milliseconds pause) : faulty_(std::move(faulty)), pause_(pause) {
    thread_ = std::thread([this] { run(); });
}

Behind::~Behind() {
    {
        const std::lock_guard lock(mutex_);
        stop_ = true;
        running_.cancel();
    }
    wake_.notify_one();
    thread_.join();
}

void Behind::request(Work work) {
    {
        const std::lock_guard lock(mutex_);
        waiting_ = std::move(work);
        running_.cancel();
    }
    wake_.notify_one();
}

bool Behind::is_idle() const {
    const std::lock_guard lock(mutex_);
    return !busy_ && !waiting_;
}

void Behind::run() {
    std::unique_lock lock(mutex_);
    while (true) {
        wake_.wait(lock, [this] { return stop_ || waiting_; });
        while (!stop_ && wake_.wait_for(lock, pause_) == std::cv_status::no_timeout) {
        }
        if (stop_) return;
        const Work work = *std::exchange(waiting_, std::nullopt);
        running_ = CancelToken();
        const CancelToken cancel = running_;
        busy_ = true;
        lock.unlock();
        try {
            work(cancel);
        } catch (const Cancelled&) {
            // something newer waits
        } catch (const std::bad_alloc&) {
            faulty_(QStringLiteral("there is not enough memory for it"));
        } catch (const std::exception& fault) {
            faulty_(QString::fromUtf8(fault.what()));
        }
        lock.lock();
        busy_ = false;
    }
}

}  // namespace yemvo::app
