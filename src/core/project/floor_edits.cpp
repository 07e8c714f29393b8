// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>
#include <map>

#include "project/edits.h"
#include "project/kinds/thing_edits.h"

namespace yemvo {
namespace {

constexpr double touching_m = 1e-6;

std::string storey_name(int index) {
    static const std::array<const char*, 11> names{
        mark("Ground floor"), mark("First floor"), mark("Second floor"), mark("Third floor"),
        mark("Fourth floor"), mark("Fifth floor"), mark("Sixth floor"),  mark("Seventh floor"),
        mark("Eighth floor"), mark("Ninth floor"), mark("Tenth floor")};
    if (index < static_cast<int>(names.size())) return names[static_cast<std::size_t>(index)];
    return "Floor " + std::to_string(index);
}

bool has_floor(const Building& building, const std::string& name) {
    return std::any_of(building.floors.begin(), building.floors.end(),
                       [&](const Floor& f) { return f.name == name; });
}

/// `name`, or with the lowest number after it that the building does not have.
std::string free_name(const Building& building, const std::string& name) {
    std::string free = name;
    for (int n = 2; has_floor(building, free); ++n) free = name + " " + std::to_string(n);
    return free;
}

std::string name_on_top(const Building& building) {
    int index = 0;  // the ground floor is the lowest at or above the building's zero
    for (const Floor& f : building.floors) index += f.elevation_m > -0.5 && !f.mezzanine;
    while (has_floor(building, storey_name(index))) ++index;
    return storey_name(index);
}

void sort_floors(Building& building) {
    std::stable_sort(building.floors.begin(), building.floors.end(),
                     [](const Floor& a, const Floor& b) { return a.elevation_m < b.elevation_m; });
}

Floor empty_floor(Project& project, std::string name, double elevation_m, double height_m) {
    Floor floor;
    floor.id = new_id<FloorId>(project);
    floor.name = std::move(name);
    floor.elevation_m = elevation_m;
    floor.height_m = height_m;
    floor.slab = Slab{find_type(project, "slab-concrete-300"), 0.3, {}};
    return floor;
}

void drop_probes(Project& project, FloorId id) {
    const auto here = [&](const Probe& p) { return p.floor == id; };
    if (std::any_of(project.probes->begin(), project.probes->end(), here))
        std::erase_if(project.probes.edit(), here);
}

void lift_from(Building& building, double level_m, double by_m) {
    for (Floor& f : building.floors)
        if (f.elevation_m >= level_m - touching_m) f.elevation_m += by_m;
}

/// Puts a floor on the top of another, lifting what stands there.
FloorId put_above(Building& building, double level_m, Floor floor) {
    lift_from(building, level_m, floor.height_m);
    floor.elevation_m = level_m;
    const FloorId id = floor.id;
    building.floors.push_back(std::move(floor));
    sort_floors(building);
    return id;
}

/// A group does not reach over two floors.
void give_new_groups(Project& project, Floor& floor) {
    std::map<GroupId, GroupId> made;
    each_kind([&]<class Thing>() {
        for (Thing& t : KindOf<Thing>::edit(floor)) {
            if (!t.group) continue;
            GroupId& group = made[t.group];
            if (!group) group = new_id<GroupId>(project);
            t.group = group;
        }
    });
}

void give_new_ids(Project& project, Floor& floor) {
    each_kind([&]<class Thing>() {
        for (Thing& t : KindOf<Thing>::edit(floor))
            KindOf<Thing>::each_id(t, [&](auto& id) { renew(project, id); });
    });
    give_new_groups(project, floor);
    for (Drawing& d : floor.drawings.edit()) d.id = new_id<DrawingId>(project);
}

void move_all(std::vector<Point>& points, const PointMap& map) {
    for (Point& p : points) p = map.apply(p);
}

/// A storey with the mezzanines inside it: [first, last).
struct Block {
    std::size_t first, last;
};

std::vector<Block> blocks(const Building& building) {
    std::vector<Block> out;
    for (std::size_t i = 0; i < building.floors.size(); ++i)
        if (building.floors[i].mezzanine && !out.empty())
            out.back().last = i + 1;
        else
            out.push_back({i, i + 1});
    return out;
}

}  // namespace

FloorId add_floor(Project& project, BuildingId id) {
    Building& building = entry(project.buildings, id);
    double top_m = 0, height_m = 3.5;
    for (const Floor& f : building.floors)
        if (!f.mezzanine) {
            top_m = f.top_m();
            height_m = f.height_m;
        }
    building.floors.push_back(empty_floor(project, name_on_top(building), top_m, height_m));
    return building.floors.back().id;
}

FloorId insert_floor_above(Project& project, FloorId id) {
    Building& building = building_of(project, id);
    const Floor& below = entry(building.floors, id);
    return put_above(building, below.top_m(),
                     empty_floor(project, free_name(building, below.name), 0, below.height_m));
}

FloorId add_floor_below(Project& project, BuildingId id) {
    Building& building = entry(project.buildings, id);
    if (building.floors.empty()) return add_floor(project, id);
    const Floor& lowest = building.floors.front();
    Floor floor = empty_floor(project, free_name(building, "Basement"), lowest.elevation_m - lowest.height_m,
                              lowest.height_m);
    building.floors.insert(building.floors.begin(), floor);
    return floor.id;
}

FloorId add_mezzanine(Project& project, FloorId id) {
    Building& building = building_of(project, id);
    const Floor& host = entry(building.floors, id);
    Floor floor = empty_floor(project, free_name(building, host.name + " mezzanine"),
                              host.elevation_m + host.height_m / 2, host.height_m / 2);
    floor.mezzanine = true;
    building.floors.push_back(floor);
    sort_floors(building);
    return floor.id;
}

FloorId duplicate_floor(Project& project, FloorId id, const FloorParts& parts) {
    Building& building = building_of(project, id);
    const Floor& original = entry(building.floors, id);
    Floor copy = original;
    copy.id = new_id<FloorId>(project);
    copy.name = &original == &building.floors.back() ? name_on_top(building)
                                                     : free_name(building, original.name + " copy");
    each_kind([&]<class Thing>() {
        if (!KindOf<Thing>::comes_along(parts)) KindOf<Thing>::edit(copy).clear();
    });
    if (!parts.drawings) copy.drawings = {};
    copy.mezzanine = false;
    give_new_ids(project, copy);
    const FloorId made = put_above(building, original.top_m(), copy);
    if (!parts.access_points) return made;
    for (Variant& variant : project.variants) {
        const auto found = variant.access_points.find(id);
        if (found == variant.access_points.end()) continue;
        int number = 0;
        for (const auto& [floor, list] : variant.access_points)
            for (const AccessPoint& ap : *list) number = std::max(number, ap.number);
        std::vector<AccessPoint> copies = *found->second;
        for (AccessPoint& ap : copies) {
            ap.id = new_id<AccessPointId>(project);
            ap.number = ++number;
        }
        variant.access_points[made] = std::move(copies);
    }
    return made;
}

void move_floor(Project& project, FloorId id, int by) {
    Building& building = building_of(project, id);
    const auto all = blocks(building);
    std::size_t at = 0;
    while (!(building.floors[all[at].first].id == id)) {
        if (++at == all.size()) return;  // a mezzanine moves with its storey only
    }
    if ((by > 0 && at + 1 == all.size()) || (by < 0 && at == 0)) return;
    const Block &lower = all[by > 0 ? at : at - 1], &upper = all[by > 0 ? at + 1 : at];
    const double foot_m = building.floors[lower.first].elevation_m;
    const double lower_up_m = building.floors[upper.first].height_m,
                 upper_down_m = building.floors[upper.first].elevation_m - foot_m;
    for (std::size_t i = lower.first; i < lower.last; ++i) building.floors[i].elevation_m += lower_up_m;
    for (std::size_t i = upper.first; i < upper.last; ++i) building.floors[i].elevation_m -= upper_down_m;
    sort_floors(building);
}

void set_floor(Project& project, FloorId id, std::string name, double elevation_m, double height_m) {
    Building& building = building_of(project, id);
    Floor& floor = entry(building.floors, id);
    const double old_top_m = floor.top_m(), old_elevation_m = floor.elevation_m;
    const double lift_m = elevation_m + height_m - old_top_m;
    for (Floor& f : building.floors) {
        if (f.id == id) continue;
        if (!floor.mezzanine && f.elevation_m >= old_top_m - touching_m)
            f.elevation_m += lift_m;
        else if (f.mezzanine && f.elevation_m > old_elevation_m && f.elevation_m < old_top_m)
            f.elevation_m += elevation_m - old_elevation_m;
    }
    floor.name = std::move(name);
    floor.elevation_m = elevation_m;
    floor.height_m = height_m;
    sort_floors(building);
}

void set_slope(Project& project, FloorId id, Slope slope) { floor_of(project, id).slope = slope; }

void set_plate(Project& project, FloorId id, std::vector<Point> outline) {
    floor_of(project, id).plate = std::move(outline);
}

WallId add_outer_walls(Project& project, FloorId id, WallTypeId type, double width_m, double depth_m) {
    const double half_m = wall_type(project, type).thickness_m / 2;
    const Point low{-half_m, -half_m};
    const Point high = low + Point{width_m - 2 * half_m, depth_m - 2 * half_m};
    Wall wall;
    wall.type = type;
    wall.points = {low, {high.x, low.y}, high, {low.x, high.y}, low};
    return add_wall(project, id, wall);
}

void remove_floor(Project& project, FloorId id) {
    const auto zones = floor_of(project, id).zones;
    for (const Zone& z : *zones) remove_zone(project, id, z.id);  // requirements may name them
    erase_id(building_of(project, id).floors, id);
    for (Variant& variant : project.variants) variant.access_points.erase(id);
    drop_probes(project, id);
    for (Building& building : project.buildings)
        for (Floor& f : building.floors)
            if (f.alignment && f.alignment->to == id) f.alignment.reset();
}

void set_slab(Project& project, FloorId id, Slab slab) { floor_of(project, id).slab = std::move(slab); }

void transform_floor(Project& project, FloorId id, const Similarity& s) {
    Floor& floor = floor_of(project, id);
    const PointMap map(s);
    for (const Probe& p : *project.probes)
        if (p.floor == id) {
            for (Probe& moved : project.probes.edit())
                if (moved.floor == id) moved.place = map.apply(moved.place);
            break;
        }
    each_kind([&]<class Thing>() {
        if (KindOf<Thing>::list(floor).empty()) return;
        for (Thing& t : KindOf<Thing>::edit(floor)) {
            auto points = KindOf<Thing>::points(t);
            move_all(points, map);
            KindOf<Thing>::set_points(t, points);
            KindOf<Thing>::scale(t, s.scale);
        }
    });
    if (!floor.drawings->empty())
        for (Drawing& d : floor.drawings.edit()) d.placement = compose(s, d.placement);
    move_all(floor.plate, map);
    const Point origin = map.invert({0, 0});  // the ground stays where it is under what stood on it
    floor.elevation_m += floor.slope.x * origin.x + floor.slope.y * origin.y;
    const Point rise = about({0, 0}, s.turn_deg, 1 / s.scale).apply({floor.slope.x, floor.slope.y});
    floor.slope = {rise.x, rise.y};
    for (Variant& variant : project.variants) {
        const auto found = variant.access_points.find(id);
        if (found == variant.access_points.end() || found->second->empty()) continue;
        for (AccessPoint& ap : found->second.edit()) {
            ap.position = map.apply(ap.position);
            ap.azimuth_deg = std::fmod(ap.azimuth_deg - s.turn_deg + 720, 360);
        }
    }
}

void align_floor(Project& project, FloorId id, const Similarity& s, Alignment alignment) {
    transform_floor(project, id, s);
    for (PointPair& p : alignment.pairs) p.here = s.apply(p.here);
    floor_of(project, id).alignment = std::move(alignment);
}

BuildingId add_building(Project& project, std::string name, BuildingKind kind, Similarity placement) {
    Building building;
    building.id = new_id<BuildingId>(project);
    building.name = std::move(name);
    building.kind = kind;
    building.placement = placement;
    building.placement.scale = 1;
    project.buildings.push_back(building);
    const FloorId floor = add_floor(project, building.id);
    if (kind == BuildingKind::yard) set_floor(project, floor, "Ground", 0, 6);
    return building.id;
}

void set_building(Project& project, const Building& wanted) {
    Building& building = entry(project.buildings, wanted.id);
    building.name = wanted.name;
    building.kind = wanted.kind;
    building.placement = wanted.placement;
    building.placement.scale = 1;
    building.level_m = wanted.level_m;
    building.axes = wanted.axes;
}

void remove_building(Project& project, BuildingId id) {
    if (project.buildings.size() < 2) throw std::logic_error("the last building");
    while (!entry(project.buildings, id).floors.empty())
        remove_floor(project, entry(project.buildings, id).floors.back().id);
    erase_id(project.buildings, id);
}

}  // namespace yemvo
