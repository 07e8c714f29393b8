// The venue's parts as JSON. Shapes: docs/format/project.schema.json.
#pragma once
#include "project/json_parse.h"
#include "project/json_write.h"
#include "venue/floor.h"

namespace yemvo {

Json write_building(const Building&, LargeLists&);
/// `version`: of the format.
Building read_building(const Reader&, int version);

/// Those of a floor that may be long.
std::vector<LargeList> large_venue_lists();

}  // namespace yemvo
