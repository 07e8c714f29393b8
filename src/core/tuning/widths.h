// SPDX-License-Identifier: GPL-3.0-or-later
// What each width of each band would do here: clear channels, rate, noise, who is heard, and what of the
// demand is carried when all radios of the band are so wide and retuned.
#pragma once
#include <functional>
#include <optional>
#include <vector>

#include "tuning/retune.h"

namespace yemvo {

struct PlaceAtWidth {
    FloorId floor;
    ZoneId zone;  ///< or
    DeviceRowId row;
    double clients = 0, satisfied = 1;  ///< mean over the busy hours; share of clients
    double carried_mbps = 0, could_get_mbps = 0;
};

struct WidthFigures {
    BandId band;
    int width_mhz = 20;
    int radios = 0;                      ///< of the band that are on
    int narrower = 0;                    ///< of them stay narrower: their model or the country knows no more
    int clear = 0;                       ///< channels beside each other that the country frees indoors
    int clear_dfs = 0;                   ///< of them share with radar
    double noise_db = 0;                 ///< over 20 MHz
    double most_gain = 1;                ///< of the rate over 20 MHz, close by: by the carriers alone
    std::optional<double> gain;          ///< the same for the clients of the band where they stand
    double heard = 0;                    ///< others on a radio's spectrum that it hears, neighbours too; mean
    double lost = 0;                     ///< share of its time that a radio loses to them, mean by demand
    std::optional<double> can_use;       ///< share of the demand whose clients know the width
    std::optional<double> carried_mbps;  ///< down and up, mean over the busy hours
    std::optional<double> satisfied;     ///< share of clients
    std::optional<double> could_get_mbps;  ///< if all asked alike for more
    bool now = false;                      ///< the most common width of the band today
    bool best = false;                     ///< carries most of the demand; of equals leaves most room
    std::vector<PlaceAtWidth> places;
};

/// A zone or row of devices that another width of a band would serve better than that which is best for all.
struct OtherwiseThere {
    FloorId floor;
    ZoneId zone;
    DeviceRowId row;
    BandId band;
    int width_mhz;
    double satisfied, satisfied_at_best;  ///< shares of its clients
};

struct WidthStudy {
    std::vector<WidthFigures> rows;  ///< by band and width, of bands that have radios
    std::vector<OtherwiseThere> otherwise;
    const WidthFigures* find(BandId, int width_mhz) const;
};

/// Channels beside each other of a width that a country frees indoors, and how many of them share with radar.
struct ClearChannels {
    int all = 0, dfs = 0;
};
ClearChannels clear_channels(const std::string& country, BandId, int width_mhz);

/// `capacity` may be null: then nothing is told of demand. `seconds`: for each retuning at most. `progress`
/// is told the share that is done. Throws Cancelled.
WidthStudy study_widths(const Project&, const Scene&, const SiteHearing&, const SiteCapacity* capacity,
                        double seconds = 3, const CancelToken& = {},
                        const std::function<void(double)>& progress = {});

}  // namespace yemvo
