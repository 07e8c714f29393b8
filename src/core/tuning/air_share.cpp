// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/air_share.h"

#include <algorithm>
#include <cmath>

#include "wireless/spectrum.h"

namespace yemvo {
namespace {

/// Channels of 2.4 GHz whose centres differ neither share nor leave each other alone. A wide one over a
/// narrow one of the same raster is another matter: its primary is heard.
bool is_partly(const Channel& a, const Channel& b) {
    if (a.band != b.band || a.band != band_24) return false;
    const double apart = std::abs(centre_mhz(a) - centre_mhz(b));
    return apart > 1e-6 &&
           (a.width_mhz == b.width_mhz || apart > std::abs(a.width_mhz - b.width_mhz) / 2.0 + 1e-6);
}

}  // namespace

Sharing sharing(const Channel& own, int own_primary, const Channel& other, int other_primary) {
    switch (relation(own, own_primary, other, other_primary)) {
        case ChannelRelation::apart:
            return Sharing::apart;
        case ChannelRelation::beside:
            return Sharing::narrowed;
        case ChannelRelation::shared:
            break;
    }
    return is_partly(own, other) && own_primary != other_primary ? Sharing::partly : Sharing::shared;
}

double air_share(const Channel& own, int own_primary, const Channel& other, int other_primary) {
    switch (sharing(own, own_primary, other, other_primary)) {
        case Sharing::apart:
            return 0;
        case Sharing::shared:
            return 1;
        case Sharing::narrowed:
            return 1 - static_cast<double>(width_left_mhz(own, own_primary, other)) / own.width_mhz;
        case Sharing::partly:
            break;
    }
    return overlap(other, own);
}

double heard_share(double above_db) { return std::clamp(above_db / 10 + 0.5, 0.0, 1.0); }

}  // namespace yemvo
