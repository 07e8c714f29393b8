// SPDX-License-Identifier: GPL-3.0-or-later
// Cables to places where nothing hangs yet, against lengths worked out by hand and against planned cables.
#include "cabling/cable_reach.h"

#include <cmath>

#include "cabling/cable_plan.h"
#include "core/support.h"
#include "coverage/lens_map.h"
#include "demo/demo.h"
#include "project/kinds/thing_edits.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

void closet(Project& p, Point at, std::size_t floor = 0) {
    add_thing(p, floor_at(p, floor), Closet{{}, "TR-1", at});
}

/// A storey of 3 m: cables run at 2.5 m and come down 1 m to the panel; a tenth and 3 m of slack.
double counted_link_m(double way_m) { return (way_m + 1) * 1.1 + 3; }

void hall(Project& p, double length_m, double width_m) {
    wall(p, "brick-half", {{0, 0}, {length_m, 0}, {length_m, width_m}, {0, width_m}, {0, 0}});
}

}  // namespace

TEST_CASE("anywhere in a hall the way is right-angled") {
    Project p = one_floor();
    hall(p, 190, 30);
    closet(p, {1, 15});
    const CableReach reach(p);
    for (const Point at : {Point{1, 15}, {10.3, 15}, {77.7, 3.1}, {188.2, 28.9}}) {
        INFO(at.x << ", " << at.y);
        const double way_m = std::abs(at.x - 1) + std::abs(at.y - 15);
        CHECK(reach.link_m(floor_at(p, 0), at) == Approx(counted_link_m(way_m)).margin(0.01));
    }
}

TEST_CASE("where no way leads to a closet there is no length") {
    Project p = new_project("Tower", {LengthUnits::metres, "GB", 1.0, 7}, 3, 3);
    for (std::size_t i = 0; i < 3; ++i)
        wall(p, "brick-half", {{0, 0}, {20, 0}, {20, 10}, {0, 10}, {0, 0}}, i);
    CHECK_FALSE(CableReach(p).has_closets());
    CHECK(std::isnan(CableReach(p).link_m(floor_at(p, 0), {5, 5})));
    closet(p, {0, 0});
    add_thing(p, floor_at(p, 0), Riser{{}, "R1", {5, 0}, 1});
    const CableReach reach(p);
    CHECK(reach.has_closets());
    CHECK(reach.link_m(floor_at(p, 1), {9, 6}) == Approx(counted_link_m(4 + 6 + 3 + 5)).margin(0.01));
    CHECK(std::isnan(reach.link_m(floor_at(p, 2), {9, 6})));  // the riser ends a storey below
}

TEST_CASE("it holds until what cables depend on changes") {
    Project p = one_floor();
    hall(p, 40, 20);
    closet(p, {1, 1});
    const CableReach reach(p);
    Project other = p;
    add_access_point(other, floor_at(other, 0), other.models->front().id, {10, 10});
    other.name = "Another";
    CHECK(reach.holds_for(other));
    Project slack = p;
    slack.cabling.slack_m = 5;
    CHECK_FALSE(reach.holds_for(slack));
    add_thing(other, floor_at(other, 0), Tray{{}, "", {{0, 0}, {20, 20}}, 2.5});
    CHECK_FALSE(reach.holds_for(other));
}

TEST_CASE("in a building with rooms it tells what would be planned there") {
    Project p = demo::compose_venue();
    const CablePlan before = plan_cables(p);
    const CableReach reach(p);
    double sum_m = 0, off_m = 0;
    int compared = 0;
    for (const CableRun& run : before.runs) {
        if (run.outlet || !run.closet) continue;
        const AccessPoint& ap = *find_access_point(p, run.floor, run.access_point);
        if (ap.closet) continue;
        // planned cables climb from the unit besides
        CableNetwork network(p);
        const double up_m = std::abs(network.ways(network.index_of(run.floor)).run_m() - ap.height_m);
        const double told_m = reach.link_m(run.floor, ap.position) + up_m * (1 + p.cabling.slack_share);
        off_m += std::abs(told_m - run.link_m);
        sum_m += run.link_m;
        ++compared;
    }
    CHECK(compared >= 15);
    CHECK(off_m < 0.05 * sum_m);
}

TEST_CASE("a first closet makes ways shorter, from no end at all") {
    Project p = one_floor();
    hall(p, 60, 20);
    Predictor predictor;
    const PredictionWish wish = wish_to_show(LensId::cable);
    const LensChoice cable{LensId::cable};
    const FloorPrediction before = predictor.predict(p, {}, wish).floors.at(0);
    closet(p, {1, 10});
    const FloorPrediction now = predictor.predict(p, {}, wish).floors.at(0);
    const auto change =
        lens_change(now, lens_values(now, cable), before, lens_values(before, cable), lens(LensId::cable));
    const std::size_t cell = *now.surface.cell_at({30.25, 10.25});
    const Point at = now.surface.centre(cell);
    // from the legend's end, 120 m
    CHECK(change.at(cell) == Approx(counted_link_m(at.x - 1 + at.y - 10) - 120).margin(0.01));
}

TEST_CASE("the lens shows it on every cell, with no radio at all") {
    Project p = one_floor();
    hall(p, 150, 20);
    closet(p, {1, 10});
    const LensChoice cable{LensId::cable};
    Predictor predictor;
    const PredictionWish wish = wish_to_show(LensId::cable);
    CHECK(wish.cables);
    CHECK(std::isnan(lens_values(predictor.predict(p).floors.at(0), cable).at(0)));
    const auto look = [&] {
        const SitePrediction site = predictor.predict(p, {}, wish);
        const FloorPrediction& floor = site.floors.at(0);
        const std::size_t cell = *floor.surface.cell_at({120.25, 4.25});
        return std::pair(lens_plane(floor, cable)->at(cell), floor.surface.centre(cell));
    };
    const auto [near, at] = look();
    CHECK(near == Approx(counted_link_m(at.x - 1 + 10 - at.y)).margin(0.01));
    closet(p, {149, 10});
    CHECK(look().first == Approx(counted_link_m(149 - at.x + 10 - at.y)).margin(0.01));
    p.cabling.slack_m += 4;
    CHECK(look().first == Approx(counted_link_m(149 - at.x + 10 - at.y) + 4).margin(0.01));
}
