// SPDX-License-Identifier: GPL-3.0-or-later
// Channels: numbering, centre frequencies, and which narrow channels a wide one is made of.
// Source: IEEE 802.11-2020 Annex E (2.4 and 5 GHz), IEEE 802.11ax and 802.11be (6 GHz, 320 MHz).
#pragma once
#include <compare>
#include <string>
#include <vector>

#include "base/error.h"
#include "wireless/band.h"

namespace yemvo {

/// A channel as the standard names it: the band, the number of its centre, its width.
struct Channel {
    BandId band = band_5;
    int number = 36;  ///< of the centre; centre_mhz = band.start_mhz + 5 number, but for 2.4 GHz 14, 6 GHz 2
    int width_mhz = 20;  ///< 20, 40, 80, 160 or 320
    friend auto operator<=>(const Channel&, const Channel&) = default;
};

class InvalidChannel : public Error {
public:
    using Error::Error;
};

/// All widths that any band knows [MHz], narrow to wide.
const std::vector<int>& channel_widths_mhz();

/// Every channel of a band at a width, upwards; empty where the band does not know the width.
std::vector<Channel> channels(BandId, int width_mhz);

bool is_valid(const Channel&);

/// Centre frequency [MHz]. Throws InvalidChannel for a number that the band does not have at this width.
double centre_mhz(const Channel&);

/// Numbers of the 20 MHz channels inside, upwards; any of them may be the primary one.
/// At 2.4 GHz a 40 MHz channel has the two that can be its primary.
/// Throws InvalidChannel as centre_mhz does.
std::vector<int> primaries(const Channel&);

/// The channels of this width that contain the 20 MHz channel `primary`, upwards (2.4 GHz and 320 MHz can
/// have two).
std::vector<Channel> channels_around(BandId, int primary, int width_mhz);

/// "44 / 40 MHz": as written in sentences, the primary and the width.
std::string channel_text(int primary, int width_mhz);
/// "44 / 40": the same where it is clear what it is, as on a plan.
std::string short_channel_text(int primary, int width_mhz);

}  // namespace yemvo
