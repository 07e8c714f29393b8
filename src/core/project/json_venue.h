// The venue's parts as JSON. Shapes: docs/format/project.schema.json.
#pragma once
#include "project/json_reader.h"
#include "venue/floor.h"
#include "venue/wall_type.h"

namespace yemvo {

Json write_wall_type(const WallType&);
WallType read_wall_type(const Reader&);  ///< the id may be absent
Json write_building(const Building&);
/// `version`: of the format, 1 or 2.
Building read_building(const Reader&, int version);

Json write_point(Point);
Point read_point(const Reader&);

}  // namespace yemvo
