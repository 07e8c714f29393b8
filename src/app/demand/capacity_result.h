// SPDX-License-Identifier: GPL-3.0-or-later
// Capacity as a result that predictions bring along.
#pragma once
#include "app/model/result_kind.h"
#include "capacity/site_capacity.h"

namespace yemvo::app {

/// Of the project as it is now; `solver`: keeps its solutions from one prediction to the next.
SiteWork capacity_work(const Project&, const std::shared_ptr<CapacitySolver>& solver);

}  // namespace yemvo::app
