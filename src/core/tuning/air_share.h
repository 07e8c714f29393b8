// SPDX-License-Identifier: GPL-3.0-or-later
// How much of its air a radio loses to another: by the spectrum that they share, and by how well it is heard.
#pragma once
#include "airtime/fall_back.h"

namespace yemvo {

/// How two radios on overlapping spectrum meet.
enum class Sharing {
    apart,     ///< nothing to speak of
    shared,    ///< they hear each other's frames and take turns
    narrowed,  ///< the wide one goes out narrower while the other sends beside its primary
    partly     ///< they overlap without lying on each other: neither waits, both are disturbed
};
Sharing sharing(const Channel& own, int own_primary, const Channel& other, int other_primary);

/// Share [0, 1] of the time that `other` sends which `own` loses: all of it where they take turns, the part
/// of the width that it goes without where it is narrowed, the part of the power that gets in where they
/// overlap partly. A planning figure.
double air_share(const Channel& own, int own_primary, const Channel& other, int other_primary);

/// How surely a radio is heard [0, 1] whose predicted level lies so far above the level from which one counts
/// as heard: half there, all of it 5 dB above, none 5 dB below. Predictions are off by a few dB; a step would
/// make a plan hang on a tenth. A planning figure.
double heard_share(double above_db);

}  // namespace yemvo
