// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/edits.h"

#include "core/support.h"

using namespace yemvo;
using namespace yemvo::test;

TEST_CASE("an edit changes its part and leaves the others shared") {
    const Project before = new_project("P", {}, 3, 4);
    Project after = before;
    wall(after, "plasterboard", {{0, 0}, {5, 0}}, 0, {}, 1);
    const auto a = all_floors(before), b = all_floors(after);
    CHECK(a[0]->walls.same(b[0]->walls));
    CHECK_FALSE(a[1]->walls.same(b[1]->walls));
    CHECK(a[1]->zones.same(b[1]->zones));
    CHECK(a[1]->walls->empty());
    CHECK(before.wall_types.same(after.wall_types));
}

TEST_CASE("storeys stand on each other, and a changed height lifts those above") {
    Project p = new_project("P", {}, 3, 4);
    CHECK(all_floors(p)[2]->elevation_m == 8);
    set_floor(p, floor_at(p, 0), "Ground floor", 0, 5);
    CHECK(all_floors(p)[1]->elevation_m == 5);
    CHECK(all_floors(p)[2]->elevation_m == 9);
    add_floor(p, p.buildings[0].id);
    CHECK(all_floors(p)[3]->elevation_m == 13);
    CHECK(all_floors(p)[3]->name == "Third floor");
}

TEST_CASE("numbers of access points are given from the lowest free one") {
    Project p = one_floor();
    const ModelId m = p.models->front().id;
    const AccessPointId first = add_access_point(p, floor_at(p, 0), m, {1, 1});
    add_access_point(p, floor_at(p, 0), m, {2, 1});
    remove_access_point(p, floor_at(p, 0), first);
    const AccessPointId third = add_access_point(p, floor_at(p, 0), m, {3, 1});
    CHECK(find_access_point(p, floor_at(p, 0), third)->number == 1);
    CHECK(third != first);
}

TEST_CASE("in a low storey an access point hangs below the ceiling, in a high one as it is meant to") {
    for (const auto& [storey_m, expected_m] : {std::pair{2.6, 2.3}, {6.0, 3.0}}) {
        Project p = one_floor(storey_m);
        const AccessPointId id = add_access_point(p, floor_at(p, 0), p.models->front().id, {1, 1});
        CHECK(find_access_point(p, floor_at(p, 0), id)->height_m == Approx(expected_m));
    }
}

TEST_CASE("retuning keeps the block where it can and says where there is none") {
    Radio r{{band_6, 63, 320}, 37, 14, true, {}, {}, 0};
    CHECK(retuned(r, band_6, 61, 320).channel.number == 63);
    CHECK(retuned(r, band_6, 5, 320).channel.number == 31);
    CHECK(retuned(r, band_6, 5, 80).channel == Channel{band_6, 7, 80});
    CHECK_THROWS_AS(retuned(r, band_24, 14, 40), InvalidChannel);
}

TEST_CASE("a removed zone leaves no requirement that names it") {
    Project p = one_floor();
    const ZoneId a = add_zone(p, floor_at(p, 0), {{}, "A", ZoneKind::served, {{0, 0}, {1, 0}, {1, 1}}});
    const ZoneId b = add_zone(p, floor_at(p, 0), {{}, "B", ZoneKind::served, {{2, 0}, {3, 0}, {3, 1}}});
    p.requirement_sets = {};
    const Requirement r{{}, "signal", band_5, -67, 0.9};
    add_requirement_set(p, {{}, "all", true, {}, {}, {r}});
    add_requirement_set(p, {{}, "both", true, {a, b}, {}, {r}});
    add_requirement_set(p, {{}, "one", true, {a}, {}, {r}});
    remove_zone(p, floor_at(p, 0), a);
    REQUIRE(p.requirement_sets->size() == 2);
    CHECK((*p.requirement_sets)[0].is_everywhere());
    CHECK((*p.requirement_sets)[1].zones == std::vector<ZoneId>{b});
}

TEST_CASE("an asset's name is kept for its bytes and changed for others") {
    Project p = one_floor();
    const Bytes one{std::byte{1}}, two{std::byte{2}};
    CHECK(add_asset(p, "plan.png", one) == "plan.png");
    CHECK(add_asset(p, "plan.png", one) == "plan.png");
    CHECK(add_asset(p, "plan.png", two) == "plan-2.png");
    CHECK(p.assets.size() == 2);
}

TEST_CASE("an id that the project does not have is a mistake that is noticed") {
    Project p = one_floor();
    CHECK_THROWS_AS(remove_wall(p, floor_at(p, 0), WallId{999}), std::logic_error);
    CHECK_THROWS_AS(add_wall(p, FloorId{999}, {}), std::logic_error);
}
