// SPDX-License-Identifier: GPL-3.0-or-later
#include "gear/client.h"

#include <algorithm>
#include <cmath>

#include "wireless/link_budget.h"
#include "wireless/rates.h"

namespace yemvo {
namespace {

/// The newest that both know in a band: 802.11ac is a 5 GHz standard, and 6 GHz begins with 802.11ax.
std::optional<Standard> common_standard(Standard a, Standard b, BandId band) {
    Standard s = std::min(a, b);
    if (band == band_24 && s == Standard::ac) s = Standard::n;
    if (band == band_6 && s < Standard::ax) return std::nullopt;
    return s;
}

/// More SNR that several streams need, 3 dB a doubling: each gets its share of the power.
double for_streams_db(int streams) { return 3 * std::log2(streams); }

}  // namespace

int ClientProfile::widest(BandId id) const {
    for (const auto& [band, width] : widest_mhz)
        if (band == id) return width;
    return 0;
}

double ClientProfile::power_in_dbm(BandId id) const {
    for (const auto& [band, own] : own_power_dbm)
        if (band == id) return own;
    return power_dbm;
}

RateLadder::RateLadder(const RadioAbility& radio, const Channel& channel, const ClientProfile& client,
                       double noise_figure_db) {
    const auto own = radio.standard, its = find_standard(client.standard);
    const int widest = std::min(channel.width_mhz, client.widest(radio.band));
    if (!own || !its || widest <= 0) return;
    const auto standard = common_standard(*own, *its, radio.band);
    if (!standard) return;
    constexpr double guard_us = 0.8;
    const int streams = std::min({radio.streams, client.streams, most_streams(*standard)});
    std::vector<Step> all;
    for (int width : widths_mhz(*standard)) {
        if (width > widest) continue;
        for (const Mcs& mcs : mcs_list(*standard))
            for (int n = 1; n <= streams; ++n)
                if (const auto mbps = phy_rate_mbps(*standard, width, n, mcs.index, guard_us))
                    all.push_back({noise_dbm(width, noise_figure_db) + mcs.plan_snr_db + for_streams_db(n),
                                   *mbps,
                                   {*standard, width, n, mcs.index, guard_us}});
    }
    std::sort(all.begin(), all.end(), [](const Step& a, const Step& b) {
        return a.received_dbm != b.received_dbm ? a.received_dbm < b.received_dbm : a.mbps > b.mbps;
    });
    for (const Step& s : all)
        if (steps_.empty() || s.mbps > steps_.back().mbps) steps_.push_back(s);
}

const RateLadder::Step* RateLadder::step(double received_dbm) const {
    const auto above = std::upper_bound(steps_.begin(), steps_.end(), received_dbm,
                                        [](double dbm, const Step& s) { return dbm < s.received_dbm; });
    return above == steps_.begin() ? nullptr : &*(above - 1);
}

double RateLadder::rate_mbps(double received_dbm) const {
    const Step* s = step(received_dbm);
    return s ? s->mbps : 0;
}

}  // namespace yemvo
