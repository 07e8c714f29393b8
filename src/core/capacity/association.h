// SPDX-License-Identifier: GPL-3.0-or-later
// Which radio each client joins, and how frames go between them.
#pragma once
#include <map>
#include <memory>

#include "capacity/demand_table.h"
#include "capacity/heard.h"

namespace yemvo {

/// Rates between kinds of radios and kinds of clients, made once.
class LinkRates {
public:
    LinkRates(const Project&, const std::vector<AirRadio>&);
    const RateLadder& down(std::size_t radio, std::size_t profile) const {
        return *down_[at(radio, profile)];
    }
    const RateLadder& up(std::size_t radio, std::size_t profile) const { return *up_[at(radio, profile)]; }
    /// Level at the radio's receiver over that at the client's [dB].
    double up_shift_db(std::size_t radio, std::size_t profile) const { return shift_[at(radio, profile)]; }
    double gain_db(std::size_t profile) const { return gain_[profile]; }
    /// Works with another width from now on.
    void set_width(std::size_t radio, int width_mhz);
    int width_mhz(std::size_t radio) const { return width_[radio]; }

private:
    std::size_t at(std::size_t radio, std::size_t profile) const { return radio * profiles_ + profile; }
    void fill(std::size_t radio);
    const std::vector<ClientProfile>& clients_;
    const std::vector<AirRadio>& radios_;
    std::size_t profiles_;
    std::vector<std::shared_ptr<const RateLadder>> down_, up_;
    std::vector<double> shift_, gain_;
    std::vector<int> width_;
    std::map<std::uint64_t, std::shared_ptr<const RateLadder>> known_;
};

/// One client with its radio at an hour.
struct Joined {
    std::uint32_t floor, client;
    std::uint16_t place_at;  ///< index into the floor's StandingPlaces
    std::uint16_t profile;
    std::int32_t radio = -1;
    std::int16_t cdbm = silent_cdb;  ///< of its radio, where it stands
    float weight = 1;
};

/// As devices choose: the highest band in which it hears a radio of its network well enough, else the
/// strongest signal; where its network steers, the bands that it steers to first. A radio without a common
/// rate, or without the network's lowest rate, is none.
struct Chooser {
    const Project& project;
    const std::vector<AirRadio>& radios;
    const LinkRates& rates;
    Joined choose(const HeardFloor&, std::uint32_t client, const ZoneDemand&) const;
    /// It could use this radio.
    bool can_use(std::size_t radio, std::size_t profile, int cdbm, const ZoneDemand&) const;
};

}  // namespace yemvo
