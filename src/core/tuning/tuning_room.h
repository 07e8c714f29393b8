// SPDX-License-Identifier: GPL-3.0-or-later
// How far radios could go down in power, be wider or narrower, or go, before a requirement that holds no
// longer does.
#pragma once
#include <array>
#include <cstdint>
#include <map>
#include <optional>
#include <vector>

#include "capacity/heard.h"

namespace yemvo {

/// What one requirement needs of one radio.
struct RoomPart {
    RequirementId requirement;
    BandId band;
    static constexpr int most_db = 30;
    /// Cells that hold by the radio, by how many whole dB it could go down there; the last: more.
    struct Held {
        std::array<std::uint32_t, most_db + 1> by_db{};
        std::uint32_t lost = 0;  ///< would not hold, even at the present power
    };
    Held held;                          ///< on the present width
    std::map<int, Held> at_width = {};  ///< on others [MHz]; as `held` where the width is not there
    std::uint32_t lone = 0;             ///< cells that would not hold without the radio
};
/// How a requirement stands in a band, over all floors.
struct RoomTotal {
    RequirementId requirement;
    BandId band;
    double share_required = 1;
    std::uint64_t asked = 0, met = 0;  ///< cells
};

struct TuningRoom {
    std::map<RadioRef, std::vector<RoomPart>> parts;  ///< one a floor, requirement and band
    std::vector<RoomTotal> totals;
    /// Names of requirements in force that say nothing of levels, so that nobody knows what less power does
    /// to them.
    std::vector<std::string> unknown;

    void add(const TuningRoom& of_another_floor);
    /// Each radio may go down so far [dB] on its present width, all of them at once, and every requirement
    /// that holds still holds; most_db where nothing is asked of it. The share by which one holds more than
    /// it has to is given away by half.
    double room_db(const RadioRef&) const;
    /// The same on another width; nothing where a requirement would no longer hold on it at any power.
    std::optional<double> room_db(const RadioRef&, int width_mhz) const;
    /// No cell holds by it alone.
    bool can_go(const RadioRef&) const;
};

/// What requirements of signal, SNR, next-best and third signal, and of the downlink rate, need on one floor.
TuningRoom tuning_room_on(const Project&, const FloorPrediction&);

}  // namespace yemvo
