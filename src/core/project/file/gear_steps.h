// SPDX-License-Identifier: GPL-3.0-or-later
// The part "gear" as earlier versions wrote it.
#pragma once
#include <array>

#include "project/file/part_kind.h"

namespace yemvo {

/// Version 1 had chains a radio, and power in three fields of a band.
void gear_from_1(Json& part, const Reading&);

inline constexpr std::array<JsonStep, 1> gear_steps{gear_from_1};

}  // namespace yemvo
