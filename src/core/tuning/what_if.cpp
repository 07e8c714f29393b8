// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/what_if.h"

#include <algorithm>
#include <set>

#include "project/gear_edits.h"
#include "project/kinds/thing_edits.h"

namespace yemvo {
namespace {

const AirRadio* find_radio(const std::vector<AirRadio>& all, const RadioRef& ref) {
    for (const AirRadio& r : all)
        if (r.access_point == ref.access_point && r.radio == ref.radio) return &r;
    return nullptr;
}

std::vector<RadioRef> hit_by(const Project& p, const SiteHearing& hearing, const WhatIf& what) {
    std::vector<RadioRef> out;
    if (what.kind == WhatIf::Kind::neighbour) {
        const Project then = once_happened(p, what);
        const SiteAir air = site_air(then, hearing, nullptr);
        // the one that turned up is of the place that was made last
        const ListeningPlaceId made{then.next_id - 1};
        for (const AirMeeting& m : air_meetings(air, p.settings.heard_dbm))
            if (const NeighbourRadio* n = air.neighbour(m.b); n && n->readings.front().place == made)
                out.push_back({air.radios[m.a].access_point, air.radios[m.a].radio});
        return out;
    }
    for (const AirRadio& r : air_radios(p)) {
        const std::vector<int> inside = primaries(r.channel);
        const bool silenced = what.kind == WhatIf::Kind::radar && r.channel.band == band_5 &&
                              !r.channel_open && std::ranges::count(inside, what.radar_channel) > 0;
        const bool gone =
            what.kind == WhatIf::Kind::failure && std::ranges::count(what.failed, r.access_point) > 0;
        if (silenced || gone) out.push_back({r.access_point, r.radio});
    }
    return out;
}

void switch_radios_off(Project& p, const std::vector<RadioRef>& radios) {
    for (const PlacedAccessPoint& placed : placed_access_points(p)) {
        AccessPoint ap = *placed.access_point;
        bool any = false;
        for (const RadioRef& r : radios)
            if (r.access_point == ap.id && r.radio < ap.radios.size())
                ap.radios[r.radio].on = false, any = true;
        if (any) replace_access_point(p, placed.floor->id, ap);
    }
}

std::vector<AccessPointId> may_answer(const Project& p, const SiteHearing& hearing, const WhatIf& what,
                                      const std::vector<RadioRef>& hit) {
    std::set<AccessPointId> out;
    if (what.kind != WhatIf::Kind::failure) {
        for (const RadioRef& r : hit) out.insert(r.access_point);
    } else {
        const std::set<AccessPointId> failed(what.failed.begin(), what.failed.end());
        for (const HeardRadio& h : hearing.pairs) {
            const AccessPointId listener = hearing.radios[h.listener].access_point;
            if (h.dbm >= p.settings.heard_dbm && failed.contains(hearing.radios[h.heard].access_point) &&
                !failed.contains(listener))
                out.insert(listener);
        }
    }
    return {out.begin(), out.end()};
}

/// What is carried before anybody moves.
std::shared_ptr<const SiteCapacity> at_once(Project then, const SiteCapacity& now, const WhatIfResult& result,
                                            const WhatIf& what, const CancelToken& cancel) {
    if (what.kind == WhatIf::Kind::radar) switch_radios_off(then, result.hit);
    const std::vector<AirRadio> radios = air_radios(then);
    std::vector<std::shared_ptr<const HeardFloor>> heard;
    for (const auto& f : now.hours.front().heard) heard.push_back(heard_among(radios, f));
    CapacitySolver solver;
    return solver.solve(then, radios, heard, cancel);
}

}  // namespace

Project once_happened(const Project& project, const WhatIf& what) {
    Project p = project;
    switch (what.kind) {
        case WhatIf::Kind::radar:
            if (std::ranges::count(p.air.radar, what.radar_channel) == 0) {
                p.air.radar.push_back(what.radar_channel);
                std::ranges::sort(p.air.radar);
            }
            break;
        case WhatIf::Kind::failure: {
            std::vector<RadioRef> radios;
            for (const AirRadio& r : air_radios(p))
                if (std::ranges::count(what.failed, r.access_point) > 0)
                    radios.push_back({r.access_point, r.radio});
            switch_radios_off(p, radios);
            break;
        }
        case WhatIf::Kind::neighbour: {
            const std::vector<AirRadio> all = air_radios(p);
            const AirRadio* met = find_radio(all, what.met);
            if (!met) break;
            Neighbour n;
            n.channel = met->channel;
            n.primary = met->primary;
            n.level_dbm = what.level_dbm;
            n.use = what.use;
            const Point at = find_access_point(p, met->floor, met->access_point)->position;
            add_thing(p, met->floor, ListeningPlace{{}, "", at, {n}});
            break;
        }
    }
    return p;
}

WhatIfResult what_if(const Project& project, const Scene& scene, const SiteHearing& hearing,
                     const SiteCapacity* capacity, const WhatIf& what, const RetuneAsk& ask,
                     const CancelToken& cancel) {
    WhatIfResult out;
    out.hit = hit_by(project, hearing, what);
    const Project then = once_happened(project, what);
    const bool counts = capacity && !capacity->hours.empty() && has_demand(project);
    RetuneAsk who = ask;
    if (who.only.empty()) who.only = may_answer(project, hearing, what, out.hit);
    if (!who.only.empty())
        out.retune = Retuning(then, scene, hearing, counts ? capacity : nullptr, who, cancel).run(cancel);
    cancel.check();
    if (!counts) return out;
    const auto once = at_once(then, *capacity, out, what, cancel);
    const auto mbps = [](const HourCapacity& h) { return h.site.got_down_mbps + h.site.got_up_mbps; };
    for (const HourCapacity& now : capacity->hours) {
        const HourCapacity* between = once->find(now.hour);
        if (!between) continue;
        HourThen h{now.hour,
                   now.site.satisfied_share(),
                   between->site.satisfied_share(),
                   between->site.satisfied_share(),
                   mbps(now),
                   mbps(*between),
                   mbps(*between)};
        for (const RetunedHour& after : out.retune.hours)
            if (after.hour == now.hour) {
                h.satisfied_after = after.satisfied_after;
                h.carried_after_mbps = after.carried_after_mbps;
            }
        out.hours.push_back(h);
    }
    return out;
}

}  // namespace yemvo
