// SPDX-License-Identifier: GPL-3.0-or-later
// What costs most: which types take how many dB over how much of an area.
#pragma once
#include <vector>

#include "base/progress.h"
#include "coverage/site_prediction.h"

namespace yemvo {

struct CostRow {
    WallTypeId type;
    double mean_db;  ///< where it is in the way
    double area_m2;  ///< on which it is in the way of the serving radio
    double total() const { return mean_db * area_m2; }
};

struct Costs {
    double area_m2 = 0;         ///< looked at
    double mean_way_db = 0;     ///< that all things in the way take, over that area
    std::vector<CostRow> rows;  ///< by dB times area, the largest first
};

/// Over the cells that are wanted (by Surface::index) and served in the band; each link from the serving
/// radio is walked, at most `most_links` of them, evenly chosen. Throws Cancelled.
Costs what_costs(const Project&, const FloorPrediction&, BandId, const std::vector<std::uint8_t>& wanted,
                 const CancelToken&, std::size_t most_links = 4000);

}  // namespace yemvo
