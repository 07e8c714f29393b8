// SPDX-License-Identifier: GPL-3.0-or-later
// Why access points hang where they do: each answer is tried out.
#include "proposal/why.h"

#include <random>

#include "core/support.h"
#include "demo/demo.h"
#include "proposal/relax.h"
#include "tuning/known_site.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

Verdict tried(const Project& p) {
    Predictor predictor;
    return know_site(p, predictor).verdict;
}

/// Two rooms with a heavy wall between them, an access point in each.
struct TwoRooms {
    Project project = one_floor();
    AccessPointId west, east;
    TwoRooms() {
        wall(project, "concrete-250", {{0, 0}, {21, 0}, {21, 10}, {0, 10}, {0, 0}});
        for (const double x : {10.2, 10.5, 10.8}) wall(project, "concrete-250", {{x, 0}, {x, 10}});
        west = isotropic_access_point(project, {5, 5});
        east = isotropic_access_point(project, {16, 5});
        Zone zone;
        zone.name = "East";
        zone.outline = {{11, 0}, {21, 0}, {21, 10}, {11, 10}};
        add_zone(project, floor(), zone);
        zone.name = "West";
        zone.outline = {{0, 0}, {10, 0}, {10, 10}, {0, 10}};
        add_zone(project, floor(), zone);
    }
    FloorId floor() const { return floor_at(project, 0); }
};

}  // namespace

TEST_CASE("what fails without an access point is told with where, and is true") {
    TwoRooms rooms;
    set_requirements(rooms.project, {{{}, "signal", band_5, -55, 0.95}, {{}, "signal", band_24, -90, 0.9}});
    const Verdict with = tried(rooms.project);
    REQUIRE(with.met());
    Predictor predictor;
    SiteVerdicts verdicts(predictor);
    CHECK(losses(with, verdicts.of(rooms.project).verdict).empty());
    for (const AccessPointId id : {rooms.east, rooms.west}) {
        const Project without = without_access_point(rooms.project, id);
        CHECK(placed_access_points(without).size() == 1);
        const std::vector<VerdictLoss> lost = losses(with, verdicts.of(without).verdict);
        REQUIRE_FALSE(lost.empty());
        CHECK(lost.front().fails);
        CHECK(lost.front().band == band_5);
        CHECK(lost.front().floor == rooms.floor());
        const Zone* zone = find_zone(*find_floor(without, rooms.floor()), lost.front().zone);
        REQUIRE(zone);
        CHECK(zone->name == (id == rooms.east ? "East" : "West"));
        CHECK(lost.front().share == 1);
        CHECK(lost.front().share_after == Approx(0.5).margin(0.05));
        CHECK(lost.front().share_there_after < 0.05);
        // by a way that remembers nothing
        const Verdict again = tried(without);
        const RequirementResult* there = again.find(lost.front().requirement);
        REQUIRE(there);
        CHECK(there->share_met() == lost.front().share_after);
        CHECK_FALSE(there->met());
    }
}

TEST_CASE("bands whose requirements hold each, but no more together, are a loss of their own") {
    Verdict before, after;
    RequirementResult r;
    r.requirement = {RequirementId{1}, "signal", band_5, -60, 0.9};
    r.site.asked = 100;
    r.site.met = {0, 100, 0};
    before.requirements = {r};
    r.site.met = {0, 92, 0};
    after.requirements = {r};
    BandResult b;
    b.band = BandId{1};
    b.share_required = 0.9;
    b.demanded_m2 = 100;
    b.met_m2 = 95;
    before.bands = {b};
    b.met_m2 = 85;
    after.bands = {b};
    const auto lost = losses(before, after);
    REQUIRE(lost.size() == 1);
    CHECK(lost[0].requirement.value == 0);
    CHECK(lost[0].fails);
    CHECK(lost[0].share_after == 0.85);
    // what did not hold before counts where it falls by more than the grain of a grid
    after.bands.clear();
    before.bands.clear();
    before.requirements[0].site.met = {0, 80, 0};
    after.requirements[0].site.met = {0, 79.9, 0};
    CHECK(losses(before, after).empty());
    after.requirements[0].site.met = {0, 79, 0};
    REQUIRE(losses(before, after).size() == 1);
    CHECK_FALSE(losses(before, after)[0].fails);
}

TEST_CASE("an access point may be moved within its area: all holds at random places of it, and not beyond") {
    TwoRooms rooms;
    set_requirements(rooms.project, {{{}, "signal", band_5, -52, 0.95}});
    const Verdict with = tried(rooms.project);
    REQUIRE(with.met());
    Predictor predictor;
    SiteVerdicts verdicts(predictor);
    std::size_t told = 0;
    const MovableArea area = movable_area(rooms.project, rooms.east, {}, verdicts, {}, {},
                                          [&](const MovableArea& a) { told = a.cells.size(); });
    REQUIRE(area.cells.size() > 3);
    CHECK(told == area.cells.size());
    CHECK(area.is_whole);
    CHECK(area.floor == rooms.floor());
    CHECK(area.contains({16.1, 5.1}));
    CHECK(area.area_m2() < 100);
    std::mt19937 random(3);
    std::uniform_real_distribution<double> within(0, area.step_m);
    for (int i = 0; i < 20; ++i) {
        const Point to = area.cells[random() % area.cells.size()] + Point{within(random), within(random)};
        INFO(to.x << ", " << to.y);
        CHECK(area.contains(to));
        CHECK(losses(with, tried(with_access_point_at(rooms.project, area.floor, rooms.east, to))).empty());
        CHECK((to.x > 11.5 && to.x < 20.5));
    }
    REQUIRE(area.nearest_break);
    CHECK_FALSE(area.contains(area.nearest_break->at));
    const auto beyond = losses(
        with, tried(with_access_point_at(rooms.project, area.floor, rooms.east, area.nearest_break->at)));
    REQUIRE_FALSE(beyond.empty());
    CHECK(beyond.front().share_after == area.nearest_break->first.share_after);
}

TEST_CASE("an area ends at keep-outs and other access points, and at its own limits") {
    TwoRooms rooms;
    set_requirements(rooms.project, {{{}, "signal", band_5, -85, 0.5}});
    Predictor predictor;
    SiteVerdicts verdicts(predictor);
    ProposalAsk ask;
    ask.keep_out.push_back({rooms.floor(), {{16.4, 0}, {21, 0}, {21, 10}, {16.4, 10}}});
    isotropic_access_point(rooms.project, {16, 9});
    const MovableArea area = movable_area(rooms.project, rooms.east, ask, verdicts);
    REQUIRE_FALSE(area.cells.empty());
    for (const Point& low : area.cells) {
        CHECK(low.x + area.step_m < 16.4);
        CHECK(distance(Point{16, 9}, low + Point{0, area.step_m}) >= ask.apart_m - 1e-9);
    }
    CHECK_FALSE(area.nearest_break);  // nothing that is asked breaks anywhere
    MovableWish few;
    few.most_tries = 4;
    CHECK_FALSE(movable_area(rooms.project, rooms.east, {}, verdicts, few).is_whole);
    CHECK_THROWS_AS(movable_area(rooms.project, AccessPointId{99}, {}, verdicts), Error);
    CancelToken cancel;
    cancel.cancel();
    CHECK_THROWS_AS(movable_area(rooms.project, rooms.west, {}, verdicts, {}, cancel), Cancelled);
}

TEST_CASE("verdicts of variations are those of a site that nothing is remembered of") {
    Project p = demo::compose_venue();
    Predictor predictor;
    SiteVerdicts verdicts(predictor);
    const auto same = [&](const Project& of) {
        const Verdict quick = verdicts.of(of).verdict, whole = tried(of);
        REQUIRE(quick.requirements.size() == whole.requirements.size());
        for (std::size_t i = 0; i < whole.requirements.size(); ++i) {
            CHECK(quick.requirements[i].share_met() ==
                  Approx(whole.requirements[i].share_met()).margin(1e-6));
        }
        for (std::size_t i = 0; i < whole.bands.size(); ++i)
            CHECK(quick.bands[i].met_m2 == Approx(whole.bands[i].met_m2).margin(1e-6));
        CHECK(quick.not_met() == whole.not_met());
    };
    same(p);
    const PlacedAccessPoint first = placed_access_points(p)[5];
    const FloorId floor = first.floor->id;
    const Point at = first.access_point->position;
    same(with_access_point_at(p, floor, first.access_point->id, at + Point{2, 1}));
    same(without_access_point(p, first.access_point->id));
    same(p);
}

TEST_CASE("a search goes on from a plan, and what a step less would save is worked out from it") {
    // a hall that one access point in its middle does not quite reach the ends of
    Project p = one_floor();
    wall(p, "concrete-250", {{0, 0}, {44, 0}, {44, 8}, {0, 8}, {0, 0}});
    set_requirements(p, {{{}, "signal", band_5, -57, 0.98}, {{}, "signal", band_24, -85, 0.9}});
    Predictor predictor;
    ProposalAsk ask;
    ask.seconds = 10;
    const Proposal found = propose(p, predictor, ask);
    REQUIRE(found.verdict.met());
    REQUIRE(found.access_points == 2);
    ask.from = std::make_shared<const HungPlan>(found.plan);
    const Proposal again = propose(p, predictor, ask);
    CHECK(again.access_points == 2);
    CHECK(again.verdict.met());
    ask.from.reset();
    SiteVerdicts verdicts(predictor);
    const auto rules = ruling_requirements(found.plan.project, {floor_at(p, 0)}, found.verdict, verdicts);
    REQUIRE_FALSE(rules.empty());
    CHECK(rules[0].access_points == 2);
    CHECK(find_requirement(p, rules[0].requirement)->bands == band_5);
    std::size_t told = 0;
    const auto relaxed =
        relaxed_plans(p, found, ask, predictor, {1, 10}, {}, [&](const RelaxedPlan&, double share) {
            ++told;
            CHECK(share == 1);
        });
    REQUIRE(relaxed.size() == 1);
    CHECK(told == 1);
    CHECK(relaxed[0].less.limit == -60);
    CHECK(relaxed[0].saved == 1);
    CHECK(relaxed[0].access_points == 1);
    CHECK(relaxed[0].holds);
    CHECK(step_words(relaxed[0].now, relaxed[0].less).english() == "Signal, 5 GHz: −60 instead of −57 dBm");
}

TEST_CASE("a step less of each kind of requirement") {
    const auto less = [](const char* lens, double limit) {
        return a_step_less({{}, lens, band_5, limit, 0.95}).limit;
    };
    CHECK(less("signal", -67) == -70);
    CHECK(less("snr", 25) == 22);
    CHECK(less("radio_clients", 40) == 50);
    CHECK(less("air_used", 60) == 70);
    CHECK(less("rate_down", 100) == Approx(80));
    Requirement clients{{}, "satisfied", band_5, 95, 0.95};
    CHECK(a_step_less(clients).share_required == Approx(0.9));
    CHECK(a_step_less(clients).limit == 95);
}
