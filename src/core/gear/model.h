// SPDX-License-Identifier: GPL-3.0-or-later
// The gear library: models of access points.
#pragma once
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "antenna/antenna.h"
#include "base/id.h"
#include "wireless/band.h"

namespace yemvo {

enum class Mount { ceiling, wall, pole, desk };

/// What one radio of a model can do in one band.
struct RadioBand {
    BandId band;
    int widest_mhz = 20;
    double power_low_dbm = 0, power_high_dbm = 20, power_step_db = 1;  ///< conducted, all chains together
    Antenna antenna;
    friend bool operator==(const RadioBand&, const RadioBand&) = default;
};

struct RadioModel {
    int chains = 2;
    std::string standard;          ///< "ax", "be"
    std::vector<RadioBand> bands;  ///< the bands it can work in; the first is what it starts with
    friend bool operator==(const RadioModel&, const RadioModel&) = default;
};

struct AccessPointModel {
    ModelId id;
    std::string key;  ///< stable word: "ceiling-entry"
    std::string name;
    Mount mount = Mount::ceiling;  ///< as it is meant to hang
    double mount_height_m = 3.0;
    std::vector<RadioModel> radios;  ///< one to four
    friend bool operator==(const AccessPointModel&, const AccessPointModel&) = default;
};

/// What `radio` of a model can do in a band; none when it cannot work there.
const RadioBand* radio_band(const AccessPointModel&, std::size_t radio, BandId);

/// How the pattern's body stands for an access point mounted and aimed so. A tilt of 0 means as it was made
/// to hang: a ceiling pattern on a wall turns its lobe to the azimuth, a panel under a ceiling looks down.
Turn body_turn(PatternFrame, Mount, double azimuth_deg, double downtilt_deg);

std::string_view mount_name(Mount);
std::optional<Mount> find_mount(std::string_view name);

}  // namespace yemvo
