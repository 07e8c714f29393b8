// SPDX-License-Identifier: GPL-3.0-or-later
// Findings about cables: each found, said, and ended by its mend.
#include "checks/findings.h"
#include "core/support.h"
#include "project/kinds/thing_edits.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

std::vector<Finding> of_rule(const Project& p, Rule rule, const KnownAir* air = nullptr) {
    SceneCache masks(1 << 22);
    std::vector<Finding> all = findings(p, make_scene(p, masks), {}, air);
    std::erase_if(all, [&](const Finding& f) { return f.rule != rule; });
    return all;
}

Project hall(double wide_m) {
    Project p = one_floor();
    wall(p, "brick-half", {{0, 0}, {wide_m, 0}, {wide_m, 10}, {0, 10}, {0, 0}});
    return p;
}

AccessPointId hang(Project& p, Point at, std::optional<PowerSource> source = {}) {
    const AccessPointId id = add_access_point(p, floor_at(p, 0), p.models->front().id, at);
    AccessPoint ap = *find_access_point(p, floor_at(p, 0), id);
    ap.source = source;
    replace_access_point(p, floor_at(p, 0), ap);
    return id;
}

void closet(Project& p, Point at, std::vector<Switch> switches = {}) {
    add_thing(p, floor_at(p, 0), Closet{{}, "TR-1", at, 1, {}, std::move(switches)});
}

}  // namespace

TEST_CASE("a cable that is too long is found, and a closet where it would do ends it") {
    Project p = hall(190);
    hang(p, {180, 5});
    CHECK(of_rule(p, Rule::cable_long).empty());  // nobody plans cables yet
    CHECK(of_rule(p, Rule::cable_nowhere).empty());
    closet(p, {2, 5});
    const auto found = of_rule(p, Rule::cable_long);
    REQUIRE(found.size() == 1);
    CHECK_THAT(found[0].what.english(), Catch::Contains("access point 1 has 2") && Catch::Contains("100"));
    REQUIRE(found[0].mends.size() == 1);
    found[0].mends[0].apply(p);
    CHECK(of_rule(p, Rule::cable_long).empty());
    CHECK(find_floor(p, floor_at(p, 0))->closets->back().name == "TR-2");
    Project fine = hall(60);
    hang(fine, {50, 5});
    closet(fine, {2, 5});
    CHECK(of_rule(fine, Rule::cable_long).empty());
}

TEST_CASE("a cable that leads nowhere is found") {
    Project p = new_project("Two", {LengthUnits::metres, "GB", 1.0, 7}, 2, 3);
    add_thing(p, floor_at(p, 0), Closet{{}, "TR-1", {2, 2}});
    add_thing(p, floor_at(p, 1), Riser{{}, "R", {3, 3}, 1});  // above the upper floor: no help
    add_access_point(p, floor_at(p, 1), p.models->front().id, {5, 5});
    CHECK(of_rule(p, Rule::cable_nowhere).size() == 1);
    add_thing(p, floor_at(p, 0), Riser{{}, "R", {3, 3}, 1});
    CHECK(of_rule(p, Rule::cable_nowhere).empty());
}

TEST_CASE("full switches, weak ports and watts beyond the budget are found") {
    Project p = hall(40);
    for (int i = 0; i < 3; ++i) hang(p, {5.0 + i, 5}, PowerSource::at);
    closet(p, {2, 5}, {{"A", 2, PowerSource::at, 370, 1000}});
    const auto missing = of_rule(p, Rule::port_missing);
    REQUIRE(missing.size() == 1);
    CHECK(missing[0].what.english() == "no port is left for access point 3 at TR-1");
    CHECK(of_rule(p, Rule::port_weak).empty());
    CHECK(of_rule(p, Rule::switch_watts).empty());

    Project weak = hall(40);
    hang(weak, {5, 5}, PowerSource::at);
    closet(weak, {2, 5}, {{"A", 8, PowerSource::af, 370, 1000}});
    const auto found = of_rule(weak, Rule::port_weak);
    REQUIRE(found.size() == 1);
    for (const Mend& mend : found[0].mends) {
        Project mended = weak;
        mend.apply(mended);
        CHECK(of_rule(mended, Rule::port_weak).empty());
    }

    Project hungry = hall(40);
    for (int i = 0; i < 4; ++i) hang(hungry, {5.0 + i, 5}, PowerSource::at);
    closet(hungry, {2, 5}, {{"A", 8, PowerSource::at, 40, 1000}});
    const auto watts = of_rule(hungry, Rule::switch_watts);
    REQUIRE(watts.size() == 1);
    CHECK_THAT(watts[0].what.english(), Catch::Contains("of 36 W"));
}

TEST_CASE(
    "an uplink that is asked for more than it carries is found, and a usual one that does is the mend") {
    Project p = hall(40);
    KnownAir air;
    AskedMbps lesser, more;
    lesser.down = 90;
    more.down = 400;
    more.up = 120;
    for (int i = 0; i < 3; ++i) hang(p, {5.0 + i, 5}, PowerSource::at);
    std::map<AccessPointId, AskedMbps> night, noon;
    for (const AccessPoint& ap : access_points(p, floor_at(p, 0))) {
        night[ap.id] = lesser;
        noon[ap.id] = more;
    }
    air.asked = {night, noon};
    closet(p, {2, 5}, {{"A", 8, PowerSource::at, 370, 1000}, {"B", 8, PowerSource::at, 370, 1000}});
    CHECK(of_rule(p, Rule::switch_uplink).empty());  // while nothing is known of the air
    const auto found = of_rule(p, Rule::switch_uplink, &air);
    REQUIRE(found.size() == 1);  // nothing ends at B
    CHECK(found[0].what.english() == "A is asked for 1200 Mbit/s at the busy hour, 120 % of its uplink");
    REQUIRE(found[0].mends.size() == 1);
    CHECK(found[0].mends[0].label.english() == "Give it an uplink of 2.5 Gbit/s");
    Project mended = p;
    found[0].mends[0].apply(mended);
    CHECK(of_rule(mended, Rule::switch_uplink, &air).empty());
    CHECK(floor_of(mended, floor_at(mended, 0)).closets->front().switches[1].uplink_mbps == 1000);
    Project strict = mended;
    set_limit(strict, Rule::switch_uplink, 40);
    CHECK(of_rule(strict, Rule::switch_uplink, &air).size() == 1);
}
