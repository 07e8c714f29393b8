// SPDX-License-Identifier: GPL-3.0-or-later
// External antennas of the gear library, and the cables that lead to them.
#pragma once
#include <string>
#include <string_view>
#include <vector>

#include "antenna/antenna.h"
#include "base/id.h"
#include "gear/body.h"
#include "wireless/band.h"

namespace yemvo {

/// What an antenna does in one band.
struct AntennaBand {
    BandId band;
    Antenna antenna;
    friend bool operator==(const AntennaBand&, const AntennaBand&) = default;
};

struct AntennaModel {
    AntennaId id;
    std::string key;  ///< stable word: "panel-13"
    std::string name;
    std::string connector;  ///< fits radios with the same: "N"
    std::vector<AntennaBand> bands;
    Body body;
    friend bool operator==(const AntennaModel&, const AntennaModel&) = default;
};

/// Null where it is not made for the band.
const Antenna* antenna_in_band(const AntennaModel&, BandId);

/// A kind of coaxial cable.
struct CableType {
    std::string key;  ///< stable word: "thin"
    std::string name;
    double loss_db_per_m = 1;  ///< at 5500 MHz
    double ends_db = 0.3;      ///< both connectors together
    friend bool operator==(const CableType&, const CableType&) = default;
};

/// Of a length with its connectors [dB]. The loss per metre follows the square root of the frequency, as the
/// skin effect has it, which holds for coaxial cable while its insulation loses little.
double cable_loss_db(const CableType&, double length_m, double frequency_mhz);

}  // namespace yemvo
