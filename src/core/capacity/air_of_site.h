// SPDX-License-Identifier: GPL-3.0-or-later
// The site's radios, their joined clients and other people's radios as contenders for the air. For capacity's
// own use.
#pragma once
#include <array>
#include <map>
#include <span>
#include <vector>

#include "airtime/contention.h"
#include "airtime/fall_back.h"
#include "capacity/association.h"
#include "project/neighbours.h"

namespace yemvo {

/// What one client of a zone or row of devices asks for, and the place.
struct PlaceAsk {
    DemandPlace place;
    Traffic each;
};

/// Joined clients of one radio that send alike: one contender with a count.
struct SenderGroup {
    std::uint16_t radio = 0;
    bool voice = false;
    std::uint64_t form = 0;  ///< key of its frames' form
    double count = 0, per_s = 0, bytes_per_s = 0, bursts_per_s = 0;
    const RateLadder::Step* step = nullptr;
    /// Other radios that they hear, and that hear them: how many of them.
    struct Heard {
        double hear = 0, heard_by = 0;
    };
    std::map<std::uint16_t, Heard> others;
    std::map<std::uint32_t, double> neighbours;  ///< how many of them hear each of other people's radios
};

/// Which contenders a radio and a client have; none: -1.
struct Queues {
    std::int32_t down = -1, voice_down = -1, beacons = -1;
};
struct ClientQueues {
    std::int32_t up = -1, voice_up = -1;
};

class AirOfSite {
public:
    AirOfSite(const Project&, const std::vector<AirRadio>&, const LinkRates&,
              std::span<const std::shared_ptr<const HeardFloor>>, std::span<const Joined>,
              std::span<const std::vector<PlaceAsk>> asks, const Neighbours&);

    const Contention& contention() const { return c_; }
    /// What a contender is, whoever solves for it: equal in two states of a site for the same queue.
    const std::vector<std::uint64_t>& identity() const { return identity_; }
    const Queues& queues(std::size_t radio) const { return queues_[radio]; }
    const ClientQueues& queues_of_client(std::size_t joined) const { return client_queues_[joined]; }
    double beacon_share(std::size_t radio) const;
    int shares_with(std::size_t radio) const { return shares_with_[radio]; }

private:
    struct Pair {
        std::uint16_t listener, heard;
        ChannelRelation relation;
    };
    struct DownGroup {
        const RateLadder::Step* step;
        double count = 0, per_s = 0, bytes_per_s = 0, bursts_per_s = 0;
    };
    ChannelRelation relation_of(std::size_t own, std::size_t other) const {
        if (radios_[own].channel_open || radios_[other].channel_open) return ChannelRelation::apart;
        return relations_[channel_[own] * channels_ + channel_[other]];
    }
    void relate_channels();
    void meet_neighbours();
    void hear_neighbours(SenderGroup&, std::size_t joined);
    void find_neighbours();
    void add_neighbours();
    void gather();
    void gather_client(std::size_t joined);
    SenderGroup& group(std::size_t radio, bool voice, const RateLadder::Step&);
    void find_pairs();
    void add_queues();
    std::int32_t add(Contender, std::uint64_t identity);
    Contender queue_of(std::size_t radio, bool voice) const;
    FrameCost cost(std::size_t radio, const RateLadder::Step&, double bytes, bool voice) const;
    void add_beacons(std::size_t radio);
    void hear_inside(std::size_t radio);
    void hear_between();
    std::vector<std::int32_t> sending(std::size_t radio) const;

    const Project& project_;
    const std::vector<AirRadio>& radios_;
    const LinkRates& rates_;
    std::span<const std::shared_ptr<const HeardFloor>> floors_;
    std::span<const Joined> joined_;
    std::span<const std::vector<PlaceAsk>> asks_;

    struct Met {
        std::uint32_t neighbour;
        ChannelRelation relation;
    };
    struct NeighbourPair {
        std::uint16_t listener;
        std::uint32_t heard;
    };
    void narrow(std::size_t listener, double share, const Channel& other);

    const Neighbours& neighbours_;
    std::vector<std::vector<Met>> met_;                           ///< of each radio: on its spectrum
    std::vector<std::vector<NeighbourLevels>> neighbour_levels_;  ///< by floor and neighbour
    std::vector<NeighbourPair> neighbour_pairs_;                  ///< that take turns
    std::size_t channels_ = 0;
    std::vector<std::size_t> channel_;  ///< of each radio
    std::vector<ChannelRelation> relations_;
    std::vector<Pair> pairs_;
    std::vector<std::map<std::uint64_t, DownGroup>> down_, voice_down_;
    std::vector<std::vector<std::uint32_t>> groups_of_;  ///< of each radio
    std::vector<SenderGroup> groups_;
    std::vector<std::int32_t> group_contender_;
    std::vector<std::array<std::int32_t, 2>> client_groups_;
    std::vector<double> full_share_;
    std::vector<int> fall_back_mhz_;
    std::vector<int> shares_with_;

    Contention c_;
    std::vector<std::uint64_t> identity_;
    std::vector<Queues> queues_;
    std::vector<ClientQueues> client_queues_;
};

/// Tries that are lost to noise, by how far the level lies above the one from which the form holds [dB]: a
/// tenth at the edge, a tenth of that 5 dB above it. A planning figure.
double retry_share(double margin_db);

}  // namespace yemvo
