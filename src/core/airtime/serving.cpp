// SPDX-License-Identifier: GPL-3.0-or-later
#include "airtime/serving.h"

#include <algorithm>
#include <cmath>

namespace yemvo {

OneQueueServed serve_one(const OneQueue& q) {
    OneQueueServed s;
    s.empty = std::exp(-q.per_s * q.one_s) / (1 + q.per_s * (q.now_s - q.one_s));
    s.until_next_s = s.empty / (q.per_s + q.rivals_per_s * (1 - std::exp(-q.per_s * q.rival_s)));
    s.txops_per_s = std::min(q.per_s, q.idle_share / (q.idle_share / q.most_txops + s.until_next_s));
    return s;
}

double wait_of_many_s(std::span<const ReceiverGap> receivers, double most_txops) {
    double all = 0;
    for (const ReceiverGap& r : receivers) all += r.count;
    const auto txops = [&](double wait_s) {
        double sum = 0;
        for (const ReceiverGap& r : receivers) sum += r.count / (r.gap_s + wait_s);
        return sum;
    };
    double low = 1 / most_txops, high = all / most_txops;
    for (int i = 0; i < 30 && high - low > 1e-9 * high; ++i) {
        const double wait = (low + high) / 2;
        const double due = 1 + (all - 1) / all * wait * txops(wait);
        (wait * most_txops < due ? low : high) = wait;
    }
    return (low + high) / 2;
}

}  // namespace yemvo
