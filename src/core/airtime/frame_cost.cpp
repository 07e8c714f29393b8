// SPDX-License-Identifier: GPL-3.0-or-later
#include "airtime/frame_cost.h"

#include <algorithm>
#include <cmath>

namespace yemvo {
namespace {

constexpr int ack_bytes = 14, rts_bytes = 20, cts_bytes = 14;

int block_ack_bytes(int window) { return window <= 64 ? 32 : 56; }

}  // namespace

double FrameCost::ppdu_us(double mpdus) const {
    const auto whole = [&](double n) {
        const double bytes = n <= 1 ? one_bytes : n * each_bytes;
        return preamble_us + std::ceil((extra_bits + 8 * bytes) / bits_per_symbol - 1e-9) * symbol_us;
    };
    const double low = std::floor(mpdus);
    const double below_us = whole(low);
    return mpdus - low < 1e-9 ? below_us : below_us + (mpdus - low) * (whole(low + 1) - below_us);
}

FrameCost frame_cost(const FrameWish& wish) {
    const FrameForm& form = wish.form;
    const double space_us = sifs_us(wish.band), control_mbps = control_rate_mbps(form.mcs);
    const auto control_us = [&](int bytes) { return ofdm_frame_us(bytes, control_mbps, wish.band); };
    const int window = wish.window > 0 ? wish.window : block_ack_window(form.standard);
    FrameCost c;
    c.preamble_us = preamble_us(form, wish.band);
    c.symbol_us = symbol_us(form);
    c.bits_per_symbol = bits_per_symbol(form);
    c.extra_bits = form.standard < Standard::ax ? 22 : 16;
    c.each_bytes = subframe_bytes(wish.msdu_bytes);
    c.one_bytes = wish.aggregates ? c.each_bytes : mpdu_bytes(wish.msdu_bytes);
    c.answer_us = space_us + control_us(wish.aggregates ? block_ack_bytes(window) : ack_bytes);
    if (wish.protects) {
        c.rts_us = control_us(rts_bytes);
        c.answer_us += c.rts_us + control_us(cts_bytes) + 2 * space_us;
    }
    if (wish.aggregates) {
        const double longest =
            wish.longest_bytes > 0 ? wish.longest_bytes : longest_ampdu_bytes(form.standard);
        c.most = most_mpdus(form, wish.msdu_bytes, longest, window, wish.band);
    }
    return c;
}

FrameCost mixed(const FrameCost& a, const FrameCost& b, double share_a) {
    const auto mean = [&](double of_a, double of_b) { return share_a * of_a + (1 - share_a) * of_b; };
    FrameCost c = a;
    c.preamble_us = mean(a.preamble_us, b.preamble_us);
    c.bits_per_symbol = mean(a.bits_per_symbol, b.bits_per_symbol);
    c.answer_us = mean(a.answer_us, b.answer_us);
    c.most = mean(a.most, b.most);
    return c;
}

}  // namespace yemvo
