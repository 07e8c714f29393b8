#include "project/edits.h"

#include <algorithm>
#include <array>
#include <set>
#include <stdexcept>

#include "project/library.h"

namespace yemvo {
namespace {

template <class List, class IdType>
auto& entry(List& list, IdType id) {
    const auto found = std::find_if(list.begin(), list.end(), [&](const auto& e) { return e.id == id; });
    if (found == list.end()) throw std::logic_error("an id that the project does not have");
    return *found;
}

template <class List, class IdType>
void erase_id(List& list, IdType id) {
    entry(list, id);
    std::erase_if(list, [&](const auto& e) { return e.id == id; });
}

Building& building_of(Project& project, FloorId id) {
    for (Building& building : project.buildings)
        for (const Floor& floor : building.floors)
            if (floor.id == id) return building;
    throw std::logic_error("a floor that the project does not have");
}

Floor& floor_of(Project& project, FloorId id) { return entry(building_of(project, id).floors, id); }

std::vector<AccessPoint>& access_points_of(Project& project, FloorId floor) {
    floor_of(project, floor);
    return entry(project.variants, project.variant).access_points[floor].edit();
}

std::string storey_name(int index) {
    static const std::array<const char*, 11> names{
        "Ground floor", "First floor",   "Second floor", "Third floor", "Fourth floor", "Fifth floor",
        "Sixth floor",  "Seventh floor", "Eighth floor", "Ninth floor", "Tenth floor"};
    if (index < static_cast<int>(names.size())) return names[static_cast<std::size_t>(index)];
    return "Floor " + std::to_string(index);
}

std::string free_storey_name(const Building& building) {
    for (int index = static_cast<int>(building.floors.size());; ++index) {
        const std::string name = storey_name(index);
        if (std::none_of(building.floors.begin(), building.floors.end(),
                         [&](auto& f) { return f.name == name; }))
            return name;
    }
}

FloorId append_floor(Project& project, Building& building, double height_m) {
    Floor floor;
    floor.id = new_id<FloorId>(project);
    floor.name = free_storey_name(building);
    floor.height_m = height_m;
    if (!building.floors.empty()) {
        const Floor& below = building.floors.back();
        floor.elevation_m = below.elevation_m + below.height_m;
    }
    floor.slab = Slab{find_type(project, "slab-concrete-300"), 0.3, {}};
    building.floors.push_back(floor);
    return floor.id;
}

}  // namespace

Project new_project(std::string name, SiteSettings settings, int floors, double storey_height_m) {
    Project project;
    project.name = std::move(name);
    project.settings = std::move(settings);
    std::vector<WallType> types = standard_wall_types();
    for (WallType& type : types) type.id = new_id<WallTypeId>(project);
    project.wall_types = std::move(types);
    std::vector<AccessPointModel> models = standard_models();
    for (AccessPointModel& m : models) m.id = new_id<ModelId>(project);
    project.models = std::move(models);
    project.buildings.push_back({new_id<BuildingId>(project), "Main building", {}});
    for (int i = 0; i < floors; ++i) append_floor(project, project.buildings.front(), storey_height_m);
    project.variant = new_id<VariantId>(project);
    project.variants.push_back({project.variant, "A", {}});
    project.requirements = std::vector<Requirement>{
        {new_id<RequirementId>(project), "Signal, 5 GHz", "signal", band_5, -67, 0.95, {}}};
    return project;
}

FloorId add_floor(Project& project, BuildingId id) {
    Building& building = entry(project.buildings, id);
    return append_floor(project, building, building.floors.empty() ? 3.5 : building.floors.back().height_m);
}

void set_floor(Project& project, FloorId id, std::string name, double elevation_m, double height_m) {
    Building& building = building_of(project, id);
    bool above = false;
    double shift_m = 0;
    for (Floor& floor : building.floors) {
        if (above) floor.elevation_m += shift_m;
        if (floor.id != id) continue;
        shift_m = elevation_m + height_m - floor.elevation_m - floor.height_m;
        floor.name = std::move(name);
        floor.elevation_m = elevation_m;
        floor.height_m = height_m;
        above = true;
    }
}

void remove_floor(Project& project, FloorId id) {
    const auto zones = floor_of(project, id).zones;
    for (const Zone& z : *zones) remove_zone(project, id, z.id);  // requirements may name them
    erase_id(building_of(project, id).floors, id);
    for (Variant& variant : project.variants) variant.access_points.erase(id);
}

void set_slab(Project& project, FloorId id, Slab slab) { floor_of(project, id).slab = std::move(slab); }
void set_drawing(Project& project, FloorId id, Drawing drawing) {
    floor_of(project, id).drawing = std::move(drawing);
}

std::string add_asset(Project& project, std::string file_name, Bytes bytes) {
    if (file_name.empty()) file_name = "drawing";
    const auto dot = file_name.rfind('.');
    const std::string stem = file_name.substr(0, dot);
    const std::string ending = dot == std::string::npos ? "" : file_name.substr(dot);
    std::string name = file_name;
    for (int copy = 2; project.assets.contains(name); ++copy) {
        if (*project.assets.at(name) == bytes) return name;
        name = stem + "-" + std::to_string(copy) + ending;
    }
    project.assets[name] = Shared<Bytes>(std::move(bytes));
    return name;
}

WallId add_wall(Project& project, FloorId floor, Wall wall) {
    wall.id = new_id<WallId>(project);
    for (Opening& opening : wall.openings) opening.id = new_id<OpeningId>(project);
    floor_of(project, floor).walls.edit().push_back(wall);
    return wall.id;
}

void replace_wall(Project& project, FloorId floor, const Wall& wall) {
    entry(floor_of(project, floor).walls.edit(), wall.id) = wall;
}

void remove_wall(Project& project, FloorId floor, WallId id) {
    erase_id(floor_of(project, floor).walls.edit(), id);
}

OpeningId add_opening(Project& project, FloorId floor, WallId wall, Opening opening) {
    opening.id = new_id<OpeningId>(project);
    entry(floor_of(project, floor).walls.edit(), wall).openings.push_back(opening);
    return opening.id;
}

void replace_opening(Project& project, FloorId floor, WallId wall, const Opening& opening) {
    entry(entry(floor_of(project, floor).walls.edit(), wall).openings, opening.id) = opening;
}

void remove_opening(Project& project, FloorId floor, WallId wall, OpeningId id) {
    erase_id(entry(floor_of(project, floor).walls.edit(), wall).openings, id);
}

ZoneId add_zone(Project& project, FloorId floor, Zone zone) {
    zone.id = new_id<ZoneId>(project);
    floor_of(project, floor).zones.edit().push_back(zone);
    return zone.id;
}

void replace_zone(Project& project, FloorId floor, const Zone& zone) {
    entry(floor_of(project, floor).zones.edit(), zone.id) = zone;
}

void remove_zone(Project& project, FloorId floor, ZoneId id) {
    erase_id(floor_of(project, floor).zones.edit(), id);
    std::vector<Requirement> kept;
    for (Requirement r : *project.requirements) {
        const bool named = std::erase(r.zones, id) > 0;
        if (!named || !r.zones.empty())
            kept.push_back(std::move(r));  // one that held only there goes with it
    }
    project.requirements = std::move(kept);
}

VoidId add_void(Project& project, FloorId floor, SlabVoid v) {
    v.id = new_id<VoidId>(project);
    floor_of(project, floor).slab.edit().voids.push_back(v);
    return v.id;
}

void replace_void(Project& project, FloorId floor, const SlabVoid& v) {
    entry(floor_of(project, floor).slab.edit().voids, v.id) = v;
}

void remove_void(Project& project, FloorId floor, VoidId id) {
    erase_id(floor_of(project, floor).slab.edit().voids, id);
}

int next_access_point_number(const Project& project) {
    std::set<int> taken;
    for (const auto& placed : placed_access_points(project)) taken.insert(placed.access_point->number);
    int number = 1;
    while (taken.contains(number)) ++number;
    return number;
}

AccessPointId add_access_point(Project& project, FloorId floor, ModelId id, Point position) {
    constexpr double below_ceiling_m = 0.3;
    AccessPoint ap = make_access_point(model(project, id), new_id<AccessPointId>(project),
                                       next_access_point_number(project), position);
    ap.height_m = std::min(ap.height_m, std::max(0.5, floor_of(project, floor).height_m - below_ceiling_m));
    access_points_of(project, floor).push_back(ap);
    return ap.id;
}

void replace_access_point(Project& project, FloorId floor, const AccessPoint& ap) {
    entry(access_points_of(project, floor), ap.id) = ap;
}

void remove_access_point(Project& project, FloorId floor, AccessPointId id) {
    erase_id(access_points_of(project, floor), id);
}

void set_requirements(Project& project, std::vector<Requirement> list) {
    project.requirements = std::move(list);
}

}  // namespace yemvo
