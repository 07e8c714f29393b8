// SPDX-License-Identifier: GPL-3.0-or-later
// Cuts changed by hand: turned, mirrored, smoothed, filled by symmetry.
#pragma once
#include "antenna/antenna.h"
#include "antenna/pattern/cuts.h"

namespace yemvo {

/// What stood at an angle stands `by_deg` further on; any angle, values between degrees by lines in dB.
Cut turned(const Cut&, double by_deg);
/// Left and right, or up and down, in each other's place: the value at an angle goes to its negative.
Cut mirrored(const Cut&);
/// Each value the mean of those up to `reach_deg` beside it [0, 90], of the power and not of the dB.
Cut smoothed(const Cut&, int reach_deg);
/// Both sides of the front the same: their mean in dB.
Cut symmetric(const Cut&);
/// All cuts lowered by their common highest value, so that the peak is at 0 dB.
PatternCuts with_peak_at_0(PatternCuts);

/// Any lobe as its two cuts, for changing by hand.
PatternCuts cuts_of(const Lobe&, double frequency_mhz);

/// Both cuts bent within 30 degrees of the back, so that they agree there on a value [dB].
PatternCuts with_back_at(PatternCuts, double value_db);

}  // namespace yemvo
