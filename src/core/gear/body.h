// SPDX-License-Identifier: GPL-3.0-or-later
// What a piece of gear is like to carry, to hang and to buy.
#pragma once

namespace yemvo {

/// 0: not told.
struct Body {
    double width_mm = 0, height_mm = 0, depth_mm = 0;
    double weight_kg = 0;
    bool outdoor = false;  ///< made for rain and frost
    double price = 0;      ///< in the currency of the site
    friend bool operator==(const Body&, const Body&) = default;
};

}  // namespace yemvo
