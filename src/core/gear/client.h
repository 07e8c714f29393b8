// SPDX-License-Identifier: GPL-3.0-or-later
// Client profiles: kinds of devices that people carry, as far as a link is concerned.
#pragma once
#include <optional>
#include <string>
#include <vector>

#include "gear/model.h"
#include "wireless/channel.h"
#include "wireless/frame_time.h"
#include "wireless/rates.h"

namespace yemvo {

struct ClientProfile {
    std::string key;   ///< stable word: "tablet"
    std::string name;  ///< "Tablet, 2 chains"
    std::string standard = "ax";
    int streams = 2;
    std::vector<std::pair<BandId, int>> widest_mhz;  ///< of each band that it knows
    double power_dbm = 14;                           ///< conducted, all chains together
    double noise_figure_db = 7;
    std::vector<std::pair<BandId, double>> own_power_dbm = {};  ///< of bands where it is another
    double gain_dbi = 0;                                        ///< of its antennas, whatever the direction
    bool refuses_40_at_24 = false;  ///< no 40 MHz at 2.4 GHz while it is there (802.11-2020 9.4.2.55, bit 14)
    double leaves_dbm = -75;        ///< it looks for another access point below this
    bool prefers_higher = true;     ///< the highest band that it hears well enough, else the strongest signal
    double well_enough_dbm = -67;
    int widest(BandId) const;  ///< 0: it does not know the band
    double power_in_dbm(BandId) const;
    friend bool operator==(const ClientProfile&, const ClientProfile&) = default;
};

/// The access point's end of a link, as far as rates go.
struct RadioAbility {
    std::optional<Standard> standard;  ///< none: no rate is known
    BandId band;
    int streams = 2;
};

/// The PHY rate that a link can hold, by its signal: the newest standard that both know and the band allows,
/// as many streams as both have, the best width up to the narrower of both.
class RateLadder {
public:
    /// `noise_figure_db`: of the receiver.
    RateLadder(const RadioAbility&, const Channel&, const ClientProfile&, double noise_figure_db);
    /// [Mbit/s] at the guard interval of 0.8 us; 0 where no rate holds, or nothing is common to both.
    double rate_mbps(double received_dbm) const;
    double least_dbm() const { return steps_.empty() ? 0 : steps_.front().received_dbm; }
    /// A form of frames and the level from which it holds.
    struct Step {
        double received_dbm, mbps;
        FrameForm form;
    };
    /// Null where no rate holds.
    const Step* step(double received_dbm) const;
    const std::vector<Step>& steps() const { return steps_; }

private:
    std::vector<Step> steps_;  ///< rising in level and rate
};

}  // namespace yemvo
