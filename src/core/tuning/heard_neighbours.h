// SPDX-License-Identifier: GPL-3.0-or-later
// What a capture heard at a place of the plan: the radios of other people, and those of the plan itself.
#pragma once
#include <span>
#include <string>
#include <vector>

#include "capture/capture.h"
#include "coverage/site_prediction.h"
#include "venue/listening_place.h"

namespace yemvo {

/// A radio of the plan as it should be heard at a place.
struct ExpectedRadio {
    AccessPointId access_point;
    BandId band;
    double dbm = 0;
    std::vector<std::string> networks;  ///< the names that it sends
};
/// By the floor's prediction; empty where the place lies beyond it.
std::vector<ExpectedRadio> expected_at(const Project&, const FloorPrediction&, Point);

/// What a radio is taken to use of the air that does not tell it.
inline constexpr double assumed_neighbour_use = 0.1;
/// Heard louder or quieter than this against what is predicted, it is another radio of the same name.
inline constexpr double own_within_db = 15;

/// Each radio once, whatever number of networks it sends, under the name of the strongest. What a radio tells
/// is how long its channel is in use by all (BSS load, IEEE 802.11-2020 9.4.2.27): it is parted among the
/// radios on its primary by the data frames that were heard of each. One that sends a network of the plan's
/// and comes within own_within_db of what is expected of an access point is that one, the nearest in level.
/// Those without a level are left out.
std::vector<Neighbour> neighbours_of(const HeardAir&, std::span<const ExpectedRadio> = {});

}  // namespace yemvo
