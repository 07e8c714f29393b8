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
/// "Ground floor", "First floor", ..., one variant and one requirement (signal at 5 GHz, -67 dBm, 95 %).
Project new_project(std::string name, SiteSettings, int floors = 1, double storey_height_m = 3.5);

/// On top of the building's others, as high as the one below it.
FloorId add_floor(Project&, BuildingId);
/// Name, elevation, height; walls and the rest stay. Floors above move with a changed height.
void set_floor(Project&, FloorId, std::string name, double elevation_m, double height_m);
void remove_floor(Project&, FloorId);
void set_slab(Project&, FloorId, Slab);
void set_drawing(Project&, FloorId, Drawing);
/// Keeps the bytes under `file_name`, or under one like it where that is taken by other bytes; gives the
/// name.
std::string add_asset(Project&, std::string file_name, Bytes);

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

/// In the current variant; hung as the model is meant to, but never nearer than 0.3 m to the slab above.
AccessPointId add_access_point(Project&, FloorId, ModelId, Point position);
void replace_access_point(Project&, FloorId, const AccessPoint&);
void remove_access_point(Project&, FloorId, AccessPointId);
/// The lowest number no access point of the current variant has.
int next_access_point_number(const Project&);

void set_requirements(Project&, std::vector<Requirement>);

}  // namespace yemvo
