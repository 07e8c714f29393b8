// SPDX-License-Identifier: GPL-3.0-or-later
// How long frames last on the air, microseconds.
// Sources: IEEE 802.11-2020 17.4 (OFDM), 15 and 16 (DSSS), 19.4, 21.4, IEEE 802.11ax 27.4 and 802.11be 36.4
// (TXTIME); 802.11-2020 9.7 (A-MPDU), 10.3 (spaces).
#pragma once
#include "wireless/band.h"
#include "wireless/rates.h"

namespace yemvo {

inline constexpr double slot_us = 9;
inline constexpr double longest_ppdu_us = 5484;
double sifs_us(BandId);

/// The rate at which a network's basic frames go out in a band: its lowest, or where the band has no DSSS the
/// next of OFDM.
double basic_rate_in(BandId, double lowest_mbps);

/// A PPDU's form.
struct FrameForm {
    Standard standard = Standard::ax;
    int width_mhz = 20, streams = 1, mcs = 0;
    double guard_us = 0.8;
    friend bool operator==(const FrameForm&, const FrameForm&) = default;
};

/// Of non-HT OFDM: rate 6, 9, 12, 18, 24, 36, 48 or 54 Mbit/s. Throws Error for another.
double ofdm_frame_us(double bytes, double rate_mbps, BandId);
/// Of DSSS and CCK with the long preamble: 1, 2, 5.5 or 11 Mbit/s. Throws Error for another.
double dsss_frame_us(double bytes, double rate_mbps);
/// One or the other by its rate, as beacons are sent. Throws Error for a rate of neither.
double basic_frame_us(double bytes, double rate_mbps, BandId);

/// What a PPDU takes besides its data: preamble and signal fields, at 2.4 GHz the signal extension.
double preamble_us(const FrameForm&, BandId = band_5);
/// A symbol with its guard interval, and the data bits that it carries. Throws Error for a form that the
/// standard does not allow.
double symbol_us(const FrameForm&);
double bits_per_symbol(const FrameForm&);
/// A PPDU with a PSDU of so many octets, without packet extension. Throws as bits_per_symbol does.
double ppdu_us(const FrameForm&, double psdu_bytes, BandId = band_5);

/// MPDU of an MSDU: QoS header 26, LLC 8, CCMP 16, FCS 4.
int mpdu_bytes(int msdu_bytes);
/// The same as a part of an A-MPDU: delimiter 4, padded to 4.
int subframe_bytes(int msdu_bytes);
/// Octets and subframes that an A-MPDU holds at most. 802.11be's and 802.11ax's octets are of their drafts.
double longest_ampdu_bytes(Standard);
int block_ack_window(Standard);
/// MPDUs that one PPDU takes: by its length in time, the A-MPDU's octets and the window; at least 1.
int most_mpdus(const FrameForm&, int msdu_bytes, double longest_bytes, int window, BandId = band_5);

/// The control rate that answers a data MCS: the highest of 6, 12 and 24 Mbit/s not above its non-HT
/// reference rate (802.11-2020 10.6.6.5.2).
double control_rate_mbps(int mcs);

/// Share of the air that beacons take: `networks` of each of `access_points` in hearing, every `interval_tu`
/// of 1024 us; with the space before and the mean backoff after each where `contention`. May exceed 1.
double beacon_share(double bytes, double rate_mbps, int networks, int access_points, BandId,
                    double interval_tu = 100, bool contention = true);

}  // namespace yemvo
