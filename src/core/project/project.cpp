// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/project.h"

#include <algorithm>
#include <stdexcept>

#include "project/kinds/all.h"
#include "project/short_title.h"

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

const Building& building_with(const Project& project, FloorId id) {
    for (const Building& building : project.buildings)
        if (find_id(building.floors, id)) return building;
    throw std::logic_error("a floor that the project does not have");
}

const Building* find_building(const Project& project, BuildingId id) {
    return find_id(project.buildings, id);
}

const Floor* entry_floor(const Project& project) {
    constexpr double ground_m = -0.5;
    for (const Building& b : project.buildings) {
        if (b.floors.empty()) continue;
        const auto at =
            std::ranges::find_if(b.floors, [](const Floor& f) { return f.elevation_m > ground_m; });
        return at == b.floors.end() ? &b.floors.back() : &*at;
    }
    return nullptr;
}

std::string floor_title(const Project& project, const Floor& floor) {
    if (project.buildings.size() < 2) return floor.name;
    const Building& building = building_with(project, floor.id);
    if (building.kind == BuildingKind::yard && building.floors.size() == 1) return building.name;
    return building.name + ", " + floor.name;
}

std::string short_title(const Project& project, const Floor& floor) {
    const auto all = all_floors(project);
    const auto alike =
        std::ranges::count(all, floor.name, [](const Floor* f) -> const std::string& { return f->name; });
    return alike == 1 ? floor.name : floor_title(project, floor);
}

const Floor* find_floor(const Project& project, std::string_view name) {
    const auto floors = all_floors(project);
    for (const Floor* floor : floors)
        if (floor_title(project, *floor) == name) return floor;
    for (const Building& b : project.buildings)
        for (const Floor& floor : b.floors)
            if (b.name + ", " + floor.name == name) return &floor;
    for (const Floor* floor : floors)
        if (floor->name == name) return floor;
    return nullptr;
}

const Floor* floor_above(const Project& project, FloorId id) {
    const auto& floors = building_with(project, id).floors;
    const Floor* here = find_id(floors, id);
    const auto above = std::find_if(std::next(floors.begin(), here - floors.data() + 1), floors.end(),
                                    [](const Floor& f) { return !f.mezzanine; });
    return above == floors.end() ? nullptr : &*above;
}

const Floor* floor_below(const Project& project, FloorId id) {
    const auto& floors = building_with(project, id).floors;
    const Floor* here = find_id(floors, id);
    return here == floors.data() ? nullptr : here - 1;
}

const WallType& wall_type(const Project& project, WallTypeId id) { return known(*project.wall_types, id); }
bool has_cable(const Project& project, const std::string& key) {
    return std::ranges::any_of(*project.cables, [&](const CableType& c) { return c.key == key; });
}

const AntennaModel* find_antenna(const Project& project, AntennaId id) {
    for (const AntennaModel& a : *project.antennas)
        if (a.id == id) return &a;
    return nullptr;
}

const AccessPointModel& model(const Project& project, ModelId id) { return known(*project.models, id); }

std::vector<TypeSite> uses_of_type(const Project& project, WallTypeId id) {
    std::vector<TypeSite> out;
    for (const Floor* f : all_floors(project)) {
        if (f->slab->type == id) out.push_back({f->id, std::nullopt});
        each_kind([&]<class Thing>() {
            for (const Thing& t : KindOf<Thing>::list(*f))
                KindOf<Thing>::each_type(t, [&](WallTypeId used, TypeUse, const std::optional<Item>& part) {
                    if (used == id)
                        out.push_back({f->id, part ? *part : Item{KindOf<Thing>::kind, t.id.value}});
                });
        });
    }
    return out;
}

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
const Drawing* find_drawing(const Floor& floor, DrawingId id) { return find_id(*floor.drawings, id); }
const Zone* find_zone(const Floor& floor, ZoneId id) { return find_id(*floor.zones, id); }
const SlabVoid* find_void(const Floor& floor, VoidId id) { return find_id(floor.slab->voids, id); }
const SlabArea* find_slab_area(const Floor& floor, SlabAreaId id) { return find_id(floor.slab->areas, id); }
const Obstacle* find_obstacle(const Floor& floor, ObstacleId id) { return find_id(*floor.obstacles, id); }
const CeilingArea* find_ceiling(const Floor& floor, CeilingId id) { return find_id(*floor.ceilings, id); }
const Ramp* find_ramp(const Floor& floor, RampId id) { return find_id(*floor.ramps, id); }
const Note* find_note(const Floor& floor, NoteId id) { return find_id(*floor.notes, id); }
const DeviceRow* find_device_row(const Floor& floor, DeviceRowId id) {
    return find_id(*floor.device_rows, id);
}
const Closet* find_closet(const Floor& floor, ClosetId id) { return find_id(*floor.closets, id); }
const Outlet* find_outlet(const Floor& floor, OutletId id) { return find_id(*floor.outlets, id); }
const Tray* find_tray(const Floor& floor, TrayId id) { return find_id(*floor.trays, id); }
const Riser* find_riser(const Floor& floor, RiserId id) { return find_id(*floor.risers, id); }
const ListeningPlace* find_listening_place(const Floor& floor, ListeningPlaceId id) {
    return find_id(*floor.listening_places, id);
}
const AccessPoint* find_access_point(const Project& project, FloorId floor, AccessPointId id) {
    return find_id(access_points(project, floor), id);
}

const ClientProfile& client(const Project& project, const std::string& key) {
    static const ClientProfile plain{
        "plain", mark("Plain client"), "ax", 2, {{band_24, 20}, {band_5, 80}, {band_6, 80}}, 14, 7};
    for (const ClientProfile& c : *project.clients)
        if (c.key == key) return c;
    return project.clients->empty() ? plain : project.clients->front();
}

std::vector<const Requirement*> requirements_in_force(const Project& project) {
    std::vector<const Requirement*> list;
    for (const RequirementSet& set : *project.requirement_sets)
        if (set.on)
            for (const Requirement& r : set.requirements) list.push_back(&r);
    return list;
}

const RequirementSet* find_requirement_set(const Project& project, RequirementSetId id) {
    for (const RequirementSet& set : *project.requirement_sets)
        if (set.id == id) return &set;
    return nullptr;
}

const Requirement* find_requirement(const Project& project, RequirementId id) {
    for (const RequirementSet& set : *project.requirement_sets)
        for (const Requirement& r : set.requirements)
            if (r.id == id) return &r;
    return nullptr;
}

const LensColours* find_colours(const Project& project, std::string_view lens) {
    for (const LensColours& c : project.display.colours)
        if (c.lens == lens) return &c;
    return nullptr;
}

const Probe* find_probe(const Project& project, int number) {
    for (const Probe& p : *project.probes)
        if (p.number == number) return &p;
    return nullptr;
}

std::string axes_text(const Project& project, const Floor& floor, Point place) {
    const AxisGrid& axes = building_with(project, floor.id).axes;
    return axes.empty() ? std::string() : axis_text(axis_place(axes, place));
}

}  // namespace yemvo
