// SPDX-License-Identifier: GPL-3.0-or-later
// What the serving radio has for those who are there at the busy hour.
#include "coverage/lenses/lens_entries.h"

namespace yemvo {
namespace {

template <class Value>
void of_radio(LensPainter& p, LensPlane& out, const Value& value) {
    const AirFigures* air = p.floor().air.get();
    p.of_serving(
        [&](const RadioField& f) {
            const AirFigures::OfRadio* r = air ? air->find(f.access_point, f.radio) : nullptr;
            return r ? static_cast<float>(value(*r)) : LensPainter::no_value;
        },
        out);
}

void mbps_a_client(LensPainter& p, LensPlane& out) {
    of_radio(p, out, [](const AirFigures::OfRadio& r) { return r.mbps_a_client; });
}
void use(LensPainter& p, LensPlane& out) {
    of_radio(p, out, [](const AirFigures::OfRadio& r) { return 100 * r.use; });
}
void satisfied(LensPainter& p, LensPlane& out) {
    of_radio(p, out, [](const AirFigures::OfRadio& r) { return 100 * r.satisfied; });
}
void paint_clients(LensPainter& p, LensPlane& out) {
    of_radio(p, out, [](const AirFigures::OfRadio& r) { return r.clients; });
}
void headroom(LensPainter& p, LensPlane& out) {
    of_radio(p, out, [](const AirFigures::OfRadio& r) { return 100 * r.headroom; });
}

}  // namespace

std::vector<LensEntry> capacity_lenses() {
    using enum LensGroup;
    using enum LensKind;
    LensNeeds capacity;
    capacity.capacity = true;
    const auto entry = [&](LensInfo info, RequirementCounts counts, auto paint) {
        info.bands = LensBands::best;
        info.needs = capacity;
        info.counts = counts;
        return LensEntry{std::move(info), paint};
    };
    return {
        entry(
            {LensId::mbps_client, service, amount, "mbps_client", mark("Mbit/s a client"), "Mbit/s", 0, 2, 4,
             1, true,
             mark("What a client of the serving radio could get down at the busy hour, if all of them asked "
                  "alike for more.")},
            RequirementCounts::clients, mbps_a_client),
        entry(
            {LensId::satisfied, service, amount, "satisfied", mark("Satisfied clients"), "%", 40, 5, 95, 5,
             true,
             mark(
                 "The share of the serving radio's clients that get what they need at the busy hour: signal, "
                 "rate, and what they ask for.")},
            RequirementCounts::clients, satisfied),
        entry(
            {LensId::air_used, air, amount, "air_used", mark("Air in use"), "%", 0, 8, 50, 5, false,
             mark(
                 "The share of time in which the serving radio hears its channel in use at the busy hour. It "
                 "is no load: a radio that could carry three times as much may hear it in use half the "
                 "time.")},
            RequirementCounts::radios, use),
        entry(
            {LensId::radio_clients, air, amount, "radio_clients", mark("Clients of a radio"), mark("clients"),
             0, 10, 50, 5, false, mark("How many clients the serving radio has at the busy hour.")},
            RequirementCounts::radios, paint_clients),
        entry(
            {LensId::headroom, air, amount, "headroom", mark("Headroom"), "%", 0, 25, 50, 25, true,
             mark(
                 "How much more of the same the serving radio could carry at the busy hour; nothing where it "
                 "is overfull.")},
            RequirementCounts::radios, headroom),
    };
}

}  // namespace yemvo
