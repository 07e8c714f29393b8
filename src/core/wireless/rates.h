// SPDX-License-Identifier: GPL-3.0-or-later
// PHY rates from the standards' parameters.
// Sources: IEEE 802.11-2020 clauses 19 (n, HT) and 21 (ac, VHT), IEEE 802.11ax clause 27 (HE), 802.11be
// clause 36 (EHT). R = N_SD * N_BPSCS * R_c * N_SS / (T_DFT + T_GI).
#pragma once
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace yemvo {

enum class Standard { n, ac, ax, be };

std::optional<Standard> find_standard(std::string_view name);
std::string_view standard_name(Standard);

/// A modulation and coding scheme; HT counts its index on per stream (8 (N_SS - 1) + mcs), here it is 0 to 7.
struct Mcs {
    int index;
    std::string modulation;  ///< "BPSK" ... "4096-QAM"
    int bits_per_carrier;    ///< N_BPSCS
    int code_num, code_den;  ///< R_c
    double plan_snr_db;      ///< one stream: what plans should count on, see rates.cpp
    double code_rate() const { return static_cast<double>(code_num) / code_den; }
    std::string code_text() const { return std::to_string(code_num) + "/" + std::to_string(code_den); }
};

/// MCS 0 upwards that a standard knows.
std::vector<Mcs> mcs_list(Standard);

/// Widths [MHz] that a standard knows.
std::vector<int> widths_mhz(Standard);
/// Guard intervals [us] that a standard knows.
std::vector<double> guards_us(Standard);
int most_streams(Standard);

/// Rate [Mbit/s]; none for a combination that the standard does not allow (a width, guard interval or number
/// of streams it does not know, and for VHT the few that clause 21.5 leaves out).
std::optional<double> phy_rate_mbps(Standard, int width_mhz, int streams, int mcs, double guard_us);

/// How a device sends that shows a rate.
struct RateForm {
    Standard standard;
    int width_mhz, streams, mcs;
    double guard_us;
    double mbps;
};
/// All forms whose rate is the one seen, rounded as devices show it: to a tenth, or to whole Mbit/s. By
/// width, streams, standard. Nothing where no form has it.
std::vector<RateForm> forms_with_rate(double mbps);

}  // namespace yemvo
