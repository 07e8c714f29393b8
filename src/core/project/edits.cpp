// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/edits.h"

#include <algorithm>
#include <set>

#include "project/kinds/thing_edits.h"
#include "project/library.h"

namespace yemvo {
namespace {

std::vector<AccessPoint>& access_points_of(Project& project, FloorId floor) {
    floor_of(project, floor);
    return entry(project.variants, project.variant).access_points[floor].edit();
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
    project.demand = standard_demand();
    std::vector<AccessPointModel> models = standard_models();
    for (AccessPointModel& m : models) m.id = new_id<ModelId>(project);
    project.models = std::move(models);
    std::vector<AntennaModel> antennas = standard_antennas();
    for (AntennaModel& a : antennas) a.id = new_id<AntennaId>(project);
    project.antennas = std::move(antennas);
    project.cables = standard_cables();
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

WallId add_wall(Project& p, FloorId floor, Wall wall) { return add_thing(p, floor, std::move(wall)); }
void replace_wall(Project& p, FloorId floor, const Wall& wall) { replace_thing(p, floor, wall); }
void remove_wall(Project& p, FloorId floor, WallId id) { remove_thing<Wall>(p, floor, id); }

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

ZoneId add_zone(Project& p, FloorId floor, Zone thing) { return add_thing(p, floor, std::move(thing)); }
void replace_zone(Project& p, FloorId floor, const Zone& thing) { replace_thing(p, floor, thing); }
void remove_zone(Project& p, FloorId floor, ZoneId id) { remove_thing<Zone>(p, floor, id); }

VoidId add_void(Project& p, FloorId floor, SlabVoid thing) { return add_thing(p, floor, std::move(thing)); }
void replace_void(Project& p, FloorId floor, const SlabVoid& thing) { replace_thing(p, floor, thing); }
void remove_void(Project& p, FloorId floor, VoidId id) { remove_thing<SlabVoid>(p, floor, id); }

SlabAreaId add_slab_area(Project& p, FloorId floor, SlabArea thing) {
    return add_thing(p, floor, std::move(thing));
}
void replace_slab_area(Project& p, FloorId floor, const SlabArea& thing) { replace_thing(p, floor, thing); }

ObstacleId add_obstacle(Project& p, FloorId floor, Obstacle thing) {
    return add_thing(p, floor, std::move(thing));
}
void replace_obstacle(Project& p, FloorId floor, const Obstacle& thing) { replace_thing(p, floor, thing); }

CeilingId add_ceiling(Project& p, FloorId floor, CeilingArea thing) {
    return add_thing(p, floor, std::move(thing));
}
void replace_ceiling(Project& p, FloorId floor, const CeilingArea& thing) { replace_thing(p, floor, thing); }

RampId add_ramp(Project& p, FloorId floor, Ramp thing) { return add_thing(p, floor, std::move(thing)); }
void replace_ramp(Project& p, FloorId floor, const Ramp& thing) { replace_thing(p, floor, thing); }

NoteId add_note(Project& p, FloorId floor, Note thing) { return add_thing(p, floor, std::move(thing)); }
void replace_note(Project& p, FloorId floor, const Note& thing) { replace_thing(p, floor, thing); }

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

AccessPointId place_access_point(Project& project, FloorId floor, ModelId model, Point position) {
    const AccessPointId id = add_access_point(project, floor, model, position);
    for (Radio& r : entry(access_points_of(project, floor), id).radios) r.channel_open = true;
    return id;
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

void reset_colours(Project& project, std::string_view lens) {
    std::erase_if(project.display.colours, [&](const LensColours& c) { return c.lens == lens; });
}

void set_colours(Project& project, const LensColours& colours) {
    reset_colours(project, colours.lens);
    project.display.colours.push_back(colours);
}

}  // namespace yemvo
