// A thread of one's own for work whose newest wish alone counts.
#pragma once
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
    /// `pause`: so long nothing newer has to come before work starts, since the hand goes first.
    explicit Behind(std::chrono::milliseconds pause = std::chrono::milliseconds(0));
    ~Behind();
    Behind(const Behind&) = delete;
    Behind& operator=(const Behind&) = delete;

    /// Stops what runs, and runs this on the thread. It must deal with its own faults; Cancelled may leave
    /// it.
    void request(Work);
    bool is_idle() const;

private:
    void run();
    mutable std::mutex mutex_;
    std::condition_variable wake_;
    std::optional<Work> waiting_;
    CancelToken running_;
    std::chrono::milliseconds pause_;
    bool busy_ = false, stop_ = false;
    std::thread thread_;
};

}  // namespace yemvo::app
