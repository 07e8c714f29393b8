// SPDX-License-Identifier: GPL-3.0-or-later
// Outlets, trays, risers and switches: written, read, copied, refused.
#include <cmath>
#include <functional>

#include "core/support.h"
#include "project/clipping.h"
#include "project/differences.h"
#include "project/json_project.h"
#include "project/kinds/thing_edits.h"
#include "project/rules.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

struct Site {
    Project p = new_project("P", {LengthUnits::metres, "GB", 1.2, 7}, 2, 3.5);
    FloorId ground = floor_at(p, 0);
    OutletId outlet = add_thing(p, ground, Outlet{{}, "D-17", {4, 3}, 0.4});
    TrayId tray = add_thing(p, ground, Tray{{}, "T", {{0, 0}, {10, 0}, {10, 5}}, 2.8});
    RiserId riser = add_thing(p, ground, Riser{{}, "R1", {1, 1}, 1});
    ClosetId closet = add_thing(
        p, ground,
        Closet{
            {}, "TR-1", {1, 2}, 2, {}, {{"A", 48, PowerSource::bt3, 740, 20'000}, {"B", 24, {}, 0, 1000}}});
    const Floor& floor() const { return *find_floor(p, ground); }
};

std::string refusal(const Project& before, const std::function<void(Project&)>& edit) {
    Project after = before;
    edit(after);
    try {
        check_edit(before, after);
    } catch (const Error& fault) {
        return fault.what();
    }
    return {};
}

}  // namespace

TEST_CASE("ways of cables and switches are written and read back") {
    Site s;
    s.p.cabling.cable = "Cat 6";
    s.p.cabling.slack_share = 0.2;
    add_access_point(s.p, s.ground, s.p.models->front().id, {3, 3});
    AccessPoint ap = access_points(s.p, s.ground).front();
    ap.closet = s.closet;
    replace_access_point(s.p, s.ground, ap);
    const Project read = project_from_json(project_to_json(s.p));
    CHECK(read == s.p);
    CHECK(find_closet(*find_floor(read, s.ground), s.closet)->switches[1].source == std::nullopt);
    CHECK(access_points(read, s.ground).front().closet == s.closet);
}

TEST_CASE("trays move, are pasted and go along with their floor; risers do not") {
    Site s;
    const Item tray{ItemKind::tray, s.tray.value};
    move_items(s.p, s.ground, {tray}, shifted({1, 2}));
    CHECK(distance(s.floor().trays->front().points[2], {11, 7}) < 1e-9);
    const Clipping clipped = clipping_from_json(clipping_to_json(clip(s.p, s.floor(), {tray})));
    REQUIRE(paste(s.p, floor_at(s.p, 1), clipped, shifted({0, 0})).size() == 1);
    CHECK(find_floor(s.p, floor_at(s.p, 1))->trays->front().height_m == 2.8);
    const FloorId copy = duplicate_floor(s.p, s.ground, {});
    CHECK(find_floor(s.p, copy)->trays->size() == 1);
    CHECK(find_floor(s.p, copy)->outlets->size() == 1);
    CHECK(find_floor(s.p, copy)->risers->empty());
}

TEST_CASE("what no building has is refused by name") {
    const Site s;
    const auto changed = [&](auto change) {
        return refusal(s.p, [&](Project& p) { change(floor_of(p, s.ground)); });
    };
    CHECK_THAT(changed([](Floor& f) { f.trays.edit()[0].points.resize(1); }),
               Catch::Contains("Cable tray T"));
    CHECK_THAT(changed([](Floor& f) { f.trays.edit()[0].height_m = -1; }), Catch::Contains("height"));
    CHECK_THAT(changed([](Floor& f) { f.risers.edit()[0].storeys = 0; }),
               Catch::Contains("number of storeys"));
    CHECK_THAT(changed([](Floor& f) { f.outlets.edit()[0].position.x = 1e9; }),
               Catch::Contains("Outlet D-17"));
    CHECK_THAT(changed([](Floor& f) { f.closets.edit()[0].switches[0].ports = 0; }),
               Catch::Contains("ports"));
    CHECK_THAT(changed([](Floor& f) { f.closets.edit()[0].switches[0].source = PowerSource::dc; }),
               Catch::Contains("power of a switch"));
    CHECK_THAT(refusal(s.p, [](Project& p) { p.cabling.budget_share = 2; }),
               Catch::Contains("share of a switch"));
    CHECK_THAT(refusal(s.p, [](Project& p) { p.cabling.slack_m = std::nan(""); }), Catch::Contains("slack"));
}
