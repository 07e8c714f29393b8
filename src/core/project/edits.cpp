#include "project/edits.h"

#include <algorithm>
#include <set>

#include "project/library.h"
#include "project/parts.h"

namespace yemvo {
namespace {

std::vector<AccessPoint>& access_points_of(Project& project, FloorId floor) {
    floor_of(project, floor);
    return entry(project.variants, project.variant).access_points[floor].edit();
}

/// Under a new id.
template <class Thing>
auto put(Project& project, std::vector<Thing>& list, Thing thing) {
    thing.id = new_id<decltype(thing.id)>(project);
    list.push_back(std::move(thing));
    return list.back().id;
}

}  // namespace

Project new_project(std::string name, SiteSettings settings, int floors, double storey_height_m) {
    Project project;
    project.name = std::move(name);
    project.settings = std::move(settings);
    std::vector<WallType> types = standard_wall_types();
    for (WallType& type : types) type.id = new_id<WallTypeId>(project);
    project.wall_types = std::move(types);
    project.clients = standard_clients();
    std::vector<AccessPointModel> models = standard_models();
    for (AccessPointModel& m : models) m.id = new_id<ModelId>(project);
    project.models = std::move(models);
    Building building;
    building.id = new_id<BuildingId>(project);
    building.name = "Main building";
    project.buildings.push_back(building);
    for (int i = 0; i < floors; ++i) {
        const FloorId id = add_floor(project, building.id);
        set_floor(project, id, find_floor(project, id)->name, i * storey_height_m, storey_height_m);
    }
    project.variant = new_id<VariantId>(project);
    project.variants.push_back({project.variant, "A", {}});
    add_requirement_set(project, standard_requirement_sets().front());
    return project;
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
    return put(project, floor_of(project, floor).zones.edit(), std::move(zone));
}

void replace_zone(Project& project, FloorId floor, const Zone& zone) {
    entry(floor_of(project, floor).zones.edit(), zone.id) = zone;
}

void remove_zone(Project& project, FloorId floor, ZoneId id) {
    erase_id(floor_of(project, floor).zones.edit(), id);
    const auto names = [&](const RequirementSet& set) { return std::ranges::count(set.zones, id) > 0; };
    if (std::ranges::none_of(*project.requirement_sets, names)) return;
    std::erase_if(project.requirement_sets.edit(), [&](RequirementSet& set) {
        return std::erase(set.zones, id) > 0 && set.zones.empty();  // one that held only there goes with it
    });
}

VoidId add_void(Project& project, FloorId floor, SlabVoid v) {
    return put(project, floor_of(project, floor).slab.edit().voids, std::move(v));
}

void replace_void(Project& project, FloorId floor, const SlabVoid& v) {
    entry(floor_of(project, floor).slab.edit().voids, v.id) = v;
}

void remove_void(Project& project, FloorId floor, VoidId id) {
    erase_id(floor_of(project, floor).slab.edit().voids, id);
}

SlabAreaId add_slab_area(Project& project, FloorId floor, SlabArea a) {
    return put(project, floor_of(project, floor).slab.edit().areas, std::move(a));
}

void replace_slab_area(Project& project, FloorId floor, const SlabArea& a) {
    entry(floor_of(project, floor).slab.edit().areas, a.id) = a;
}

ObstacleId add_obstacle(Project& project, FloorId floor, Obstacle o) {
    return put(project, floor_of(project, floor).obstacles.edit(), std::move(o));
}

void replace_obstacle(Project& project, FloorId floor, const Obstacle& o) {
    entry(floor_of(project, floor).obstacles.edit(), o.id) = o;
}

CeilingId add_ceiling(Project& project, FloorId floor, CeilingArea c) {
    return put(project, floor_of(project, floor).ceilings.edit(), std::move(c));
}

void replace_ceiling(Project& project, FloorId floor, const CeilingArea& c) {
    entry(floor_of(project, floor).ceilings.edit(), c.id) = c;
}

RampId add_ramp(Project& project, FloorId floor, Ramp r) {
    return put(project, floor_of(project, floor).ramps.edit(), std::move(r));
}

void replace_ramp(Project& project, FloorId floor, const Ramp& r) {
    entry(floor_of(project, floor).ramps.edit(), r.id) = r;
}

NoteId add_note(Project& project, FloorId floor, Note n) {
    return put(project, floor_of(project, floor).notes.edit(), std::move(n));
}

void replace_note(Project& project, FloorId floor, const Note& n) {
    entry(floor_of(project, floor).notes.edit(), n.id) = n;
}

int next_access_point_number(const Project& project) {
    std::set<int> taken;
    for (const auto& placed : placed_access_points(project)) taken.insert(placed.access_point->number);
    int number = 1;
    while (taken.contains(number)) ++number;
    return number;
}

AccessPointId add_access_point(Project& project, FloorId floor, ModelId id, Point position) {
    AccessPoint ap = make_access_point(model(project, id), new_id<AccessPointId>(project),
                                       next_access_point_number(project), position);
    const Floor& f = floor_of(project, floor);
    const double highest_m = hanging_m(f, position);
    const bool under_ceiling = ceiling_m(f, position, f.height_m) < f.height_m;
    if (ap.mount == Mount::ceiling && under_ceiling) ap.height_m = highest_m;
    ap.height_m = std::min(ap.height_m, highest_m);
    access_points_of(project, floor).push_back(ap);
    return ap.id;
}

void replace_access_point(Project& project, FloorId floor, const AccessPoint& ap) {
    entry(access_points_of(project, floor), ap.id) = ap;
}

void remove_access_point(Project& project, FloorId floor, AccessPointId id) {
    erase_id(access_points_of(project, floor), id);
}

RequirementSetId add_requirement_set(Project& project, RequirementSet set) {
    set.id = new_id<RequirementSetId>(project);
    for (Requirement& r : set.requirements) r.id = new_id<RequirementId>(project);
    project.requirement_sets.edit().push_back(std::move(set));
    return project.requirement_sets->back().id;
}

void replace_requirement_set(Project& project, const RequirementSet& set) {
    entry(project.requirement_sets.edit(), set.id) = set;
}

void remove_requirement_set(Project& project, RequirementSetId id) {
    erase_id(project.requirement_sets.edit(), id);
}

RequirementId add_requirement(Project& project, RequirementSetId id, Requirement r) {
    r.id = new_id<RequirementId>(project);
    entry(project.requirement_sets.edit(), id).requirements.push_back(r);
    return r.id;
}

/// The set that a requirement belongs to.
static RequirementSet& set_with(Project& project, RequirementId id) {
    for (RequirementSet& set : project.requirement_sets.edit())
        for (const Requirement& r : set.requirements)
            if (r.id == id) return set;
    throw std::out_of_range("no requirement " + std::to_string(id.value));
}

void replace_requirement(Project& project, const Requirement& r) {
    entry(set_with(project, r.id).requirements, r.id) = r;
}

void remove_requirement(Project& project, RequirementId id) {
    erase_id(set_with(project, id).requirements, id);
}

int add_probe(Project& project, FloorId floor, Point place) {
    int number = 1;
    while (find_probe(project, number)) ++number;
    project.probes.edit().push_back({number, floor, place});
    return number;
}

void move_probe(Project& project, int number, Point place) {
    for (Probe& p : project.probes.edit())
        if (p.number == number) p.place = place;
}

void remove_probe(Project& project, int number) {
    std::erase_if(project.probes.edit(), [&](const Probe& p) { return p.number == number; });
}

VariantId copy_variant(Project& project, std::string name) {
    Variant copy = current_variant(project);
    copy.id = new_id<VariantId>(project);
    copy.name = std::move(name);
    for (auto& [floor, list] : copy.access_points)
        if (!list->empty())
            for (AccessPoint& ap : list.edit()) ap.id = new_id<AccessPointId>(project);
    project.variants.push_back(copy);
    project.variant = copy.id;
    return copy.id;
}

void rename_variant(Project& project, VariantId id, std::string name) {
    entry(project.variants, id).name = std::move(name);
}

void choose_variant(Project& project, VariantId id) { project.variant = entry(project.variants, id).id; }

void remove_variant(Project& project, VariantId id) {
    if (project.variants.size() < 2) throw std::logic_error("the last variant");
    erase_id(project.variants, id);
    if (project.variant == id) project.variant = project.variants.front().id;
}

}  // namespace yemvo
