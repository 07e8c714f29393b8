// SPDX-License-Identifier: GPL-3.0-or-later
#include "airtime/backoff.h"

#include <algorithm>
#include <cmath>

namespace yemvo {

Backoff backoff(AccessCategory category) {
    return category == AccessCategory::voice ? Backoff{4, 1} : Backoff{16, 6};
}

int aifs_slots(AccessCategory category) { return category == AccessCategory::voice ? 2 : 3; }

double attempt_chance(double p, const Backoff& b) {
    // 2 / (W + 1 + p W (1 + 2p + ... + (2p)^(m-1))): Bianchi's (7) without its hole at p = 1/2
    double sum = 0, power = 1;
    for (int i = 0; i < b.doublings; ++i) {
        sum += power;
        power *= 2 * p;
    }
    return 2 / (b.window + 1 + p * b.window * sum);
}

SaturatedAttempts saturated_attempts(double n, const Backoff& b) {
    double low = 0, high = 1;
    for (int i = 0; i < 60; ++i) {
        const double attempt = (low + high) / 2;
        const double collision = 1 - std::pow(1 - attempt, n - 1);
        (attempt_chance(collision, b) > attempt ? low : high) = attempt;
    }
    const double attempt = (low + high) / 2;
    return {attempt, 1 - std::pow(1 - attempt, n - 1)};
}

double saturated_share(double n, const Backoff& b, const SaturatedTimes& t) {
    const double attempt = saturated_attempts(n, b).attempt;
    const double any = 1 - std::pow(1 - attempt, n);
    const double alone = n * attempt * std::pow(1 - attempt, n - 1) / any;
    return alone * any * t.payload_us /
           ((1 - any) * t.slot_us + any * alone * t.success_us + any * (1 - alone) * t.collision_us);
}

}  // namespace yemvo
