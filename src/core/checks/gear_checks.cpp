// SPDX-License-Identifier: GPL-3.0-or-later
// Radios that cannot do what they are set to: no power for them, an antenna for another band.
#include "checks/collector.h"
#include "project/working_radio.h"

namespace yemvo {
namespace {

void check_power(const Check& c, const AccessPoint& ap, std::size_t radio) {
    const WorkingRadio working = working_radio(c.project, ap, radio);
    if (working.fed || !ap.radios[radio].on) return;
    Finding& f =
        c.add(Rule::radio_unfed, ap.position,
              say("%1 gets no power from %2", radio_of(ap, radio), said_mark(power_source_name(*ap.source))),
              {{ItemKind::access_point, ap.id.value}});
    f.subjects.push_back(static_cast<std::uint32_t>(radio));
    const auto usual = usual_source(model(c.project, ap.model));
    if (usual && *usual != *ap.source)
        f.mends.push_back({say("Feed it by %1", said_mark(power_source_name(*usual))),
                           change_of(c.floor.id, ap.id, [source = *usual](AccessPoint& a) {
                               a.source = source;
                               a.alternative = 0;
                           })});
    f.mends.push_back({say("Switch this radio off"), change_of(c.floor.id, ap.id, [radio](AccessPoint& a) {
                           a.radios[radio].on = false;
                       })});
}

void check_antenna(const Check& c, const AccessPoint& ap, std::size_t radio) {
    const Radio& set = ap.radios[radio];
    if (!set.antenna) return;
    const RadioBand& can = *radio_band(model(c.project, ap.model), radio, set.channel.band);
    for (const AntennaModel* fitting : fitting_antennas(c.project, can))
        if (fitting->id == set.antenna) return;
    const AntennaModel* antenna = find_antenna(c.project, set.antenna);
    Finding& f =
        c.add(Rule::antenna_unfit, ap.position,
              say("%1 does not fit %2", antenna ? antenna->name : std::string("?"), radio_of(ap, radio)),
              {{ItemKind::access_point, ap.id.value}});
    f.subjects.push_back(static_cast<std::uint32_t>(radio));
    f.mends.push_back({say("Use its own antenna"), change_of(c.floor.id, ap.id, [radio](AccessPoint& a) {
                           take_own_antenna(a.radios[radio]);
                       })});
}

}  // namespace

void check_gear(const Check& c) {
    for (const AccessPoint& ap : access_points(c.project, c.floor.id))
        for (std::size_t r = 0; r < ap.radios.size(); ++r) {
            check_power(c, ap, r);
            check_antenna(c, ap, r);
        }
}

}  // namespace yemvo
