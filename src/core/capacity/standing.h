// SPDX-License-Identifier: GPL-3.0-or-later
// Where clients stand: evenly over their zone, the same each time.
#pragma once
#include <cstdint>
#include <memory>
#include <string_view>
#include <vector>

#include "coverage/site_prediction.h"

namespace yemvo {

/// One client, or part of one.
struct StandingClient {
    std::uint32_t cell;     ///< of the floor's surface
    std::uint16_t zone;     ///< index + 1 into the floor's zones, as masks count
    std::uint16_t profile;  ///< index into the project's client profiles
    Point place;
};

/// Of one zone: the clients of its fullest busy hour; at another the first of them.
struct StandingZone {
    std::uint16_t zone;
    std::size_t begin, end;  ///< into the clients
};

struct StandingFloor {
    std::vector<StandingClient> clients;  ///< those of a zone together
    std::vector<StandingZone> zones;
};

/// Most clients of one zone that are looked at one by one; more count as several each.
inline constexpr std::size_t most_standing = 5000;

StandingFloor standing_clients(const Project&, const Floor&, const FloorPrediction&);
/// How many of a zone's clients are there at a busy hour, and how many each of them counts for.
struct Attendance {
    std::size_t count = 0;
    double weight = 0;
};
Attendance attendance(const Zone&, const StandingZone&, std::string_view hour);

}  // namespace yemvo
