// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/worst_clients.h"

#include <algorithm>

#include "capacity/capacity_verdict.h"

namespace yemvo {
namespace {

/// Those of one requirement at its worst busy hour, by place and radio.
void gather(const Project& project, const RequirementResult& result, const HourCapacity& hour,
            std::vector<WorstPlace>& out) {
    const RequirementSet& set = *find_requirement_set(project, result.set);
    std::map<std::tuple<ZoneId, DeviceRowId, std::int32_t>, WorstPlace> groups;
    for (const ClientCapacity& c : hour.clients) {
        const ClientStanding s = standing_of(project, set, result.requirement, hour, c);
        if (!s.counts || s.margin >= -1e-6) continue;
        const StandingClient& who = hour.heard[c.floor]->standing.clients[c.client];
        const Floor& floor = *find_floor(project, hour.floors[c.floor].floor);
        const DeviceRowId row = hour.zones[c.place_at].row;
        const auto [at, fresh] = groups.try_emplace({s.zone ? s.zone->id : ZoneId{}, row, c.radio});
        WorstPlace& w = at->second;
        if (fresh) {
            w.requirement = result.requirement.id;
            w.floor = floor.id;
            w.zone = s.zone ? s.zone->id : ZoneId{};
            w.area_m2 = 0;
            w.clients = WorstPlace::Clients{0, 0, row, 0, hour.hour};
            w.serving = c.radio < 0 ? 0 : hour.radios[static_cast<std::size_t>(c.radio)].radio.number;
        }
        w.clients.count += double{c.weight};
        const bool weaker =
            fresh || s.value < w.value || (s.value == w.value && double{c.signal_dbm} < w.clients.signal_dbm);
        if (!weaker) continue;
        w.place = who.place;
        w.band = s.band;
        w.value = s.value;
        w.clients.profile = who.profile;
        w.clients.signal_dbm = double{c.signal_dbm};
    }
    for (auto& [key, group] : groups) out.push_back(std::move(group));
}

}  // namespace

std::vector<WorstPlace> worst_clients(const Project& project, const Verdict& verdict,
                                      const SiteCapacity& site, std::size_t most) {
    std::vector<WorstPlace> all;
    for (const RequirementResult& r : verdict.requirements) {
        if (required_lens(r.requirement).counts != RequirementCounts::clients || !r.asks() || r.met())
            continue;
        if (const HourCapacity* hour = site.find(r.site.hour)) gather(project, r, *hour, all);
    }
    std::ranges::stable_sort(all, std::greater(), [](const WorstPlace& w) { return w.clients.count; });
    if (all.size() > most) all.resize(most);
    return all;
}

}  // namespace yemvo
