// SPDX-License-Identifier: GPL-3.0-or-later
// How often a queue that is not always full begins, and so how many packets wait for it each time.
#pragma once
#include <span>

namespace yemvo {

/// What a queue with one receiver meets. Times in seconds, rates a second.
struct OneQueue {
    double per_s = 0;         ///< packets that come, or bursts of them
    double idle_share = 1;    ///< of the air as it hears it
    double most_txops = 1;    ///< a second, if it always had something to send
    double one_s = 0;         ///< a TXOP with one packet
    double now_s = 0;         ///< a TXOP with as many as wait now
    double rivals_per_s = 0;  ///< tries of the neighbours, a second of idle time
    double rival_s = 0;       ///< their mean TXOP
};
struct OneQueueServed {
    double empty = 0;         ///< chance that it is empty when a TXOP ends
    double until_next_s = 0;  ///< idle time until there is something again, in the mean of all TXOPs
    double txops_per_s = 0;
};
OneQueueServed serve_one(const OneQueue&);

/// Time that a queue with several receivers waits for a TXOP: `gap_s` is for each receiver the idle time
/// until a packet for it comes, exp(-rate B) / rate, `count` how many such receivers there are.
struct ReceiverGap {
    double gap_s = 0, count = 1;
};
double wait_of_many_s(std::span<const ReceiverGap>, double most_txops);

}  // namespace yemvo
