// SPDX-License-Identifier: GPL-3.0-or-later
// How long work is stopped.
#pragma once
#include <atomic>
#include <memory>

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

}  // namespace yemvo
