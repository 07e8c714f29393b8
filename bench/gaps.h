// SPDX-License-Identifier: GPL-3.0-or-later
// How long a window stands still.
#pragma once
#include <QElapsedTimer>
#include <QTimer>
#include <algorithm>
#include <utility>

namespace yemvo::bench {

/// The longest time between two turns of the event loop.
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

private:
    void turn() {
        worst_ms_ = std::max(worst_ms_, static_cast<double>(since_.nsecsElapsed()) / 1e6);
        since_.restart();
    }
    QTimer timer_;
    QElapsedTimer since_;
    double worst_ms_ = 0;
};

}  // namespace yemvo::bench
