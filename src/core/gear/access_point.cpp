// SPDX-License-Identifier: GPL-3.0-or-later
#include "gear/access_point.h"

#include <algorithm>
#include <cmath>

namespace yemvo {

static int starting_width_mhz(const RadioBand& can) {
    if (can.band == band_24) return 20;
    return std::min(can.widest_mhz, can.band == band_5 ? 40 : 80);
}

void take_own_antenna(Radio& radio) {
    radio.antenna = {};
    radio.cable.clear();
    radio.cable_m = 0;
}

Radio starting_radio(const RadioBand& can) {
    const Channel first = channels(can.band, starting_width_mhz(can)).front();
    Radio radio{first, primaries(first).front(), 0, true, {}, {}, 0};
    // half a step below the middle where that lies between two: rather less than more
    radio.power_dbm =
        can.power.nearest_dbm((can.power.low_dbm + can.power.high_dbm) / 2 - can.power.step_db / 4);
    return radio;
}

AccessPoint make_access_point(const AccessPointModel& model, AccessPointId id, int number, Point position) {
    AccessPoint ap;
    ap.id = id;
    ap.number = number;
    ap.model = model.id;
    ap.mount = model.mount;
    ap.position = position;
    ap.height_m = model.mount_height_m;
    for (const RadioModel& radio : model.radios) ap.radios.push_back(starting_radio(radio.bands.front()));
    ap.source = usual_source(model);
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
