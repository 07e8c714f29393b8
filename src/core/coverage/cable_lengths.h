// SPDX-License-Identifier: GPL-3.0-or-later
// How long a cable from each place of a floor to the nearest closet would be, for lenses.
#pragma once
#include <cstdint>
#include <vector>

namespace yemvo {

struct CableLengths {
    std::uint64_t key = 0;      ///< equal for equal content
    std::vector<float> link_m;  ///< permanent link, a cell; NaN where no way leads to a closet
};

}  // namespace yemvo
