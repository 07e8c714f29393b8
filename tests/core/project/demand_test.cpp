// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/demand_table.h"
#include "demo/demo.h"
#include "project/library.h"
#include "project/rules.h"
#include "project/storage.h"

using namespace yemvo;

namespace {

Zone square(double side_m) {
    return {{}, "Hall", ZoneKind::served, {{0, 0}, {side_m, 0}, {side_m, side_m}, {0, side_m}}};
}

ZoneDemand people(double amount) {
    ZoneDemand d;
    d.amount = amount;
    d.devices = 1;
    d.profiles = {{"phone", 1}};
    d.applications = {{"video", 1}};
    return d;
}

std::string refused(const ZoneDemand& d) {
    try {
        check(d);
    } catch (const RuleBroken& rule) {
        return rule.field + ": " + rule.words.english() + " " + rule.reason().english();
    }
    return "taken";
}

}  // namespace

TEST_CASE("people are told by count, seats, density or occupancy") {
    ZoneDemand d = people(40);
    CHECK(people(d, 100, "busy") == 40);
    d.by = PeopleBy::seats;
    d.taken = 0.75;
    CHECK(people(d, 100, "busy") == 30);
    d.by = PeopleBy::occupancy;
    CHECK(people(d, 100, "busy") == 30);
    d.by = PeopleBy::density;
    d.amount = 0.2;
    CHECK(people(d, 100, "busy") == Approx(20));
    d.presence = {{"evening", 0.5}};
    CHECK(people(d, 100, "evening") == Approx(10));
    d.devices = 1.5;
    d.connected = 0.8;
    d.growth = 0.25;
    CHECK(clients(d, 100, "busy") == Approx(20 * 1.5 * 0.8 * 1.25));
}

TEST_CASE("a client asks for the mean of its applications, no more than its limits") {
    const DemandBook book = standard_demand();
    ZoneDemand d = people(1);
    const Application& video = *find_application(book, "video");
    CHECK(traffic(d, book).down_mbps == Approx(video.down_mbps * video.active));
    CHECK(traffic(d, book).down.per_s == Approx(video.down_mbps * video.active * 1e6 / 8 / 1500));
    CHECK(traffic(d, book).voice_down.per_s == 0);
    d.limit_down_mbps = 3;
    CHECK(traffic(d, book).down_mbps == Approx(3 * video.active));
    // parts of their sum: 30 and 10 are three quarters and a quarter
    d.applications = {{"voice", 30}, {"video", 10}};
    CHECK(traffic(d, book).voice_up.per_s == Approx(0.75 * 50));
    CHECK(traffic(d, book).voice_up.bytes == 200);
    CHECK(traffic(d, book).down_mbps == Approx(0.75 * 0.08 + 0.25 * 3 * video.active));
    d.applications = {{"voice", 0}, {"unknown", 5}};
    CHECK(traffic(d, book).nothing());
}

TEST_CASE("demand is told by zone, floor and site, and against the uplink") {
    Project p = test::one_floor();
    const FloorId floor = test::floor_at(p, 0);
    Zone hall = square(10), quiet = square(5);
    hall.demand = people(50);
    hall.demand->presence = {{"busy", 0.5}};
    quiet.demand = people(0);
    add_zone(p, floor, hall);
    add_zone(p, floor, quiet);
    p.demand.uplink.down_mbps = 200;
    p.demand.uplink.connections = 900;
    const DemandTable t = demand_table(p, "busy");
    REQUIRE(t.zones.size() == 1);
    CHECK(t.zones[0].people == 25);
    CHECK(t.zones[0].area_m2 == Approx(100));
    CHECK(t.site.clients == 25);
    CHECK(t.site.down_mbps == Approx(25 * 6 * 0.85));
    CHECK(t.floors[0].up_mbps == Approx(t.site.up_mbps));
    CHECK(t.highest_band[2] == 25);
    UplinkLoad load = uplink_load(p.demand, t.site);
    CHECK(load.down_share == Approx(t.site.down_mbps / 200));
    CHECK(load.connections == 1000);
    CHECK(load.is_too_much(p.demand.uplink));
    p.demand.uplink.connections = 0;
    CHECK_FALSE(uplink_load(p.demand, t.site).is_too_much(p.demand.uplink));
    p.demand.uplink.down_mbps = 130;
    CHECK(uplink_load(p.demand, t.site).is_too_much(p.demand.uplink));
}

TEST_CASE("demand comes back from a file as it was") {
    Project p = demo::compose_venue();
    test::TemporaryFolder folder;
    const std::string file = (folder / "demand.yemvo").string();
    p.settings.client = "phone";
    ClientProfile own{"own", "Own, 1 chain", "ac", 1, {{band_24, 20}, {band_5, 40}}, 12, 8};
    own.own_power_dbm = {{band_5, 15}};
    own.gain_dbi = -1;
    own.refuses_40_at_24 = true;
    own.leaves_dbm = -72;
    own.prefers_higher = false;
    own.well_enough_dbm = -64;
    p.clients.edit().push_back(own);
    Network steered;
    steered.key = "own";
    steered.name = "Own network";
    steered.bands = band_5;
    steered.steer_to = band_5;
    p.demand.networks.edit().push_back(steered);
    const FloorId ground = find_floor(p, "Ground floor")->id;
    AccessPoint ap = access_points(p, ground).front();
    ap.radios[1].without = {"events"};
    replace_access_point(p, ground, ap);
    save_project(p, file);
    const Project back = load_project(file).project;
    CHECK(back.demand == p.demand);
    CHECK(*back.clients == *p.clients);
    CHECK(back.buildings == p.buildings);
    CHECK(access_points(back, ground).front().radios[1].without == std::vector<std::string>{"events"});
}

TEST_CASE("a file that says nothing of demand has the usual applications and one busy hour") {
    test::TemporaryFolder folder;
    const std::string file = (folder / "plain.yemvo").string();
    const Project p = test::one_floor();
    save_project(p, file);
    CHECK(load_project(file).project.demand == standard_demand());
    CHECK_FALSE(standard_demand().applications->empty());
    for (const ZoneUse& use : standard_uses()) {
        INFO(use.name);
        CHECK_NOTHROW(check(use.demand));
        CHECK_FALSE(traffic(use.demand, standard_demand()).nothing());
        for (const MixPart& part : use.demand.profiles) CHECK(client(p, part.key).key == part.key);
        for (const MixPart& part : use.demand.applications) CHECK(find_application(p.demand, part.key));
    }
}

TEST_CASE("absurd demand is refused by its field") {
    ZoneDemand d = people(40);
    CHECK(refused(d) == "taken");
    d.amount = -1;
    CHECK(refused(d).starts_with("demand.amount: number of people must lie between 0"));
    d.amount = std::nan("");
    CHECK(refused(d).starts_with("demand.amount"));
    d = people(40);
    d.by = PeopleBy::density;
    CHECK(refused(d) == "demand.amount: people a square metre must lie between 0 and 10");
    d = people(40);
    d.taken = 1.2;
    CHECK(refused(d) == "demand.taken: share taken must lie between 0 and 1");
    d = people(40);
    d.profiles.push_back({"phone", 1});
    CHECK(refused(d) == "demand.profiles[1]: mix of client profiles names 'phone' twice");
    d = people(40);
    d.applications[0].share = -0.1;
    CHECK(refused(d).starts_with("demand.applications[0].share"));

    Network n;
    n.key = "own";
    n.name = "Own";
    n.lowest_rate_mbps = 7;
    CHECK_THROWS_AS(check(n), RuleBroken);
    n.lowest_rate_mbps = 12;
    n.bands = {};
    CHECK_THROWS_AS(check(n), RuleBroken);
    Application a{"own", "Own"};
    a.packet_up_bytes = 5000;
    CHECK_THROWS_AS(check(a), RuleBroken);
    CHECK_THROWS_AS(check(BusyHour{"", "Empty"}), RuleBroken);
}
