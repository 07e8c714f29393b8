// SPDX-License-Identifier: GPL-3.0-or-later
// Proposals for venues whose least number of access points is known by construction, and for the demo.
#include <set>

#include "cabling/cable_reach.h"
#include "core/support.h"
#include "cover/cover_bound.h"
#include "cover/cover_search.h"
#include "coverage/floor_by_floor.h"
#include "demo/demo.h"
#include "project/kinds/thing_edits.h"
#include "proposal/candidate_places.h"
#include "proposal/propose.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

constexpr const char* heavy = "concrete-250";

/// A rectangle of walls.
void box(Project& p, Point low, Point high, const char* type, std::size_t floor = 0) {
    wall(p, type, {low, {high.x, low.y}, high, {low.x, high.y}, low}, 0, {}, floor);
}

void require_signal(Project& p, double dbm, BandSet bands = band_5, double share = 0.95,
                    const char* lens = "signal") {
    set_requirements(p, {{{}, lens, bands, dbm, share}});
}

/// Rooms in a row, each closed by several heavy walls one behind the other.
Project rooms_in_a_row(int rooms, int walls_between) {
    Project p = one_floor();
    const double side = 10;
    box(p, {0, 0}, {rooms * (side + 1), side}, heavy);
    for (int r = 1; r < rooms; ++r)
        for (int w = 0; w < walls_between; ++w) {
            const double x = r * (side + 1) - 0.5 + 0.3 * w;
            wall(p, heavy, {{x, 0}, {x, side}});
        }
    require_signal(p, -55);
    return p;
}

ProposalAsk quick(double seconds = 20) {
    ProposalAsk ask;
    ask.seconds = seconds;
    return ask;
}

Proposal proposed(const Project& p, const ProposalAsk& ask = quick()) {
    Predictor predictor;
    return propose(p, predictor, ask);
}

std::vector<AccessPoint> all_of(const Project& p) {
    std::vector<AccessPoint> out;
    for (const PlacedAccessPoint& placed : placed_access_points(p)) out.push_back(*placed.access_point);
    return out;
}

}  // namespace

TEST_CASE("rooms behind heavy walls take one each, and the bound says so") {
    for (const int rooms : {1, 2, 3, 5}) {
        const Proposal found = proposed(rooms_in_a_row(rooms, 3));
        INFO(rooms << " rooms, bound " << found.lower_bound);
        CHECK(found.access_points == std::size_t(rooms));
        CHECK(found.lower_bound == rooms);
        CHECK(found.verdict.met());
        CHECK(found.gap() == 0);
        // one in each
        std::set<int> taken;
        for (const AccessPoint& ap : all_of(found.plan.project)) taken.insert(int(ap.position.x / 11));
        CHECK(taken.size() == std::size_t(rooms));
        CHECK_FALSE(found.ruling.empty());
    }
}

TEST_CASE("an open hall takes one, and two where the next best has to be there too") {
    Project p = one_floor();
    box(p, {0, 0}, {14, 14}, "plasterboard");
    require_signal(p, -60);
    const Proposal one = proposed(p);
    CHECK(one.access_points == 1);
    CHECK(one.lower_bound == 1);
    require_signal(p, -65, band_5, 0.95, "next_best");
    const Proposal two = proposed(p);
    CHECK(two.access_points == 2);
    CHECK(two.lower_bound == 2);
    CHECK(two.verdict.met());
    require_signal(p, -65, band_5, 0.95, "third");
    CHECK(proposed(p).access_points == 3);
    // to survive the loss of any one is to have a next best
    require_signal(p, -65);
    ProposalAsk ask = quick();
    ask.survives_one = true;
    CHECK(proposed(p, ask).access_points == 2);
}

TEST_CASE("storeys with heavy slabs take one each, thin ones share") {
    Project p = new_project("Tower", {LengthUnits::metres, "GB", 1.2, 7}, 3, 3.5);
    for (std::size_t f = 0; f < 3; ++f) box(p, {0, 0}, {10, 10}, heavy, f);
    require_signal(p, -57);
    const Proposal each = proposed(p);
    CHECK(each.access_points == 3);
    CHECK(each.lower_bound == 3);
    require_signal(p, -80, band_24);
    const Proposal shared = proposed(p);
    CHECK(shared.access_points < 3);
    CHECK(shared.verdict.met());
}

TEST_CASE("candidate places lie in rows of their room, off walls, and not where nothing may hang") {
    Project p = one_floor();
    box(p, {0, 0}, {20, 12}, "plasterboard");
    wall(p, "plasterboard", {{0, 8}, {20, 8}});  // a corridor of 4 m
    const FloorId f = floor_at(p, 0);
    Zone shaft;
    shaft.name = "Shaft";
    shaft.kind = ZoneKind::not_needed;
    shaft.outline = {{0, 0}, {6, 0}, {6, 8}, {0, 8}};
    add_zone(p, f, shaft);
    SceneCache cache(1 << 24);
    const Scene scene = make_scene(p, cache);
    ProposalAsk ask;
    ask.keep_out.push_back({f, {{14, 0}, {20, 0}, {20, 8}, {14, 8}}});
    const std::vector<Point> places = candidate_places(p, scene, *find_floor(p, f), ask);
    REQUIRE(places.size() > 5);
    std::set<double> in_corridor;
    for (const Point& at : places) {
        CHECK_FALSE(contains(shaft.outline, at));
        CHECK_FALSE(contains(ask.keep_out.front().outline, at));
        CHECK(std::abs(at.y - 8) >= 0.5);
        CHECK(at.x > 0.5);
        if (at.y > 8) in_corridor.insert(at.y);
    }
    // on its middle line, all of them
    REQUIRE(in_corridor.size() == 1);
    CHECK(*in_corridor.begin() == Approx(10).margin(0.1));
}

TEST_CASE("what is locked stays where it is and as it is; with keep all of it does") {
    Project p = rooms_in_a_row(3, 3);
    const FloorId f = floor_at(p, 0);
    const AccessPointId odd = add_access_point(p, f, p.models->front().id, {3, 9});
    const AccessPointId other = add_access_point(p, f, p.models->front().id, {4.2, 1.3});
    const AccessPoint before = *find_access_point(p, f, odd);
    ProposalAsk ask = quick();
    ask.locked = {odd};
    const Proposal locked = proposed(p, ask);
    CHECK(*find_access_point(locked.plan.project, f, odd) == before);
    CHECK(locked.access_points_before == 2);
    CHECK(locked.access_points >= 3);
    ask.locked = {};
    ask.keep = true;
    const Proposal kept = proposed(p, ask);
    CHECK(*find_access_point(kept.plan.project, f, odd) == before);
    CHECK(find_access_point(kept.plan.project, f, other)->position == Point{4.2, 1.3});
    for (const ProposalMove& m : kept.plan.moves)
        CHECK((m.kind == MoveKind::stays || m.kind == MoveKind::added));
    CHECK(kept.verdict.met());
}

TEST_CASE("a plan says what it changes: who stays, moves, comes and goes") {
    Project p = rooms_in_a_row(2, 3);
    const FloorId f = floor_at(p, 0);
    // three in the first room, none in the second
    for (const double x : {2.0, 5.0, 8.0}) add_access_point(p, f, p.models->front().id, {x, 5});
    const Proposal found = proposed(p);
    REQUIRE(found.access_points == 2);
    std::map<MoveKind, int> kinds;
    std::set<int> numbers;
    for (const ProposalMove& m : found.plan.moves) {
        ++kinds[m.kind];
        if (m.kind == MoveKind::removed) continue;
        CHECK(numbers.insert(m.number).second);
        const AccessPoint* ap = find_access_point(found.plan.project, m.floor, m.access_point);
        REQUIRE(ap);
        CHECK(ap->position == m.to);
        CHECK(ap->number == m.number);
    }
    CHECK(kinds[MoveKind::removed] >= 1);
    CHECK(found.plan.moves.size() == found.access_points + std::size_t(kinds[MoveKind::removed]));
    CHECK(all_of(found.plan.project).size() == 2);
}

TEST_CASE("where nothing can be proposed, that is said with what to do") {
    Project p = rooms_in_a_row(1, 1);
    ProposalAsk ask = quick();
    ask.keep_out.push_back({floor_at(p, 0), {{-1, -1}, {30, -1}, {30, 30}, {-1, 30}}});
    CHECK_THROWS_WITH(proposed(p, ask), Catch::Contains("no place is left"));
    p.requirement_sets = {};
    CHECK_THROWS_WITH(proposed(p), Catch::Contains("no requirement in force"));
    // one that no model can keep: the best that there is, and what stays open
    p = rooms_in_a_row(1, 1);
    require_signal(p, -20);
    const Proposal best = proposed(p, quick(5));
    CHECK_FALSE(best.verdict.met());
    REQUIRE_FALSE(best.notes.empty());
    CHECK_THAT(best.notes.front().english(), Catch::Contains("beyond the reach"));
    CHECK_THAT(best.notes.back().english(), Catch::Contains("does not hold"));
}

TEST_CASE("the same seed gives the same plan, and a cancelled search none or its best") {
    const Project p = rooms_in_a_row(4, 2);
    const Proposal a = proposed(p), b = proposed(p);
    CHECK(a.plan.project == b.plan.project);
    CancelToken cancel;
    cancel.cancel();
    Predictor predictor;
    CHECK_THROWS_AS(propose(p, predictor, quick(), cancel), Cancelled);
    // stopped at its first plan
    CancelToken later;
    const Proposal first = propose(p, predictor, quick(), later, [&](const Proposal&) { later.cancel(); });
    CHECK(first.stopped);
    CHECK(first.access_points > 0);
}

TEST_CASE("the demo's proposal needs fewer access points than the present plan and holds more") {
    const Project p = demo::compose_venue();
    const Proposal found = proposed(p, quick(25));
    CHECK(found.access_points_before == 29);
    CHECK(found.access_points <= found.access_points_before);
    CHECK(found.verdict.not_met() < found.before.not_met());
    CHECK(found.lower_bound >= 10);
    CHECK(found.lower_bound <= found.cost);
    // what it says is what the plan is
    Predictor predictor;
    CHECK(judge_by_floors(found.plan.project, predictor).find(band_5)->share_met() ==
          Approx(found.verdict.find(band_5)->share_met()));
}

TEST_CASE("what may move by so many metres stays within them, and none of it goes") {
    Project p = one_floor();
    box(p, {0, 0}, {14, 14}, "plasterboard");
    require_signal(p, -60);
    const FloorId f = floor_at(p, 0);
    std::map<AccessPointId, Point> hung;
    for (const Point at : {Point{2, 2}, Point{12, 12}})
        hung[add_access_point(p, f, p.models->front().id, at)] = at;
    ProposalAsk ask = quick(10);
    for (const auto& [id, at] : hung) ask.reach_m[id] = 2;
    const Proposal found = proposed(p, ask);
    // one would do
    CHECK(found.access_points == 2);
    for (const ProposalMove& m : found.plan.moves) {
        REQUIRE((m.kind == MoveKind::stays || m.kind == MoveKind::moved));
        CHECK(distance(hung.at(m.access_point), m.to) <= 2 + 1e-9);
    }
    ask.reach_m.clear();
    CHECK(proposed(p, ask).access_points == 1);
}

TEST_CASE("zones and floors are asked about alone; what fails elsewhere is not looked at") {
    Project p = rooms_in_a_row(3, 3);
    const FloorId f = floor_at(p, 0);
    std::vector<ZoneId> zones;
    for (const double x : {0.0, 11.0, 22.0}) {
        Zone z;
        z.name = "Room";
        z.outline = {{x, 0}, {x + 10, 0}, {x + 10, 10}, {x, 10}};
        zones.push_back(add_zone(p, f, z));
    }
    const AccessPointId west = add_access_point(p, f, p.models->front().id, {1, 1});
    ProposalAsk ask = quick(10);
    ask.zones = {zones[1]};
    const Proposal found = proposed(p, ask);
    REQUIRE(found.access_points == 2);
    for (const ProposalMove& m : found.plan.moves) {
        if (m.access_point == west)
            CHECK(m.kind == MoveKind::stays);
        else
            CHECK((m.to.x > 11 && m.to.x < 21));
    }
    CHECK_FALSE(found.verdict.met());
    for (const Said& s : found.notes) CHECK(s.english().find("does not hold") == std::string::npos);
    // a floor of three
    Project tower = new_project("Tower", {LengthUnits::metres, "GB", 1.2, 7}, 3, 3.5);
    for (std::size_t i = 0; i < 3; ++i) box(tower, {0, 0}, {10, 10}, heavy, i);
    require_signal(tower, -57);
    ask.zones.clear();
    ask.floors = {floor_at(tower, 1)};
    const Proposal one = proposed(tower, ask);
    CHECK(one.access_points == 1);
    CHECK(one.notes.empty());
    CHECK_FALSE(one.verdict.met());
}

TEST_CASE("access points hang only where cables reach a closet, when that is asked") {
    Project p = one_floor();
    box(p, {0, 0}, {190, 12}, "plasterboard");
    require_signal(p, -65);
    ProposalAsk ask = quick();
    ask.cabled = std::make_shared<const CableReach>(p);
    CHECK_THROWS_WITH(proposed(p, ask), Catch::Contains("no closet stands"));
    add_thing(p, floor_at(p, 0), Closet{{}, "TR-1", {1, 6}});
    ask.cabled = std::make_shared<const CableReach>(p);
    const auto farthest_m = [&](const ProposalAsk& of) {
        double x = 0;
        for (const AccessPoint& ap : all_of(proposed(p, of).plan.project)) x = std::max(x, ap.position.x);
        return x;
    };
    CHECK(farthest_m(quick()) > 120);
    // (way + 0.2 m up + 1 m down) 1.1 + 3 is at most 90
    const double reach_m = 1 + 87 / 1.1 - 1.2;
    CHECK(farthest_m(ask) <= reach_m + 0.01);
    CHECK(farthest_m(ask) > reach_m - 15);
    SceneCache cache(1 << 24);
    const Scene scene = make_scene(p, cache);
    for (const Point at : candidate_places(p, scene, *all_floors(p)[0], ask))
        CHECK(at.x - 1 + std::abs(at.y - 6) <= reach_m - 1 + 0.01);
    // far more slack: nothing is left
    p.cabling.slack_m = 89;
    ask.cabled = std::make_shared<const CableReach>(p);
    CHECK_THROWS_WITH(proposed(p, ask), Catch::Contains("no place is left"));
}
