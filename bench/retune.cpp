// SPDX-License-Identifier: GPL-3.0-or-later
// How long the search for channels and widths takes, and how far its starts lie apart: 400 access points with
// a radio in each of three bands, on a plan of 20 by 20 at 14 m; then growing plans of the same density.
#include <cmath>
#include <cstdio>

#include "tuning/search.h"
#include "wireless/link_budget.h"

using namespace yemvo;

namespace {

std::vector<TunedSetting> settings_of(BandId id, double demand) {
    std::vector<TunedSetting> out;
    for (int width : {20, 40, 80, 160})
        for (const Channel& c : channels(id, width)) {
            const int primary = primaries(c).front();
            if (id == band_24 && (width > 20 || (c.number != 1 && c.number != 6 && c.number != 11))) continue;
            if (id == band_6 && centre_mhz(c) + width / 2.0 > 6425) continue;
            // twice as wide, and a little more than half the air
            const double air = 0.05 + 0.25 * 20 / width;
            out.push_back({c, primary, 14, demand * air, air});
        }
    return out;
}

RetuneInstance plan(int side, double apart_m) {
    RetuneInstance out;
    const double demand = 1.0 / (3.0 * side * side);
    for (const Band& b : bands()) {
        const auto first = static_cast<std::uint32_t>(out.radios.size());
        for (int i = 0; i < side * side; ++i) {
            TunedRadio r;
            r.name = b.name + "/" + std::to_string(i);
            r.allowed = settings_of(b.id, demand);
            r.now = i % static_cast<int>(r.allowed.size());
            r.weight = demand;
            out.radios.push_back(std::move(r));
        }
        for (int i = 0; i < side * side; ++i)
            for (int k = i + 1; k < side * side; ++k) {
                const double d = apart_m * std::hypot(i % side - k % side, i / side - k / side);
                const double loss = 20 * std::log10(b.reference_mhz) - 27.55 + 32 * std::log10(d);
                if (14 - loss < -87) continue;
                out.pairs.push_back({first + static_cast<std::uint32_t>(i),
                                     first + static_cast<std::uint32_t>(k), 2, loss, loss});
            }
    }
    out.change_cost = 1e-7;
    return out;
}

void run(int side) {
    const RetuneInstance instance = plan(side, 14);
    Assignment now;
    for (const TunedRadio& r : instance.radios) now.push_back(static_cast<std::uint32_t>(r.now));
    const double before = objective(instance, now);
    for (int starts : {1, 4}) {
        SearchWish wish;
        wish.starts = starts;
        wish.seconds = 60;
        const SearchResult found = search(instance, wish);
        std::printf(
            "%4d radios, %6zu pairs, %d starts: %6.2f s  %.4f before, %.4f found, worst start %+.2f %%, "
            "bound %.4f%s\n",
            static_cast<int>(instance.radios.size()), instance.pairs.size(), starts, found.seconds, before,
            found.objective, 100 * (found.worst_start / found.objective - 1), found.lower_bound,
            found.out_of_time ? ", out of time" : "");
    }
}

}  // namespace

int main() {
    for (int side : {5, 10, 20}) run(side);
}
