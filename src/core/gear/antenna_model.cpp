// SPDX-License-Identifier: GPL-3.0-or-later
#include "gear/antenna_model.h"

#include <cmath>

namespace yemvo {

const Antenna* antenna_in_band(const AntennaModel& model, BandId id) {
    for (const AntennaBand& b : model.bands)
        if (b.band == id) return &b.antenna;
    return nullptr;
}

double cable_loss_db(const CableType& cable, double length_m, double frequency_mhz) {
    return cable.ends_db + length_m * cable.loss_db_per_m * std::sqrt(frequency_mhz / 5500);
}

}  // namespace yemvo
