// SPDX-License-Identifier: GPL-3.0-or-later
#include "wireless/rates.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <tuple>

namespace yemvo {
namespace {

/// The SNR is that of a convolutional code (K = 7, soft decisions, union bound) in thermal noise for 10 %
/// lost packets of 1000 octets, and 3 dB for the radio, rounded up: a planning figure, uncertain by about 3
/// dB.
const std::vector<Mcs>& all_mcs() {
    static const std::vector<Mcs> list{
        {0, "BPSK", 1, 1, 2, 5},        {1, "QPSK", 2, 1, 2, 8},        {2, "QPSK", 2, 3, 4, 10},
        {3, "16-QAM", 4, 1, 2, 15},     {4, "16-QAM", 4, 3, 4, 17},     {5, "64-QAM", 6, 2, 3, 22},
        {6, "64-QAM", 6, 3, 4, 24},     {7, "64-QAM", 6, 5, 6, 25},     {8, "256-QAM", 8, 3, 4, 30},
        {9, "256-QAM", 8, 5, 6, 31},    {10, "1024-QAM", 10, 3, 4, 36}, {11, "1024-QAM", 10, 5, 6, 37},
        {12, "4096-QAM", 12, 3, 4, 42}, {13, "4096-QAM", 12, 5, 6, 43},
    };
    return list;
}

struct Phy {
    std::string_view name;
    int last_mcs;
    int streams;
    double symbol_us;  ///< T_DFT
    std::vector<double> guards_us;
    std::vector<std::pair<int, int>> data_carriers;  ///< width [MHz], N_SD
};

const Phy& phy(Standard s) {
    static const std::array<Phy, 4> list{{
        {"n", 7, 4, 3.2, {0.4, 0.8}, {{20, 52}, {40, 108}}},
        {"ac", 9, 8, 3.2, {0.4, 0.8}, {{20, 52}, {40, 108}, {80, 234}, {160, 468}}},
        {"ax", 11, 8, 12.8, {0.8, 1.6, 3.2}, {{20, 234}, {40, 468}, {80, 980}, {160, 1960}}},
        {"be", 13, 8, 12.8, {0.8, 1.6, 3.2}, {{20, 234}, {40, 468}, {80, 980}, {160, 1960}, {320, 3920}}},
    }};
    return list[static_cast<std::size_t>(s)];
}

// 802.11-2020 21.5: left out where a symbol's coded bits do not divide among the encoders.
bool left_out_by_vht(int width_mhz, int streams, int mcs) {
    if (width_mhz == 20) return mcs == 9 && streams != 3 && streams != 6;
    if (width_mhz == 80) return (mcs == 6 && (streams == 3 || streams == 7)) || (mcs == 9 && streams == 6);
    if (width_mhz == 160) return mcs == 9 && streams == 3;
    return false;
}

}  // namespace

std::optional<Standard> find_standard(std::string_view name) {
    for (Standard s : {Standard::n, Standard::ac, Standard::ax, Standard::be})
        if (standard_name(s) == name) return s;
    return std::nullopt;
}

std::string_view standard_name(Standard s) { return phy(s).name; }

std::vector<Mcs> mcs_list(Standard s) {
    const auto& all = all_mcs();
    return {all.begin(), all.begin() + phy(s).last_mcs + 1};
}

std::vector<int> widths_mhz(Standard s) {
    std::vector<int> widths;
    for (const auto& [width, carriers] : phy(s).data_carriers) widths.push_back(width);
    return widths;
}

std::vector<double> guards_us(Standard s) { return phy(s).guards_us; }
int most_streams(Standard s) { return phy(s).streams; }

std::optional<double> phy_rate_mbps(Standard s, int width_mhz, int streams, int mcs, double guard_us) {
    const Phy& p = phy(s);
    const auto width = std::find_if(p.data_carriers.begin(), p.data_carriers.end(),
                                    [&](const auto& entry) { return entry.first == width_mhz; });
    const bool guard_known = std::any_of(p.guards_us.begin(), p.guards_us.end(),
                                         [&](double g) { return std::abs(g - guard_us) < 1e-9; });
    if (width == p.data_carriers.end() || !guard_known) return std::nullopt;
    if (streams < 1 || streams > p.streams || mcs < 0 || mcs > p.last_mcs) return std::nullopt;
    if (s == Standard::ac && left_out_by_vht(width_mhz, streams, mcs)) return std::nullopt;
    const Mcs& m = all_mcs()[static_cast<std::size_t>(mcs)];
    return width->second * m.bits_per_carrier * m.code_rate() * streams / (p.symbol_us + guard_us);
}

std::vector<RateForm> forms_with_rate(double mbps) {
    const bool whole = mbps == std::round(mbps);
    const auto is_seen = [&](double rate) {
        // some round, some cut off
        const double unit = whole ? 1 : 0.1;
        return std::abs(rate - mbps) <= unit / 2 + 1e-9 ||
               std::abs(std::floor(rate / unit + 1e-9) * unit - mbps) < 1e-6;
    };
    std::vector<RateForm> out;
    if (!(mbps > 0)) return out;
    for (Standard s : {Standard::n, Standard::ac, Standard::ax, Standard::be})
        for (int width : widths_mhz(s))
            for (int streams = 1; streams <= most_streams(s); ++streams)
                for (const Mcs& mcs : mcs_list(s))
                    for (double guard : guards_us(s))
                        if (const auto rate = phy_rate_mbps(s, width, streams, mcs.index, guard);
                            rate && is_seen(*rate))
                            out.push_back({s, width, streams, mcs.index, guard, *rate});
    std::ranges::stable_sort(
        out, {}, [](const RateForm& f) { return std::tuple(f.width_mhz, f.streams, f.standard, f.mcs); });
    return out;
}

}  // namespace yemvo
