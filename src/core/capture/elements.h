// SPDX-License-Identifier: GPL-3.0-or-later
// What the elements of a management frame say of a radio or a client.
// Source: IEEE 802.11-2020 clause 9.4.2, IEEE 802.11ax (HE), IEEE 802.11be (EHT); radio frames are
// little-endian.
#pragma once
#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <vector>

#include "wireless/channel.h"

namespace yemvo {

using FrameBytes = std::span<const std::uint8_t>;

/// Secondary channel of a 40 MHz channel.
enum class Secondary { none, above, below };

/// What a device can do, from its capability elements.
struct Abilities {
    bool ht = false, vht = false, he = false, eht = false;
    int streams = 1;          ///< that it receives
    int widest_24_mhz = 20;   ///< at 2.4 GHz
    int widest_5_mhz = 20;    ///< at 5 and 6 GHz
    bool refuses_40 = false;  ///< asks that nobody goes 40 MHz wide at 2.4 GHz
    int vht_most_mcs = -1, he_most_mcs = -1;
    /// "be", "ax", "ac", "n", "g"
    const char* standard() const;
};

/// What a neighbour report says of another radio, mostly of the same device at 6 GHz.
struct ReportedRadio {
    int operating_class = 0, channel = 0;
    std::optional<std::uint64_t> bssid;
    bool same_device = false;
    std::optional<double> density_dbm_per_mhz;
};

struct Elements {
    std::optional<std::string> ssid;      ///< its bytes; absent: the frame has none
    bool hidden = false;                  ///< the name is empty or all zeros
    std::vector<std::string> more_ssids;  ///< of a set of networks in one beacon
    double lowest_basic_mbps = 0;         ///< 0: not told
    int primary = 0;                      ///< 0: not told
    Secondary secondary = Secondary::none;
    std::string country;
    std::optional<int> stations;
    std::optional<double> utilisation;  ///< [0, 1]
    std::optional<int> transmit_dbm;    ///< by its report
    Abilities can;
    std::optional<int> colour;  ///< of its BSS
    std::vector<ReportedRadio> reported;

    // as the operation elements say it; combined by operating_channel()
    std::optional<int> vht_width, vht_segment_0, vht_segment_1;
    struct HeAt6 {
        int primary, width, segment_0, segment_1, lowest_mbps;
    };
    std::optional<HeAt6> he_6;
    struct Eht {
        int width, segment_0, segment_1;  ///< width: 0 to 4 for 20 to 320 MHz
    };
    std::optional<Eht> eht;
    bool cut = false;  ///< an element is longer than the frame: what came before it holds
};

/// Reads as far as it can; never throws.
Elements read_elements(FrameBytes);

/// The channel and primary that the elements say, in the band of the frequency on which the frame was heard;
/// none where they say no channel that there is. `tuned_mhz`: 0: not known, then 2.4 GHz up to channel 14,
/// else 5 GHz.
struct OperatingChannel {
    Channel channel;
    int primary;
};
std::optional<OperatingChannel> operating_channel(const Elements&, double tuned_mhz);

/// The 20 MHz channel on a frequency; none where there is none.
std::optional<Channel> channel_on(double mhz);

}  // namespace yemvo
