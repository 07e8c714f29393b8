// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <memory>

#include "capacity/heard.h"
#include "coverage/floor_question.h"

namespace yemvo {

/// What is heard on every floor, one floor's fields at a time in memory. Throws Cancelled.
std::vector<std::shared_ptr<const HeardFloor>> heard_by_floors(const Project&, const std::vector<AirRadio>&,
                                                               Predictor&, const CancelToken& = {});
/// The same asked of each floor beside its verdict; answers are `HeardFloor`s.
FloorQuestion heard_question(const Project&, std::shared_ptr<const std::vector<AirRadio>>);
/// The floors that answered.
std::vector<std::shared_ptr<const HeardFloor>> heard_floors(const std::vector<Answer>&);

}  // namespace yemvo
