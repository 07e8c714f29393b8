// SPDX-License-Identifier: GPL-3.0-or-later
// What waits in the loop of events, without waiting for the clock.
#pragma once
#include <QCoreApplication>
#include <QEvent>

namespace yemvo::app::test {

/// Delivers all that is queued, and what that queues in turn: outcomes on their way, layouts, what is to be
/// deleted.
inline void turn_of_the_loop() {
    for (int i = 0; i < 4; ++i) {
        QCoreApplication::processEvents();
        QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
    }
}

}  // namespace yemvo::app::test
