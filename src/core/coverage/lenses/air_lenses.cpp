// SPDX-License-Identifier: GPL-3.0-or-later
// What is in the air: who is heard, who takes turns, what leaves the building.
#include <cmath>
#include <map>

#include "coverage/lenses/lens_entries.h"
#include "wireless/spectrum.h"

namespace yemvo {
namespace {

void heard(LensPainter& p, LensPlane& out) {
    std::ranges::fill(out, 0.0f);
    for (const RadioField& f : p.radios())
        if (p.bands().contains(f.band) && p.counts(f) && f.field->peak_cdb >= p.least_cdb(f))
            kernels::add_heard(f.field->gain_cdb.data(), p.least_cdb(f), p.cells(), out.data());
}

/// Channels beside each other leak a little: radios do not defer to that.
float share(const Channel& from, const Channel& to) {
    constexpr double leak = 0.05;
    const double part = overlap(from, to);
    return part < leak ? 0 : static_cast<float>(part);
}

ByServer weights_of(const LensPainter& p, const Channel& from) {
    std::map<Channel, float> known;
    return ByServer(p.radios(), 0, [&](const RadioField& server) {
        if (server.channel_open) return 0.0f;
        const auto [to, fresh] = known.try_emplace(server.channel, 0.0f);
        if (fresh) to->second = share(from, server.channel);
        return to->second;
    });
}

/// Other radios than the serving one that are heard, by their share of its spectrum.
void contention(LensPainter& p, LensPlane& out) {
    p.of_serving([](const RadioField&) { return 0; }, out);
    std::map<Channel, ByServer> weights;  // by what is sent on
    for (std::size_t k = 0; k < p.radios().size(); ++k) {
        const RadioField& f = p.radios()[k];
        if (!p.bands().contains(f.band) || !p.counts(f) || f.field->peak_cdb < p.least_cdb(f)) continue;
        if (f.channel_open) continue;
        auto weight = weights.find(f.channel);
        if (weight == weights.end()) weight = weights.emplace(f.channel, weights_of(p, f.channel)).first;
        kernels::add_rival(f.field->gain_cdb.data(), p.least_cdb(f), static_cast<std::int16_t>(k),
                           p.serving(), weight->second.data(), p.cells(), out.data());
    }
}

void outside(LensPainter& p, LensPlane& out) { p.decibels(p.reduction().best_cdbm, out); }

}  // namespace

std::vector<LensEntry> air_lenses() {
    using enum LensGroup;
    using enum LensKind;
    LensNeeds ground;
    ground.surroundings = true;
    return {
        {{LensId::heard, air, amount, "heard", mark("Radios heard"), mark("radios"), 0, 1, 4, 1, false,
          mark("How many radios arrive at the level from which one counts as heard (Details of the site), in "
               "all "
               "the "
               "chosen bands together.")},
         heard},
        {{LensId::contention, air, amount, "contention", mark("Co-channel contention"), mark("radios"), 0,
          0.5, 1, 0.25, false,
          mark("How many other radios on the serving radio's spectrum are heard here and take turns with it, "
               "each "
               "counted by the share of spectrum."),
          LensBands::best},
         contention},
        {{LensId::outside, air, amount, "outside", mark("Signal outside"), "dBm", -100, 5, -80, 2, false,
          mark("How strong the plan is heard outside the building, where it should not be."),
          LensBands::together, ground},
         outside},
    };
}

}  // namespace yemvo
