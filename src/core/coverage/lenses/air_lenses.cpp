// SPDX-License-Identifier: GPL-3.0-or-later
// What is in the air: who is heard, who takes turns, what leaves the building.
#include <array>
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

float share(const Channel& from, const Channel& to) {
    const double part = overlap(from, to);
    return part < least_deferred_share ? 0 : static_cast<float>(part);
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

/// Goes through the channels that other people are on: a plane of what they give there, added to the cells
/// of servers by how much of the server's spectrum it takes.
template <class Weight>
void add_neighbours(const LensPainter& p, std::vector<float> NeighbourPlanes::*plane, const Weight& weight,
                    LensPlane& out) {
    for (const NeighbourPlanes& n : p.floor().neighbours->channels) {
        if (!p.bands().contains(n.channel.band)) continue;
        std::map<Channel, float> known;
        const ByServer weights(p.radios(), 0, [&](const RadioField& server) {
            if (server.channel_open) return 0.0f;
            const auto [to, fresh] = known.try_emplace(server.channel, 0.0f);
            if (fresh) to->second = static_cast<float>(weight(overlap(n.channel, server.channel)));
            return to->second;
        });
        const std::vector<float>& from = n.*plane;
        for (std::size_t i = 0; i < p.cells(); ++i)
            if (p.serving()[i] >= 0) out[i] += weights.data()[p.serving()[i] + 1] * from[i];
    }
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
    add_neighbours(
        p, &NeighbourPlanes::heard, [](double part) { return part < least_deferred_share ? 0 : part; }, out);
}

/// By hundredths of a dBm, from the weakest that a map tells.
class Milliwatts {
public:
    Milliwatts() {
        for (std::size_t i = 0; i < table_.size(); ++i)
            table_[i] = static_cast<float>(std::pow(10.0, (static_cast<double>(i) + least_cdbm) / 1000));
    }
    float of(int cdbm) const {
        const int at = std::clamp(cdbm, least_cdbm, most_cdbm) - least_cdbm;
        return table_[static_cast<std::size_t>(at)];
    }

private:
    static constexpr int least_cdbm = -16'000, most_cdbm = 4000;
    std::array<float, most_cdbm - least_cdbm + 1> table_;
};
float milliwatts(int cdbm) {
    static const Milliwatts table;
    return table.of(cdbm);
}

/// Share of time that a radio and its clients send; none where nothing is known of it.
double sends(const LensPainter& p, const RadioField& f) {
    const AirFigures* air = p.floor().air.get();
    const AirFigures::OfRadio* known = air ? air->find(f.access_point, f.radio) : nullptr;
    return known ? std::min(1.0, known->own_use) : 0;
}

/// Begins with a value of the serving radio's own (NaN where nobody serves, or nothing is known of the air),
/// then goes through the other radios that send: their index, field and share of time.
template <class Own, class Each>
void over_senders(LensPainter& p, LensPlane& out, const Own& own, const Each& each) {
    if (!p.floor().air) {
        std::ranges::fill(out, LensPainter::no_value);
        return;
    }
    p.of_serving(own, out);
    for (std::size_t k = 0; k < p.radios().size(); ++k) {
        const RadioField& f = p.radios()[k];
        const double use = sends(p, f);
        if (p.bands().contains(f.band) && p.counts(f) && !f.channel_open && use > 0)
            each(static_cast<std::int16_t>(k), f, use);
    }
}

/// What other radios give on the serving radio's spectrum, in the mean over time [mW].
void add_interference(LensPainter& p, LensPlane& out) {
    over_senders(
        p, out, [](const RadioField&) { return 0; },
        [&](std::int16_t k, const RadioField& f, double use) {
            const ByServer weight(p.radios(), 0, [&](const RadioField& server) {
                return server.channel_open ? 0 : use * overlap(f.channel, server.channel);
            });
            const std::int16_t* gain = f.field->gain_cdb.data();
            for (std::size_t i = 0; i < p.cells(); ++i)
                if (gain[i] > silent_cdb && p.serving()[i] != k)
                    out[i] += weight.data()[p.serving()[i] + 1] * milliwatts(gain[i] + f.offset_cdb);
        });
    if (!p.floor().air) return;
    add_neighbours(
        p, &NeighbourPlanes::mean_mw, [](double part) { return part; }, out);
}

void paint_interference(LensPainter& p, LensPlane& out) {
    add_interference(p, out);
    for (float& v : out)
        if (!std::isnan(v)) v = std::max(-120.0f, 10 * std::log10(v));
}

void paint_sinr(LensPainter& p, LensPlane& out) {
    add_interference(p, out);
    const ByServer noise = p.noise();
    const std::vector<std::int16_t>& best = p.reduction().best_cdbm;
    for (std::size_t i = 0; i < p.cells(); ++i) {
        const auto noise_cdbm = noise.data()[p.serving()[i] + 1];
        if (std::isnan(noise_cdbm)) continue;
        out[i] = static_cast<float>(best[i]) / 100 -
                 10 * std::log10(out[i] + milliwatts(static_cast<int>(noise_cdbm)));
    }
}

/// The serving radio's channel at the place itself: who is heard there sends in turns.
void paint_air_here(LensPainter& p, LensPlane& out) {
    over_senders(
        p, out, [&](const RadioField& f) { return sends(p, f); },
        [&](std::int16_t k, const RadioField& f, double use) {
            const ByServer weight(p.radios(), 0, [&](const RadioField& server) {
                return server.channel_open || share(f.channel, server.channel) <= 0 ? 0 : use;
            });
            kernels::add_rival(f.field->gain_cdb.data(), p.least_cdb(f), k, p.serving(), weight.data(),
                               p.cells(), out.data());
        });
    if (p.floor().air)
        add_neighbours(
            p, &NeighbourPlanes::heard_use, [](double part) { return part < least_deferred_share ? 0 : 1; },
            out);
    for (float& v : out)
        if (!std::isnan(v)) v = 100 * std::min(v, 1.0f);
}

void outside(LensPainter& p, LensPlane& out) { p.decibels(p.reduction().best_cdbm, out); }

}  // namespace

std::vector<LensEntry> air_lenses() {
    using enum LensGroup;
    using enum LensKind;
    LensNeeds ground;
    ground.surroundings = true;
    LensNeeds busy;
    busy.capacity = true;
    busy.neighbours = true;
    LensNeeds others;
    others.neighbours = true;
    return {
        {{LensId::sinr, air, amount, "sinr", mark("SINR"), "dB", 0, 4, 25, 2, true,
          mark("The signal over noise and the other radios on the same spectrum, neighbours too, each by its "
               "overlap and by "
               "the "
               "share of time that it and its clients send at the busy hour."),
          LensBands::best, busy, false, RequirementCounts::clients},
         paint_sinr},
        {{LensId::interference, air, amount, "interference", mark("Interference"), "dBm", -115, 5, -90, 2,
          false,
          mark("What other radios, neighbours too, give on the serving radio's spectrum, in the mean over "
               "time at the busy "
               "hour."),
          LensBands::best, busy, false, RequirementCounts::clients},
         paint_interference},
        {{LensId::air_here, air, amount, "air_here", mark("Air in use here"), "%", 0, 8, 50, 5, false,
          mark("The share of time in which the serving radio's channel is in use as heard at the place "
               "itself, "
               "by all that are heard there, at the busy hour."),
          LensBands::best, busy, false, RequirementCounts::clients},
         paint_air_here},
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
          LensBands::best, others},
         contention},
        {{LensId::outside, air, amount, "outside", mark("Signal outside"), "dBm", -100, 5, -80, 2, false,
          mark("How strong the plan is heard outside the building, where it should not be."),
          LensBands::together, ground},
         outside},
    };
}

}  // namespace yemvo
