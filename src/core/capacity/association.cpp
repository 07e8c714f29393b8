// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/association.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace yemvo {

LinkRates::LinkRates(const Project& project, const std::vector<AirRadio>& radios)
    : clients_(*project.clients), radios_(radios), profiles_(clients_.size()) {
    down_.resize(radios.size() * profiles_);
    up_.resize(down_.size());
    shift_.resize(down_.size());
    for (const ClientProfile& c : clients_) gain_.push_back(c.gain_dbi);
    for (const AirRadio& r : radios) width_.push_back(r.channel.width_mhz);
    for (std::size_t i = 0; i < radios.size(); ++i) fill(i);
}

void LinkRates::set_width(std::size_t radio, int width_mhz) {
    if (width_[radio] == width_mhz) return;
    width_[radio] = width_mhz;
    fill(radio);
}

void LinkRates::fill(std::size_t radio) {
    const AirRadio& r = radios_[radio];
    Channel channel = r.channel;
    channel.width_mhz = width_[radio];
    const auto ladder = [&](std::size_t profile, double noise_figure_db) {
        ContentKey key;
        key.add(r.ability.standard ? static_cast<int>(*r.ability.standard) : -1)
            .add(int{r.ability.band.index})
            .add(r.ability.streams)
            .add(channel.width_mhz)
            .add(static_cast<std::uint64_t>(profile))
            .add(noise_figure_db);
        auto& known = known_[key.value()];
        if (!known)
            known =
                std::make_shared<const RateLadder>(r.ability, channel, clients_[profile], noise_figure_db);
        return known;
    };
    for (std::size_t p = 0; p < profiles_; ++p) {
        down_[at(radio, p)] = ladder(p, clients_[p].noise_figure_db);
        up_[at(radio, p)] = ladder(p, r.noise_figure_db);
        shift_[at(radio, p)] = clients_[p].power_in_dbm(r.channel.band) - r.power_dbm;
    }
}

bool Chooser::can_use(std::size_t radio, std::size_t profile, int cdbm, const ZoneDemand& demand) const {
    double lowest_mbps = 0;
    if (const Network* network = find_network(project.demand, demand.network)) {
        const auto index = static_cast<std::size_t>(network - project.demand.networks->data());
        if (!radios[radio].carries[index]) return false;
        lowest_mbps = network->lowest_rate_mbps;
    }
    const double dbm = cdbm / 100.0 + rates.gain_db(profile);
    const double down = rates.down(radio, profile).rate_mbps(dbm);
    return down > 0 && down >= lowest_mbps &&
           rates.up(radio, profile).rate_mbps(dbm + rates.up_shift_db(radio, profile)) > 0;
}

Joined Chooser::choose(const HeardFloor& floor, std::uint32_t client, const ZoneDemand& demand) const {
    const StandingClient& who = floor.standing.clients[client];
    const ClientProfile& profile = (*project.clients)[who.profile];
    const Network* network = find_network(project.demand, demand.network);
    std::array<HeardLevel, 8> best{};
    std::array<bool, 8> found{};
    for (const HeardLevel& l : floor.of(client)) {
        const std::size_t band = radios[l.radio].channel.band.index;
        if (found[band] && best[band].cdbm >= l.cdbm) continue;
        if (profile.widest(radios[l.radio].channel.band) <= 0 ||
            !can_use(l.radio, who.profile, l.cdbm, demand))
            continue;
        best[band] = l;
        found[band] = true;
    }
    Joined joined{0, client, 0, who.profile};
    const auto take = [&](std::size_t band) {
        joined.radio = best[band].radio;
        joined.cdbm = best[band].cdbm;
    };
    const int enough_cdbm = static_cast<int>(std::lround(100 * (profile.well_enough_dbm - profile.gain_dbi)));
    const auto first_good = [&](auto wanted) {
        for (std::size_t b = band_count(); b-- > 0;)
            if (wanted(BandId{static_cast<std::uint8_t>(b)}) && found[b] && best[b].cdbm >= enough_cdbm)
                return take(b), true;
        return false;
    };
    if (network && !network->steer_to.empty() &&
        first_good([&](BandId b) { return network->steer_to.contains(b); }))
        return joined;
    if (profile.prefers_higher && first_good([](BandId) { return true; })) return joined;
    for (std::size_t b = band_count(); b-- > 0;)
        if (found[b] && (joined.radio < 0 || best[b].cdbm > joined.cdbm)) take(b);
    return joined;
}

}  // namespace yemvo
