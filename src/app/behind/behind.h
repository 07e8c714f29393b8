// A thread of one's own for work whose newest wish alone counts.
#pragma once
#include <QString>
#include <chrono>
#include <condition_variable>
#include <functional>
#include <mutex>
#include <optional>
#include <thread>

#include "base/progress.h"

namespace yemvo::app {

class Behind {
public:
    using Work = std::function<void(const CancelToken&)>;
    /// Told, on the thread, of a fault that work was ended by.
    using Faulty = std::function<void(const QString& why)>;
    /// `pause`: so long nothing newer has to come before work starts, since the hand goes first.
    explicit Behind(Faulty faulty, std::chrono::milliseconds pause = std::chrono::milliseconds(0));
    ~Behind();
    Behind(const Behind&) = delete;
    Behind& operator=(const Behind&) = delete;

    /// Stops what runs, and runs this on the thread. Whatever it throws ends this work alone.
    void request(Work);
    bool is_idle() const;

private:
    void run();
    mutable std::mutex mutex_;
    std::condition_variable wake_;
    Faulty faulty_;
    std::optional<Work> waiting_;
    CancelToken running_;
    std::chrono::milliseconds pause_;
    bool busy_ = false, stop_ = false;
    std::thread thread_;
};

}  // namespace yemvo::app
