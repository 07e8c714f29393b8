// SPDX-License-Identifier: GPL-3.0-or-later
// One captured frame: what the receiver noted of it, and what its header and elements say.
// Source: IEEE 802.11-2020 clause 9.2 to 9.4; the radiotap header (radiotap.org).
#pragma once
#include "capture/elements.h"

namespace yemvo {

/// Link types of capture files that carry such frames.
inline constexpr int link_bare = 105, link_radiotap = 127, link_packet_information = 192;

enum class FrameKind { beacon, probe_response, probe_request, association_request, data, other };

struct HeardFrame {
    FrameKind kind = FrameKind::other;
    double mhz = 0;  ///< that the receiver was tuned to; 0: not noted
    std::optional<double> signal_dbm;
    double rate_mbps = 0;  ///< 0: not noted
    bool again = false;    ///< a retry
    bool from_network = false, to_network = false;
    std::uint64_t receiver = 0, transmitter = 0, bssid = 0;
    bool privacy = false;
    int interval_tu = 0;  ///< of beacons
    std::size_t bytes = 0;
    Elements elements;  ///< of management frames
};

/// What is wrong with a frame that gives nothing.
enum class FrameFault { none, other_link, short_header, bad_checksum, not_80211 };

/// `fault` says why there is none. Never throws.
std::optional<HeardFrame> read_frame(int link_type, FrameBytes, FrameFault& fault);

/// "02:1e:5a:07:10:24"
std::string address_text(std::uint64_t);

}  // namespace yemvo
