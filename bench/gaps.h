// SPDX-License-Identifier: GPL-3.0-or-later
// How long a window stands still.
#pragma once
#include <QElapsedTimer>
#include <QTimer>
#include <algorithm>
#include <ctime>
#include <utility>

namespace yemvo::bench {

/// The longest time between two turns of the event loop, and the longest that the window's thread computed
/// between two: on a machine that is shared, only the second is the program's own.
class Gaps : public QObject {
public:
    Gaps() {
        connect(&timer_, &QTimer::timeout, this, [this] { turn(); });
        timer_.start(0);
        since_.start();
    }
    double take() {
        turn();
        return std::exchange(worst_ms_, 0.0);
    }
    double take_computed() { return std::exchange(worst_computed_ms_, 0.0); }

private:
    void turn() {
        worst_ms_ = std::max(worst_ms_, static_cast<double>(since_.nsecsElapsed()) / 1e6);
        since_.restart();
        const double computed_ms = thread_ms();
        worst_computed_ms_ = std::max(worst_computed_ms_, computed_ms - computed_ms_);
        computed_ms_ = computed_ms;
    }
    static double thread_ms() {
        timespec t{};
        clock_gettime(CLOCK_THREAD_CPUTIME_ID, &t);
        return static_cast<double>(t.tv_sec) * 1e3 + static_cast<double>(t.tv_nsec) / 1e6;
    }
    QTimer timer_;
    QElapsedTimer since_;
    double worst_ms_ = 0, worst_computed_ms_ = 0, computed_ms_ = thread_ms();
};

}  // namespace yemvo::bench
