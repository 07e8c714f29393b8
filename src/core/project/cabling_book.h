// SPDX-License-Identifier: GPL-3.0-or-later
// What is said once for the whole site about its cables: how they are counted, and their limits.
#pragma once
#include <string>

namespace yemvo {

/// Source of the limits: ISO/IEC 11801-1 and ANSI/TIA-568.2: 90 m of permanent link, 100 m with both cords.
struct CablingBook {
    double slack_share = 0.1;      ///< of the way, for what no plan shows
    double slack_m = 3;            ///< for loops at both ends
    double cords_m = 10;           ///< patch cords at both ends together
    double most_link_m = 90;       ///< of a permanent link, without the cords
    double most_channel_m = 100;   ///< with them
    double panel_m = 1.5;          ///< height of the patch panel above the closet's floor
    double below_top_m = 0.5;      ///< where there is no tray, cables run so far below the top of the storey
    double outlet_reach_m = 5;     ///< an access point takes an outlet that is no further away
    double budget_share = 0.9;     ///< of a switch's watts that may be spoken for
    std::string cable = "Cat 6A";  ///< as the bill calls it
    friend bool operator==(const CablingBook&, const CablingBook&) = default;
};

}  // namespace yemvo
