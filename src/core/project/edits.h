// SPDX-License-Identifier: GPL-3.0-or-later
// Edits: functions that change a project value. Each keeps the project's invariants: ids are new and unique,
// what is referred to exists. An id that the project does not have is a mistake of the caller
// (std::logic_error).
#pragma once
#include "project/project.h"

namespace yemvo {

template <class IdType>
IdType new_id(Project& project) {
    return IdType{project.next_id++};
}

/// An empty project with the standard wall types and models, one building with `floors` equal storeys named
/// "Ground floor", "First floor", ..., one variant and the first of the standard requirement sets.
Project new_project(std::string name, SiteSettings, int floors = 1, double storey_height_m = 3.5);

/// On top of the building's others, as high as the one below it.
FloorId add_floor(Project&, BuildingId);
/// Between a floor and the one above it, as high as it; what is above moves up.
FloorId insert_floor_above(Project&, FloorId);
/// Under the lowest floor.
FloorId add_floor_below(Project&, BuildingId);
/// Half way up the storey, without a plate outline yet.
FloorId add_mezzanine(Project&, FloorId);
/// What comes along when a floor is made again.
struct FloorParts {
    bool walls = true, zones = true, voids = true, drawings = true, access_points = false;
};
/// A copy just above the floor, with new ids and numbers; what is above moves up.
FloorId duplicate_floor(Project&, FloorId, const FloorParts&);
/// Changes places with the storey above (by = 1) or below (by = -1), its mezzanines coming along. Nothing
/// happens where there is none.
void move_floor(Project&, FloorId, int by);
/// Name, elevation, height; walls and the rest stay. Floors above move with a changed top, mezzanines with
/// their storey.
void set_floor(Project&, FloorId, std::string name, double elevation_m, double height_m);
void set_slope(Project&, FloorId, Slope);
void set_plate(Project&, FloorId, std::vector<Point> outline);
/// Outer walls of a type round a rectangle, measured outside, its lower left inner corner at (0, 0).
WallId add_outer_walls(Project&, FloorId, WallTypeId, double width_m, double depth_m);
void remove_floor(Project&, FloorId);
void set_slab(Project&, FloorId, Slab);
/// Carries everything on the floor along: drawings, walls, openings, zones, voids, access points of every
/// variant.
void transform_floor(Project&, FloorId, const Similarity&);
/// transform_floor, and remembers by which pairs.
void align_floor(Project&, FloorId, const Similarity&, Alignment);

/// With one storey; the id in the value is ignored.
BuildingId add_building(Project&, std::string name, BuildingKind, Similarity placement);
/// Name, kind, placement (its scale is taken as 1) and level; its floors stay.
void set_building(Project&, const Building&);
/// The last building cannot be removed (std::logic_error).
void remove_building(Project&, BuildingId);

/// With the next free number, which is given back.
int add_probe(Project&, FloorId, Point);
void move_probe(Project&, int number, Point);
void remove_probe(Project&, int number);

/// A copy of the current variant under a name, and made the current one.
VariantId copy_variant(Project&, std::string name);
void rename_variant(Project&, VariantId, std::string name);
void choose_variant(Project&, VariantId);
/// The next one becomes the current one; the last one cannot be removed (std::logic_error).
void remove_variant(Project&, VariantId);

/// On top of the floor's others; the id in the value is ignored.
DrawingId add_drawing(Project&, FloorId, Drawing);
void replace_drawing(Project&, FloorId, const Drawing&);
void remove_drawing(Project&, FloorId, DrawingId);
/// replace_drawing for a drawing that only got another scale, `fixed` (metres) having stayed; with_floor: all
/// that was drawn on the floor is enlarged with it.
void set_drawing_scale(Project&, FloorId, const Drawing& scaled, Point fixed, bool with_floor);
/// Up (by = 1) or down among the floor's drawings.
void move_drawing(Project&, FloorId, DrawingId, int by);
/// Keeps the bytes under `file_name`, or under one like it where that is taken by other bytes; gives the
/// name.
std::string add_asset(Project&, std::string file_name, Bytes);
/// Drops the bytes that no drawing and no note refers to.
void drop_unused_assets(Project&);

/// The id in the value is ignored and a new one given, also to openings.
WallId add_wall(Project&, FloorId, Wall);
void replace_wall(Project&, FloorId, const Wall&);
void remove_wall(Project&, FloorId, WallId);
OpeningId add_opening(Project&, FloorId, WallId, Opening);
void replace_opening(Project&, FloorId, WallId, const Opening&);
void remove_opening(Project&, FloorId, WallId, OpeningId);

ZoneId add_zone(Project&, FloorId, Zone);
void replace_zone(Project&, FloorId, const Zone&);
void remove_zone(Project&, FloorId, ZoneId);
VoidId add_void(Project&, FloorId, SlabVoid);
void replace_void(Project&, FloorId, const SlabVoid&);
void remove_void(Project&, FloorId, VoidId);

SlabAreaId add_slab_area(Project&, FloorId, SlabArea);
void replace_slab_area(Project&, FloorId, const SlabArea&);
ObstacleId add_obstacle(Project&, FloorId, Obstacle);
void replace_obstacle(Project&, FloorId, const Obstacle&);
CeilingId add_ceiling(Project&, FloorId, CeilingArea);
void replace_ceiling(Project&, FloorId, const CeilingArea&);
RampId add_ramp(Project&, FloorId, Ramp);
void replace_ramp(Project&, FloorId, const Ramp&);
NoteId add_note(Project&, FloorId, Note);
void replace_note(Project&, FloorId, const Note&);

/// The id in the value is ignored; a key that is taken gets a number after it.
WallTypeId add_wall_type(Project&, WallType);
void replace_wall_type(Project&, const WallType&);
/// Only a type that nothing uses can be removed (std::logic_error).
void remove_wall_type(Project&, WallTypeId);
/// Whatever uses `from` uses `to` instead.
void use_other_type(Project&, WallTypeId from, WallTypeId to);

/// A lift or stair shaft through storeys: walls round it on every floor from `lowest` to `highest` of one
/// building, a void in each slab but the lowest, a zone where nobody needs service. One group a floor.
void add_shaft(Project&, FloorId lowest, FloorId highest, const std::string& name, WallTypeId,
               const std::vector<Point>& outline);

void set_waivers(Project&, std::vector<Waiver>);

/// In the current variant; hung as the model is meant to, but at the ceiling where that is lower and never
/// nearer than 0.3 m to the slab above.
AccessPointId add_access_point(Project&, FloorId, ModelId, Point position);
/// The same with its channels still to be chosen.
AccessPointId place_access_point(Project&, FloorId, ModelId, Point position);
void replace_access_point(Project&, FloorId, const AccessPoint&);
void remove_access_point(Project&, FloorId, AccessPointId);
/// The lowest number no access point of the current variant has.
int next_access_point_number(const Project&);

/// The set gets new ids, its requirements too.
RequirementSetId add_requirement_set(Project&, RequirementSet);
void replace_requirement_set(Project&, const RequirementSet&);
void remove_requirement_set(Project&, RequirementSetId);
RequirementId add_requirement(Project&, RequirementSetId, Requirement);
void replace_requirement(Project&, const Requirement&);
void remove_requirement(Project&, RequirementId);

/// Colours a lens so from now on, in place of how it was.
void set_colours(Project&, const LensColours&);
/// The lens is coloured as usual again.
void reset_colours(Project&, std::string_view lens);

}  // namespace yemvo
