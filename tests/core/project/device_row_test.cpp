// SPDX-License-Identifier: GPL-3.0-or-later
// Rows of fixed devices: kept like any thing on a floor, and what they ask.
#include "project/kinds/device_row.h"

#include "capacity/demand_table.h"
#include "core/support.h"
#include "project/clipping.h"
#include "project/demand_edits.h"
#include "project/json_project.h"
#include "project/kinds/thing_edits.h"
#include "project/library.h"
#include "project/rules.h"
#include "project/validation.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

ZoneDemand devices(const char* key) {
    const auto all = standard_devices();
    return std::ranges::find(all, key, &ZoneUse::key)->demand;
}

struct Tills {
    Project p = new_project("P", {LengthUnits::metres, "GB", 1.2, 7}, 2, 3.5);
    FloorId ground = floor_at(p, 0);
    DeviceRowId id = add_thing(p, ground, DeviceRow{{}, "Tills", {4, 3}, {10, 3}, devices("tills")});
    Item item{ItemKind::device_row, id.value};
    const Floor& floor() const { return *find_floor(p, ground); }
    const DeviceRow& row() const { return floor().device_rows->front(); }
    ZoneDemand& demand() { return p.buildings[0].floors[0].device_rows.edit()[0].demand; }
};

}  // namespace

TEST_CASE("a row of devices is written and read back, moved, mirrored, copied") {
    Tills s;
    s.demand().presence = {{"busy", 0.5}};
    CHECK(project_from_json(project_to_json(s.p)) == s.p);
    move_items(s.p, s.ground, {s.item}, shifted({1, 2}));
    CHECK(distance(s.row().from, {5, 5}) < 1e-9);
    CHECK(distance(s.row().to, {11, 5}) < 1e-9);
    move_items(s.p, s.ground, {s.item}, mirrored({0, 0}, {0, 1}));
    CHECK(distance(s.row().to, {-11, 5}) < 1e-9);
    const Clipping clipped = clipping_from_json(clipping_to_json(clip(s.p, s.floor(), {s.item})));
    const FloorId upper = floor_at(s.p, 1);
    REQUIRE(paste(s.p, upper, clipped, shifted({0, 0})).size() == 1);
    const DeviceRow& copy = find_floor(s.p, upper)->device_rows->front();
    CHECK(copy.demand == s.row().demand);
    CHECK(copy.id != s.id);
    CHECK_NOTHROW(check_references(s.p));
}

TEST_CASE("devices stand evenly from end to end, one alone in the middle") {
    const Tills s;
    CHECK(place_in_row(s.row(), 0, 4) == Point{4, 3});
    CHECK(place_in_row(s.row(), 3, 4) == Point{10, 3});
    CHECK(place_in_row(s.row(), 1, 4) == Point{6, 3});
    CHECK(place_in_row(s.row(), 0, 1) == Point{7, 3});
}

TEST_CASE("what devices ask is in the table beside zones, with nobody beside them") {
    Tills s;
    s.demand() = devices("cameras");
    s.demand().amount = 8;
    s.demand().growth = 0.5;
    const DemandTable table = demand_table(s.p, "busy");
    REQUIRE(table.zones.size() == 1);
    CHECK(table.zones[0].row == s.id);
    CHECK_FALSE(table.zones[0].zone);
    CHECK(table.site.people == 0);
    CHECK(table.site.area_m2 == 0);
    CHECK(table.site.clients == Approx(12));
    CHECK(table.site.up_mbps == Approx(12 * 4));  // 4 Mbit/s a camera, all the time
    CHECK(clients_at(s.p, "busy") == Approx(12));
    CHECK(has_demand(s.p));
}

TEST_CASE("demand that is counted another way, or beyond what there can be, is refused in a row") {
    const Tills s;
    for (const auto& change : std::vector<std::function<void(DeviceRow&)>>{
             [](DeviceRow& r) { r.demand.by = PeopleBy::density; },
             [](DeviceRow& r) { r.demand.devices = 1.2; }, [](DeviceRow& r) { r.demand.amount = -1; },
             [](DeviceRow& r) { r.demand.amount = std::nan(""); }, [](DeviceRow& r) { r.to.x = 3e5; },
             [](DeviceRow& r) { r.name.assign(3000, 'x'); }}) {
        Project after = s.p;
        DeviceRow wrong = s.row();
        change(wrong);
        replace_thing(after, s.ground, wrong);
        CHECK_THROWS_WITH(check_edit(s.p, after),
                          Catch::Contains("Device row ") && Catch::Contains(" on Ground floor: its "));
    }
}

TEST_CASE("what a row counts on is not taken away under it, and a busy hour that goes is forgotten") {
    Tills s;
    CHECK_THROWS_WITH(remove_client(s.p, "tablet"), Catch::Contains("Tills still counts on it"));
    CHECK_THROWS_WITH(remove_application(s.p, "payment"), Catch::Contains("Tills still counts on it"));
    const std::string hour = add_busy_hour(s.p, "Sale");
    s.demand().presence = {{hour, 3}};
    s.demand().network = add_network(s.p, Network{{}, "Shop"});
    remove_busy_hour(s.p, hour);
    CHECK(s.row().demand.presence.empty());
    remove_network(s.p, std::string(s.row().demand.network));
    CHECK(s.row().demand.network.empty());
}
