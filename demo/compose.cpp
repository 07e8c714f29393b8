#include "demo/composer.h"
#include "demo/demo.h"
#include "embedded/drawings.h"
#include "exchange/dxf_reader.h"

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

/// A drawing as the preparation page would lay it, to scale.
void lay_drawing(Project& project, FloorId floor, const char* file, DrawingKind kind, Box sheet,
                 Similarity placement, ScaleBy by, double opacity = 0.55) {
    const auto bytes = embedded_drawings(file);
    Drawing d;
    d.name = file;
    d.source.asset = add_asset(project, file, Bytes(bytes.begin(), bytes.end()));
    d.source.kind = kind;
    d.source.sheet = sheet;
    d.placement = placement;
    d.scale_by = by;
    d.opacity = opacity;
    add_drawing(project, floor, d);
}

/// The architect's CAD drawing of the ground floor, in millimetres from the building's zero.
void lay_ground(Project& project, FloorId floor) {
    const char* file = "library-ground.dxf";
    const auto bytes = embedded_drawings(file);
    const CadDrawing cad = read_dxf(Bytes(bytes.begin(), bytes.end()), file);
    const Box box = *shown_box(cad, {});
    lay_drawing(project, floor, file, DrawingKind::dxf, {{box.low.x, -box.high.y}, {box.high.x, -box.low.y}},
                {*cad.unit_m, 0, {}}, ScaleBy::file_units, 0.9);
}

/// Printed at 1:100, its margins round the building.
void lay_first(Project& project, FloorId floor) {
    const double points_a_metre = 1 / metres_per_point(100);
    const Point size =
        Point{building_width_m + 2 * sheet_margin_m, building_depth_m + 2 * sheet_margin_m} * points_a_metre;
    lay_drawing(project, floor, "library-first.pdf", DrawingKind::pdf, {{0, 0}, size},
                {1 / points_a_metre, 0, {-sheet_margin_m, building_depth_m + sheet_margin_m}},
                ScaleBy::printed_ratio);
}

void lay_garden(Project& project, FloorId floor) {
    const Point size =
        Point{garden_width_m + 2 * sheet_margin_m, garden_depth_m + 2 * sheet_margin_m} * sheet_px_per_m;
    lay_drawing(project, floor, "library-garden.png", DrawingKind::picture, {{0, 0}, size},
                {1 / sheet_px_per_m, 0, {-sheet_margin_m, garden_depth_m + sheet_margin_m}},
                ScaleBy::lengths);
    Drawing d = find_floor(project, floor)->drawings->front();
    d.lengths = {{d.to_sheet({0, 33}), d.to_sheet({28, 33}), 28}};
    replace_drawing(project, floor, d);
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
    const BuildingId garden = add_building(project, "Garden", BuildingKind::yard, {1, -4, {61.5, 1.5}});
    const FloorId ground_outside = find_building(project, garden)->floors.front().id;
    set_floor(project, ground_outside, "Garden", -0.15, 6);
    set_slope(project, ground_outside, {-0.035, 0.01});
    compose_garden(Composer(project, ground_outside));
    add_requirements(project);
    return project;
}

Project make_demo() {
    Project project = compose_venue();
    lay_ground(project, find_floor(project, "Ground floor")->id);
    lay_first(project, find_floor(project, "First floor")->id);
    lay_garden(project, find_floor(project, "Garden")->id);
    // laid on each other by two corners of the core
    Alignment alignment{find_floor(project, "Ground floor")->id, {}};
    for (Point p : {Point{24, 20}, {35, 29}}) alignment.pairs.push_back({p, p});
    align_floor(project, find_floor(project, "First floor")->id, {}, alignment);
    return project;
}

}  // namespace yemvo::demo
