// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/client_air.h"

#include <algorithm>

#include "wireless/link_budget.h"
#include "wireless/spectrum.h"

namespace yemvo {

ClientAir client_air(const Project& project, const HourCapacity& hour, const ClientCapacity& c) {
    constexpr double least_dbm = -120;
    const AirRadio& own = hour.radios[static_cast<std::size_t>(c.radio)].radio;
    const HeardFloor& floor = *hour.heard[c.floor];
    const double gain_db = (*project.clients)[floor.standing.clients[c.client].profile].gain_dbi;
    double sum_mw = 0;
    ClientAir out;
    out.use = std::min(1.0, hour.radios[static_cast<std::size_t>(c.radio)].own_use);
    for (const HeardLevel& l : floor.of(c.client)) {
        const AirRadio& other = hour.radios[l.radio].radio;
        if (l.radio == static_cast<std::uint16_t>(c.radio) || own.channel_open || other.channel_open)
            continue;
        const double share = overlap(other.channel, own.channel);
        if (share <= 0) continue;
        const double use = std::min(1.0, hour.radios[l.radio].own_use), dbm = l.cdbm / 100.0 + gain_db;
        sum_mw += share * use * milliwatt_from_dbm(dbm);
        if (share >= least_deferred_share && dbm >= project.settings.heard_dbm) out.use += use;
    }
    for (const NeighbourRadio& n : hour.neighbours->radios) {
        const double share = own.channel_open ? 0 : overlap(n.channel, own.channel);
        if (share <= 0) continue;
        const auto level = NeighbourLevels(n, floor.floor).at(floor.standing.clients[c.client].place);
        if (!level) continue;
        sum_mw += share * n.use * milliwatt_from_dbm(*level + gain_db);
        if (share >= least_deferred_share && *level + gain_db >= project.settings.heard_dbm) out.use += n.use;
    }
    out.use = std::min(1.0, out.use);
    const double noise_mw =
        milliwatt_from_dbm(noise_dbm(own.channel.width_mhz, project.settings.client_noise_figure_db));
    out.interference_dbm = std::max(least_dbm, dbm_from_milliwatt(sum_mw));
    out.sinr_db = double{c.signal_dbm} - dbm_from_milliwatt(noise_mw + sum_mw);
    return out;
}

ClientAir link_air(const Project& project, const HourCapacity& hour, std::span<const LinkExplanation> all,
                   std::size_t which, FloorId floor, Point place) {
    const LinkExplanation& own = all[which];
    double sum_mw = 0;
    ClientAir out;
    const auto add = [&](const Channel& from, double use, double dbm) {
        const double share = overlap(from, own.channel);
        if (share <= 0 || use <= 0) return;
        sum_mw += share * use * milliwatt_from_dbm(dbm);
        if (share >= least_deferred_share && dbm >= project.settings.heard_dbm) out.use += use;
    };
    const RadioCapacity* serving = hour.find(own.access_point, own.radio);
    if (serving) out.use = std::min(1.0, serving->own_use);
    const bool open = serving && serving->radio.channel_open;
    for (std::size_t k = 0; k < all.size() && !open; ++k) {
        const RadioCapacity* other = hour.find(all[k].access_point, all[k].radio);
        if (k != which && other && !other->radio.channel_open)
            add(all[k].channel, std::min(1.0, other->own_use), all[k].received_dbm);
    }
    if (!open)
        for (const NeighbourRadio& n : hour.neighbours->radios)
            if (const auto dbm = NeighbourLevels(n, floor).at(place)) add(n.channel, n.use, *dbm);
    out.use = std::min(1.0, out.use);
    out.interference_dbm = std::max(-120.0, dbm_from_milliwatt(sum_mw));
    out.sinr_db = own.received_dbm - dbm_from_milliwatt(milliwatt_from_dbm(own.noise_dbm) + sum_mw);
    return out;
}

}  // namespace yemvo
