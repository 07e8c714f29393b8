// SPDX-License-Identifier: GPL-3.0-or-later
// Tables held against the plan that they are of, and against sums worked out by hand.
#include "handover/tables.h"

#include "core/support.h"
#include "demo/demo.h"
#include "project/edits.h"
#include "project/kinds/thing_edits.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

const HandoverFacts& demo_facts() {
    static const HandoverFacts facts = [] {
        Predictor predictor;
        return gather_facts(demo::make_demo(), predictor);
    }();
    return facts;
}

double figure(const HandoverTable& t, std::size_t row, const char* column) {
    return std::get<double>(t.rows.at(row).at(t.column(column)));
}
std::string text(const HandoverTable& t, std::size_t row, const char* column) {
    const auto* said = std::get_if<Said>(&t.rows.at(row).at(t.column(column)));
    return said ? said->english() : std::string();
}

}  // namespace

TEST_CASE("every access point and every radio that is on has its row") {
    const HandoverFacts& facts = demo_facts();
    const auto placed = placed_access_points(facts.project);
    const HandoverTable all = access_point_table(facts);
    REQUIRE(all.rows.size() == placed.size());
    for (std::size_t i = 0; i < placed.size(); ++i) {
        CHECK(text(all, i, "name") == placed[i].access_point->name);
        CHECK(figure(all, i, "x_m") == placed[i].access_point->position.x);
    }
    CHECK(text(all, 0, "state") == "Checked");
    CHECK(radio_table(facts).rows.size() == 80);
}

TEST_CASE("ports, watts and metres of the demo's cables add up") {
    const HandoverFacts& facts = demo_facts();
    const HandoverTable cables = cable_table(facts), switches = switch_table(facts);
    CHECK(cables.rows.size() == 29);
    CHECK(cables.sum(cables.column("new_m")) == Approx(facts.cables.cable_m).margin(1e-6));
    CHECK(switches.sum(switches.column("used")) == 29);
    // all that is asked of the site goes through some switch
    double asked = 0;
    for (std::size_t i = 0; i < switches.rows.size(); ++i) asked += figure(switches, i, "asked_mbps");
    double site = 0;
    for (const HourCapacity& hour : facts.capacity->hours) {
        double served = 0;
        for (const RadioCapacity& r : hour.radios) served += r.asked_down_mbps;
        site = std::max(site, served);
    }
    CHECK(asked >= site - 1e-6);
    CHECK(cables.sum(cables.column("port_w")) ==
          Approx(switches.sum(switches.column("drawn_w"))).margin(1e-6));
}

TEST_CASE("the bill counts what the plan hangs, at the prices of the gear") {
    Project p = one_floor();
    Project priced = p;
    priced.models.edit().front().body.price = 250;
    for (const Point at : {Point{2, 2}, {12, 2}, {22, 2}})
        add_access_point(priced, floor_at(priced, 0), priced.models->front().id, at);
    add_thing(priced, floor_at(priced, 0),
              Closet{{}, "TR-1", {2, 2}, 1, {}, {{"A", 8, PowerSource::bt3, 370, 1000}}});
    Predictor predictor;
    const HandoverTable bill = bill_table(gather_facts(priced, predictor));
    CHECK(text(bill, 0, "item") == priced.models->front().name);
    CHECK(figure(bill, 0, "amount") == 3);
    CHECK(figure(bill, 0, "total") == 750);
    CHECK(bill.sum(bill.column("total")) == 750);
    CHECK(text(bill, 1, "item") == "8 ports, 802.3bt type 3, 370 W");
    CHECK(text(bill, 3, "kind") == "Patch cord");
    CHECK(figure(bill, 3, "amount") == 6);
}

TEST_CASE("CSV quotes what has to be quoted and never starts a formula") {
    HandoverTable t{"t",
                    Said(std::string("T")),
                    {{"name", Said(std::string("Name")), "", -1}, {"m", Said(std::string("m")), "m", 2}},
                    {}};
    t.rows = {{Said(std::string("a,b \"c\"")), 1.005}, {Said(std::string("=1+1")), HandoverCell()}};
    const std::string csv = to_csv(t);
    CHECK_THAT(csv, Catch::StartsWith("name,m\n\"a,b \"\"c\"\"\",1."));
    CHECK(csv.find("\n=1+1") == std::string::npos);
}
