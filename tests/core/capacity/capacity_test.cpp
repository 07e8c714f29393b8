// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/association.h"
#include "capacity/site_capacity.h"
#include "coverage/lens_map.h"
#include "demo/demo.h"
#include "project/json_project.h"
#include "project/kinds/thing_edits.h"
#include "project/library.h"

using namespace yemvo;

namespace {

/// One room of 20 by 10 m with people in it.
Project room(double people, const char* profile = "phone", const char* application = "video") {
    Project p = test::one_floor();
    const FloorId floor = test::floor_at(p, 0);
    test::wall(p, "concrete-200", {{0, 0}, {20, 0}, {20, 10}, {0, 10}, {0, 0}});
    Zone z{{}, "Room", ZoneKind::served, {{0, 0}, {20, 0}, {20, 10}, {0, 10}}};
    z.demand.emplace();
    z.demand->amount = people;
    z.demand->devices = 1;
    z.demand->profiles = {{profile, 1}};
    z.demand->applications = {{application, 1}};
    add_zone(p, floor, z);
    return p;
}

ZoneDemand& demand_of(Project& p) {
    Floor& floor = p.buildings[0].floors[0];
    return *floor.zones.edit()[0].demand;
}

/// An access point whose radios are one in each of the bands.
AccessPointId access_point(Project& p, Point at) {
    const auto model = std::ranges::find_if(*p.models, [](const AccessPointModel& m) {
        return m.radios.size() == 3 && m.radios[0].bands.size() == 1 && m.mount == Mount::ceiling;
    });
    return add_access_point(p, test::floor_at(p, 0), model->id, at);
}

Radio& radio(Project& p, AccessPointId id, BandId band) {
    for (AccessPoint& ap : p.variants[0].access_points[test::floor_at(p, 0)].edit())
        if (ap.id == id)
            for (Radio& r : ap.radios)
                if (r.channel.band == band) return r;
    throw std::runtime_error("no such radio");
}

HourCapacity solved(const Project& p) {
    Predictor predictor;
    CapacitySolver solver;
    return site_capacity(p, predictor.predict(p), solver)->hours.front();
}

double clients_in(const HourCapacity& h, BandId band) {
    double sum = 0;
    for (const RadioCapacity& r : h.radios)
        if (r.radio.channel.band == band) sum += r.clients;
    return sum;
}

}  // namespace

TEST_CASE("clients stand in their zone, evenly and the same each time, by their shares") {
    Project p = room(100);
    demand_of(p).profiles = {{"phone", 60}, {"older-laptop", 40}};
    Predictor predictor;
    const SitePrediction site = predictor.predict(p);
    const Floor& floor = *all_floors(p).front();
    const StandingFloor a = standing_clients(p, floor, site.floors[0]);
    const StandingFloor b = standing_clients(p, floor, site.floors[0]);
    REQUIRE(a.clients.size() == 100);
    int phones = 0, west = 0, south_west = 0;
    for (std::size_t i = 0; i < 100; ++i) {
        CHECK(a.clients[i].place == b.clients[i].place);
        CHECK(Box{{0, 0}, {20, 10}}.contains(a.clients[i].place));
        phones += (*p.clients)[a.clients[i].profile].key == "phone";
        west += a.clients[i].place.x < 10;
        south_west += a.clients[i].place.x < 10 && a.clients[i].place.y < 5;
    }
    CHECK(phones == 60);
    CHECK(std::abs(west - 50) <= 3);
    CHECK(std::abs(south_west - 25) <= 3);
}

TEST_CASE("a half busier hour takes the first of those who stand there") {
    Project p = room(101);
    demand_of(p).presence = {{"busy", 0.5}};
    p.demand.hours.push_back({"full", "Full"});
    Predictor predictor;
    CapacitySolver solver;
    access_point(p, {10, 5});
    const auto site = site_capacity(p, predictor.predict(p), solver);
    REQUIRE(site->hours.size() == 2);
    CHECK(site->hours[0].site.clients == Approx(50.5));
    CHECK(site->hours[1].site.clients == Approx(101));
    CHECK(site->hours[1].clients.size() == 101);
    CHECK(site->hours[0].radios.back().use < site->hours[1].radios.back().use);
}

TEST_CASE("clients choose the highest band that they hear well, and only what they know") {
    Project p = room(20);
    const AccessPointId id = access_point(p, {10, 5});
    CHECK(clients_in(solved(p), band_6) == Approx(20));
    demand_of(p).profiles = {{"older-laptop", 1}};
    CHECK(clients_in(solved(p), band_5) == Approx(20));
    demand_of(p).profiles = {{"stock-scanner", 1}};
    CHECK(clients_in(solved(p), band_24) == Approx(20));

    demand_of(p).profiles = {{"phone", 1}};
    Network n;
    n.key = "own";
    n.name = "Own";
    n.bands = BandSet(band_24).with(band_5);
    p.demand.networks = std::vector<Network>{n};
    demand_of(p).network = "own";
    CHECK(clients_in(solved(p), band_5) == Approx(20));
    p.demand.networks.edit()[0].steer_to = band_24;
    CHECK(clients_in(solved(p), band_24) == Approx(20));
    radio(p, id, band_24).without = {"own"};
    CHECK(clients_in(solved(p), band_5) == Approx(20));
}

TEST_CASE("nobody is served where nothing radiates, or no band is common") {
    Project p = room(20, "sensor", "telemetry");
    CHECK(solved(p).site.not_reached == Approx(20));
    const AccessPointId id = access_point(p, {10, 5});
    CHECK(solved(p).site.not_reached == 0);
    radio(p, id, band_24).on = false;
    const HourCapacity h = solved(p);
    CHECK(h.site.not_reached == Approx(20));
    CHECK(h.site.satisfied == 0);
    CHECK(h.site.asked_up_mbps > 0);
    CHECK(h.site.got_up_mbps == 0);
}

TEST_CASE("one radio with one kind of client carries what the airtime model says") {
    // 30 phones watch video on 20 MHz: less than it holds; 120 are more
    Project p = room(30);
    const AccessPointId id = access_point(p, {10, 5});
    for (BandId b : {band_24, band_6}) radio(p, id, b).on = false;
    const AccessPoint ap = *find_access_point(p, test::floor_at(p, 0), id);
    for (AccessPoint& a : p.variants[0].access_points[test::floor_at(p, 0)].edit())
        for (Radio& r : a.radios)
            if (r.channel.band == band_5) r = retuned(r, band_5, 36, 20);
    HourCapacity h = solved(p);
    const RadioCapacity* r = &h.radios.front();
    REQUIRE(h.radios.size() == 1);
    CHECK(r->clients == Approx(30));
    CHECK(r->asked_down_mbps == Approx(30 * 5.1));
    CHECK(h.site.satisfied_share() > 0.99);
    CHECK(r->headroom > 0);
    CHECK(r->use > 0.5);

    demand_of(p).amount = 120;
    h = solved(p);
    r = &h.radios.front();
    CHECK(r->headroom < 0);
    CHECK(r->delivered_down < 0.6);
    // less than the 286.8 Mbit/s of its best rate, most of what is left after 120 clients' own frames
    CHECK(r->got_down_mbps > 60);
    CHECK(r->got_down_mbps < 270);
    CHECK(h.site.satisfied == 0);
    REQUIRE(r->weakest);
    CHECK((*p.clients)[r->weakest->profile].key == "phone");
}

TEST_CASE("other people's radios take the air that they were heard to use, and narrow a wide channel") {
    Project p = room(24);
    demand_of(p).profiles = {{"older-laptop", 1}};
    const AccessPointId only = access_point(p, {10, 5});
    for (BandId b : {band_24, band_6}) radio(p, only, b).on = false;
    radio(p, only, band_5) = retuned(radio(p, only, band_5), band_5, 36, 80);
    const HourCapacity alone = solved(p);
    Neighbour n;
    n.name = "Loft";
    n.channel = {band_5, 36, 20};
    n.primary = 36;
    n.level_dbm = -70;
    n.use = 0.4;
    const ListeningPlaceId at = add_thing(p, test::floor_at(p, 0), ListeningPlace{{}, "Door", {2, 5}, {n}});
    const auto set = [&](auto change) {
        ListeningPlace place = *find_listening_place(*all_floors(p)[0], at);
        change(place.heard[0]);
        replace_thing(p, test::floor_at(p, 0), place);
        return solved(p);
    };
    const HourCapacity shared = solved(p);
    CHECK(shared.radios.size() == 1);
    CHECK(shared.radios[0].shares_with == 1);
    // its own part shrinks a little: what waits longer goes out in longer aggregates
    CHECK(shared.radios[0].use > alone.radios[0].use + 0.34);
    CHECK(shared.radios[0].use < alone.radios[0].use + 0.41);
    CHECK(shared.radios[0].headroom < alone.radios[0].headroom);
    // nobody hears it, or nobody shares its spectrum, or it is one of the plan's own: as if it were not there
    for (const HourCapacity& quiet :
         {set([](Neighbour& x) { x.level_dbm = -95; }),
          set([](Neighbour& x) { x.level_dbm = -70, x.channel.number = x.primary = 100; }),
          set([&](Neighbour& x) { x.channel.number = x.primary = 36, x.own = only; })}) {
        CHECK(quiet.radios[0].use == Approx(alone.radios[0].use));
        CHECK(quiet.radios[0].shares_with == 0);
    }
    // beside the primary it takes no turns, but width
    const HourCapacity beside = set([](Neighbour& x) { x.own.reset(), x.channel.number = x.primary = 48; });
    CHECK(beside.radios[0].shares_with == 0);
    CHECK(beside.radios[0].use < shared.radios[0].use);
    CHECK(beside.radios[0].own_use > alone.radios[0].own_use);
}

TEST_CASE(
    "a second access point on another channel takes half of the clients, on the same one shares the air") {
    Project p = room(24);
    demand_of(p).profiles = {{"older-laptop", 1}};
    const AccessPointId first = access_point(p, {4, 5}), second = access_point(p, {16, 5});
    for (AccessPointId id : {first, second})
        for (BandId b : {band_24, band_6}) radio(p, id, b).on = false;
    radio(p, first, band_5) = retuned(radio(p, first, band_5), band_5, 36, 20);
    radio(p, second, band_5) = retuned(radio(p, second, band_5), band_5, 52, 20);
    const HourCapacity apart = solved(p);
    REQUIRE(apart.radios.size() == 2);
    CHECK(apart.radios[0].clients == Approx(12).margin(3));
    CHECK(apart.radios[0].shares_with == 0);
    radio(p, second, band_5) = retuned(radio(p, second, band_5), band_5, 36, 20);
    const HourCapacity shared = solved(p);
    CHECK(shared.radios[0].shares_with == 1);
    CHECK(shared.radios[0].headroom < apart.radios[0].headroom);
    CHECK(shared.radios[0].use > apart.radios[0].use);
    // both hear the same air
    CHECK(shared.radios[0].use == Approx(shared.radios[1].use).margin(0.02));
}

TEST_CASE("an overfull radio gives clients to one with room") {
    Project p = room(160);
    demand_of(p).profiles = {{"older-laptop", 1}};
    const AccessPointId first = access_point(p, {9, 5}), second = access_point(p, {19, 9});
    for (AccessPointId id : {first, second})
        for (BandId b : {band_24, band_6}) radio(p, id, b).on = false;
    radio(p, first, band_5) = retuned(radio(p, first, band_5), band_5, 36, 20);
    radio(p, first, band_5).power_dbm = 20;
    radio(p, second, band_5) = retuned(radio(p, second, band_5), band_5, 52, 20);
    radio(p, second, band_5).power_dbm = 2;
    Predictor predictor;
    const SitePrediction site = predictor.predict(p);
    const auto radios = air_radios(p);
    const HeardFloor heard = heard_on(p, radios, site.floors[0]);
    const LinkRates rates(p, radios);
    const Chooser chooser{p, radios, rates};
    double alone = 0;
    for (std::uint32_t c = 0; c < heard.standing.clients.size(); ++c)
        alone += chooser.choose(heard, c, demand_of(p)).radio == 0;
    const HourCapacity h = solved(p);
    CHECK(h.radios[0].clients < alone - 10);
    CHECK(h.radios[0].clients + h.radios[1].clients == Approx(160));
}

TEST_CASE("a client that refuses 40 MHz at 2.4 GHz makes the radio fall back, and others near do") {
    Project p = room(10, "laptop", "web");
    const AccessPointId id = access_point(p, {4, 5});
    for (BandId b : {band_5, band_6}) radio(p, id, b).on = false;
    radio(p, id, band_24) = retuned(radio(p, id, band_24), band_24, 1, 40);
    HourCapacity h = solved(p);
    CHECK_FALSE(h.radios[0].fell_back);
    CHECK(h.radios[0].width_mhz == 40);
    demand_of(p).profiles = {{"laptop", 9}, {"stock-scanner", 1}};
    h = solved(p);
    CHECK(h.radios[0].fell_back);
    CHECK(h.radios[0].width_mhz == 20);
    demand_of(p).profiles = {{"laptop", 1}};
    const AccessPointId other = access_point(p, {16, 5});
    for (BandId b : {band_5, band_6}) radio(p, other, b).on = false;
    radio(p, other, band_24) = retuned(radio(p, other, band_24), band_24, 6, 20);
    h = solved(p);
    CHECK(h.radios[0].fell_back);
}

TEST_CASE("a client gets the rate of what it and its radio have in common") {
    const auto best = [](const char* profile, BandId band, int width_mhz) {
        Project p = room(1, profile, "web");
        const AccessPointId id = access_point(p, {10, 5});
        for (BandId b : all_bands().list())
            if (b != band) radio(p, id, b).on = false;
        radio(p, id, band) = retuned(radio(p, id, band), band, radio(p, id, band).primary, width_mhz);
        radio(p, id, band).power_dbm = 30;
        for (ClientProfile& c : p.clients.edit()) c.power_dbm = 40;  // nothing is held back by the level
        return double{solved(p).clients.front().down_mbps};
    };
    // 802.11n, one stream, 20 MHz, whatever the radio could do: MCS 7 at 0.8 us
    CHECK(best("scanner", band_5, 80) == Approx(65));
    CHECK(best("stock-scanner", band_24, 20) == Approx(65));
    // 160 MHz and 802.11be on an 80 MHz radio: 80 MHz, two streams
    const double wide = best("wide-laptop", band_5, 80);
    CHECK(wide <= *phy_rate_mbps(Standard::be, 80, 2, 13, 0.8) + 0.01);
    CHECK(wide >= *phy_rate_mbps(Standard::be, 80, 2, 9, 0.8));
    // 802.11ac at 2.4 GHz falls to n
    CHECK(best("older-laptop", band_24, 20) == Approx(130));
}

TEST_CASE("needs of applications count: signal, rate, and what is delivered") {
    Project p = room(20, "phone", "call");
    access_point(p, {10, 5});
    CHECK(solved(p).site.satisfied_share() > 0.99);
    auto& applications = p.demand.applications.edit();
    for (Application& a : applications)
        if (a.key == "call") a.least_rate_mbps = 5000;
    CHECK(solved(p).site.satisfied == 0);
    for (Application& a : applications)
        if (a.key == "call") a.least_rate_mbps = 0, a.least_signal_dbm = -10;
    CHECK(solved(p).site.satisfied == 0);
    // half of what they do needs nothing of that
    demand_of(p).applications = {{"call", 1}, {"idle", 1}};
    CHECK(solved(p).site.satisfied_share() == Approx(0.5));
}

TEST_CASE("beacons cost by networks and their lowest rate") {
    Project p = room(1);
    access_point(p, {10, 5});
    const double one = solved(p).radios[0].beacons;
    std::vector<Network> networks;
    for (int i = 0; i < 6; ++i) {
        Network n;
        n.key = "n" + std::to_string(i);
        n.name = "N";
        n.lowest_rate_mbps = 1;
        networks.push_back(n);
    }
    p.demand.networks = networks;
    // six beacons of 300 octets at 1 Mbit/s with the space around: 2.7 % each
    CHECK(solved(p).radios[0].beacons == Approx(6 * 0.02726).margin(2e-3));
    CHECK(one < 0.006);
}

TEST_CASE("what an edit does not touch is not solved again") {
    Project p = demo::compose_venue();
    Predictor predictor;
    CapacitySolver solver;
    const auto first = site_capacity(p, predictor.predict(p), solver);
    const std::size_t all = solver.solved();
    CHECK(all > 10);
    const auto again = site_capacity(p, predictor.predict(p), solver);
    CHECK(solver.solved() == 0);
    CHECK(again->key == first->key);
    const FloorId second = find_floor(p, "Second floor")->id;
    AccessPoint ap = access_points(p, second).front();
    ap.position.x += 0.4;
    replace_access_point(p, second, ap);
    site_capacity(p, predictor.predict(p), solver);
    CHECK(solver.solved() > 0);
    CHECK(solver.solved() < all);
}

TEST_CASE("every client of the demo is told once, and sums are those of the zones") {
    const Project p = demo::compose_venue();
    Predictor predictor;
    CapacitySolver solver;
    const auto site = site_capacity(p, predictor.predict(p), solver);
    for (const HourCapacity& h : site->hours) {
        INFO(h.hour);
        double clients = 0, on_radios = 0, asked = 0;
        for (const ClientCapacity& c : h.clients) clients += double{c.weight};
        for (const RadioCapacity& r : h.radios) {
            on_radios += r.clients;
            asked += r.asked_down_mbps;
            CHECK(r.use >= 0);
            CHECK(r.use <= 1);
            CHECK(r.satisfied <= 1);
        }
        const DemandTable table = demand_table(p, h.hour);
        CHECK(clients == Approx(table.site.clients).epsilon(1e-4));
        CHECK(h.site.clients == Approx(table.site.clients).epsilon(1e-4));
        CHECK(on_radios + h.site.not_reached == Approx(h.site.clients).epsilon(1e-4));
        CHECK(asked == Approx(table.site.down_mbps).epsilon(1e-4));
        CHECK(h.settled);
    }
}

TEST_CASE("devices in a row are clients where they stand, with their zone or with none") {
    Project p = room(0.0001, "phone", "idle");
    const FloorId floor = test::floor_at(p, 0);
    access_point(p, {10, 5});
    DeviceRow row{{}, "Cameras", {2, 2}, {18, 2}, standard_devices().front().demand};
    row.demand.amount = 5;
    const DeviceRowId id = add_thing(p, floor, row);
    HourCapacity h = solved(p);
    const ZoneCapacity* cameras = h.find(id);
    REQUIRE(cameras);
    CHECK(cameras->clients == Approx(5));
    CHECK(cameras->people == 0);
    CHECK(cameras->asked_up_mbps == Approx(20));
    CHECK(cameras->got_up_mbps == Approx(20).epsilon(0.02));
    CHECK(cameras->satisfied_share() == Approx(1));
    const StandingFloor& standing = h.heard[0]->standing;
    const auto last = standing.clients.back();
    CHECK(last.place == Point{18, 2});
    CHECK(last.zone == 1);
    CHECK((*p.clients)[last.profile].key == "camera");

    // one end in the open: who stands beyond all predictions is served by nobody
    Floor& f = p.buildings[0].floors[0];
    f.device_rows.edit()[0].to = {400, 2};
    h = solved(p);
    CHECK(h.find(id)->clients == Approx(5));
    CHECK(h.find(id)->not_reached == Approx(4));
    CHECK(h.find(id)->satisfied == Approx(1));

    // in no zone at all
    f.zones.edit().clear();
    f.device_rows.edit()[0].to = {18, 2};
    h = solved(p);
    REQUIRE(h.find(id));
    CHECK(h.heard[0]->standing.clients.back().zone == 0);
    CHECK(h.site.satisfied == Approx(5));
}

TEST_CASE("a radio without a channel counts as its own: it shares the air with nobody") {
    Project p = room(120, "older-laptop", "call");
    const FloorId floor = test::floor_at(p, 0);
    for (const double x : {4., 8., 12., 16.}) access_point(p, {x, 5});
    const auto open = [&](bool on) {
        for (AccessPoint& ap : p.variants[0].access_points[floor].edit())
            for (Radio& r : ap.radios) r.channel_open = on;
    };
    const auto shares = [](const HourCapacity& h) {
        int most = 0;
        for (const RadioCapacity& r : h.radios) most = std::max(most, r.shares_with);
        return most;
    };
    const HourCapacity together = solved(p);
    CHECK(shares(together) == 3);
    open(true);
    const HourCapacity apart = solved(p);
    CHECK(shares(apart) == 0);
    CHECK(apart.site.satisfied_share() > together.site.satisfied_share() + 0.2);
    for (const RadioCapacity& r : apart.radios) CHECK(r.use <= 1);
    CHECK(project_from_json(project_to_json(p)) == p);

    // one that was given its channel hears the others as little as they hear it
    p.variants[0].access_points[floor].edit()[0].radios[1].channel_open = false;
    CHECK(shares(solved(p)) == 0);
    const AccessPointId placed = place_access_point(p, floor, access_points(p, floor).front().model, {10, 5});
    for (const Radio& r : find_access_point(p, floor, placed)->radios) CHECK(r.channel_open);
}

TEST_CASE("co-channel contention leaves out radios whose channel is not chosen") {
    Project p = room(1);
    const FloorId floor = test::floor_at(p, 0);
    access_point(p, {5, 5});
    access_point(p, {15, 5});
    const auto most = [&] {
        Predictor predictor;
        const SitePrediction site = predictor.predict(p);
        LensChoice choice;
        choice.lens = LensId::contention;
        choice.bands = band_5;
        const std::vector<float> values = lens_values(site.floors[0], choice);
        float highest = 0;
        for (std::size_t i = 0; i < values.size(); ++i)
            if (site.floors[0].mask->inside[i]) highest = std::max(highest, values[i]);
        return highest;
    };
    CHECK(most() == Approx(1));
    p.variants[0].access_points[floor].edit()[1].radios[1].channel_open = true;
    CHECK(most() == 0);
}
