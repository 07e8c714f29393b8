// SPDX-License-Identifier: GPL-3.0-or-later
// All that is known of a measured antenna.
#pragma once
#include <string>
#include <vector>

#include "antenna/pattern/cuts.h"

namespace yemvo {

struct MeasuredPattern {
    std::string name;  ///< where it is from: of a file, a sheet
    PatternFrame frame = PatternFrame::upright;
    Blend blend = Blend::by_angle;
    std::vector<PatternCuts> cuts;  ///< by frequency, one or more
    friend bool operator==(const MeasuredPattern&, const MeasuredPattern&) = default;
};

}  // namespace yemvo
