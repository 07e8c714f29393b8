// SPDX-License-Identifier: GPL-3.0-or-later
// Floors stacked, inserted, duplicated, aligned; buildings and yards on one site; prediction across them.
#include "core/support.h"
#include "coverage/lens_map.h"
#include "coverage/probe.h"
#include "coverage/site_prediction.h"
#include "project/json_project.h"
#include "project/storage.h"
#include "project/validation.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

std::vector<double> elevations(const Project& p) {
    std::vector<double> list;
    for (const Floor& f : p.buildings.front().floors) list.push_back(f.elevation_m);
    return list;
}

std::vector<std::string> names(const Project& p) {
    std::vector<std::string> list;
    for (const Floor& f : p.buildings.front().floors) list.push_back(f.name);
    return list;
}

using Levels = std::vector<double>;
using Names = std::vector<std::string>;

/// The strongest at 5 GHz [dBm].
double received(const Project& p, FloorId floor, Point at) {
    SceneCache masks(1 << 20);
    for (const LinkExplanation& link :
         probe(p, make_scene(p, masks, building_with(p, floor).id), *find_floor(p, floor), at))
        if (link.channel.band == band_5) return link.received_dbm;
    return NAN;
}

}  // namespace

TEST_CASE("floors inserted, added below and duplicated lift what is above them") {
    Project p = new_project("P", {}, 3, 3);
    const FloorId ground = floor_at(p, 0);
    const FloorId made = insert_floor_above(p, ground);
    CHECK(elevations(p) == Levels{0, 3, 6, 9});
    CHECK(p.buildings[0].floors[1].id == made);
    add_floor_below(p, p.buildings[0].id);
    CHECK(elevations(p) == Levels{-3, 0, 3, 6, 9});
    CHECK(names(p).front() == "Basement");
    add_floor(p, p.buildings[0].id);
    CHECK(elevations(p).back() == 12);
    CHECK(names(p).back() == "Fourth floor");
}

TEST_CASE("a copy of a floor has what was chosen, with new ids and numbers") {
    Project p = new_project("P", {}, 2, 3);
    const FloorId ground = floor_at(p, 0);
    wall(p, "concrete-200", {{0, 0}, {5, 0}});
    add_zone(p, ground, {{}, "Z", ZoneKind::served, {{0, 0}, {1, 0}, {1, 1}}});
    add_access_point(p, ground, (*p.models)[0].id, {1, 1});
    const FloorId all = duplicate_floor(p, ground, {true, true, true, true, true});
    const FloorId bare = duplicate_floor(p, ground, {false, true, false, false, false});
    CHECK(find_floor(p, all)->walls->size() == 1);
    CHECK(find_floor(p, all)->walls->front().id != find_floor(p, ground)->walls->front().id);
    REQUIRE(access_points(p, all).size() == 1);
    CHECK(access_points(p, all)[0].number == 2);
    CHECK(find_floor(p, bare)->walls->empty());
    CHECK(find_floor(p, bare)->zones->size() == 1);
    CHECK(access_points(p, bare).empty());
    CHECK(elevations(p) == Levels{0, 3, 6, 9});
    CHECK_NOTHROW(check_references(p));
}

TEST_CASE("floors change places with their heights; a mezzanine goes along with its storey") {
    Project p = new_project("P", {}, 3, 3);
    const FloorId ground = floor_at(p, 0), first = floor_at(p, 1);
    set_floor(p, ground, "Hall", 0, 6);
    CHECK(elevations(p) == Levels{0, 6, 9});
    const FloorId gallery = add_mezzanine(p, ground);
    CHECK(elevations(p) == Levels{0, 3, 6, 9});
    CHECK(floor_above(p, ground)->id == first);
    CHECK(floor_above(p, gallery)->id == first);
    CHECK(floor_below(p, first)->id == gallery);
    move_floor(p, ground, 1);
    CHECK(names(p) == Names{"First floor", "Hall", "Hall mezzanine", "Second floor"});
    CHECK(elevations(p) == Levels{0, 3, 6, 9});
    move_floor(p, ground, 1);
    CHECK(names(p) == Names{"First floor", "Second floor", "Hall", "Hall mezzanine"});
    const Project before = p;
    move_floor(p, ground, 1);
    move_floor(p, gallery, -1);
    CHECK(p == before);
    set_floor(p, ground, "Hall", 6, 8);  // the storey grows: the gallery stays where it stands in it
    CHECK(find_floor(p, gallery)->elevation_m == 9);
    set_floor(p, ground, "Hall", 7, 8);
    CHECK(find_floor(p, gallery)->elevation_m == 10);
}

TEST_CASE("aligning carries everything on the floor along and is remembered") {
    Project p = new_project("P", {}, 2, 3);
    const FloorId upper = floor_at(p, 1), ground = floor_at(p, 0);
    const WallId w = wall(p, "concrete-200", {{0, 0}, {4, 0}}, 0, {}, 1);
    Opening door;
    door.type = find_type(p, "door-timber");
    door.start_m = 1;
    add_opening(p, upper, w, door);
    const AccessPointId ap = add_access_point(p, upper, (*p.models)[0].id, {2, 0});
    Drawing d;
    d.source.sheet = {{0, 0}, {100, 100}};
    d.placement = {0.1, 0, {0, 10}};
    const DrawingId drawing = add_drawing(p, upper, d);
    const Point mark = find_drawing(*find_floor(p, upper), drawing)->to_venue({30, 40});
    const Similarity move = about({1, 1}, 90, 2);
    align_floor(p, upper, move, {ground, {{{0, 0}, move.apply({0, 0})}}});
    const Floor& f = *find_floor(p, upper);
    CHECK(distance(f.walls->front().points[1], move.apply({4, 0})) < 1e-12);
    CHECK(f.walls->front().openings[0].start_m == 2);
    CHECK(distance(find_access_point(p, upper, ap)->position, move.apply({2, 0})) < 1e-12);
    CHECK(find_access_point(p, upper, ap)->azimuth_deg == Approx(270));
    CHECK(distance(find_drawing(f, drawing)->to_venue({30, 40}), move.apply(mark)) < 1e-9);
    REQUIRE(f.alignment);
    CHECK(distance(f.alignment->pairs[0].here, f.alignment->pairs[0].there) < 1e-12);
    remove_floor(p, ground);
    CHECK_FALSE(find_floor(p, upper)->alignment);
}

TEST_CASE("a whole site turned and moved predicts the same, to the last hundredth") {
    Project p = new_project("P", {LengthUnits::metres, "GB", 1.2, 7}, 2, 3);
    const FloorId ground = floor_at(p, 0), first = floor_at(p, 1);
    for (std::size_t i : {0u, 1u})
        wall(p, "brick-half", {{0, 0}, {12, 0}, {12, 9}, {0, 9}, {0, 0}}, 0, {}, i);
    wall(p, "plasterboard", {{6, 0}, {6, 9}});
    add_access_point(p, first, (*p.models)[1].id, {3, 4});
    const BuildingId annex = add_building(p, "Annex", BuildingKind::building, {1, 25, {20, 3}});
    const FloorId in_annex = find_building(p, annex)->floors[0].id;
    Wall w;
    w.type = find_type(p, "concrete-200");
    w.points = {{0, 0}, {8, 0}, {8, 8}, {0, 8}, {0, 0}};
    add_wall(p, in_annex, w);
    AccessPoint ap =
        *find_access_point(p, in_annex, add_access_point(p, in_annex, (*p.models)[3].id, {1, 1}));
    ap.azimuth_deg = 250;
    replace_access_point(p, in_annex, ap);
    Project moved = p;
    const Similarity by{1, 71, {-40, 13}};
    for (Building b : p.buildings) {
        b.placement = compose(by, b.placement);
        set_building(moved, b);
    }
    for (const FloorId f : {ground, first, in_annex})
        for (Point at : {Point{2, 2}, Point{7.3, 6.1}, Point{7.9, 0.4}})
            CHECK(received(moved, f, at) == Approx(received(p, f, at)).margin(1e-6));
}

TEST_CASE("a building predicts what one drawing of all would: walls of both are crossed, turned or not") {
    // one building with two rooms ...
    Project one = one_floor();
    const WallId far_room = wall(one, "concrete-200", {{20, 0}, {28, 0}, {28, 8}, {20, 8}, {20, 0}});
    wall(one, "brick-half", {{0, 0}, {10, 0}, {10, 8}, {0, 8}, {0, 0}});
    isotropic_access_point(one, {5, 4});
    // ... and the second room as a building of its own, a quarter turn and 20 m away
    Project two = one;
    remove_wall(two, floor_at(two, 0), far_room);
    const BuildingId other = add_building(two, "B", BuildingKind::building, {1, 90, {28, 0}});
    const FloorId there = find_building(two, other)->floors[0].id;
    set_floor(two, there, "F", 0, 3);
    Wall w;
    w.type = find_type(two, "concrete-200");
    w.points = {{0, 0}, {8, 0}, {8, 8}, {0, 8}, {0, 0}};
    add_wall(two, there, w);
    for (Point local : {Point{2, 3}, Point{6.2, 5.5}}) {
        const Point on_site = find_building(two, other)->placement.apply(local);
        CHECK(received(two, there, local) == Approx(received(one, floor_at(one, 0), on_site)).margin(1e-6));
    }
    // the map of the turned building is what its probe says
    Predictor predictor;
    const SitePrediction site = predictor.predict(two);
    const FloorPrediction& fp = *site.find(there);
    const Point at{2.25, 3.25};
    CHECK(lens_values(fp, {LensId::signal, band_5})[*fp.surface.cell_at(at)] ==
          Approx(received(two, there, at)).margin(0.05));
}

TEST_CASE("how high a building's zero lies counts: a slab comes between when it is lowered") {
    Project p = one_floor();
    wall(p, "plasterboard", {{0, 0}, {10, 0}, {10, 8}, {0, 8}, {0, 0}});
    isotropic_access_point(p, {5, 4});
    const BuildingId id = add_building(p, "B", BuildingKind::building, {1, 0, {10.5, 0}});
    const FloorId there = find_building(p, id)->floors[0].id;
    set_floor(p, there, "F", 0, 3);
    Wall w;
    w.type = find_type(p, "plasterboard");
    w.points = {{0, 0}, {8, 0}, {8, 8}, {0, 8}, {0, 0}};
    add_wall(p, there, w);
    const double level = received(p, there, {3, 4});
    Building b = *find_building(p, id);
    b.level_m = -4;
    set_building(p, b);
    CHECK(received(p, there, {3, 4}) < level);
}

TEST_CASE("in a yard nothing is a slab, buildings are not its map, and the ground's slope is followed") {
    Project p = one_floor();
    wall(p, "brick-half", {{0, 0}, {10, 0}, {10, 8}, {0, 8}, {0, 0}});
    const BuildingId id = add_building(p, "Yard", BuildingKind::yard, {1, 0, {-5, -5}});
    const FloorId yard = find_building(p, id)->floors[0].id;
    add_zone(p, yard, {{}, "Z", ZoneKind::served, {{0, 0}, {25, 0}, {25, 20}, {0, 20}}});
    set_slope(p, yard, {-0.1, 0});
    isotropic_access_point(p, {5, 4});
    SceneCache masks(1 << 20);
    const Scene scene = make_scene(p, masks, id);
    CHECK(scene.slabs.size() == 1);
    const Surface s = make_surface(p, scene, *find_floor(p, yard));
    CHECK(s.height_m({20, 3}) == Approx(1 - 2));
    Predictor predictor;
    const SitePrediction site = predictor.predict(p);
    const FloorPrediction& fp = *site.find(yard);
    CHECK(fp.mask->inside[*fp.surface.cell_at({2, 2})]);
    CHECK_FALSE(fp.mask->inside[*fp.surface.cell_at({7, 7})]);  // in the building
    CHECK(lens_values(fp, {LensId::signal, band_5})[*fp.surface.cell_at({20.25, 9.25})] ==
          Approx(received(p, yard, {20.25, 9.25})).margin(0.05));
}

TEST_CASE("walls on sloping ground follow it in steps of at most a quarter of a metre") {
    Project p = one_floor();
    const FloorId f = floor_at(p, 0);
    set_slope(p, f, {0.05, 0});
    wall(p, "brick-half", {{0, 0}, {20, 0}}, 0, 2);
    SceneCache masks(1 << 20);
    const Scene scene = make_scene(p, masks);
    REQUIRE(scene.panels.size() == 4);
    for (const ScenePanel& panel : scene.panels) {
        CHECK(panel.base_m == Approx(0.05 * (panel.a.x + panel.b.x) / 2));
        CHECK(panel.top_m - panel.base_m == Approx(2));
    }
    CHECK(scene.panels.back().b == Point{20, 0});
}

TEST_CASE("a plate bounds the slab of a mezzanine: beside it there is none") {
    Project p = new_project("P", {LengthUnits::metres, "GB", 1, 7}, 1, 6);
    const FloorId hall = floor_at(p, 0);
    wall(p, "brick-half", {{0, 0}, {20, 0}, {20, 10}, {0, 10}, {0, 0}});
    const FloorId gallery = add_mezzanine(p, hall);
    set_plate(p, gallery, {{0, 0}, {8, 0}, {8, 10}, {0, 10}});
    isotropic_access_point(p, {4, 5}, 1, 1);  // on the gallery, over its slab
    SceneCache masks(1 << 20);
    const Scene scene = make_scene(p, masks);
    const SceneSlab& slab = scene.slabs.back();
    CHECK(slab.row_at({4, 5}));
    CHECK_FALSE(slab.row_at({12, 5}));
    const Surface s = make_surface(p, scene, *find_floor(p, gallery));
    CHECK(s.box().high.x == Approx(8));
}

TEST_CASE("floors of the same name are told apart by their building") {
    Project p = one_floor();
    CHECK(floor_title(p, *all_floors(p)[0]) == "Ground floor");
    add_building(p, "North wing", BuildingKind::building, {});
    add_building(p, "Court", BuildingKind::yard, {});
    CHECK(floor_title(p, *all_floors(p)[1]) == "North wing, Ground floor");
    CHECK(floor_title(p, *all_floors(p)[2]) == "Court");
    CHECK(find_floor(p, "North wing, Ground floor")->id == floor_at(p, 1));
    CHECK(find_floor(p, "Court")->id == floor_at(p, 2));
    CHECK_THROWS(remove_building(p, BuildingId{9999}));
}

TEST_CASE("a file of format 1 opens: its picture becomes the floor's drawing, its building the only one") {
    Project p = one_floor();
    std::string text = project_to_json(p);
    auto json = nlohmann::ordered_json::parse(text);
    json["version"] = 1;
    json["requirements"] = {{{"id", 900},
                             {"name", "Signal, 5 GHz"},
                             {"lens", "signal"},
                             {"band_ghz", "5"},
                             {"limit", -65},
                             {"share_required", 0.9},
                             {"zones", nlohmann::json::array()}}};
    json["next_id"] = 901;
    json.erase("requirement_sets");
    json.erase("clients");
    json["settings"].erase("client");
    auto& building = json["buildings"][0];
    for (const char* key : {"kind", "placement", "level_m"}) building.erase(key);
    auto& floor = building["floors"][0];
    for (const char* key : {"mezzanine", "slope", "plate", "drawings"}) floor.erase(key);
    floor["drawing"] = {{"asset", "plan.png"},
                        {"width_px", 640},
                        {"height_px", 480},
                        {"placement", {{"metres_per_px", 0.05}, {"turn_deg", 0}, {"shift_m", {0, 24}}}},
                        {"to_scale", true},
                        {"opacity", 0.4}};
    const Project read = project_from_json(json.dump());
    const Floor& f = *all_floors(read)[0];
    REQUIRE(f.drawings->size() == 1);
    const Drawing& d = f.drawings->front();
    CHECK(d.id.value >= 901);
    CHECK(read.next_id > d.id.value);
    CHECK(d.to_scale());
    CHECK(d.opacity == 0.4);
    CHECK(d.to_venue({640, 480}) == Point{32, 0});
    REQUIRE(read.requirement_sets->size() == 1);
    CHECK(read.requirement_sets->front().is_everywhere());
    CHECK(read.requirement_sets->front().requirements.front().bands == BandSet(band_5));
    CHECK(read.requirement_sets->front().requirements.front().limit == -65);
    CHECK(read.clients->size() == p.clients->size());
    CHECK_NOTHROW(project_from_json(project_to_json(read)));
}

TEST_CASE("an asset that no drawing uses any more is not saved; an older revision's is") {
    const TemporaryFolder folder;
    Project p = one_floor();
    for (const char* name : {"a.png", "b.png", "c.png"})
        add_asset(p, name, Bytes(3, static_cast<std::byte>(name[0])));
    Drawing d;
    d.source.asset = "b.png";
    d.source.sheet = {{0, 0}, {10, 10}};
    d.earlier = EarlierRevision{d.source, {}, d.placement};
    d.earlier->source.asset = "a.png";
    add_drawing(p, floor_at(p, 0), d);
    save_project(p, folder / "p.yemvo");
    const Project read = load_project(folder / "p.yemvo").project;
    CHECK(read.assets.contains("a.png"));
    CHECK(read.assets.contains("b.png"));
    CHECK_FALSE(read.assets.contains("c.png"));
}

TEST_CASE("outer walls by size measure that size outside") {
    Project p = one_floor();
    add_outer_walls(p, floor_at(p, 0), find_type(p, "brick-cavity"), 20, 12);
    const Wall& w = find_floor(p, floor_at(p, 0))->walls->front();
    const Box box = *bounds(w.points);
    const double thick = wall_type(p, w.type).thickness_m;
    CHECK(box.width() + thick == Approx(20));
    CHECK(box.height() + thick == Approx(12));
}
