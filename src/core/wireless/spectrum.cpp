// SPDX-License-Identifier: GPL-3.0-or-later
#include "wireless/spectrum.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <tuple>

namespace yemvo {
namespace {

/// Mask [linear] at an offset from the centre.
double mask(double offset_mhz, double width_mhz) {
    const double x = std::abs(offset_mhz);
    const double at[] = {width_mhz / 2 - (width_mhz > 20 ? 0.5 : 0.25), width_mhz / 2 + 0.5, width_mhz,
                         1.5 * width_mhz};
    const double dbr[] = {0, -20, -28, -40};
    if (x <= at[0]) return 1;
    if (x > at[3]) return 0;
    for (int i = 1; i < 4; ++i)
        if (x <= at[i]) {
            const double share = (x - at[i - 1]) / (at[i] - at[i - 1]);
            return std::pow(10.0, (dbr[i - 1] + share * (dbr[i] - dbr[i - 1])) / 10);
        }
    return 0;
}

/// Of two channels whose centres lie so far apart.
double shared(double from_mhz, double to_mhz, double apart_mhz) {
    constexpr double step_mhz = 0.05;
    const double reach = 1.5 * to_mhz + 1, own_reach = 1.5 * from_mhz;
    double sent = 0, taken = 0, own = 0, own_taken = 0;
    for (double f = -own_reach; f <= own_reach; f += step_mhz) {
        const double m = mask(f, from_mhz);
        sent += m;
        taken += m * mask(f + apart_mhz, to_mhz);
    }
    for (double f = -reach; f <= reach; f += step_mhz) {
        const double m = mask(f, to_mhz);
        own += m;
        own_taken += m * m;
    }
    return std::min(1.0, (taken / sent) / (own_taken / own));
}

}  // namespace

double overlap(const Channel& from, const Channel& to) {
    if (from.band != to.band) return 0;
    const double apart_mhz = centre_mhz(from) - centre_mhz(to);
    if (from == to) return 1;
    if (std::abs(apart_mhz) > 1.5 * (from.width_mhz + to.width_mhz)) return 0;
    // the integral is asked for again with every frame of a drag, for few different pairs
    thread_local std::map<std::tuple<int, int, double>, double> known;
    const auto [kept, fresh] = known.try_emplace({from.width_mhz, to.width_mhz, apart_mhz}, 0.0);
    if (fresh) kept->second = shared(from.width_mhz, to.width_mhz, apart_mhz);
    return kept->second;
}

}  // namespace yemvo
