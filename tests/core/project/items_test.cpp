// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/support.h"
#include "demo/demo.h"
#include "project/clipping.h"
#include "project/validation.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

struct Furnished {
    Project p = one_floor();
    FloorId at = floor_at(p, 0);
    Item wall, door, obstacle, zone, ceiling, ap, note;
    Furnished() {
        Wall w;
        w.type = find_type(p, "plasterboard");
        w.points = {{0, 0}, {6, 0}};
        wall = {ItemKind::wall, add_wall(p, at, w).value};
        Opening o;
        o.type = find_type(p, "door-timber");
        o.start_m = 1;
        door = {ItemKind::opening, add_opening(p, at, WallId{wall.id}, o).value, wall.id};
        obstacle = {ItemKind::obstacle, add_obstacle(p, at,
                                                     {{},
                                                      "Stack",
                                                      ObstacleKind::shelving,
                                                      find_type(p, "stack-books"),
                                                      {{1, 1}, {3, 1}, {3, 2}, {1, 2}}})
                                            .value};
        zone = {ItemKind::zone,
                add_zone(p, at, {{}, "Hall", ZoneKind::served, {{0, 0}, {6, 0}, {6, 4}, {0, 4}}}).value};
        ceiling = {
            ItemKind::ceiling,
            add_ceiling(p, at,
                        {{}, "Low", {{0, 0}, {3, 0}, {3, 4}, {0, 4}}, 2.4, find_type(p, "ceiling-mineral")})
                .value};
        ap = {ItemKind::access_point, add_access_point(p, at, p.models->front().id, {2, 2}).value};
        note = {ItemKind::note, add_note(p, at, {{}, "Check the riser", {4, 3}, ""}).value};
    }
    const Floor& floor() const { return *find_floor(p, at); }
};

}  // namespace

TEST_CASE("things move together, turn, and are mirrored with their doors") {
    Furnished f;
    move_items(f.p, f.at, {f.wall, f.obstacle, f.note}, shifted({1, 2}));
    CHECK(find_wall(f.floor(), WallId{f.wall.id})->points[0] == Point{1, 2});
    CHECK(find_note(f.floor(), NoteId{f.note.id})->position == Point{5, 5});
    move_items(f.p, f.at, {f.wall}, turned({1, 2}, 90));
    const Wall up = *find_wall(f.floor(), WallId{f.wall.id});
    CHECK(distance(up.points[1], {1, 8}) < 1e-9);
    move_items(f.p, f.at, {f.wall}, mirrored({0, 0}, {0, 1}));
    const Wall left = *find_wall(f.floor(), WallId{f.wall.id});
    CHECK(distance(left.points[1], {-1, 8}) < 1e-9);
    CHECK(left.openings[0].swings_left != up.openings[0].swings_left);
    // across any line, twice, everything is where it was
    const Project before = f.p;
    for (int i = 0; i < 2; ++i) move_items(f.p, f.at, {f.wall, f.ap}, mirrored({3, 1}, {5, 7}));
    CHECK(distance(find_wall(f.floor(), WallId{f.wall.id})->points[1], left.points[1]) < 1e-9);
    CHECK(find_wall(f.floor(), WallId{f.wall.id})->openings == left.openings);
    CHECK(find_access_point(f.p, f.at, AccessPointId{f.ap.id})->azimuth_deg ==
          Approx(find_access_point(before, f.at, AccessPointId{f.ap.id})->azimuth_deg).margin(1e-9));
}

TEST_CASE("a door slides along its wall and stops at its ends") {
    Furnished f;
    move_items(f.p, f.at, {f.door}, shifted({2, 9}));
    CHECK(find_opening(*find_wall(f.floor(), WallId{f.wall.id}), OpeningId{f.door.id})->start_m == Approx(3));
    move_items(f.p, f.at, {f.door}, shifted({20, 0}));
    CHECK(find_opening(*find_wall(f.floor(), WallId{f.wall.id}), OpeningId{f.door.id})->start_m ==
          Approx(5.1));
    move_items(f.p, f.at, {f.wall, f.door}, shifted({1, 0}));  // carried by its wall, not slid as well
    CHECK(find_opening(*find_wall(f.floor(), WallId{f.wall.id}), OpeningId{f.door.id})->start_m ==
          Approx(5.1));
}

TEST_CASE("access points hang where the ceiling is, and keep to it when moved") {
    Furnished f;
    CHECK(find_access_point(f.p, f.at, AccessPointId{f.ap.id})->height_m == Approx(2.35));
    move_items(f.p, f.at, {f.ap}, shifted({3, 0}));
    CHECK(find_access_point(f.p, f.at, AccessPointId{f.ap.id})->height_m == Approx(2.7));
    move_items(f.p, f.at, {f.ap}, shifted({-3, 0}));
    CHECK(find_access_point(f.p, f.at, AccessPointId{f.ap.id})->height_m == Approx(2.35));
}

TEST_CASE("what is grouped is chosen together, and a copy is a group of its own") {
    Furnished f;
    group_items(f.p, f.at, {f.wall, f.obstacle, f.zone});
    CHECK(with_groups(f.p, f.floor(), {f.obstacle}).size() == 3);
    const auto made =
        paste(f.p, f.at, clip(f.p, f.floor(), with_groups(f.p, f.floor(), {f.wall})), shifted({10, 0}));
    CHECK(made.size() == 3);
    CHECK(group_of(f.floor(), made[0]) == group_of(f.floor(), made[1]));
    CHECK_FALSE(group_of(f.floor(), made[0]) == group_of(f.floor(), f.wall));
    ungroup_items(f.p, f.at, {f.wall});
    CHECK(with_groups(f.p, f.floor(), {f.obstacle}).size() == 1);
    CHECK_NOTHROW(check_references(f.p));
}

TEST_CASE("all of a type on a floor and everywhere") {
    Project p = demo::make_demo();
    const Floor& ground = *all_floors(p)[0];
    const Wall& first = ground.walls->front();
    const auto here = alike(p, ground, {ItemKind::wall, first.id.value}, ground);
    std::size_t same = 0;
    for (const Wall& w : *ground.walls) same += w.type == first.type;
    CHECK(here.size() == same);
    for (const Item& i : here) set_type(p, ground.id, i, find_type(p, "tent-wall"));
    CHECK(uses_of_type(p, find_type(p, "tent-wall")).size() == same);
}

TEST_CASE("what is copied arrives whole in another project, with its types and models, under new ids") {
    Furnished f;
    WallType own = wall_type(f.p, find_type(f.p, "plasterboard"));
    own.key = "own-wall";
    own.name = "Own wall";
    set_type(f.p, f.at, f.wall, add_wall_type(f.p, own));
    const Clipping clipped = clip(f.p, f.floor(), all_items(f.p, f.floor()));
    const Clipping read = clipping_from_json(clipping_to_json(clipped));
    Project other = new_project("Other", {}, 2, 3);
    const auto made = paste(other, floor_at(other, 1), read, shifted({100, 0}));
    CHECK(made.size() == 6);
    CHECK_NOTHROW(check_references(other));
    const Floor& there = *find_floor(other, floor_at(other, 1));
    CHECK(wall_type(other, there.walls->front().type).name == "Own wall");
    CHECK(there.walls->front().openings.size() == 1);
    CHECK(there.walls->front().points[0] == Point{100, 0});
    CHECK(there.obstacles->front().type == find_type(other, "stack-books"));
    paste(other, floor_at(other, 0), read, shifted({0, 0}));  // a second time no type is made twice
    std::size_t own_types = 0;
    for (const WallType& t : *other.wall_types) own_types += t.name == "Own wall";
    CHECK(own_types == 1);
}

TEST_CASE("a clipboard with something else in it is refused with a reason") {
    for (const char* text : {"", "hello", "{}", "[1]", R"({"format":"yemvo-clipping"})",
                             "{\"format\":\"yemvo-clipping\",\"walls\":[{}]}"})
        CHECK_THROWS_AS(clipping_from_json(text), Error);
    Furnished f;
    std::string text = clipping_to_json(clip(f.p, f.floor(), {f.wall}));
    const std::string types = "\"wall_types\":[";
    text = text.substr(0, text.find(types)) + "\"wall_types\":[],\"models\":[]}";
    CHECK_THROWS_WITH(clipping_from_json(text), Catch::Contains("lacks wall type"));
}

TEST_CASE("one type in place of another, everywhere; one in use cannot be removed") {
    Project p = demo::make_demo();
    const WallTypeId from = find_type(p, "slab-concrete-300"), to = find_type(p, "slab-hollow-core");
    const std::size_t uses = uses_of_type(p, from).size();
    REQUIRE(uses > 0);
    const std::size_t before = uses_of_type(p, to).size();
    CHECK_THROWS_AS(remove_wall_type(p, from), std::logic_error);
    use_other_type(p, from, to);
    CHECK(uses_of_type(p, to).size() == before + uses);
    CHECK_NOTHROW(remove_wall_type(p, from));
    CHECK_NOTHROW(check_references(p));
}

TEST_CASE("a shaft runs through its storeys: walls on each, voids above the lowest") {
    Project p = new_project("T", {}, 4, 3);
    add_shaft(p, floor_at(p, 1), floor_at(p, 3), "Lift", find_type(p, "concrete-200"),
              {{0, 0}, {2, 0}, {2, 2}, {0, 2}});
    CHECK(find_floor(p, floor_at(p, 0))->walls->empty());
    CHECK(find_floor(p, floor_at(p, 1))->walls->size() == 1);
    CHECK(find_floor(p, floor_at(p, 1))->slab->voids.empty());
    CHECK(find_floor(p, floor_at(p, 3))->slab->voids.size() == 1);
    CHECK(find_floor(p, floor_at(p, 3))->zones->front().kind == ZoneKind::not_needed);
}

TEST_CASE("rows of racking fill a rectangle with equal aisles, or do not fit") {
    const auto rows = row_outlines({0, 0}, {20, 0}, {0, 10}, {3, 1.2, true});
    REQUIRE(rows.size() == 3);
    CHECK(rows[0][0] == Point{0, 0});
    CHECK(rows[1][0].y == Approx(4.4));
    CHECK(rows[2][2].y == Approx(10));
    CHECK(row_outlines({0, 0}, {20, 0}, {0, 10}, {5, 1.2, false}).size() == 5);
    CHECK(row_outlines({0, 0}, {20, 0}, {0, 2}, {3, 1.2, true}).empty());
}
