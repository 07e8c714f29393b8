// SPDX-License-Identifier: GPL-3.0-or-later
// What radios do to each other and beyond the property, and what captures heard of them.
#include <algorithm>
#include <cmath>
#include <map>

#include "base/number_text.h"
#include "checks/radio_check.h"
#include "project/demand_place.h"
#include "project/working_radio.h"
#include "tuning/permits.h"

namespace yemvo {
namespace {

/// As a sentence calls a radio that others meet.
Said met_name(const SiteAir& air, std::uint32_t radio) {
    const NeighbourRadio* other = air.neighbour(radio);
    return other ? other->label() : Said(air.radios[radio].number);
}

/// The access point of a radio; null where it is on another floor or gone.
const AccessPoint* here(const Check& c, const AirRadio& radio) {
    if (radio.floor != c.floor.id || !radio.access_point) return nullptr;
    const AccessPoint* ap = find_access_point(c.project, radio.floor, radio.access_point);
    return ap && radio.radio < ap->radios.size() ? ap : nullptr;
}

/// What the air costs on this floor: of each pair the radio that loses more tells it.
void check_meetings(const Check& c, const KnownAir& known) {
    const double most_lost = limit_of(c.project, Rule::air_lost) / 100;
    const double most_partly = limit_of(c.project, Rule::partly_over) / 100;
    const double loudest = limit_of(c.project, Rule::too_loud);
    for (const AirMeeting& m : known.meetings) {
        const bool b_loses = m.lost_b >= m.lost_a;
        const std::uint32_t from_at = b_loses ? m.a : m.b;
        const AirRadio& from = known.air.radios[from_at];
        const Said from_name = met_name(known.air, from_at);
        const AirRadio& to = known.air.radios[b_loses ? m.b : m.a];
        const AccessPoint* ap = here(c, to);
        if (!ap) continue;
        const RadioCheck r{c, *ap, to.radio, yemvo::Place::indoors};
        const auto add = [&](Rule rule, Said what) {
            Finding& f = r.add(rule, std::move(what));
            if (const NeighbourRadio* other = known.air.neighbour(from_at)) {
                f.subjects.push_back(other->readings.front().place.value);
                f.subjects.push_back(static_cast<std::uint32_t>(other->readings.front().index));
                return;
            }
            f.subjects.push_back(from.access_point.value);
            f.subjects.push_back(static_cast<std::uint32_t>(from.radio));
        };
        if (m.how == Sharing::partly) {
            if (m.lost() > most_partly)
                add(Rule::partly_over,
                    say("%1 on %2 lies across %3 on %4", r.name(), to.primary, from_name, from.primary));
        } else if (m.lost() > most_lost) {
            add(Rule::air_lost,
                say("%1 loses %2 of its air to %3", r.name(), format_percent(m.lost(), 0), from_name));
        }
        if (m.how != Sharing::partly && m.heard_dbm > loudest)
            add(Rule::too_loud, known.air.neighbour(from_at)
                                    ? say("%1 hears %2 on its channel at %3 dBm", r.name(), from_name,
                                          said_figure(m.heard_dbm, 0))
                                    : say("%1 hears access point %2 on its channel at %3 dBm", r.name(),
                                          from.number, said_figure(m.heard_dbm, 0)));
    }
}

void check_use(const Check& c, const KnownAir& known) {
    const double most = limit_of(c.project, Rule::channel_full) / 100;
    for (std::size_t i = 0; i < known.heard_use.size(); ++i) {
        const AirRadio& radio = known.air.radios[i];
        const AccessPoint* ap = known.heard_use[i] > most ? here(c, radio) : nullptr;
        if (!ap) continue;
        const RadioCheck r{c, *ap, radio.radio, yemvo::Place::indoors};
        r.add(Rule::channel_full, say("%1 hears its channel %2 in use %3 of the time", r.name(),
                                      channel_text(r.set()), format_percent(known.heard_use[i], 0)));
    }
}

/// Halving the width halves the radios met and costs about a third of the rate: see docs/physics.md, Widths.
void check_widths(const Check& c, const KnownAir& known) {
    const double most = limit_of(c.project, Rule::wide_for_heard);
    std::vector<int> met(known.air.own, 0);
    for (const AirMeeting& m : known.meetings)
        if (m.heard_dbm >= c.project.settings.heard_dbm)
            for (std::uint32_t i : {m.a, m.b})
                if (i < met.size()) ++met[i];
    for (std::size_t i = 0; i < known.air.own; ++i) {
        const AirRadio& radio = known.air.radios[i];
        const AccessPoint* ap = here(c, radio);
        if (!ap || radio.channel.width_mhz <= 20 || met[i] <= most) continue;
        const RadioCheck r{c, *ap, radio.radio, place_of(c.scene, c.floor, *ap)};
        Finding& f = r.add(Rule::wide_for_heard,
                           say_counted("%1 hears %n radio on its %2 MHz", "%1 hears %n radios on its %2 MHz",
                                       met[i], r.name(), radio.channel.width_mhz));
        for (const Channel& half :
             channels_around(radio.channel.band, radio.primary, radio.channel.width_mhz / 2))
            if (permit_of(c.project, r.place, *ap, half)) {
                move_to(r, f, half, radio.primary);
                break;
            }
    }
}

void check_spill(const Check& c, const KnownAir& known) {
    const double loudest = limit_of(c.project, Rule::spill);
    for (const Spill& s : known.spill) {
        if (s.floor != c.floor.id || s.dbm <= loudest) continue;
        const Zone* zone = find_zone(c.floor, s.zone);
        if (!zone) continue;
        for (const PlacedAccessPoint& placed : placed_access_points(c.project)) {
            const AccessPoint& ap = *placed.access_point;
            if (ap.id != s.radio.access_point || s.radio.radio >= ap.radios.size()) continue;
            Finding& f =
                c.add(Rule::spill, s.place,
                      say("%1 is heard at %2 dBm in %3", radio_of(ap, s.radio.radio), said_figure(s.dbm, 0),
                          zone->name.empty() ? say("a zone outside") : Said(zone->name)),
                      {});
            f.subjects = {ap.id.value, static_cast<std::uint32_t>(s.radio.radio), zone->id.value};
            if (placed.floor->id == c.floor.id) f.items = {{ItemKind::access_point, ap.id.value}};
            const double wanted = ap.radios[s.radio.radio].power_dbm - (s.dbm - loudest);
            const double given = working_radio(c.project, ap, s.radio.radio)
                                     .can->power.nearest_dbm(std::floor(wanted), wanted);
            if (given <= wanted + 1e-6)
                f.mends.push_back(
                    {say("Lower it to %1 dBm", said_figure(given, 0)),
                     change_of(placed.floor->id, ap.id, [radio = s.radio.radio, given](AccessPoint& a) {
                         a.radios.at(radio).power_dbm = given;
                     })});
        }
    }
}

/// The one that others are heard best at could go first; the next is judged as if it were off.
void check_needless_24(const Check& c, const KnownAir& known) {
    const double from_dbm = limit_of(c.project, Rule::needless_24);
    std::map<std::uint32_t, std::vector<std::pair<double, std::uint32_t>>> heard;  // loudest first
    for (const HeardRadio& h : known.air.hearing)
        if (h.heard < known.air.own && known.air.radios[h.listener].channel.band == band_24 &&
            known.air.radios[h.heard].channel.band == band_24 && h.dbm >= from_dbm)
            heard[h.listener].push_back({h.dbm, h.heard});
    std::vector<std::pair<double, std::uint32_t>> order;  // by the second loudest
    for (auto& [listener, others] : heard) {
        std::ranges::sort(others, std::greater{});
        if (others.size() >= 2) order.push_back({others[1].first, listener});
    }
    std::ranges::sort(order, std::greater{});
    std::vector<char> off(known.air.own, 0);
    for (const auto& [level, i] : order) {
        const auto on = std::ranges::count_if(heard[i], [&](const auto& h) { return !off[h.second]; });
        if (on < 2) continue;
        off[i] = 1;
        const AirRadio& radio = known.air.radios[i];
        const AccessPoint* ap = here(c, radio);
        if (!ap) continue;
        const RadioCheck r{c, *ap, radio.radio, yemvo::Place::indoors};
        Finding& f =
            r.add(Rule::needless_24, say_counted("%n other is heard at %1 at %2 dBm or more",
                                                 "%n others are heard at %1 at %2 dBm or more",
                                                 static_cast<int>(on), r.name(), said_figure(from_dbm, 0)));
        r.mend(f, say("Switch it off"), [](Radio& set) { set.on = false; });
    }
}

/// Clients that know bands which are on somewhere, but not on this floor.
void check_legacy(const Check& c) {
    BandSet here, anywhere;
    for (const RadioAt& r : radios_at_work(c.project)) {
        anywhere = anywhere.with(r.set().channel.band);
        if (r.placed.floor->id == c.floor.id) here = here.with(r.set().channel.band);
    }
    if (here.empty()) return;  // served from other floors, if at all
    for (const DemandPlace& place : demand_places(c.floor))
        for (const MixPart& part : place.demand().profiles) {
            const auto profile = std::ranges::find(*c.project.clients, part.key, &ClientProfile::key);
            if (profile == c.project.clients->end() || part.share <= 0) continue;
            const auto knows = [&](BandSet bands) {
                return std::ranges::any_of(profile->widest_mhz, [&](const auto& w) {
                    return w.second > 0 && bands.contains(w.first);
                });
            };
            if (knows(here) || !knows(anywhere)) continue;
            c.add(Rule::legacy_unserved, place.middle(),
                  say("%1 in %2: no radio of this floor is on in its band", profile->name, place.name()),
                  {place.item()});
        }
}

void add_measured(const Check& c, const ListeningPlace& at, std::size_t index, const AccessPoint& ap,
                  std::size_t radio, Rule rule, Said what) {
    Finding& f = c.add(rule, at.position, std::move(what), {{ItemKind::listening_place, at.id.value}});
    f.subjects.push_back(static_cast<std::uint32_t>(index));
    f.subjects.push_back(ap.id.value);
    f.subjects.push_back(static_cast<std::uint32_t>(radio));
}

/// The plan's own radios as they were heard: by what they do, and how full their channels are.
void check_heard_radio(const Check& c, const ListeningPlace& at, std::size_t index, FloorId floor,
                       const AccessPoint& ap, std::size_t radio) {
    const Neighbour& n = at.heard[index];
    const Radio& set = ap.radios[radio];
    const Said name = radio_of(ap, radio);
    const bool elsewhere = !set.channel_open && (n.channel != set.channel || n.primary != set.primary);
    const bool louder = n.told_dbm && std::abs(*n.told_dbm - set.power_dbm) >
                                          limit_of(c.project, Rule::heard_otherwise) + 1e-6;
    if (elsewhere)
        add_measured(c, at, index, ap, radio, Rule::heard_otherwise,
                     say("%1 was heard on %2, planned on %3", name,
                         channel_text(n.primary, n.channel.width_mhz), channel_text(set)));
    else if (louder)
        add_measured(c, at, index, ap, radio, Rule::heard_otherwise,
                     say("%1 says it sends %2 dBm, planned %3", name, said_figure(*n.told_dbm, 0),
                         said_figure(set.power_dbm, 0)));
    if (elsewhere || louder)
        c.out.back().mends.push_back(
            {say("Plan it as heard"), change_of(floor, ap.id, [radio, n](AccessPoint& a) {
                 Radio& changed = a.radios.at(radio);
                 changed.channel = n.channel;
                 changed.primary = n.primary;
                 changed.channel_open = false;
                 if (n.told_dbm) changed.power_dbm = *n.told_dbm;
             })});
    if (100 * n.use > limit_of(c.project, Rule::use_measured))
        add_measured(c, at, index, ap, radio, Rule::use_measured,
                     say("%1 was heard in use %2 of the time", name, format_percent(n.use, 0)));
    if (n.retries && 100 * *n.retries > limit_of(c.project, Rule::retries_measured))
        add_measured(c, at, index, ap, radio, Rule::retries_measured,
                     say("%1 sent %2 of its frames again", name, format_percent(*n.retries, 0)));
}

/// Of two radios in one band the one that is planned where it was heard.
std::optional<std::size_t> radio_heard(const Project& p, const AccessPoint& ap, const Neighbour& n) {
    std::optional<std::size_t> best;
    for (std::size_t r = 0; r < ap.radios.size(); ++r) {
        const Radio& set = ap.radios[r];
        if (!is_at_work(p, ap, r) || set.channel.band != n.channel.band) continue;
        if (!best || (set.channel == n.channel && set.primary == n.primary)) best = r;
    }
    return best;
}

void check_measured(const Check& c) {
    for (const ListeningPlace& at : *c.floor.listening_places)
        for (std::size_t i = 0; i < at.heard.size(); ++i) {
            if (!at.heard[i].own) continue;
            for (const PlacedAccessPoint& placed : placed_access_points(c.project)) {
                const AccessPoint& ap = *placed.access_point;
                if (ap.id != *at.heard[i].own) continue;
                if (const auto r = radio_heard(c.project, ap, at.heard[i]))
                    check_heard_radio(c, at, i, placed.floor->id, ap, *r);
            }
        }
}

}  // namespace

KnownAir known_air(const Project& project, const SiteHearing& hearing, const SiteCapacity* capacity) {
    KnownAir known;
    known.air = site_air(project, hearing, capacity);
    known.meetings = air_meetings(known.air, project.settings.heard_dbm);
    known.spill = hearing.spill;
    if (!capacity) return known;
    known.asked = asked_by_hour(*capacity);
    for (const AirRadio& radio : known.air.radios) {
        double most = 0;
        for (const HourCapacity& h : capacity->hours)
            if (const RadioCapacity* r = h.find(radio.access_point, radio.radio))
                most = std::max(most, r->use);
        known.heard_use.push_back(most);
    }
    return known;
}

void check_heard(const Check& c, const KnownAir* known) {
    check_legacy(c);
    check_measured(c);
    if (!known) return;
    check_meetings(c, *known);
    check_use(c, *known);
    check_widths(c, *known);
    check_spill(c, *known);
    check_needless_24(c, *known);
}

}  // namespace yemvo
