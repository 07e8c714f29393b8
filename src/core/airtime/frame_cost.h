// SPDX-License-Identifier: GPL-3.0-or-later
// What one transmission opportunity costs, by the MPDUs in it.
#pragma once
#include "airtime/backoff.h"
#include "wireless/frame_time.h"

namespace yemvo {

/// How data goes out to one receiver.
struct FrameWish {
    FrameForm form;
    BandId band = band_5;
    int msdu_bytes = 1500;
    bool aggregates = true;    ///< several MPDUs in a PPDU, answered by a BlockAck
    bool protects = false;     ///< RTS and CTS go before
    double longest_bytes = 0;  ///< of an A-MPDU; 0: as the standard allows
    int window = 0;            ///< of the BlockAck; 0: the standard's
};

/// A PPDU of n MPDUs lasts `preamble + symbols(n)`; n may be a mean, then the time is one between those of
/// the whole numbers around.
struct FrameCost {
    double preamble_us = 0, symbol_us = 13.6, bits_per_symbol = 1000, extra_bits = 16;
    double one_bytes = 0;   ///< PSDU of a single MPDU
    double each_bytes = 0;  ///< of each of several
    double answer_us = 0;   ///< after the PPDU and, where protected, before it; spaces counted
    double rts_us = 0;      ///< 0: not protected
    double most = 1;        ///< MPDUs that one PPDU takes

    double ppdu_us(double mpdus) const;
    double txop_us(double mpdus) const { return ppdu_us(mpdus) + answer_us; }
    /// What is lost where a try collides.
    double risk_us(double mpdus) const { return rts_us > 0 ? rts_us : ppdu_us(mpdus); }
    friend bool operator==(const FrameCost&, const FrameCost&) = default;
};

/// Throws Error for a form that the standard does not allow.
FrameCost frame_cost(const FrameWish&);

/// Frames of which a share goes out as `a` and the others as `b`.
FrameCost mixed(const FrameCost& a, const FrameCost& b, double share_a);

}  // namespace yemvo
