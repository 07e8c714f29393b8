// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/capacity_verdict.h"

#include "coverage/lens_map.h"
#include "demo/demo.h"
#include "project/demand_edits.h"

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
    for (const Floor* f : all_floors(p))
        for (Zone z : std::vector<Zone>(*f->zones)) {
            z.demand.reset();
            replace_zone(p, f->id, z);
        }
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
