#include "demo/composer.h"
#include "demo/demo.h"
#include "embedded/drawings.h"

namespace yemvo::demo {
namespace {

void require(std::vector<Requirement>& list, Project& project, const char* name, const char* lens,
             BandId band, double limit, double share) {
    list.push_back({new_id<RequirementId>(project), name, lens, band, limit, share, {}});
}

void add_requirements(Project& project) {
    std::vector<Requirement> list;
    require(list, project, "Signal, 2.4 GHz", "signal", band_24, -70, 0.95);
    require(list, project, "Signal, 5 GHz", "signal", band_5, -67, 0.95);
    require(list, project, "Next-best signal, 5 GHz", "next_best", band_5, -72, 0.90);
    require(list, project, "SNR, 5 GHz", "snr", band_5, 25, 0.95);
    for (const Zone& z : *find_floor(project, "Ground floor")->zones)
        if (z.name == "Auditorium")
            list.push_back(
                {new_id<RequirementId>(project), "SNR, 6 GHz, Auditorium", "snr", band_6, 35, 0.95, {z.id}});
    require(list, project, "Signal, 6 GHz", "signal", band_6, -70, 0.95);
    set_requirements(project, std::move(list));
}

void lay_drawing(Project& project, FloorId floor, const char* file) {
    const auto bytes = embedded_drawings(file);
    Drawing d;
    d.asset = add_asset(project, file, Bytes(bytes.begin(), bytes.end()));
    d.width_px = static_cast<int>((building_width_m + 2 * sheet_margin_m) * sheet_px_per_m);
    d.height_px = static_cast<int>((building_depth_m + 2 * sheet_margin_m) * sheet_px_per_m);
    d.placement = {1 / sheet_px_per_m, 0, {-sheet_margin_m, building_depth_m + sheet_margin_m}};
    d.to_scale = true;
    set_drawing(project, floor, d);
}

}  // namespace

void compose_core(Composer& c) {
    c.ring("concrete-200", {{24, 20}, {35, 20}, {35, 29}, {24, 29}});
    c.wall("concrete-200", {{24, 24}, {35, 24}});
    c.wall("concrete-200", {{29.5, 20}, {29.5, 24}});
    c.wall("concrete-200", {{32.2, 20}, {32.2, 24}});
    c.wall("block-aerated", {{29.5, 24}, {29.5, 29}});
    c.door("door-steel", {25.2, 20}, 1.0);
    c.door("door-steel", {30.9, 20}, 1.1);
    c.door("door-steel", {33.6, 20}, 1.1);
    c.door("door-timber", {24, 26.5}, 0.9);
    c.door("door-timber", {35, 26.5}, 0.9, true);
}

Project compose_venue() {
    Project project = new_project("Larkfield Library", {LengthUnits::metres, "GB", 1.2, 7}, 2, 4.8);
    project.buildings.front().name = "Library";
    const FloorId ground = project.buildings.front().floors[0].id,
                  first = project.buildings.front().floors[1].id;
    set_floor(project, first, "First floor", 4.8, 4.2);
    compose_ground(Composer(project, ground));
    compose_first(Composer(project, first));
    add_requirements(project);
    return project;
}

Project make_demo() {
    Project project = compose_venue();
    lay_drawing(project, find_floor(project, "Ground floor")->id, "library-ground.png");
    lay_drawing(project, find_floor(project, "First floor")->id, "library-first.png");
    return project;
}

}  // namespace yemvo::demo
