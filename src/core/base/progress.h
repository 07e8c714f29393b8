// How long work is followed and stopped.
#pragma once
#include <atomic>
#include <functional>
#include <memory>
#include <string_view>

#include "base/error.h"

namespace yemvo {

/// Copies share one flag; any thread may cancel, the computing thread asks.
class CancelToken {
public:
    void cancel() const { flag_->store(true, std::memory_order_relaxed); }
    bool cancelled() const { return flag_->load(std::memory_order_relaxed); }
    /// Throws Cancelled once cancel() was called.
    void check() const {
        if (cancelled()) throw Cancelled();
    }

private:
    std::shared_ptr<std::atomic<bool>> flag_ = std::make_shared<std::atomic<bool>>(false);
};

/// Told how far the work is: share in [0, 1] and what is being done. May be called from any thread.
using Progress = std::function<void(double share, std::string_view doing)>;

}  // namespace yemvo
