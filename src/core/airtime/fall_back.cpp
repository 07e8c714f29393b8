// SPDX-License-Identifier: GPL-3.0-or-later
#include "airtime/fall_back.h"

#include <algorithm>
#include <cmath>

#include "wireless/spectrum.h"

namespace yemvo {
namespace {

bool contains(const Channel& c, int primary) {
    const auto inside = primaries(c);
    return std::find(inside.begin(), inside.end(), primary) != inside.end();
}

}  // namespace

ChannelRelation relation(const Channel& own, int own_primary, const Channel& other, int other_primary) {
    if (own.band != other.band) return ChannelRelation::apart;
    if (own_primary == other_primary || contains(other, own_primary)) return ChannelRelation::shared;
    const double common = overlap(other, {own.band, own_primary, 20});
    // at 2.4 GHz channels overlap by part: what lies on most of the primary is waited for
    if (common > 0.5) return ChannelRelation::shared;
    if (own.width_mhz > 20 && overlap(other, own) > least_deferred_share) return ChannelRelation::beside;
    return common > least_deferred_share ? ChannelRelation::shared : ChannelRelation::apart;
}

double full_width_share(double asked, double msdu_per_s) {
    constexpr double after_full = 0.5, lost_to_load = 0.15, txop_s = 5.5e-3;
    const double full = after_full - lost_to_load * std::clamp(asked, 0.0, 1.0);
    const double again = 0.5 * (1 - std::exp(-msdu_per_s * txop_s));
    return full / (full + again);
}

int width_left_mhz(const Channel& own, int own_primary, const Channel& other) {
    int left = 20;
    for (int width : channel_widths_mhz()) {
        const auto round = channels_around(own.band, own_primary, width);
        if (width < own.width_mhz && !round.empty() && overlap(other, round.front()) < 0.01) left = width;
    }
    return left;
}

}  // namespace yemvo
