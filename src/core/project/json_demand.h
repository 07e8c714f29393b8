// SPDX-License-Identifier: GPL-3.0-or-later
// Demand as JSON. Shapes: docs/format/project.schema.json.
#pragma once

#include "demand/demand_book.h"
#include "demand/zone_demand.h"
#include "project/json_reader.h"

namespace yemvo {

Json write_zone_demand(const ZoneDemand&);
ZoneDemand read_zone_demand(const Reader&);
Json write_application(const Application&);
Application read_application(const Reader&);
Json write_demand_book(const DemandBook&);
DemandBook read_demand_book(const Reader&);

}  // namespace yemvo
