// SPDX-License-Identifier: GPL-3.0-or-later
// Where requirements are missed: the connected areas below a limit, the ones that matter most first.
#pragma once
#include "coverage/verdict.h"

namespace yemvo {

struct WorstPlace {
    RequirementId requirement;
    FloorId floor;
    ZoneId zone;         ///< of the worst cell; 0: in none
    Point place;         ///< the worst cell, in the floor's metres
    BandId band = {};    ///< that decides there
    double value = 0;    ///< there, in the lens's unit
    double area_m2 = 0;  ///< of the connected area that misses the limit
    int serving = 0;     ///< number of the access point that serves there in the band; 0: none
    Outcome on_floor = Outcome::not_met;  ///< how the requirement stands on that floor
    /// Clients of one place on one radio that miss it, instead of an area; none: it is an area.
    struct Clients {
        double count = 0;
        std::uint16_t profile = 0;  ///< of the worst; index into the project's client profiles
        DeviceRowId row = {};       ///< that they are of, instead of a zone's people
        double signal_dbm = 0;      ///< of the worst
        std::string hour = {};
    };
    Clients clients = {};
    bool is_of_clients() const { return clients.count > 0; }
};

/// At most `most` places: those that keep their floor from what is required first, then by area. Areas that
/// mostly lie in one already named are left out. `site` and the verdict must be of the project.
std::vector<WorstPlace> worst_places(const Project&, const SitePrediction&, const Verdict&, std::size_t most,
                                     const CancelToken& = {});

/// Of places found floor by floor, the `most` that matter most, in the same order.
std::vector<WorstPlace> worst_of(std::vector<WorstPlace> places, std::size_t most);

}  // namespace yemvo
