// SPDX-License-Identifier: GPL-3.0-or-later
#include "wireless/frame_time.h"

#include <algorithm>
#include <cmath>

#include "base/error.h"

namespace yemvo {
namespace {

constexpr double ofdm_rates_mbps[] = {6, 9, 12, 18, 24, 36, 48, 54};
constexpr double dsss_rates_mbps[] = {1, 2, 5.5, 11};
constexpr double service_bits = 16, tail_bits = 6;

[[noreturn]] void no_such_rate(double rate_mbps) {
    throw Error(say("no basic frame is sent at %1 Mbit/s", said_figure(rate_mbps, 1)), {},
                say("Use 1, 2, 5.5, 11, 6, 9, 12, 18, 24, 36, 48 or 54"));
}

bool is_dsss(double rate_mbps) {
    return std::any_of(std::begin(dsss_rates_mbps), std::end(dsss_rates_mbps),
                       [&](double r) { return r == rate_mbps; });
}

/// Long training fields by streams, 1 to 8.
int training_fields(int streams) {
    static constexpr int fields[] = {1, 2, 4, 4, 6, 6, 8, 8};
    return fields[std::clamp(streams, 1, 8) - 1];
}

double extension_us(BandId band) { return band == band_24 ? 6 : 0; }

/// HT and VHT are counted with the tail of one convolutional encoder, later ones with LDPC.
double tail_of(Standard s) { return s < Standard::ax ? tail_bits : 0; }

}  // namespace

double sifs_us(BandId band) { return band == band_24 ? 10 : 16; }

double ofdm_frame_us(double bytes, double rate_mbps, BandId band) {
    if (std::none_of(std::begin(ofdm_rates_mbps), std::end(ofdm_rates_mbps),
                     [&](double r) { return r == rate_mbps; }))
        no_such_rate(rate_mbps);
    return 20 + 4 * std::ceil((service_bits + tail_bits + 8 * bytes) / (4 * rate_mbps)) + extension_us(band);
}

double dsss_frame_us(double bytes, double rate_mbps) {
    if (!is_dsss(rate_mbps)) no_such_rate(rate_mbps);
    return 192 + std::ceil(8 * bytes / rate_mbps);
}

double basic_frame_us(double bytes, double rate_mbps, BandId band) {
    return is_dsss(rate_mbps) ? dsss_frame_us(bytes, rate_mbps) : ofdm_frame_us(bytes, rate_mbps, band);
}

double basic_rate_in(BandId band, double lowest_mbps) {
    if (band == band_24 || !is_dsss(lowest_mbps)) return lowest_mbps;
    return lowest_mbps > 9 ? 12 : 6;
}

double preamble_us(const FrameForm& form, BandId band) {
    const int fields = training_fields(form.streams);
    switch (form.standard) {
        case Standard::n:
            return 20 + 8 + 4 + 4 * fields + extension_us(band);
        case Standard::ac:
            return 20 + 8 + 4 + 4 * fields + 4 + extension_us(band);
        case Standard::ax:
        case Standard::be: {
            const double field_us = form.guard_us > 3 ? 12.8 + form.guard_us : 6.4 + form.guard_us;
            // L-preamble, RL-SIG, then HE-SIG-A, or U-SIG and EHT-SIG of a symbol; the short training field
            const double signal_us = form.standard == Standard::ax ? 4 + 8 : 4 + 8 + 4;
            return 20 + signal_us + 4 + fields * field_us + extension_us(band);
        }
    }
    return 0;
}

double symbol_us(const FrameForm& form) {
    return (form.standard < Standard::ax ? 3.2 : 12.8) + form.guard_us;
}

double bits_per_symbol(const FrameForm& form) {
    const auto rate = phy_rate_mbps(form.standard, form.width_mhz, form.streams, form.mcs, form.guard_us);
    if (!rate)
        throw Error(say("802.11%1 has no MCS %2 at %3 MHz with %4 streams and a guard interval of %5 us",
                        std::string(standard_name(form.standard)), form.mcs, form.width_mhz, form.streams,
                        said_figure(form.guard_us, 1)));
    // whole bits go into a symbol; a rate of the standard may stand for a fraction of one
    return std::floor(*rate * symbol_us(form) + 1e-6);
}

double ppdu_us(const FrameForm& form, double psdu_bytes, BandId band) {
    const double symbols =
        std::ceil((service_bits + tail_of(form.standard) + 8 * psdu_bytes) / bits_per_symbol(form) - 1e-9);
    double data_us = symbols * symbol_us(form);
    // with the short guard interval the data end on a 4 us symbol (802.11-2020 19.4.3, 21.4.3)
    if (form.guard_us < 0.8) data_us = 4 * std::ceil(data_us / 4 - 1e-9);
    return preamble_us(form, band) + data_us;
}

int mpdu_bytes(int msdu_bytes) { return msdu_bytes + 26 + 8 + 16 + 4; }
int subframe_bytes(int msdu_bytes) { return 4 + (mpdu_bytes(msdu_bytes) + 3) / 4 * 4; }

double longest_ampdu_bytes(Standard standard) {
    static constexpr double bytes[] = {65'535, 1'048'575, 6'500'631, 15'523'200};
    return bytes[static_cast<std::size_t>(standard)];
}

int block_ack_window(Standard standard) {
    static constexpr int subframes[] = {64, 64, 256, 1024};
    return subframes[static_cast<std::size_t>(standard)];
}

int most_mpdus(const FrameForm& form, int msdu_bytes, double longest_bytes, int window, BandId band) {
    const double each = subframe_bytes(msdu_bytes);
    const double symbols = std::floor((longest_ppdu_us - preamble_us(form, band)) / symbol_us(form) + 1e-9);
    const double bits = symbols * bits_per_symbol(form) - service_bits - tail_of(form.standard);
    const double most = std::min({bits / (8 * each), longest_bytes / each, static_cast<double>(window)});
    return std::max(1, static_cast<int>(most));
}

double control_rate_mbps(int mcs) {
    if (mcs <= 0) return 6;
    return mcs <= 2 ? 12 : 24;
}

double beacon_share(double bytes, double rate_mbps, int networks, int access_points, BandId band,
                    double interval_tu, bool contention) {
    // stations of 802.11b count in longer slots (802.11-2020 table 15-5)
    const double slot = is_dsss(rate_mbps) ? 20 : slot_us;
    const double around_us = contention ? sifs_us(band) + 2 * slot + 7.5 * slot : 0;
    return networks * access_points * (basic_frame_us(bytes, rate_mbps, band) + around_us) /
           (interval_tu * 1024);
}

}  // namespace yemvo
