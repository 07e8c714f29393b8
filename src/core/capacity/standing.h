// SPDX-License-Identifier: GPL-3.0-or-later
// Where clients stand: evenly over their zone or along their row, the same each time.
#pragma once
#include <cstdint>
#include <memory>
#include <string_view>
#include <vector>

#include "coverage/site_prediction.h"
#include "project/demand_place.h"

namespace yemvo {

/// In place of a cell: no prediction is made there, and nothing is heard.
inline constexpr std::uint32_t beyond_surface = 0xFFFFFFFF;

/// One client, or part of one.
struct StandingClient {
    std::uint32_t cell;     ///< of the floor's surface
    std::uint16_t zone;     ///< index + 1 into the floor's zones, as masks count; 0: in none
    std::uint16_t profile;  ///< index into the project's client profiles
    Point place;
};

/// Of one zone or row of devices: the clients of its fullest busy hour; at another the first of them.
struct StandingPlace {
    std::uint16_t at;        ///< index into the floor's demand_places
    std::size_t begin, end;  ///< into the clients
};

struct StandingFloor {
    std::vector<StandingClient> clients;  ///< those of a place together
    std::vector<StandingPlace> places;
};

/// Most clients of one place that are looked at one by one; more count as several each.
inline constexpr std::size_t most_standing = 5000;

StandingFloor standing_clients(const Project&, const Floor&, const FloorPrediction&);
/// How many of a place's clients are there at a busy hour, and how many each of them counts for.
struct Attendance {
    std::size_t count = 0;
    double weight = 0;
};
Attendance attendance(const DemandPlace&, const StandingPlace&, std::string_view hour);

}  // namespace yemvo
