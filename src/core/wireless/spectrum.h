// SPDX-License-Identifier: GPL-3.0-or-later
// How much two channels share.
// Source: transmit masks of IEEE 802.11-2020 clauses 17, 19, 21 and IEEE 802.11ax clause 27 (the outline for
// OFDM channels: 0 dBr to half the width less 0.5 MHz (0.25 at 20 MHz), -20 at 0.5 MHz beyond, -28 at the
// width, -40 at 1.5 widths).
#pragma once
#include "wireless/channel.h"

namespace yemvo {

/// Channels beside each other leak a little into each other: below this share radios do not defer to it.
inline constexpr double least_deferred_share = 0.05;

/// Share [0, 1] of the power sent on `from` that a receiver on `to` takes in, against a sender on `to`
/// itself: the integral of both masks' product over that of the receiver's own mask squared, both by their
/// own power. Other bands share nothing. Throws InvalidChannel as centre_mhz does.
double overlap(const Channel& from, const Channel& to);

}  // namespace yemvo
