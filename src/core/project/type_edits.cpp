// SPDX-License-Identifier: GPL-3.0-or-later
#include <stdexcept>

#include "project/edits.h"
#include "project/items.h"
#include "project/parts.h"

namespace yemvo {

WallTypeId add_wall_type(Project& project, WallType type) {
    type.id = new_id<WallTypeId>(project);
    const std::string wanted = type.key;
    for (int n = 2; find_type(project, type.key); ++n) type.key = wanted + "-" + std::to_string(n);
    project.wall_types.edit().push_back(type);
    return type.id;
}

void replace_wall_type(Project& project, const WallType& type) {
    entry(project.wall_types.edit(), type.id) = type;
}

void remove_wall_type(Project& project, WallTypeId id) {
    if (!uses_of_type(project, id).empty()) throw std::logic_error("a type in use");
    erase_id(project.wall_types.edit(), id);
}

void use_other_type(Project& project, WallTypeId from, WallTypeId to) {
    for (const TypeSite& site : uses_of_type(project, from)) {
        if (site.item)
            set_type(project, site.floor, *site.item, to);
        else
            floor_of(project, site.floor).slab.edit().type = to;
    }
}

void add_shaft(Project& project, FloorId lowest, FloorId highest, const std::string& name, WallTypeId type,
               const std::vector<Point>& outline) {
    const Building building = building_of(project, lowest);
    const double foot_m = floor_of(project, lowest).elevation_m,
                 top_m = floor_of(project, highest).elevation_m;
    for (const Floor& f : building.floors) {
        if (f.elevation_m < foot_m || f.elevation_m > top_m) continue;
        Wall wall;
        wall.type = type;
        wall.points = outline;
        wall.points.push_back(outline.front());
        std::vector<Item> made{{ItemKind::wall, add_wall(project, f.id, wall).value}};
        made.push_back(
            {ItemKind::zone, add_zone(project, f.id, {{}, name, ZoneKind::not_needed, outline}).value});
        if (f.elevation_m > foot_m)
            made.push_back({ItemKind::slab_void, add_void(project, f.id, {{}, name, outline}).value});
        group_items(project, f.id, made);
    }
}

void set_waivers(Project& project, std::vector<Waiver> waivers) { project.waivers = std::move(waivers); }

}  // namespace yemvo
