// SPDX-License-Identifier: GPL-3.0-or-later
// Cables against lengths worked out by hand.
#include "cabling/cable_plan.h"

#include <cmath>
#include <numbers>

#include "core/support.h"
#include "project/kinds/thing_edits.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

AccessPointId hang(Project& p, Point at, double height_m = 2.5, std::size_t floor = 0,
                   const char* key = "ceiling-entry") {
    const auto m = std::ranges::find(*p.models, key, &AccessPointModel::key);
    const AccessPointId id = add_access_point(p, floor_at(p, floor), m->id, at);
    AccessPoint ap = *find_access_point(p, floor_at(p, floor), id);
    ap.height_m = height_m;
    replace_access_point(p, floor_at(p, floor), ap);
    return id;
}

ClosetId closet(Project& p, Point at, std::vector<Switch> switches = {}, std::size_t floor = 0) {
    return add_thing(p, floor_at(p, floor), Closet{{}, "TR-1", at, 1, {}, std::move(switches)});
}

/// A storey of 3 m: cables run at 2.5 m, the panel is at 1.5 m, so that a way has 1 m of drops.
constexpr double drop_m = 1;
double counted_link_m(double way_m) { return (way_m + drop_m) * 1.1 + 3; }

Point around(double deg, Point p) {
    const double a = deg * std::numbers::pi / 180;
    return {p.x * std::cos(a) - p.y * std::sin(a), p.x * std::sin(a) + p.y * std::cos(a)};
}

}  // namespace

TEST_CASE("a cable runs square to the building, with drops, slack and cords") {
    Project p = one_floor();
    closet(p, {0, 0});
    hang(p, {10, 5});
    const CableRun run = plan_cables(p).runs.at(0);
    CHECK(run.way_m == Approx(15).margin(0.001));
    CHECK(run.drops_m == Approx(1).margin(0.001));
    CHECK(run.link_m == Approx(20.6).margin(0.001));
    CHECK(run.channel_m == Approx(30.6).margin(0.001));
    REQUIRE(run.legs.size() == 1);
    CHECK(distance(run.legs[0].points.front(), {10, 5}) < 0.001);
    CHECK(distance(run.legs[0].points.back(), {0, 0}) < 0.001);
    CHECK(run.legs[0].points.size() == 3);  // one corner
}

TEST_CASE("a building that lies turned on the sheet has cables of the same length") {
    for (const double deg : {17.0, -38.0, 90.0, 133.0}) {
        Project p = one_floor();
        std::vector<Point> outline{{-5, -5}, {30, -5}, {30, 20}, {-5, 20}, {-5, -5}};
        for (Point& corner : outline) corner = around(deg, corner);
        wall(p, "brick-half", outline);
        closet(p, around(deg, {0, 0}));
        hang(p, around(deg, {10, 5}));
        CHECK(plan_cables(p).runs.at(0).way_m == Approx(15).margin(0.02));
    }
}

TEST_CASE("a tray is followed where it is no long way round") {
    Project p = one_floor();
    closet(p, {0, 0});
    hang(p, {20, 2});
    hang(p, {20, 8});
    add_thing(p, floor_at(p, 0), Tray{{}, "", {{0, 0}, {0, 10}, {20, 10}}, 2.5});
    const CablePlan plan = plan_cables(p);
    CHECK(plan.runs[0].way_m == Approx(22).margin(0.001));  // straight
    CHECK(plan.runs[1].way_m == Approx(32).margin(0.001));  // 2 up to the tray, 20 and 10 along it
}

TEST_CASE("a slanting tray is as long as it is") {
    Project p = one_floor();
    closet(p, {0, 0});
    hang(p, {30, 40});
    add_thing(p, floor_at(p, 0), Tray{{}, "", {{0, 0}, {30, 40}}, 2.5});
    CHECK(plan_cables(p).runs.at(0).way_m == Approx(50).margin(0.001));
}

TEST_CASE("cables run at the height of the trays, and climb to them") {
    Project p = one_floor(8);
    closet(p, {0, 0});
    hang(p, {20, 0}, 6);
    CHECK(plan_cables(p).runs.at(0).drops_m == Approx(1.5 + 6).margin(0.001));  // at 7.5 m
    add_thing(p, floor_at(p, 0), Tray{{}, "", {{0, 0}, {20, 0}}, 4});
    CHECK(plan_cables(p).runs.at(0).drops_m == Approx(2 + 2.5).margin(0.001));
}

TEST_CASE("cables go round a court, not across it") {
    Project p = one_floor();
    // a U: two legs of 10 by 40 m, joined below by one of 40 by 10 m
    wall(p, "brick-half",
         {{0, 0}, {40, 0}, {40, 40}, {30, 40}, {30, 10}, {10, 10}, {10, 40}, {0, 40}, {0, 0}});
    closet(p, {5, 38});
    hang(p, {35, 38});
    const CableRun run = plan_cables(p).runs.at(0);
    // down one leg to the inner corner, across, and up again: along the inner faces, or beside them
    CHECK(run.way_m >= 30 + 2 * 28);
    CHECK(run.way_m <= 30 + 2 * 38);
    for (const Point& corner : run.legs.at(0).points)
        CHECK_FALSE((corner.x > 10.1 && corner.x < 29.9 && corner.y > 10.1));
}

TEST_CASE("a riser leads from floor to floor") {
    Project p = new_project("Tower", {LengthUnits::metres, "GB", 1.0, 7}, 4, 3);
    closet(p, {0, 0});
    hang(p, {5, 4}, 2.5, 2);
    hang(p, {0, 0}, 2.5, 3);
    add_thing(p, floor_at(p, 0), Riser{{}, "R1", {5, 0}, 2});
    const CablePlan plan = plan_cables(p);
    CHECK_FALSE(plan.closets_are_risers);
    CHECK(plan.runs[0].way_m == Approx(4 + 6 + 5).margin(0.001));
    CHECK(plan.runs[0].link_m == Approx(counted_link_m(15)).margin(0.001));
    CHECK(plan.runs[0].legs.size() == 3);
    CHECK(plan.runs[0].legs[0].floor == floor_at(p, 2));
    CHECK(plan.runs[0].legs[2].floor == floor_at(p, 0));
    CHECK_FALSE(plan.runs[1].closet);  // the riser ends a storey below
}

TEST_CASE("without a riser cables go up and down where closets stand") {
    Project p = new_project("Tower", {LengthUnits::metres, "GB", 1.0, 7}, 3, 4);
    closet(p, {2, 3}, {}, 1);
    hang(p, {12, 3}, 3.5, 0);
    hang(p, {12, 3}, 3.5, 2);
    const CablePlan plan = plan_cables(p);
    CHECK(plan.closets_are_risers);
    for (const CableRun& run : plan.runs) CHECK(run.way_m == Approx(14).margin(0.001));
}

TEST_CASE("an access point takes the outlet beside it, one each") {
    Project p = one_floor();
    closet(p, {0, 0});
    hang(p, {10, 5});
    hang(p, {11, 5});
    const OutletId outlet = add_thing(p, floor_at(p, 0), Outlet{{}, "D-17", {10, 4}, 2.5});
    const CablePlan plan = plan_cables(p);
    CHECK(plan.runs[0].outlet == outlet);
    CHECK(plan.runs[0].way_m == Approx(14).margin(0.001));
    CHECK_FALSE(plan.runs[1].outlet);
    CHECK(plan.outlets_used == 1);
    CHECK(plan.new_cables == 1);
    CHECK(plan.cable_m == Approx(plan.runs[1].link_m));
}

TEST_CASE("a cable ends at the nearest closet, or at the one that is told") {
    Project p = one_floor();
    const ClosetId near = closet(p, {0, 0}), far = closet(p, {40, 0});
    const AccessPointId id = hang(p, {10, 0});
    CHECK(plan_cables(p).runs.at(0).closet == near);
    AccessPoint ap = *find_access_point(p, floor_at(p, 0), id);
    ap.closet = far;
    replace_access_point(p, floor_at(p, 0), ap);
    CHECK(plan_cables(p).runs.at(0).closet == far);
    CHECK(plan_cables(p).runs.at(0).way_m == Approx(30).margin(0.001));
    remove_thing<Closet>(p, floor_at(p, 0), far);
    CHECK(plan_cables(p).runs.at(0).closet == near);
}

TEST_CASE("ports and watts add up as by hand") {
    Project p = one_floor();
    closet(p, {0, 0}, {{"A", 2, PowerSource::at, 60, 1000}, {"B", 2, PowerSource::bt3, 200, 1000}});
    for (int i = 0; i < 5; ++i) hang(p, {10.0 + i, 0});
    const CablePlan plan = plan_cables(p);
    REQUIRE(plan.closets.size() == 1);
    const ClosetUse& use = plan.closets[0];
    CHECK(use.runs == 5);
    CHECK(use.without_port == 1);
    CHECK(use.switches[0].ports_used == 2);
    CHECK(use.switches[1].ports_used == 2);
    CHECK_FALSE(plan.runs[4].port);
    double drawn = 0, classes = 0;
    for (const CableRun& run : plan.runs)
        if (run.port) {
            classes += run.power_class->port_w;
            drawn += run.port_w;
            CHECK(run.port_w > run.draw_w);
            // what comes out at the far end is what is drawn
            const double amperes = run.port_w / run.power_class->least_v;
            CHECK(run.port_w - amperes * amperes * run.power_class->loop_ohm * run.channel_m / 100 ==
                  Approx(run.draw_w).margin(0.001));
        }
    CHECK(use.switches[0].class_w + use.switches[1].class_w == Approx(classes));
    CHECK(use.switches[0].drawn_w + use.switches[1].drawn_w == Approx(drawn));
}

TEST_CASE("a port that is too weak is told") {
    Project p = one_floor();
    closet(p, {0, 0}, {{"A", 8, PowerSource::af, 370, 1000}});
    const AccessPointId id = hang(p, {10, 0});
    AccessPoint ap = *find_access_point(p, floor_at(p, 0), id);
    ap.source = PowerSource::at;
    replace_access_point(p, floor_at(p, 0), ap);
    CHECK(plan_cables(p).runs.at(0).is_short_of_power());
    ap.source = PowerSource::dc;
    replace_access_point(p, floor_at(p, 0), ap);
    CHECK_FALSE(plan_cables(p).runs.at(0).is_short_of_power());
}

TEST_CASE("without a closet no cable leads anywhere, and nothing breaks") {
    Project p = one_floor();
    hang(p, {10, 0});
    const CablePlan plan = plan_cables(p);
    CHECK_FALSE(plan.runs.at(0).closet);
    CHECK(plan.cable_m == 0);
    CHECK(plan_cables(one_floor()).runs.empty());
    CancelToken cancel;
    cancel.cancel();
    CHECK_THROWS_AS(plan_cables(p, cancel), Cancelled);
}

TEST_CASE("corridors are found by shape and doors, and followed") {
    Project p = one_floor();
    wall(p, "brick-half", {{0, 0}, {40, 0}, {40, 12}, {0, 12}, {0, 0}});
    for (const double y : {5.0, 7.0}) {
        const WallId side = wall(p, "brick-half", {{0, y}, {40, y}});
        for (const double x : {4.0, 20.0, 35.0}) {
            Opening door;
            door.type = first_type(p, TypeUse::door);
            door.start_m = x;
            add_opening(p, floor_at(p, 0), side, door);
        }
    }
    for (const double x : {10.0, 20.0, 30.0}) {
        wall(p, "brick-half", {{x, 0}, {x, 5}});
        wall(p, "brick-half", {{x, 7}, {x, 12}});
    }
    closet(p, {2, 2});
    hang(p, {37, 2});
    const CableRun run = plan_cables(p).runs.at(0);
    // out of the room into the corridor's middle, along it, and in again
    CHECK(run.way_m == Approx(35 + 2 * 4).margin(0.01));
    bool in_middle = false;
    for (const Point& corner : run.legs.at(0).points) in_middle = in_middle || std::abs(corner.y - 6) < 0.02;
    CHECK(in_middle);
}

TEST_CASE("a yard is cabled from the building beside it, in through an outer door") {
    Project p = one_floor();
    const WallId front = wall(p, "brick-half", {{0, 0}, {20, 0}, {20, 10}, {0, 10}, {0, 0}});
    Opening door;
    door.type = first_type(p, TypeUse::door);
    door.start_m = 9.5;
    door.width_m = 1;
    add_opening(p, floor_at(p, 0), front, door);
    closet(p, {10, 8});
    add_building(p, "Yard", BuildingKind::yard, {1, 0, {0, -30}});  // its y 30 is the front
    const FloorId yard = p.buildings.back().floors.front().id;
    Zone lawn;
    lawn.outline = {{0, 0}, {20, 0}, {20, 30}, {0, 30}};
    add_zone(p, yard, lawn);
    AccessPoint ap = *find_access_point(p, yard, add_access_point(p, yard, p.models->front().id, {10, 20}));
    ap.height_m = 2.5;
    replace_access_point(p, yard, ap);
    const CableRun run = plan_cables(p).runs.at(0);
    REQUIRE(run.closet);
    CHECK(run.way_m == Approx(10 + 8).margin(0.01));
    REQUIRE(run.legs.size() == 2);
    CHECK(run.legs[0].floor == yard);
}
