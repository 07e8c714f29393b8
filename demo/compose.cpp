// SPDX-License-Identifier: GPL-3.0-or-later
#include "antenna/pattern/measured_pattern.h"
#include "antenna/pattern/pattern_file.h"
#include "demo/composer.h"
#include "demo/demo.h"
#include "embedded/drawings.h"
#include "exchange/dxf_reader.h"
#include "project/gear_edits.h"

namespace yemvo::demo {
namespace {

bool is_outdoors(const Zone& z) {
    return z.name == "Terrace" || z.name == "Garden terrace" || z.name == "Bicycle shelter" ||
           z.name == "Glasshouse";
}

/// Taken from the printed charts of its sheet, demo/gear/panel-sheet.pdf.
void add_sector_panel(Project& project) {
    const auto bytes = embedded_drawings("sector-panel.ant");
    const std::string_view text(reinterpret_cast<const char*>(bytes.data()), bytes.size());
    const PatternFile file = read_pattern(text, "sector-panel.ant");
    AntennaModel panel;
    panel.key = "sector-panel";
    panel.name = "Sector panel, 65° beam";
    panel.connector = std::string(1, 'N');
    panel.bands = {{band_5,
                    {file.gain_dbi,
                     MeasuredLobe({"panel-sheet.pdf", PatternFrame::upright, Blend::by_angle, file.cuts})}}};
    panel.body.weight_kg = 1.1;
    panel.body.outdoor = true;
    add_antenna(project, std::move(panel));
}

enum class Part { indoors, outdoors, basement };

std::vector<ZoneId> served_zones(const Project& project, Part part) {
    std::vector<ZoneId> list;
    for (const Floor* f : all_floors(project))
        for (const Zone& z : *f->zones) {
            const Part at = f->elevation_m < -1 ? Part::basement
                            : is_outdoors(z)    ? Part::outdoors
                                                : Part::indoors;
            if (z.kind == ZoneKind::served && at == part) list.push_back(z.id);
        }
    return list;
}

/// What the library agreed on: indoors, in the basement, outdoors where 6 GHz is not
/// allowed, and more for the auditorium.
void add_requirements(Project& project) {
    const BandSet upper = BandSet(band_5).with(band_6), lower = BandSet(band_24).with(band_5);
    project.requirement_sets = {};
    add_requirement_set(project,
                        {{},
                         "Public library",
                         true,
                         served_zones(project, Part::indoors),
                         {},
                         {{{}, "rate_down", upper, 100, 0.95},
                          {{}, "rate_up", upper, 40, 0.95},
                          {{}, "balance", all_bands(), 8, 0.95},
                          {{}, "contention", upper, 1, 0.95},
                          {{}, "snr", all_bands(), 25, 0.95},
                          {{}, "signal", all_bands(), -67, 0.95, false, {{band_24, -70}, {band_6, -70}}},
                          {{}, "next_best", upper, -75, 0.9}}});
    add_requirement_set(project, {{},
                                  "Archive and workshop",
                                  true,
                                  served_zones(project, Part::basement),
                                  {},
                                  {{{}, "snr", lower, 20, 0.95}, {{}, "signal", lower, -70, 0.95}}});
    add_requirement_set(project, {{},
                                  "Outdoors",
                                  true,
                                  served_zones(project, Part::outdoors),
                                  {},
                                  {{{}, "signal", lower, -67, 0.9, true}}});
    RequirementSet hall{{}, "Auditorium", true, {}, {}, {{{}, "snr", band_6, 35, 0.95}}};
    for (const Zone& z : *find_floor(project, "Ground floor")->zones)
        if (z.name == "Auditorium") hall.zones.push_back(z.id);
    add_requirement_set(project, hall);
    add_requirement_set(project, {{},
                                  "Busy hours",
                                  true,
                                  {},
                                  {},
                                  {{{}, "satisfied", all_bands(), 95, 0.95},
                                   {{}, "radio_clients", all_bands(), 80, 1},
                                   {{}, "air_used", all_bands(), 60, 1}}});
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
void lay_printed(Project& project, FloorId floor, const char* file) {
    const double points_a_metre = 1 / metres_per_point(100);
    const Point size =
        Point{building_width_m + 2 * sheet_margin_m, building_depth_m + 2 * sheet_margin_m} * points_a_metre;
    lay_drawing(project, floor, file, DrawingKind::pdf, {{0, 0}, size},
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
    Project project = new_project("Larkfield Library", {LengthUnits::metres, "GB", 1.2, 7}, 3, 4.8);
    add_sector_panel(project);
    project.buildings.front().name = "Library";
    project.buildings.front().axes = {{0, 0}, 0, {16, 8, 11, 8, 17}, {14, 6, 9, 6}};  // as drawn
    const BuildingId library = project.buildings.front().id;
    const FloorId ground = project.buildings.front().floors[0].id,
                  first = project.buildings.front().floors[1].id,
                  second = project.buildings.front().floors[2].id;
    set_floor(project, first, "First floor", 4.8, 4.2);
    set_floor(project, second, "Second floor", 9.0, 3.9);
    set_plate(project, second, Composer::box(0, 0, building_width_m, building_depth_m));
    // access points are numbered as they are placed: from the ground up, the basement last
    compose_ground(Composer(project, ground));
    compose_first(Composer(project, first));
    const BuildingId garden = add_building(project, "Garden", BuildingKind::yard, {1, -4, {61.5, 1.5}});
    const FloorId ground_outside = find_building(project, garden)->floors.front().id;
    set_floor(project, ground_outside, "Garden", -0.15, 6);
    set_slope(project, ground_outside, {-0.035, 0.01});
    compose_garden(Composer(project, ground_outside));
    compose_second(Composer(project, second));
    const FloorId basement = add_floor_below(project, library);
    set_floor(project, basement, "Basement", -3.6, 3.6);
    compose_basement(Composer(project, basement));
    add_requirements(project);
    compose_demand(project);
    compose_cabling(project);
    compose_handover(project);
    return project;
}

Project make_demo() {
    Project project = compose_venue();
    lay_ground(project, find_floor(project, "Ground floor")->id);
    lay_garden(project, find_floor(project, "Garden")->id);
    // laid on the ground floor by two corners of the core
    Alignment alignment{find_floor(project, "Ground floor")->id, {}};
    for (Point p : {Point{24, 20}, {35, 29}}) alignment.pairs.push_back({p, p});
    for (const auto& [floor, file] : {std::pair("First floor", "library-first.pdf"),
                                      {"Second floor", "library-second.pdf"},
                                      {"Basement", "library-basement.pdf"}}) {
        lay_printed(project, find_floor(project, floor)->id, file);
        align_floor(project, find_floor(project, floor)->id, {}, alignment);
    }
    return project;
}

}  // namespace yemvo::demo
