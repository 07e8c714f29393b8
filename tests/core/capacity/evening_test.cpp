// SPDX-License-Identifier: GPL-3.0-or-later
// The guide's walk through the evening that fails.
#include "capacity/capacity_verdict.h"
#include "demo/demo.h"
#include "project/demand_edits.h"

using namespace yemvo;

namespace {

struct Evening {
    Verdict verdict;
    std::shared_ptr<const SiteCapacity> capacity;
    const HourCapacity& at(const char* hour) const { return *capacity->find(hour); }
    const RequirementResult& of(const char* lens) const {
        for (const RequirementResult& r : verdict.requirements)
            if (r.requirement.lens == lens) return r;
        throw std::runtime_error(lens);
    }
};

Evening judged(const Project& p) {
    Predictor predictor;
    CapacitySolver solver;
    const SitePrediction site = predictor.predict(p);
    Evening e{judge(p, site), site_capacity(p, site, solver)};
    add_capacity(e.verdict, p, *e.capacity);
    return e;
}

const RadioCapacity& radio_of(const HourCapacity& h, int number, BandId band) {
    for (const RadioCapacity& r : h.radios)
        if (r.radio.number == number && r.radio.channel.band == band) return r;
    throw std::runtime_error("no such radio");
}

void one_more_in_the_hall(Project& p, Point at, int primary_5, int primary_6) {
    const FloorId ground = find_floor(p, "Ground floor")->id;
    AccessPoint six = access_points(p, ground).front();
    for (const AccessPoint& ap : access_points(p, ground))
        if (ap.number == 6) six = ap;
    const AccessPointId id = add_access_point(p, ground, six.model, at);
    AccessPoint more = *find_access_point(p, ground, id);
    more.height_m = six.height_m;
    more.radios = six.radios;
    more.radios[0].on = false;
    more.radios[1] = retuned(more.radios[1], band_5, primary_5, 40);
    more.radios[2] = retuned(more.radios[2], band_6, primary_6, 80);
    replace_access_point(p, ground, more);
}

}  // namespace

TEST_CASE("the author's evening fails, and is mended as the guide says") {
    Project p = demo::compose_venue();
    const Evening before = judged(p);
    CHECK(before.at("weekday").site.satisfied_share() > 0.95);
    CHECK(before.at("evening").site.satisfied_share() == Approx(0.922).margin(0.005));
    CHECK_FALSE(before.of("satisfied").met());
    CHECK_FALSE(before.of("radio_clients").met());
    CHECK_FALSE(before.of("air_used").met());
    CHECK(radio_of(before.at("evening"), 6, band_5).clients == Approx(105).margin(1));
    CHECK(radio_of(before.at("evening"), 6, band_5).use == Approx(0.84).margin(0.01));
    CHECK(radio_of(before.at("evening"), 6, band_24).clients == Approx(42).margin(1));
    CHECK(radio_of(before.at("evening"), 6, band_24).headroom < 0);
    CHECK(radio_of(before.at("evening"), 6, band_6).clients == 0);

    Network guests = *find_network(p.demand, "guests");
    guests.bands = all_bands();
    replace_network(p, guests);
    const Evening on_6 = judged(p);
    CHECK(on_6.of("satisfied").met());
    CHECK(on_6.of("satisfied").share_met() == Approx(0.996).margin(0.002));
    CHECK(radio_of(on_6.at("evening"), 6, band_6).clients == Approx(131).margin(1));
    CHECK_FALSE(on_6.of("radio_clients").met());
    CHECK_FALSE(on_6.of("air_used").met());

    Project narrow = p;
    for (AccessPoint ap : std::vector<AccessPoint>(access_points(p, find_floor(p, "Ground floor")->id)))
        if (ap.number == 6 || ap.number == 7) {
            ap.radios[2] = retuned(ap.radios[2], band_6, ap.radios[2].primary, 40);
            replace_access_point(narrow, find_floor(p, "Ground floor")->id, ap);
        }
    const Evening narrower = judged(narrow);
    CHECK(radio_of(on_6.at("evening"), 6, band_6).shares_with == 0);
    CHECK(radio_of(narrower.at("evening"), 6, band_6).headroom <
          radio_of(on_6.at("evening"), 6, band_6).headroom);

    one_more_in_the_hall(p, {57, 25.5}, 100, 117);
    one_more_in_the_hall(p, {46.5, 25.5}, 116, 149);
    const Evening more = judged(p);
    CHECK(more.of("satisfied").met());
    CHECK(more.of("radio_clients").met());
    CHECK(more.of("air_used").met());

    for (Network& n : p.demand.networks.edit()) n.lowest_rate_mbps = 6;
    CHECK(radio_of(judged(p).at("evening"), 6, band_24).beacons < 0.02);
    for (Network& n : p.demand.networks.edit()) n.lowest_rate_mbps = 1;
    CHECK(radio_of(judged(p).at("evening"), 6, band_24).beacons > 0.08);
}
