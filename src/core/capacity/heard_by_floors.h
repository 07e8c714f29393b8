// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "capacity/heard.h"

namespace yemvo {

/// What is heard on every floor, one floor's fields at a time in memory. Throws Cancelled.
std::vector<std::shared_ptr<const HeardFloor>> heard_by_floors(const Project&, const std::vector<AirRadio>&,
                                                               Predictor&, const CancelToken& = {});

}  // namespace yemvo
