// SPDX-License-Identifier: GPL-3.0-or-later
// Links worked out by hand: what stands in the way, where it is crossed, and what it takes at 5.5 GHz. At
// square entry's loss; angles have their own test (angle_law_test.cpp).
#include "core/support.h"
#include "propagation/shadow_raster.h"
#include "propagation/surface.h"
#include "propagation/trace.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

/// Loss at 5 GHz between two places, by the walk; the raster must say the same where a cell of its lies.
double loss_db_between(const Project& p, Point3 from, Point3 to) {
    SceneCache masks(1 << 22);
    const Scene scene = make_scene(p, masks);
    const double walked = obstruction_db(scene, trace(scene, from, to), band_5);
    Surface s;
    s.floor = scene.floors.front().floor;
    s.z0 = to.z;
    s.origin = to.flat() - Point{0.05, 0.05};
    s.cell_m = 0.1;
    s.columns = s.rows = 1;
    const double drawn = double{cast_shadows(scene, s, from, {}, no_limit_db).by_band[band_5.index].at(0)};
    CHECK(drawn == Approx(walked).margin(1e-3));
    return walked;
}

Opening door(const Project& p, const char* type, double start_m, double width_m = 1) {
    Opening o;
    o.type = find_type(p, type);
    o.start_m = start_m;
    o.width_m = width_m;
    o.head_m = 2.1;
    return o;
}

void outer_walls(Project& p, std::size_t floor) {
    wall(p, "brick-half", {{0, 0}, {20, 0}, {20, 10}, {0, 10}, {0, 0}}, 0, {}, floor);
}

ObstacleId obstacle(Project& p, const char* type, std::vector<Point> outline, double base_m, double top_m) {
    return add_obstacle(
        p, floor_at(p, 0),
        {{}, "", ObstacleKind::other, find_type(p, type), std::move(outline), false, base_m, top_m});
}

}  // namespace

TEST_CASE("a closed steel door takes its 20 dB, an open one nothing, the wall over it its own 8") {
    Project p = at_square_entry(one_floor());
    const WallId id = wall(p, "brick-half", {{5, 0}, {5, 10}});
    OpeningId way = add_opening(p, floor_at(p, 0), id, door(p, "door-steel", 4.5));
    CHECK(loss_db_between(p, {2, 5, 1}, {8, 5, 1}) == Approx(20));
    Opening open = *find_opening(*find_wall(*find_floor(p, floor_at(p, 0)), id), way);
    open.open = true;
    replace_opening(p, floor_at(p, 0), id, open);
    CHECK(loss_db_between(p, {2, 5, 1}, {8, 5, 1}) == Approx(0).margin(1e-9));
    CHECK(loss_db_between(p, {2, 5, 2.5}, {8, 5, 2.5}) == Approx(8));  // over the head at 2.1 m
    CHECK(loss_db_between(p, {2, 8, 1}, {8, 8, 1}) == Approx(8));      // beside the door
}

TEST_CASE("over a partition the ray is free, under its top it is not") {
    Project p = at_square_entry(one_floor());
    wall(p, "screen", {{5, 0}, {5, 10}}, 0, 1.5);
    // from 2.5 m down to 1 m over 6 m: half way it is 1.75 m up, over the 1.5 m
    CHECK(loss_db_between(p, {2, 5, 2.5}, {8, 5, 1}) == Approx(0).margin(1e-9));
    CHECK(loss_db_between(p, {2, 5, 1.9}, {8, 5, 1}) == Approx(3));  // 1.45 m: through it
}

TEST_CASE("through a window band between sill and head") {
    Project p = at_square_entry(one_floor());
    const WallId id = wall(p, "concrete-200", {{5, 0}, {5, 10}});
    Opening band = door(p, "window-coated", 0, 10);
    band.kind = OpeningKind::window;
    band.sill_m = 0.9;
    band.head_m = 2.2;
    add_opening(p, floor_at(p, 0), id, band);
    CHECK(loss_db_between(p, {2, 5, 1.5}, {8, 5, 1.5}) == Approx(28));
    CHECK(loss_db_between(p, {2, 5, 0.5}, {8, 5, 0.5}) == Approx(27));
    CHECK(loss_db_between(p, {2, 5, 2.6}, {8, 5, 2.6}) == Approx(27));
}

TEST_CASE("along a racking row by the metre, across it by its depth, over it for nothing") {
    Project p = one_floor(8);
    obstacle(p, "racking-dry", {{2, 4}, {8, 4}, {8, 5.2}, {2, 5.2}}, 0, 4);
    CHECK(loss_db_between(p, {5, 2, 1}, {5, 8, 1}) == Approx(7.0 * 1.2).margin(1e-2));
    CHECK(loss_db_between(p, {0, 4.6, 1}, {10, 4.6, 1}) ==
          Approx(7.0 * 6).margin(1e-2));  // 42 dB, below its 45
    CHECK(loss_db_between(p, {5, 2, 6}, {5, 8, 6}) == Approx(0).margin(1e-9));
    // falling by 0.6 m a metre from 6.5 m: below the row's 4 m from y = 4.17 on, out of it at y = 5.2
    const double way_m = (5.2 - 2.5 / 0.6) * std::hypot(1, 0.6);
    CHECK(loss_db_between(p, {5, 0, 6.5}, {5, 10, 0.5}) == Approx(7.0 * way_m).margin(0.1));
    // a receiver in the row has paid for its part of it only
    CHECK(loss_db_between(p, {5, 2, 1}, {5, 4.55, 1}) == Approx(7.0 * 0.55).margin(0.02));
}

TEST_CASE("a crowd saturates by ITU-R P.833's law and ends at head height") {
    Project p = at_square_entry(one_floor());
    obstacle(p, "crowd", {{2, 0}, {22, 0}, {22, 10}, {2, 10}}, 0, 1.7);
    CHECK(loss_db_between(p, {0, 5, 1.2}, {24, 5, 1.2}) ==
          Approx(20 * (1 - std::exp(-1.5 * 20 / 20.0))).margin(1e-2));
    CHECK(loss_db_between(p, {0, 5, 1.9}, {24, 5, 1.9}) == Approx(0).margin(1e-9));
}

TEST_CASE("past a column nothing, through it its metres, at most what passes round it") {
    Project p = at_square_entry(one_floor());
    add_obstacle(
        p, floor_at(p, 0),
        {{}, "", ObstacleKind::column, find_type(p, "column-concrete"), {{5, 5}, {5.1, 5}}, true, 0, {}});
    CHECK(loss_db_between(p, {2, 5.2, 1}, {8, 5.2, 1}) == Approx(0).margin(1e-9));
    CHECK(loss_db_between(p, {2, 5, 1}, {8, 5, 1}) == Approx(135 * 0.2).margin(0.6));  // round, of 24 corners
    obstacle(p, "column-concrete", {{4, 7}, {5, 7}, {5, 8}, {4, 8}}, 0, 3);
    CHECK(loss_db_between(p, {2, 7.5, 1}, {8, 7.5, 1}) == Approx(40));
}

TEST_CASE("between floors: slab, void, an area of another type") {
    Project p = at_square_entry(new_project("T", {}, 2, 3));
    outer_walls(p, 0);
    outer_walls(p, 1);
    const FloorId upper = floor_at(p, 1);
    add_void(p, upper, {{}, "Atrium", {{8, 3}, {12, 3}, {12, 7}, {8, 7}}});
    add_slab_area(p, upper,
                  {{}, "Glass floor", find_type(p, "slab-timber"), {{2, 2}, {6, 2}, {6, 8}, {2, 8}}});
    CHECK(loss_db_between(p, {10, 5, 5}, {10.4, 5, 1}) == Approx(0).margin(1e-9));
    CHECK(loss_db_between(p, {4, 5, 5}, {4.4, 5, 1}) == Approx(8));
    CHECK(loss_db_between(p, {16, 5, 5}, {16.4, 5, 1}) == Approx(33));
}

TEST_CASE("under a suspended ceiling, above it, and beside it") {
    Project p = one_floor(4);
    const CeilingId id =
        add_ceiling(p, floor_at(p, 0),
                    {{}, "", {{0, 0}, {10, 0}, {10, 10}, {0, 10}}, 2.7, find_type(p, "ceiling-metal")});
    CHECK(loss_db_between(p, {2, 5, 2.6}, {8, 5, 1}) == Approx(0).margin(1e-9));
    CHECK(loss_db_between(p, {2, 5, 3.2}, {8, 5, 1}) == Approx(18));
    CHECK(loss_db_between(p, {12, 5, 3.2}, {16, 5, 1}) == Approx(0).margin(1e-9));
    CeilingArea bare = *find_ceiling(*find_floor(p, floor_at(p, 0)), id);
    bare.type.reset();
    replace_ceiling(p, floor_at(p, 0), bare);
    CHECK(loss_db_between(p, {2, 5, 3.2}, {8, 5, 1}) == Approx(0).margin(1e-9));
}

TEST_CASE("a wall up to the ceiling ends there, and reaches the slab where no ceiling hangs") {
    Project p = one_floor(4);
    add_ceiling(p, floor_at(p, 0), {{}, "", {{0, 0}, {20, 0}, {20, 5}, {0, 5}}, 2.7, std::nullopt});
    Wall w;
    w.type = find_type(p, "plasterboard");
    w.points = {{5, 0}, {5, 10}};
    w.to_ceiling = true;
    add_wall(p, floor_at(p, 0), w);
    CHECK(loss_db_between(p, {2, 3, 2.5}, {8, 3, 2.5}) == Approx(3.5));
    CHECK(loss_db_between(p, {2, 3, 3.2}, {8, 3, 3.2}) == Approx(0).margin(1e-9));
    CHECK(loss_db_between(p, {2, 8, 3.2}, {8, 8, 3.2}) == Approx(3.5));
}

TEST_CASE("under a ramp and on it, where it has risen enough, and beside it") {
    Project p = at_square_entry(one_floor(8));
    // from (0, 2) up to (20, 2) by 4 m, 4 m wide: at x the surface is at x / 5
    add_ramp(p, floor_at(p, 0),
             {{}, "", find_type(p, "slab-timber"), {{0, 4}, {0, 0}, {20, 0}, {20, 4}}, 0.15, 4});
    CHECK(loss_db_between(p, {15, 2, 6}, {15.2, 2, 1}) == Approx(8));                 // through it
    CHECK(loss_db_between(p, {15, 2, 6}, {15.2, 2, 3.6}) == Approx(0).margin(1e-9));  // both above
    CHECK(loss_db_between(p, {15, 2, 2.2}, {10, 2, 1}) == Approx(0).margin(1e-9));    // both below
    CHECK(loss_db_between(p, {15, 6, 6}, {15.2, 6, 1}) == Approx(0).margin(1e-9));    // beside
    CHECK(loss_db_between(p, {2, 2, 2.5}, {18, 2, 2.5}) ==
          Approx(8));  // level, into the ramp from above at 12.5 m
}

TEST_CASE("a beam is met above its base only") {
    Project p = one_floor(4);
    wall(p, "concrete-200", {{5, 0}, {5, 10}}, 3.2, {});
    CHECK(loss_db_between(p, {2, 5, 2.5}, {8, 5, 1}) == Approx(0).margin(1e-9));
    CHECK(loss_db_between(p, {2, 5, 3.6}, {8, 5, 3.6}) == Approx(27));
}

TEST_CASE("from outdoors through the outer wall, and across to another building through both") {
    Project p = at_square_entry(one_floor());
    outer_walls(p, 0);
    CHECK(loss_db_between(p, {-5, 5, 2}, {5, 5, 1}) == Approx(8));
    const BuildingId other = add_building(p, "Annexe", BuildingKind::building, {1, 90, {60, 0}});
    const FloorId ground = find_building(p, other)->floors.front().id;
    Wall w;
    w.type = find_type(p, "plasterboard");
    w.points = {{0, 0}, {10, 0}, {10, 10}, {0, 10}, {0, 0}};
    add_wall(p, ground, w);
    // turned by 90 degrees and shifted the annexe covers x 50 to 60, y 0 to 10 of the site
    CHECK(loss_db_between(p, {5, 5, 2}, {55, 5.3, 2}) == Approx(8 + 3.5));
    CHECK(loss_db_between(p, {5, 5, 2}, {70, 5.3, 2}) == Approx(8 + 3.5 + 3.5));
}

TEST_CASE("an arc is crossed where it runs, once or twice, and has doors like any wall") {
    Project p = at_square_entry(one_floor());
    Wall w;
    w.type = find_type(p, "plasterboard");
    w.points = {{5, 0}, {5, 10}};
    w.bulges = {1};  // half a circle of 5 m turning left from (5, 0) to (5, 10): it runs over (10, 5)
    const WallId id = add_wall(p, floor_at(p, 0), w);
    CHECK(length_m(w) == Approx(5 * 3.14159265).epsilon(1e-6));
    CHECK(loss_db_between(p, {7, 5, 1}, {12, 5, 1}) == Approx(3.5));
    CHECK(loss_db_between(p, {4, 5, 1}, {9.5, 5, 1}) == Approx(0).margin(1e-9));
    CHECK(loss_db_between(p, {8.5, -2, 1}, {8.5, 12, 1}) == Approx(7));
    Opening gap = door(p, "door-steel", length_m(w) / 2 - 0.5);
    gap.open = true;
    add_opening(p, floor_at(p, 0), id, gap);
    CHECK(loss_db_between(p, {7, 5, 1}, {12, 5, 1}) == Approx(0).margin(1e-9));
}

TEST_CASE(
    "at every cell the raster takes what the walk takes, with obstacles, ceilings, arcs and patches about") {
    Project p = new_project("T", {}, 2, 3.2);
    outer_walls(p, 0);
    outer_walls(p, 1);
    Wall bow;
    bow.type = find_type(p, "glass-partition");
    bow.points = {{3, 2}, {12, 3}, {15, 8}};
    bow.bulges = {0.4, -0.3};
    bow.to_ceiling = true;
    add_wall(p, floor_at(p, 0), bow);
    obstacle(p, "racking-dry", {{6, 5}, {9, 5}, {9, 8}, {8, 8}, {8, 6}, {6, 6}}, 0, 2.2);  // an L
    obstacle(p, "foliage", {{1, 6}, {4, 6}, {4, 9}, {1, 9}}, 0.3, 1.4);
    add_ceiling(p, floor_at(p, 0),
                {{}, "", {{0, 0}, {11, 0}, {11, 10}, {0, 10}}, 2.6, find_type(p, "ceiling-mineral")});
    add_slab_area(p, floor_at(p, 1), {{}, "", find_type(p, "slab-timber"), {{5, 1}, {14, 1}, {14, 9}}});
    add_ramp(p, floor_at(p, 0),
             {{}, "", find_type(p, "slab-hollow-core"), {{14, 2}, {18, 3}, {17, 9}, {13, 8}}, 0, 2.8});
    SceneCache masks(1 << 22);
    const Scene scene = make_scene(p, masks);
    const Surface s = make_surface(p, scene, *find_floor(p, floor_at(p, 0)), 0.25);
    for (const Point3 source :
         {Point3{2, 2, 2.4}, Point3{7, 7.5, 2.9}, Point3{13, 5, 5.9}, Point3{7, 5.5, 1}}) {
        const Obstruction drawn = cast_shadows(scene, s, source, {}, no_limit_db);
        std::size_t differ = 0;
        for (std::size_t i = 0; i < s.cells(); ++i) {
            const double walked =
                obstruction_db(scene, trace(scene, source, s.receiver(s.centre(i))), band_6);
            differ += std::abs(walked - double{drawn.by_band[band_6.index].at(i)}) > 0.01;
        }
        CHECK(differ == 0);
    }
}
