// SPDX-License-Identifier: GPL-3.0-or-later
// What clients and access points of a floor hear of the site's radios: all that capacity needs of a floor's
// prediction, so that its fields can be let go.
#pragma once
#include <cstdint>
#include <span>
#include <vector>

#include "capacity/standing.h"

namespace yemvo {

/// A radio that is on, as capacity sees it.
struct AirRadio {
    AccessPointId access_point;
    int number;         ///< of the access point
    std::size_t radio;  ///< of its radios
    FloorId floor;
    Channel channel;
    int primary;
    double power_dbm;
    RadioAbility ability;
    double noise_figure_db;
    int most_clients;                   ///< 0: not told
    std::vector<std::uint8_t> carries;  ///< of the project's networks
    bool channel_open = false;          ///< shares its spectrum with nobody (Radio)
};
std::vector<AirRadio> air_radios(const Project&);

struct HeardLevel {
    std::uint16_t radio;  ///< index into air_radios
    std::int16_t cdbm;    ///< hundredths of a dBm
};

/// What a radio is called, whatever else there is on the site.
struct RadioRef {
    AccessPointId access_point;
    std::size_t radio;
    friend auto operator<=>(const RadioRef&, const RadioRef&) = default;
};

struct HeardFloor {
    FloorId floor;
    std::vector<RadioRef> radios;  ///< that indices mean: the site's when it was made
    StandingFloor standing;
    std::vector<std::uint32_t> first;  ///< of each client's levels; one more at the end
    std::vector<HeardLevel> levels;    ///< from heard_least_cdbm up
    std::span<const HeardLevel> of(std::size_t client) const {
        return std::span(levels).subspan(first[client], first[client + 1] - first[client]);
    }
    /// What the radios on this floor hear of others, at the client height below them.
    struct Pair {
        std::uint16_t listener;
        HeardLevel heard;
    };
    std::vector<Pair> between;
};
/// Weaker radios are neither joined nor deferred to.
inline constexpr int heard_least_cdbm = -9800;

/// The project's radios as the floor's prediction has them.
HeardFloor heard_on(const Project&, const std::vector<AirRadio>&, const FloorPrediction&);
/// What its radios hear of others, alone.
std::vector<HeardFloor::Pair> heard_between(const Project&, const std::vector<AirRadio>&,
                                            const FloorPrediction&);
/// With indices into these radios, where it was made beside others; those that are gone are heard no more.
std::shared_ptr<const HeardFloor> heard_among(const std::vector<AirRadio>&,
                                              std::shared_ptr<const HeardFloor>);

}  // namespace yemvo
