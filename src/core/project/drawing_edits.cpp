// SPDX-License-Identifier: GPL-3.0-or-later
#include <set>

#include "project/edits.h"
#include "project/parts.h"

namespace yemvo {

DrawingId add_drawing(Project& project, FloorId floor, Drawing drawing) {
    drawing.id = new_id<DrawingId>(project);
    floor_of(project, floor).drawings.edit().push_back(drawing);
    return drawing.id;
}

void replace_drawing(Project& project, FloorId floor, const Drawing& drawing) {
    entry(floor_of(project, floor).drawings.edit(), drawing.id) = drawing;
}

void remove_drawing(Project& project, FloorId floor, DrawingId id) {
    erase_id(floor_of(project, floor).drawings.edit(), id);
}

void set_drawing_scale(Project& project, FloorId floor, const Drawing& scaled, Point fixed, bool with_floor) {
    const double before = entry(floor_of(project, floor).drawings.edit(), scaled.id).placement.scale;
    if (with_floor) transform_floor(project, floor, about(fixed, 0, scaled.placement.scale / before));
    replace_drawing(project, floor, scaled);
}

void move_drawing(Project& project, FloorId floor, DrawingId id, int by) {
    auto& list = floor_of(project, floor).drawings.edit();
    const auto at = &entry(list, id) - list.data();
    const auto to = at + by;
    if (to < 0 || to >= static_cast<std::ptrdiff_t>(list.size())) return;
    std::swap(list[static_cast<std::size_t>(at)], list[static_cast<std::size_t>(to)]);
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

void drop_unused_assets(Project& project) {
    std::set<std::string> used;
    for (const Floor* floor : all_floors(project)) {
        for (const Drawing& d : *floor->drawings) {
            used.insert(d.source.asset);
            if (d.earlier) used.insert(d.earlier->source.asset);
        }
        for (const Note& n : *floor->notes) used.insert(n.photo);
    }
    for (const Variant& v : project.variants)
        for (const auto& [floor, list] : v.access_points)
            for (const AccessPoint& ap : *list) used.insert(ap.on_site.photo);
    used.insert(project.handover.report.logo);
    std::erase_if(project.assets, [&](const auto& asset) { return !used.contains(asset.first); });
}

}  // namespace yemvo
