// SPDX-License-Identifier: GPL-3.0-or-later
#include "cabling/closet_places.h"

#include "core/support.h"
#include "project/kinds/thing_edits.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

/// 190 by 10 m, an access point every 10 m.
Project long_hall() {
    Project p = one_floor();
    wall(p, "brick-half", {{0, 0}, {190, 0}, {190, 10}, {0, 10}, {0, 0}});
    for (double x = 5; x < 190; x += 10) {
        const AccessPointId id = add_access_point(p, floor_at(p, 0), p.models->front().id, {x, 5});
        AccessPoint ap = *find_access_point(p, floor_at(p, 0), id);
        ap.height_m = 2.5;
        replace_access_point(p, floor_at(p, 0), ap);
    }
    return p;
}

void closet(Project& p, Point at) { add_thing(p, floor_at(p, 0), Closet{{}, "TR", at}); }

Zone keep_out(double from, double to) {
    Zone z;
    z.kind = ZoneKind::keep_out;
    z.outline = {{from, 0}, {to, 0}, {to, 10}, {from, 10}};
    return z;
}

}  // namespace

TEST_CASE("a hall of 190 m gets a second closet where it reaches the rest") {
    Project p = long_hall();
    closet(p, {2, 5});
    const CablePlan plan = plan_cables(p);
    // (90 m - 3 m) / 1.1 less a drop of 1 m: 78.1 m of way
    for (const CableRun& run : plan.runs)
        CHECK(is_out_of_reach(p.cabling, run) ==
              (find_access_point(p, run.floor, run.access_point)->position.x > 80.1));
    const ClosetPlaces found = closet_places(p, plan);
    REQUIRE(found.places.size() == 1);
    CHECK(found.fewest);
    CHECK(found.beyond.empty());
    CHECK(found.places[0].place.x >= 185 - 78.1);
    CHECK(found.places[0].place.x <= 85 + 78.1);
    closet(p, found.places[0].place);
    for (const CableRun& run : plan_cables(p).runs) CHECK_FALSE(is_out_of_reach(p.cabling, run));
}

TEST_CASE("a second closet is proposed where only it can be") {
    Project p = long_hall();
    closet(p, {2, 5});
    add_zone(p, floor_at(p, 0), keep_out(0, 133));
    add_zone(p, floor_at(p, 0), keep_out(140, 190));
    const ClosetPlaces found = closet_places(p, plan_cables(p));
    REQUIRE(found.places.size() == 1);
    CHECK(found.places[0].place.x >= 133);
    CHECK(found.places[0].place.x <= 140);
}

TEST_CASE("without any closet the fewest that reach everything are proposed") {
    Project p = long_hall();
    const ClosetPlaces found = closet_places(p, plan_cables(p));
    CHECK(found.places.size() == 2);
    CHECK(found.fewest);
    for (const ClosetPlace& place : found.places) closet(p, place.place);
    for (const CableRun& run : plan_cables(p).runs) CHECK_FALSE(is_out_of_reach(p.cabling, run));
}

TEST_CASE("what no place can reach is told") {
    Project p = long_hall();
    add_zone(p, floor_at(p, 0), keep_out(0, 190));
    const ClosetPlaces found = closet_places(p, plan_cables(p));
    CHECK(found.places.empty());
    CHECK(found.beyond.size() == access_points(p, floor_at(p, 0)).size());
    closet(p, {2, 5});
    closet(p, {100, 5});
    closet(p, {188, 5});
    CHECK(closet_places(p, plan_cables(p)).places.empty());
}

TEST_CASE("where no riser is drawn a new closet serves the floors above and below it") {
    Project p = new_project("Tower", {LengthUnits::metres, "GB", 1.0, 7}, 5, 4);
    for (std::size_t f = 0; f < 5; ++f) {
        wall(p, "brick-half", {{0, 0}, {30, 0}, {30, 20}, {0, 20}, {0, 0}}, 0, {}, f);
        add_access_point(p, floor_at(p, f), p.models->front().id, {5, 5});
        add_access_point(p, floor_at(p, f), p.models->front().id, {25, 15});
    }
    const ClosetPlaces found = closet_places(p, plan_cables(p));
    REQUIRE(found.places.size() == 1);
    CHECK(found.places[0].reaches.size() == 10);
    add_thing(p, found.places[0].floor, Closet{{}, "TR", found.places[0].place});
    for (const CableRun& run : plan_cables(p).runs) {
        CHECK_FALSE(is_out_of_reach(p.cabling, run));
        CHECK(run.link_m <= found.places[0].longest_link_m + 0.5);
    }
}

TEST_CASE("a closet that is placed takes what was told another one out of reach") {
    Project p = long_hall();
    closet(p, {2, 5});
    closet(p, {120, 5});
    const AccessPoint far = access_points(p, floor_at(p, 0)).back();
    AccessPoint told = far;
    told.closet = find_floor(p, floor_at(p, 0))->closets->front().id;
    replace_access_point(p, floor_at(p, 0), told);
    const ClosetPlaces found = closet_places(p, plan_cables(p));
    REQUIRE(found.places.size() == 1);
    CHECK(found.places[0].reaches == std::vector{far.id});
    place_closet(p, found.places[0]);
    for (const CableRun& run : plan_cables(p).runs) CHECK_FALSE(is_out_of_reach(p.cabling, run));
}

TEST_CASE("long cords leave the link less") {
    Project p = long_hall();
    closet(p, {2, 5});
    const auto out = [&] {
        std::size_t n = 0;
        for (const CableRun& run : plan_cables(p).runs) n += is_out_of_reach(p.cabling, run);
        return n;
    };
    const std::size_t before = out();
    p.cabling.cords_m = 40;
    CHECK(out() > before);
}
