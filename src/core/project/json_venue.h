// The venue's parts as JSON. Shapes: docs/format/project.schema.json.
#pragma once
#include "project/json_parse.h"
#include "project/json_write.h"
#include "venue/floor.h"

namespace yemvo {

Json write_wall(const Wall&);
Wall read_wall(const Reader&);
Json write_zone(const Zone&);
Zone read_zone(const Reader&);
Json write_void(const SlabVoid&);
SlabVoid read_void(const Reader&);
Json write_slab_area(const SlabArea&);
SlabArea read_slab_area(const Reader&);
Json write_obstacle(const Obstacle&);
Obstacle read_obstacle(const Reader&);
Json write_ceiling(const CeilingArea&);
CeilingArea read_ceiling(const Reader&);
Json write_ramp(const Ramp&);
Ramp read_ramp(const Reader&);
Json write_note(const Note&);
Note read_note(const Reader&);
Json write_building(const Building&, LargeLists&);
/// `version`: of the format.
Building read_building(const Reader&, int version);

/// Those of a floor that may be long.
std::vector<LargeList> large_venue_lists();

Json write_point(Point);
Point read_point(const Reader&);

}  // namespace yemvo
