// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/client_air.h"

#include <algorithm>

#include "wireless/link_budget.h"
#include "wireless/spectrum.h"

namespace yemvo {
namespace {

/// What arrives on a channel from others, one after another.
class OthersOn {
public:
    OthersOn(const Project& project, const Channel& own, double own_use)
        : heard_dbm_(project.settings.heard_dbm), own_(own), use_(own_use) {}
    void add(const Channel& from, double use, double dbm) {
        const double share = overlap(from, own_);
        if (share <= 0 || use <= 0) return;
        sum_mw_ += share * use * milliwatt_from_dbm(dbm);
        if (share >= least_deferred_share && dbm >= heard_dbm_) use_ += use;
    }
    void add(const Neighbours& neighbours, FloorId floor, Point place, double gain_db) {
        for (const NeighbourRadio& n : neighbours.radios)
            if (n.channel.band == own_.band)
                if (const auto dbm = NeighbourLevels(n, floor).at(place))
                    add(n.channel, n.use, *dbm + gain_db);
    }
    ClientAir with(double signal_dbm, double noise_dbm) const {
        constexpr double least_dbm = -120;
        return {std::max(least_dbm, dbm_from_milliwatt(sum_mw_)),
                signal_dbm - dbm_from_milliwatt(milliwatt_from_dbm(noise_dbm) + sum_mw_),
                std::min(1.0, use_)};
    }

private:
    double heard_dbm_;
    Channel own_;
    double use_, sum_mw_ = 0;
};

double use_of(const RadioCapacity& r) { return std::min(1.0, r.own_use); }

}  // namespace

ClientAir client_air(const Project& project, const HourCapacity& hour, const ClientCapacity& c) {
    const RadioCapacity& serving = hour.radios[static_cast<std::size_t>(c.radio)];
    const AirRadio& own = serving.radio;
    const HeardFloor& floor = *hour.heard[c.floor];
    const StandingClient& client = floor.standing.clients[c.client];
    const double gain_db = (*project.clients)[client.profile].gain_dbi;
    OthersOn others(project, own.channel, use_of(serving));
    if (!own.channel_open) {
        for (const HeardLevel& l : floor.of(c.client))
            if (const RadioCapacity& other = hour.radios[l.radio];
                l.radio != static_cast<std::uint16_t>(c.radio) && !other.radio.channel_open)
                others.add(other.radio.channel, use_of(other), l.cdbm / 100.0 + gain_db);
        others.add(*hour.neighbours, floor.floor, client.place, gain_db);
    }
    return others.with(double{c.signal_dbm},
                       noise_dbm(own.channel.width_mhz, project.settings.client_noise_figure_db));
}

ClientAir link_air(const Project& project, const HourCapacity& hour, std::span<const LinkExplanation> all,
                   std::size_t which, FloorId floor, Point place) {
    const LinkExplanation& own = all[which];
    const RadioCapacity* serving = hour.find(own.access_point, own.radio);
    OthersOn others(project, own.channel, serving ? use_of(*serving) : 0);
    if (!serving || !serving->radio.channel_open) {
        for (std::size_t k = 0; k < all.size(); ++k)
            if (const RadioCapacity* other = hour.find(all[k].access_point, all[k].radio);
                k != which && other && !other->radio.channel_open)
                others.add(all[k].channel, use_of(*other), all[k].received_dbm);
        others.add(*hour.neighbours, floor, place, 0);
    }
    return others.with(own.received_dbm, own.noise_dbm);
}

}  // namespace yemvo
