// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/meetings.h"

#include <algorithm>
#include <map>
#include <set>

namespace yemvo {
namespace {

/// What `own` loses to `other` that it hears at a level.
double lost_to(const SiteAir& air, const Channel& own, int own_primary, const Channel& other,
               int other_primary, std::uint32_t other_radio, double above_db) {
    const double share = air_share(own, own_primary, other, other_primary);
    return share > 0 ? share * heard_share(above_db) * air.use[other_radio] : 0;
}

/// Other people's radios after the plan's own: what those hear of them below themselves.
void add_neighbours(const Project& project, SiteAir& air) {
    air.own = air.radios.size();
    air.neighbours = neighbours_of(project);
    if (air.neighbours->radios.empty()) return;
    std::map<FloorId, std::vector<std::pair<std::uint32_t, Point>>> places;  // of the plan's own
    for (std::uint32_t i = 0; i < air.own; ++i) {
        const AirRadio& own = air.radios[i];
        places[own.floor].push_back({i, find_access_point(project, own.floor, own.access_point)->position});
    }
    for (const NeighbourRadio& n : air.neighbours->radios) {
        const auto radio = static_cast<std::uint32_t>(air.radios.size());
        AirRadio other{};
        other.floor = n.readings.front().floor;
        other.channel = n.channel;
        other.primary = n.primary;
        air.radios.push_back(std::move(other));
        air.use.push_back(n.use);
        air.demand.push_back(0);
        std::set<FloorId> floors;
        for (const NeighbourRadio::Reading& r : n.readings) floors.insert(r.floor);
        for (const FloorId floor : floors) {
            const NeighbourLevels levels(n, floor);
            for (const auto& [i, place] : places[floor])
                if (air.radios[i].channel.band == n.channel.band)
                    if (const double dbm = *levels.at(place); 100 * dbm >= heard_least_cdbm)
                        air.hearing.push_back({i, radio, dbm});
        }
    }
}

}  // namespace

SiteHearing site_hearing(const std::vector<AirRadio>& radios,
                         const std::vector<std::vector<HeardFloor::Pair>>& floors) {
    SiteHearing out;
    for (const AirRadio& r : radios) out.radios.push_back({r.access_point, r.radio});
    for (const auto& floor : floors)
        for (const HeardFloor::Pair& p : floor)
            out.pairs.push_back({p.listener, p.heard.radio, p.heard.cdbm / 100.0});
    return out;
}

SiteAir site_air(const Project& project, const std::vector<std::shared_ptr<const HeardFloor>>& floors,
                 const SiteCapacity* capacity) {
    const std::vector<AirRadio> radios = air_radios(project);
    std::vector<std::vector<HeardFloor::Pair>> pairs;
    for (const auto& floor : floors) pairs.push_back(heard_among(radios, floor)->between);
    return site_air(project, site_hearing(radios, pairs), capacity);
}

SiteAir site_air(const Project& project, const SiteHearing& hearing, const SiteCapacity* capacity) {
    SiteAir air;
    air.radios = air_radios(project);
    std::map<RadioRef, std::uint32_t> now;
    for (std::uint32_t i = 0; i < air.radios.size(); ++i)
        now[{air.radios[i].access_point, air.radios[i].radio}] = i;
    std::vector<std::int64_t> to;
    for (const RadioRef& ref : hearing.radios) {
        const auto at = now.find(ref);
        to.push_back(at == now.end() ? -1 : std::int64_t{at->second});
    }
    for (const HeardRadio& h : hearing.pairs)
        if (to[h.listener] >= 0 && to[h.heard] >= 0)
            air.hearing.push_back(
                {static_cast<std::uint32_t>(to[h.listener]), static_cast<std::uint32_t>(to[h.heard]), h.dbm});
    const std::size_t n = air.radios.size();
    air.use.assign(n, 0);
    air.demand.assign(n, 0);
    double asked = 0;
    if (capacity)
        for (const HourCapacity& h : capacity->hours)
            for (std::size_t i = 0; i < n; ++i)
                if (const RadioCapacity* r = h.find(air.radios[i].access_point, air.radios[i].radio)) {
                    air.use[i] = std::max(air.use[i], std::min(1.0, r->own_use));
                    air.demand[i] += r->asked_down_mbps + r->asked_up_mbps;
                    asked += r->asked_down_mbps + r->asked_up_mbps;
                }
    air.assumed = asked <= 0;
    for (std::size_t i = 0; i < n; ++i) {
        if (air.assumed) air.use[i] = assumed_use;
        // who carries nothing today may tomorrow: a tenth is spread over all
        const double even = 1.0 / static_cast<double>(n);
        air.demand[i] = air.assumed ? even : 0.9 * air.demand[i] / asked + 0.1 * even;
    }
    add_neighbours(project, air);
    return air;
}

std::vector<AirMeeting> air_meetings(const SiteAir& air, double heard_dbm, double least) {
    std::map<std::pair<std::uint32_t, std::uint32_t>, AirMeeting> pairs;
    for (const HeardRadio& h : air.hearing) {
        const AirRadio& own = air.radios[h.listener];
        const AirRadio& other = air.radios[h.heard];
        if (own.channel.band != other.channel.band || own.channel_open || other.channel_open) continue;
        const double lost =
            lost_to(air, own.channel, own.primary, other.channel, other.primary, h.heard, h.dbm - heard_dbm);
        if (lost <= 0) continue;
        const auto key = std::minmax(h.listener, h.heard);
        const Sharing how = sharing(own.channel, own.primary, other.channel, other.primary);
        const auto [at, fresh] =
            pairs.try_emplace({key.first, key.second}, AirMeeting{key.first, key.second, how, h.dbm});
        AirMeeting& m = at->second;
        m.heard_dbm = std::max(m.heard_dbm, h.dbm);
        if (m.how != Sharing::shared) m.how = how;
        double& own_loss = h.listener == m.a ? m.lost_a : m.lost_b;
        own_loss = std::max(own_loss, lost);
    }
    std::vector<AirMeeting> out;
    for (const auto& [key, m] : pairs)
        if (m.lost() >= least) out.push_back(m);
    std::ranges::stable_sort(out, std::greater{}, &AirMeeting::lost);
    return out;
}

AirAt air_at(const SiteAir& air, std::uint32_t radio, const Channel& channel, int primary, double heard_dbm) {
    AirAt out;
    std::map<std::uint32_t, double> whom;
    for (const HeardRadio& h : air.hearing) {
        if (h.listener != radio && h.heard != radio) continue;
        const std::uint32_t other = h.listener == radio ? h.heard : h.listener;
        const AirRadio& o = air.radios[other];
        if (o.channel.band != channel.band || o.channel_open) continue;
        const double above = h.dbm - heard_dbm;
        const double lost = h.listener == radio
                                ? lost_to(air, channel, primary, o.channel, o.primary, other, above)
                                : lost_to(air, o.channel, o.primary, channel, primary, radio, above);
        if (lost <= 0) continue;
        (h.listener == radio ? out.lost : out.taken) += lost;
        whom[other] = std::max(whom[other], lost);
    }
    out.lost = std::min(out.lost, 1.0);
    out.to.assign(whom.begin(), whom.end());
    std::ranges::stable_sort(out.to, std::greater{}, [](const auto& w) { return w.second; });
    return out;
}

}  // namespace yemvo
