// SPDX-License-Identifier: GPL-3.0-or-later
// Wide channels with a narrow neighbour beside their primary.
#pragma once
#include "wireless/channel.h"

namespace yemvo {

/// How a radio's channel stands to another's that it may hear.
enum class ChannelRelation {
    apart,   ///< shares nothing to speak of
    shared,  ///< the other's frames lie on its primary: it waits for them
    beside,  ///< the other lies within its width beside the primary: it goes out narrower then
};
ChannelRelation relation(const Channel& own, int own_primary, const Channel& other, int other_primary);

/// Share of opportunities in which the wide one goes out whole beside a narrow one that asks for a share
/// `asked` of the air in `msdu_per_s` packets. Source: fitted to the simulations of narrow neighbours in
/// docs/physics.md, Airtime.
double full_width_share(double asked, double msdu_per_s);

/// The width that is left round the primary beside the other: 20 MHz at least.
int width_left_mhz(const Channel& own, int own_primary, const Channel& other);

}  // namespace yemvo
