// SPDX-License-Identifier: GPL-3.0-or-later
#include "antenna/pattern/cut_edits.h"

#include <algorithm>
#include <cmath>

namespace yemvo {
namespace {

template <class Value>
Cut made_of(Value value) {
    Cut made;
    for (int degree = 0; degree < Cut::degrees; ++degree) made[degree] = value(degree);
    return made;
}

}  // namespace

Cut turned(const Cut& cut, double by_deg) {
    return made_of([&](int degree) { return cut.at(degree - by_deg); });
}

Cut mirrored(const Cut& cut) {
    return made_of([&](int degree) { return cut[-degree]; });
}

Cut smoothed(const Cut& cut, int reach_deg) {
    return made_of([&](int degree) {
        double power = 0;
        for (int beside = -reach_deg; beside <= reach_deg; ++beside)
            power += std::pow(10, cut[degree + beside] / 10);
        return 10 * std::log10(power / (2 * reach_deg + 1));
    });
}

Cut symmetric(const Cut& cut) {
    return made_of([&](int degree) { return (cut[degree] + cut[-degree]) / 2; });
}

PatternCuts with_peak_at_0(PatternCuts cuts) {
    double peak_db = cuts.azimuth.highest();
    each_cut(cuts, [&](const Cut& cut) { peak_db = std::max(peak_db, cut.highest()); });
    each_cut(cuts, [&](Cut& cut) { cut.shift_db(-peak_db); });
    return cuts;
}

PatternCuts cuts_of(const Lobe& lobe, double frequency_mhz) {
    const Lobe at = lobe_at(lobe, frequency_mhz);
    PatternCuts cuts;
    cuts.frequency_mhz = frequency_mhz;
    for (int degree = 0; degree < Cut::degrees; ++degree) {
        cuts.azimuth[degree] = relative_gain_db(at, {degree > 180 ? degree - 360.0 : degree, 0});
        const double upright = degree > 270 ? degree - 360.0 : degree;  // -90 to 270
        cuts.elevation[degree] =
            upright <= 90 ? relative_gain_db(at, {0, upright}) : relative_gain_db(at, {180, 180 - upright});
    }
    return cuts;
}

PatternCuts with_back_at(PatternCuts cuts, double value_db) {
    constexpr int bent_deg = 30;
    for (Cut* cut : {&cuts.azimuth, &cuts.elevation}) {
        const double by = value_db - (*cut)[180];
        for (int beside = 1 - bent_deg; beside < bent_deg; ++beside)
            (*cut)[180 + beside] =
                std::min(0.0, (*cut)[180 + beside] + by * (1 - std::abs(beside) / (1.0 * bent_deg)));
    }
    return cuts;
}

}  // namespace yemvo
