// SPDX-License-Identifier: GPL-3.0-or-later
#include "gear/access_point.h"

#include <algorithm>
#include <cmath>

namespace yemvo {

double eirp_dbm(const Radio& radio, const RadioBand& can) { return radio.power_dbm + can.antenna.gain_dbi; }

static int starting_width_mhz(const RadioBand& can) {
    if (can.band == band_24) return 20;
    return std::min(can.widest_mhz, can.band == band_5 ? 40 : 80);
}

AccessPoint make_access_point(const AccessPointModel& model, AccessPointId id, int number, Point position) {
    AccessPoint ap{id, number, model.id, model.mount, position, model.mount_height_m, 0, 0, {}};
    for (const RadioModel& radio : model.radios) {
        const RadioBand& can = radio.bands.front();
        const Channel first = channels(can.band, starting_width_mhz(can)).front();
        const double middle = (can.power_low_dbm + can.power_high_dbm) / 2;
        const double steps = std::floor((middle - can.power_low_dbm) / can.power_step_db);
        ap.radios.push_back(
            {first, primaries(first).front(), can.power_low_dbm + steps * can.power_step_db, true});
    }
    return ap;
}

Radio retuned(Radio radio, BandId id, int primary, int width_mhz) {
    const auto blocks = channels_around(id, primary, width_mhz);
    if (blocks.empty())
        throw InvalidChannel(say("channel %1 has no %2 MHz block", primary, width_mhz),
                             band(id).name + " GHz", say("Choose a narrower width or another channel"));
    const auto kept = std::find(blocks.begin(), blocks.end(), radio.channel);
    radio.channel = kept != blocks.end() ? *kept : blocks.front();
    radio.primary = primary;
    return radio;
}

}  // namespace yemvo
