#include "project/project.h"

#include <algorithm>
#include <stdexcept>

namespace yemvo {
namespace {

template <class List, class Test>
auto find_where(const List& list, Test test) -> decltype(&*list.begin()) {
    const auto found = std::find_if(list.begin(), list.end(), test);
    return found == list.end() ? nullptr : &*found;
}

template <class List, class IdType>
auto find_id(const List& list, IdType id) {
    return find_where(list, [&](const auto& entry) { return entry.id == id; });
}

template <class List, class IdType>
const auto& known(const List& list, IdType id) {
    const auto* found = find_id(list, id);
    if (!found) throw std::logic_error("an id that the project does not have");
    return *found;
}

}  // namespace

std::vector<const Floor*> all_floors(const Project& project) {
    std::vector<const Floor*> floors;
    for (const Building& building : project.buildings)
        for (const Floor& floor : building.floors) floors.push_back(&floor);
    return floors;
}

const Floor* find_floor(const Project& project, FloorId id) {
    for (const Building& building : project.buildings)
        if (const Floor* floor = find_id(building.floors, id)) return floor;
    return nullptr;
}

const Floor* find_floor(const Project& project, std::string_view name) {
    for (const Floor* floor : all_floors(project))
        if (floor->name == name) return floor;
    return nullptr;
}

const Floor* floor_above(const Project& project, FloorId id) {
    for (const Building& building : project.buildings)
        for (std::size_t i = 0; i + 1 < building.floors.size(); ++i)
            if (building.floors[i].id == id) return &building.floors[i + 1];
    return nullptr;
}

const WallType& wall_type(const Project& project, WallTypeId id) { return known(*project.wall_types, id); }
const AccessPointModel& model(const Project& project, ModelId id) { return known(*project.models, id); }

WallTypeId first_type(const Project& project, TypeUse use) {
    const auto* found = find_where(*project.wall_types, [&](const WallType& t) { return t.use == use; });
    return found ? found->id : WallTypeId{};
}

WallTypeId find_type(const Project& project, std::string_view key) {
    const auto* found = find_where(*project.wall_types, [&](const WallType& t) { return t.key == key; });
    return found ? found->id : WallTypeId{};
}

const Variant& current_variant(const Project& project) { return known(project.variants, project.variant); }

const std::vector<AccessPoint>& access_points(const Project& project, FloorId floor) {
    static const std::vector<AccessPoint> none;
    const auto& by_floor = current_variant(project).access_points;
    const auto found = by_floor.find(floor);
    return found == by_floor.end() ? none : *found->second;
}

std::vector<PlacedAccessPoint> placed_access_points(const Project& project) {
    std::vector<PlacedAccessPoint> placed;
    for (const Floor* floor : all_floors(project))
        for (const AccessPoint& ap : access_points(project, floor->id)) placed.push_back({floor, &ap});
    return placed;
}

const Wall* find_wall(const Floor& floor, WallId id) { return find_id(*floor.walls, id); }
const Opening* find_opening(const Wall& wall, OpeningId id) { return find_id(wall.openings, id); }
const Zone* find_zone(const Floor& floor, ZoneId id) { return find_id(*floor.zones, id); }
const SlabVoid* find_void(const Floor& floor, VoidId id) { return find_id(floor.slab->voids, id); }
const AccessPoint* find_access_point(const Project& project, FloorId floor, AccessPointId id) {
    return find_id(access_points(project, floor), id);
}

}  // namespace yemvo
