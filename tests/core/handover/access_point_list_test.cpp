// SPDX-License-Identifier: GPL-3.0-or-later
#include "handover/access_point_list.h"

#include "core/support.h"
#include "project/edits.h"
#include "project/rules.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

using What = ListedAccessPoint::What;

/// Access point 1 is called "Hall-1" and hangs at (5, 5).
Project two_floors() {
    Project p = one_floor();
    add_floor(p, p.buildings[0].id);
    return p;
}

Project hall() {
    Project p = two_floors();
    const AccessPointId id = add_access_point(p, floor_at(p, 0), p.models->front().id, {5, 5});
    AccessPoint ap = *find_access_point(p, floor_at(p, 0), id);
    ap.name = "Hall-1";
    replace_access_point(p, floor_at(p, 0), ap);
    add_access_point(p, floor_at(p, 0), p.models->front().id, {15, 5});
    return p;
}

const AccessPoint& numbered(const Project& p, int number) {
    for (const auto& placed : placed_access_points(p))
        if (placed.access_point->number == number) return *placed.access_point;
    throw std::logic_error("no such access point");
}

}  // namespace

TEST_CASE("a list moves, notes and adds access points, and says so before") {
    Project p = hall();
    const std::string floor = floor_title(p, *all_floors(p)[0]), model = p.models->front().key;
    const std::string text =
        "name,floor,x_m,y_m,height_m,model,state,date,serial,address\n"
        "Hall-1,,8,5,,,hung,2026-03-01,MU-1,02-1E-5A-07-10-24\n"
        "2,,15,5,,,,,,\n"
        "Hall-3," +
        floor + ",1,2,2.5," + model + ",,,,\n";
    const ListedAccessPoints list = read_access_points(p, text, "list.csv");
    REQUIRE(list.rows.size() == 3);
    CHECK(list.rows[0].what == What::changed);
    CHECK(list.rows[0].changes.at(0) == "moved by 3.00 m");
    CHECK(list.rows[1].what == What::same);
    CHECK(list.rows[2].what == What::added);
    CHECK(list.not_listed == 0);
    take_access_points(p, list);
    CHECK(numbered(p, 1).position == Point{8, 5});
    CHECK(numbered(p, 1).on_site.state == SiteState::hung);
    CHECK(numbered(p, 1).on_site.address == "02:1e:5a:07:10:24");
    CHECK(numbered(p, 3).name == "Hall-3");
    CHECK(numbered(p, 3).height_m == 2.5);
    CHECK(numbered(p, 3).radios.at(0).channel_open);
    check_all(p);
    // read again, nothing is left to do
    const ListedAccessPoints again = read_access_points(p, text, "list.csv");
    CHECK(again.added + again.changed == 0);
}

TEST_CASE("an access point moves to another floor and keeps its number and settings") {
    Project p = hall();
    AccessPoint before = numbered(p, 1);
    before.radios[0].power_dbm = 11;
    replace_access_point(p, floor_at(p, 0), before);
    const std::string floor = floor_title(p, *all_floors(p)[1]);
    const ListedAccessPoints list = read_access_points(p, "name;floor\nHall-1;" + floor + "\n", "list.csv");
    REQUIRE(list.rows.at(0).what == What::changed);
    take_access_points(p, list);
    REQUIRE(access_points(p, floor_at(p, 1)).size() == 1);
    CHECK(access_points(p, floor_at(p, 1))[0].number == 1);
    CHECK(access_points(p, floor_at(p, 1))[0].radios[0].power_dbm == 11);
    CHECK(access_points(p, floor_at(p, 0)).size() == 1);
    check_all(p);
}

TEST_CASE("a place on the site is carried into a building that lies turned there") {
    Project p = hall();
    p.buildings[0].placement = {1, 90, {100, 50}};
    // (3, 4) of the building lies at (100 - 4, 50 + 3) on the site
    const ListedAccessPoints list = read_access_points(p, "name,east_m,north_m\nHall-1,96,53\n", "list.csv");
    CHECK(distance(list.rows.at(0).access_point.position, {3, 4}) < 1e-9);
}

TEST_CASE("every fault of a list is told at once, by row, and nothing is taken") {
    const Project p = hall();
    const std::string text =
        "name,floor,x_m,y_m,model,height_m,state,address\n"
        "A,Nowhere,1,1,,,,\n"
        "Hall-1,,1,1,no-such-model,,,\n"
        "Hall-1,,1,1,,,,\n"
        "2,,nan,1,,,,\n"
        "New,,1,1,,,,\n"
        "2b,,,,,,dangling,\n";
    try {
        read_access_points(p, text, "list.csv");
        FAIL("taken");
    } catch (const Error& e) {
        const std::string told = e.what();
        for (const char* part : {"line 2", "no floor 'Nowhere'", "line 3", "no model 'no-such-model'",
                                 "line 4", "twice", "line 5", "line 6", "no floor is told"})
            CHECK_THAT(told, Catch::Contains(part));
    }
    CHECK_THROWS_WITH(read_access_points(p, "", "list.csv"), Catch::Contains("list.csv"));
    CHECK_THROWS_WITH(read_access_points(p, "name\n", "list.csv"), Catch::Contains("no row"));
    CHECK_THROWS_WITH(read_access_points(p, "x_m,y_m\n1,2\n", "list.csv"), Catch::Contains("name"));
    CHECK_THROWS_WITH(read_access_points(p, "name,address\nHall-1,02:1e\n", "list.csv"),
                      Catch::Contains("no address"));
    CHECK_THROWS_WITH(read_access_points(p, "name,height_m\nHall-1,-3\n", "list.csv"),
                      Catch::Contains("height"));
}

TEST_CASE("a list may tell places by the axes of the building") {
    Project p = hall();
    const std::string floor = floor_title(p, *all_floors(p)[0]), model = p.models->front().key;
    const std::string text =
        "name,floor,grid,model\nHall-1,,C2,\nHall-9," + floor + ",B1 +1.5 -0.25," + model + "\n";
    CHECK_THROWS_WITH(read_access_points(p, text, "list.csv"), Catch::Contains("list.csv, line 2") &&
                                                                   Catch::Contains("has none") &&
                                                                   Catch::Contains("line 3"));
    p.buildings[0].axes = {{1, 2}, 0, {6, 6}, {8}};
    const ListedAccessPoints list = read_access_points(p, text, "list.csv");
    REQUIRE(list.rows.size() == 2);
    CHECK(list.rows[0].what == What::changed);
    CHECK(list.rows[0].access_point.position == Point{13, 10});
    CHECK(list.rows[1].access_point.position == Point{8.5, 1.75});
    CHECK_THROWS_WITH(read_access_points(p, "name,grid\nHall-1,D7\n", "list.csv"),
                      Catch::Contains("'D7'") && Catch::Contains("A to C and 1 to 2"));
    // where metres are told, too, they count: a table that was written has both
    CHECK(read_access_points(p, "name,x_m,y_m,grid\nHall-1,5,5,C2\n", "list.csv").same == 1);
}
