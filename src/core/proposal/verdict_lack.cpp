// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposal/verdict_lack.h"

#include <algorithm>

namespace yemvo {

int failing(const Verdict& v) {
    return v.not_met() + static_cast<int>(std::ranges::count_if(v.bands, [](const BandResult& b) {
               return b.share_met() < b.share_required - 1e-9;
           }));
}

double overload_of(const Requirement& r, const RadioCapacity& radio) {
    const double limit = r.limit_in(radio.radio.channel.band);
    switch (required_lens(r).id) {
        case LensId::radio_clients:
            return radio.clients / std::max(1.0, limit);
        case LensId::air_used:
            return 100 * radio.use / std::max(1.0, limit);
        case LensId::headroom:
            return 1 + (limit - 100 * radio.headroom) / 100;
        default:
            return 0;
    }
}

double overload_beyond(const Requirement& r, const RadioCapacity& radio) {
    if (!r.bands.contains(radio.radio.channel.band) || radio.clients <= 0) return 0;
    return std::max(0.0, overload_of(r, radio) - 1);
}

/// At the hour at which it is most.
static double overload(const Requirement& r, const SiteCapacity& capacity) {
    double most = 0;
    for (const HourCapacity& hour : capacity.hours) {
        double over = 0;
        for (const RadioCapacity& radio : hour.radios) over += overload_beyond(r, radio);
        most = std::max(most, over);
    }
    return most;
}

double lacking(const Verdict& v, const SiteCapacity* capacity) {
    constexpr double twice_as_much = 0.1;
    constexpr double least = 1e-4;  // what fails lacks something
    double lacks = 0;
    const auto add = [&](double required, double met) {
        if (met < required - 1e-9) lacks += required - met;
    };
    for (const RequirementResult& r : v.requirements) {
        if (!r.asks() || r.met()) continue;
        if (capacity && required_lens(r.requirement).counts == RequirementCounts::radios)
            lacks += least + twice_as_much * overload(r.requirement, *capacity);
        else
            add(r.requirement.share_required, r.share_met());
    }
    for (const BandResult& b : v.bands) add(b.share_required, b.share_met());
    return lacks;
}

double in_hand(const Verdict& v) {
    constexpr double enough = 0.02;
    double sum = 0;
    for (const RequirementResult& r : v.requirements)
        if (r.asks()) sum += std::clamp(r.share_met() - r.requirement.share_required, 0.0, enough);
    for (const BandResult& b : v.bands) sum += std::clamp(b.share_met() - b.share_required, 0.0, enough);
    return sum;
}

}  // namespace yemvo
