// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/capacity_verdict.h"

#include "capacity/worst_clients.h"
#include "coverage/lens_map.h"
#include "demo/demo.h"
#include "project/demand_edits.h"
#include "project/json_project.h"
#include "project/kinds/thing_edits.h"
#include "project/library.h"

using namespace yemvo;

namespace {

struct Judged {
    Project project;
    SitePrediction site;
    std::shared_ptr<const SiteCapacity> capacity;
    Verdict verdict;
};

Judged judged(Project p) {
    Judged j{std::move(p), {}, {}, {}};
    Predictor predictor;
    CapacitySolver solver;
    j.site = predictor.predict(j.project);
    j.capacity = site_capacity(j.project, j.site, solver);
    j.verdict = judge(j.project, j.site);
    add_capacity(j.verdict, j.project, *j.capacity);
    return j;
}

Project requiring(std::vector<Requirement> list, std::vector<ZoneId> zones = {}) {
    Project p = demo::compose_venue();
    test::set_requirements(p, std::move(list), std::move(zones));
    return p;
}

}  // namespace

TEST_CASE("clients and radios are counted at the worst busy hour") {
    const Judged j = judged(requiring({{{}, "satisfied", all_bands(), 95, 0.95},
                                       {{}, "radio_clients", all_bands(), 75, 1},
                                       {{}, "air_used", all_bands(), 60, 1}}));
    const RequirementResult& satisfied = j.verdict.requirements[0];
    const RequirementResult& many = j.verdict.requirements[1];
    CHECK(satisfied.site.hour == "evening");
    // counted here by hand
    const HourCapacity& evening = *j.capacity->find("evening");
    std::map<int, double> all, met;
    for (const ClientCapacity& c : evening.clients) {
        const int band =
            c.radio < 0 ? 0 : evening.radios[static_cast<std::size_t>(c.radio)].radio.channel.band.index;
        all[band] += double{c.weight};
        if (c.satisfied >= 0.95f) met[band] += double{c.weight};
    }
    for (BandId b : all_bands().list())
        if (all[b.index] > 0)
            CHECK(satisfied.site.share_met(b) == Approx(met[b.index] / all[b.index]).margin(1e-6));
    CHECK(satisfied.site.asked == Approx(all[0] + all[1] + all[2]));
    CHECK(satisfied.share_met() == Approx((met[0] + met[1] + met[2]) / satisfied.site.asked).margin(1e-6));
    CHECK_FALSE(satisfied.met());
    REQUIRE(satisfied.site.worst);
    CHECK(satisfied.site.worst->value < 95);

    double most = 0;
    for (const RadioCapacity& r : evening.radios) most = std::max(most, r.clients);
    CHECK(most > 75);
    CHECK_FALSE(many.met());
    CHECK(many.site.worst->value == Approx(most));
    CHECK(find_floor(j.project, many.site.floor)->name == "Ground floor");
    CHECK_FALSE(j.verdict.met());
    REQUIRE(hardest_of_capacity(j.verdict));
}

TEST_CASE("a set of some zones counts who is there, and the radios that serve them") {
    const Project demo = demo::compose_venue();
    ZoneId office;
    for (const Zone& z : *find_floor(demo, "Second floor")->zones)
        if (z.name == "Open office") office = z.id;
    const Judged j = judged(
        requiring({{{}, "satisfied", all_bands(), 50, 0.5}, {{}, "headroom", all_bands(), 0, 1}}, {office}));
    const RequirementResult& r = j.verdict.requirements[0];
    REQUIRE(r.zones.size() == 1);
    CHECK(r.zones[0].zone == office);
    CHECK(r.floors.size() == 1);
    CHECK(r.met());
    CHECK(j.verdict.requirements[1].site.asked < 10);
    CHECK(j.verdict.requirements[1].site.asked >= 1);
}

TEST_CASE("where nobody is, such requirements ask for nothing and do not stand in the way") {
    Project p = requiring({{{}, "satisfied", all_bands(), 95, 0.95}, {{}, "signal", band_24, -100, 0.01}});
    const Project before = p;
    for (const Floor* f : all_floors(before))
        for (const DemandPlace& place : told_places(*f)) remove_demand(p, f->id, place.item());
    CHECK_FALSE(has_demand(p));
    const Judged j = judged(p);
    CHECK_FALSE(j.verdict.requirements[0].asks());
    CHECK(j.verdict.met());
    CHECK(hardest_of_capacity(j.verdict) == nullptr);
    CHECK(asks_about_capacity(j.verdict));
}

TEST_CASE("people in a zone that no place is predicted for are counted as served by nobody") {
    Project p = requiring({{{}, "satisfied", all_bands(), 95, 0.5}});
    const FloorId second = find_floor(p, "Second floor")->id;
    const double before = judged(p).verdict.requirements[0].site.asked;
    Zone far{{}, "Beyond the walls", ZoneKind::served, {{200, 200}, {210, 200}, {210, 210}, {200, 210}}};
    far.demand = find_floor(p, second)->zones->front().demand;
    far.demand->by = PeopleBy::count;
    far.demand->amount = 5000;
    far.demand->presence.clear();
    const ZoneId id = add_zone(p, second, far);
    const Judged j = judged(p);
    const RequirementResult& r = j.verdict.requirements[0];
    CHECK(r.site.asked > before + 4000);
    CHECK_FALSE(r.met());
    const auto there = std::ranges::find(r.zones, id, &PlaceResult::zone);
    REQUIRE(there != r.zones.end());
    CHECK(r.share_met(*there) == 0);
    CHECK(clients_at(p, "evening") == Approx(demand_table(p, "evening").site.clients));
}

TEST_CASE("lenses of capacity show what the serving radio has, and nothing while it is not known") {
    Judged j = judged(demo::compose_venue());
    FloorPrediction p = *j.site.find(find_floor(j.project, "Ground floor")->id);
    LensChoice choice;
    choice.lens = LensId::radio_clients;
    choice.bands = band_5;
    for (float v : lens_values(p, choice)) REQUIRE(std::isnan(v));
    p.air = air_figures(*j.capacity, "evening");
    const auto evening = lens_plane(p, choice);
    std::size_t seen = 0;
    for (std::size_t i = 0; i < evening->size(); ++i) {
        const int server = p.by_band[band_5.index]->serving[i];
        if (server < 0) continue;
        const RadioField& f = (*p.radios)[static_cast<std::size_t>(server)];
        REQUIRE((*evening)[i] ==
                Approx(j.capacity->find("evening")->find(f.access_point, f.radio)->clients).margin(1e-3));
        ++seen;
    }
    CHECK(seen > 1000);
    p.air = air_figures(*j.capacity, "weekday");
    CHECK(*lens_plane(p, choice) != *evening);
    CHECK(air_figures(*j.capacity, "none") == nullptr);
    choice.lens = LensId::air_used;
    for (float v : lens_values(p, choice)) REQUIRE((std::isnan(v) || (v >= 0 && v <= 100)));
}

TEST_CASE("what demand counts on cannot be taken away, and what names a network forgets it") {
    Project p = demo::compose_venue();
    CHECK_THROWS_AS(remove_client(p, "phone"), Error);
    CHECK_THROWS_AS(remove_application(p, "web"), Error);
    CHECK_NOTHROW(remove_application(p, "bulk-none"));
    remove_network(p, "guests");
    for (const Floor* f : all_floors(p))
        for (const Zone& z : *f->zones)
            if (z.demand) CHECK(z.demand->network != "guests");
    remove_busy_hour(p, "evening");
    CHECK(p.demand.hour == "weekday");
    CHECK_THROWS_AS(remove_busy_hour(p, "weekday"), Error);
    CHECK(add_busy_hour(p, "Author\u2019s night!") == "author-s-night");
    CHECK(add_busy_hour(p, "author s night") == "author-s-night-2");
    CHECK_THROWS_AS(add_busy_hour(p, ""), Error);
}

TEST_CASE("fixed devices in no zone count where a requirement holds everywhere, and in no zone's set") {
    const auto with_row = [](std::vector<ZoneId> zones) {
        Project p = requiring({{{}, "satisfied", all_bands(), 95, 0.5}}, std::move(zones));
        const FloorId second = find_floor(p, "Second floor")->id;
        DeviceRow far{{}, "Turnstiles", {300, 300}, {310, 300}, standard_devices().front().demand};
        far.demand.amount = 700;
        add_thing(p, second, far);
        return p;
    };
    const Project p = with_row({});
    const double people = demand_table(p, "evening").site.clients - 700;
    const Judged j = judged(p);
    CHECK(j.verdict.requirements[0].site.asked == Approx(people + 700).epsilon(0.01));
    CHECK_FALSE(j.verdict.requirements[0].met());
    const ZoneId one = find_floor(p, "Second floor")->zones->front().id;
    CHECK(judged(with_row({one})).verdict.requirements[0].site.asked < 200);
}

TEST_CASE("a set of one busy hour is counted at that alone; a busy hour that is gone counts at each") {
    Project p = requiring({{{}, "satisfied", all_bands(), 95, 0.95}});
    CHECK_FALSE(judged(p).verdict.requirements[0].met());
    p.requirement_sets.edit()[0].hour = "weekday";
    const Judged at_one = judged(p);
    CHECK(at_one.verdict.requirements[0].site.hour == "weekday");
    CHECK(at_one.verdict.requirements[0].met());
    CHECK(project_from_json(project_to_json(p)) == p);
    p.requirement_sets.edit()[0].hour = "no such hour";
    CHECK(judged(p).verdict.requirements[0].site.hour == "evening");
    p.requirement_sets.edit()[0].hour = "weekday";
    remove_busy_hour(p, "weekday");
    CHECK(p.requirement_sets->front().hour.empty());
}

TEST_CASE("the circuit is judged at the busy hour that takes most of it") {
    Project p = requiring({{{}, "signal", band_24, -100, 0.01}});
    Verdict v = judged(p).verdict;
    REQUIRE(v.uplink);
    CHECK(v.uplink->hour == "weekday");  // more Mbit/s down than in the evening, by fewer people
    const DemandFigures asked = demand_table(p, "weekday").site;
    CHECK(v.uplink->down_share == Approx(asked.down_mbps / p.demand.uplink.down_mbps));
    CHECK(v.uplink->met());
    CHECK(v.met());
    p.demand.uplink.up_mbps = demand_table(p, "evening").site.up_mbps / 0.91;
    v = judged(p).verdict;
    CHECK(v.uplink->hour == "evening");  // pictures are posted then
    CHECK(v.uplink->up_share == Approx(0.91));
    CHECK_FALSE(v.uplink->met());
    CHECK_FALSE(v.met());
    CHECK(v.not_met() == 1);
    p.demand.uplink.down_mbps = p.demand.uplink.up_mbps = 0;
    CHECK_FALSE(judged(p).verdict.uplink);
}

TEST_CASE("the clients that miss a requirement are named by place and radio, the most first") {
    const Judged j = judged(requiring({{{}, "satisfied", all_bands(), 95, 0.95}}));
    const auto worst = worst_clients(j.project, j.verdict, *j.capacity, 100);
    REQUIRE(worst.size() >= 2);
    const HourCapacity& evening = *j.capacity->find("evening");
    double unsatisfied = 0, told = 0;
    for (const ClientCapacity& c : evening.clients)
        if (c.satisfied < 0.95f) unsatisfied += double{c.weight};
    for (std::size_t i = 0; i < worst.size(); ++i) {
        told += worst[i].clients.count;
        CHECK(worst[i].clients.hour == "evening");
        CHECK(worst[i].clients.profile < j.project.clients->size());
        if (i > 0) CHECK(worst[i].clients.count <= worst[i - 1].clients.count);
    }
    CHECK(told == Approx(unsatisfied));
    const Floor& floor = *find_floor(j.project, worst[0].floor);
    REQUIRE(find_zone(floor, worst[0].zone));
    CHECK(find_zone(floor, worst[0].zone)->name == "Auditorium");
    CHECK(contains(find_zone(floor, worst[0].zone)->outline, worst[0].place));
    CHECK(worst[0].serving > 0);
    CHECK(worst_clients(j.project, j.verdict, *j.capacity, 1).size() == 1);
    const Judged met = judged(requiring({{{}, "satisfied", all_bands(), 1, 0.01}}));
    CHECK(worst_clients(met.project, met.verdict, *met.capacity, 9).empty());
}
