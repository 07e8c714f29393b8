// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/demand_table.h"
#include "checks/findings.h"
#include "demo/demo.h"

using namespace yemvo;

namespace {

std::vector<Finding> of_rule(const Project& p, Rule rule) {
    SceneCache cache(std::make_shared<MemoryBudget>(usual_budget_bytes()));
    std::vector<Finding> some;
    for (Finding& f : findings(p, make_scene(p, cache)))
        if (f.rule == rule) some.push_back(std::move(f));
    return some;
}

ZoneDemand& demand_of(Project& p, const char* name) {
    for (Building& b : p.buildings)
        for (Floor& f : b.floors)
            for (std::size_t i = 0; i < f.zones->size(); ++i)
                if ((*f.zones)[i].name == name) return *f.zones.edit()[i].demand;
    throw std::runtime_error(name);
}

}  // namespace

TEST_CASE("the demo's demand is without a finding") {
    const Project p = demo::compose_venue();
    for (Rule r : {Rule::demand_unknown, Rule::demand_empty, Rule::demand_unserved, Rule::uplink_narrow,
                   Rule::many_networks})
        CHECK(of_rule(p, r).empty());
}

TEST_CASE("a mix that names what is not there is told, and mended") {
    Project p = demo::compose_venue();
    demand_of(p, "Foyer").profiles.push_back({"gone", 0.2});
    auto found = of_rule(p, Rule::demand_unknown);
    REQUIRE(found.size() == 1);
    CHECK(found[0].what == "Foyer counts on 'gone', which the project does not have");
    found[0].mends[0].apply(p);
    CHECK(of_rule(p, Rule::demand_unknown).empty());
}

TEST_CASE("people who ask for nothing, or whom nothing can serve, are told") {
    Project p = demo::compose_venue();
    demand_of(p, "Staff").applications = {{"web", 0}};
    demand_of(p, "Lounge").profiles.clear();
    auto empty = of_rule(p, Rule::demand_empty);
    REQUIRE(empty.size() == 2);
    CHECK(empty[0].what == "Lounge has people, but its client profiles add to nothing");
    CHECK(empty[1].what == "Staff has people, but their applications ask for nothing");

    for (Building& b : p.buildings)
        for (Floor& f : b.floors)
            for (std::size_t i = 0; i < f.zones->size(); ++i)
                if ((*f.zones)[i].name == "Foyer") f.zones.edit()[i].kind = ZoneKind::not_needed;
    auto unserved = of_rule(p, Rule::demand_unserved);
    REQUIRE(unserved.size() == 1);
    CHECK(unserved[0].what == "Foyer has people, but nobody needs service there");
    unserved[0].mends[0].apply(p);
    CHECK(of_rule(p, Rule::demand_unserved).empty());

    for (Variant& v : p.variants)
        for (auto& [floor, list] : v.access_points)
            for (AccessPoint& ap : list.edit())
                for (Radio& r : ap.radios)
                    if (r.channel.band == band_24) r.on = false;
    demand_of(p, "Archive").profiles = {{"sensor", 1}};
    unserved = of_rule(p, Rule::demand_unserved);
    REQUIRE_FALSE(unserved.empty());
    CHECK(unserved[0].what == "Sensor, 2.4 GHz in Archive: no radio is on in a band that it knows");
}

TEST_CASE("an uplink that is too narrow, a gateway that is too small and too many networks are told") {
    Project p = demo::compose_venue();
    p.demand.uplink.down_mbps = 300;
    auto narrow = of_rule(p, Rule::uplink_narrow);
    REQUIRE(narrow.size() == 2);  // at both busy hours
    CHECK(narrow[0].what.english().starts_with("Weekday, 3 pm: demand takes "));
    p.demand.uplink.down_mbps = 0;
    CHECK(of_rule(p, Rule::uplink_narrow).empty());  // nothing is told of it
    p.demand.uplink.connections = 1000;
    CHECK(of_rule(p, Rule::uplink_narrow).size() == 2);

    p.demand.uplink.connections = 0;
    p.demand.networks.edit()[0].addresses = 250;
    const auto few = of_rule(p, Rule::uplink_narrow);
    REQUIRE(few.size() == 2);
    CHECK(few[0].what.english().starts_with("Weekday, 3 pm: Larkfield Guests needs "));
    CHECK(few[0].what.english().ends_with("addresses and has 250 to give out"));

    for (Network& n : p.demand.networks.edit()) n.lowest_rate_mbps = 1;
    const auto many = of_rule(p, Rule::many_networks);
    REQUIRE_FALSE(many.empty());
    // three of them at 2.4 GHz, 2.7 % each
    CHECK(many[0].what == "3 networks take 8.1 % of the air for beacons at each radio at 2.4 GHz");
}
