// SPDX-License-Identifier: GPL-3.0-or-later
// A capture dropped on a plan: each radio once, the plan's own known again.
#include "tuning/heard_neighbours.h"

#include <algorithm>

#include "demo/demo.h"
#include "project/kinds/thing_edits.h"
#include "project/rules.h"
#include "test_data.h"

using namespace yemvo;

namespace {

HeardAir pier() { return read_capture(test::test_data() + "/air/pier.pcap"); }

const Neighbour& of(const std::vector<Neighbour>& all, const std::string& address) {
    const auto at = std::ranges::find(all, address, &Neighbour::address);
    if (at == all.end()) throw std::runtime_error(address);
    return *at;
}

}  // namespace

TEST_CASE("a capture's radios, each once under its strongest name, with what it told") {
    const std::vector<Neighbour> all = neighbours_of(pier());
    const HeardAir air = pier();
    const auto with_level = std::ranges::count_if(air.radios, [&](const HeardDevice& d) {
        return air.networks[d.networks.front()].signal_dbm.has_value();
    });
    CHECK(static_cast<std::ptrdiff_t>(all.size()) == with_level);
    for (const Neighbour& n : all) {
        INFO(n.address);
        CHECK_NOTHROW(check(n));
        CHECK_FALSE(n.own);
    }
    // two names on one radio, as make_air.py wrote them
    const Neighbour& staff = of(all, "02:1e:5a:07:10:24");
    CHECK(staff.name == "Pier 4 staff");
    CHECK(staff.names >= 2);
    CHECK(staff.stations == 11);
    CHECK(staff.level_dbm == Approx(-48).margin(1));
    const Neighbour& workshop = of(all, "02:33:0b:18:c5:90");
    CHECK(workshop.channel.width_mhz == 40);
    CHECK(workshop.use == Approx(0.24).margin(0.005));  // alone on its primary
}

TEST_CASE("a name of bytes that are no text can be kept in a project all the same") {
    HeardAir air;
    HeardNetwork n;
    n.ssid = "caf\xe9\xff";
    n.band = band_24;
    n.channel = {band_24, 6, 20};
    n.primary = 6;
    n.signal_dbm = -60;
    air.networks.push_back(n);
    air.radios.push_back({{0}});
    const auto all = neighbours_of(air);
    REQUIRE(all.size() == 1);
    CHECK_NOTHROW(check(all[0]));
    CHECK(all[0].name.starts_with("caf"));
}

TEST_CASE("what two radios tell of one channel is not counted twice") {
    HeardAir air;
    for (std::size_t i = 0; i < 2; ++i) {
        HeardNetwork n;
        n.bssid = 0x020000000000 + i;
        n.band = band_5;
        n.channel = {band_5, 36, 20};
        n.primary = 36;
        n.signal_dbm = -60;
        n.utilisation = 0.6;
        n.data = i == 0 ? 299 : 99;
        air.networks.push_back(n);
        air.radios.push_back({{i}});
    }
    const auto all = neighbours_of(air);
    CHECK(all[0].use == Approx(0.45));
    CHECK(all[1].use == Approx(0.15));
    air.networks[1].signal_dbm.reset();  // without a level nobody knows where it counts
    CHECK(neighbours_of(air).size() == 1);
}

TEST_CASE("a radio of the plan is known by a name and its level, the nearest in level, and once") {
    std::vector<ExpectedRadio> expected{{AccessPointId{1}, band_24, -70, {"Pier 4 staff"}},
                                        {AccessPointId{2}, band_24, -50, {"Pier 4 staff"}},
                                        {AccessPointId{3}, band_24, -61, {"Another"}},
                                        {AccessPointId{4}, band_5, -48, {"Pier 4 staff"}}};
    std::vector<Neighbour> all = neighbours_of(pier(), expected);
    CHECK(of(all, "02:1e:5a:07:10:24").own == AccessPointId{2});
    CHECK_FALSE(of(all, "02:33:0b:18:c5:90").own);  // its name is none of the plan's
    CHECK(std::ranges::count_if(all, [](const Neighbour& n) { return n.own == AccessPointId{2}; }) == 1);
    // far off in level it is another building's radio of the same company
    expected = {{AccessPointId{1}, band_24, -70, {"Pier 4 staff"}}};
    CHECK_FALSE(of(neighbours_of(pier(), expected), "02:1e:5a:07:10:24").own);
}

TEST_CASE("what is expected at a place is what the map shows there") {
    const Project p = demo::compose_venue();
    Predictor predictor;
    const FloorId floor = all_floors(p)[1]->id;
    const SitePrediction site = predictor.predict(p, {floor});
    const Point place = access_points(p, floor).front().position;
    const auto expected = expected_at(p, site.floors[0], place);
    CHECK(expected.size() > 5);
    const auto loudest = std::ranges::max_element(expected, {}, &ExpectedRadio::dbm);
    CHECK(loudest->access_point == access_points(p, floor).front().id);
    CHECK_FALSE(loudest->networks.empty());
    CHECK(expected_at(p, site.floors[0], {1e4, 1e4}).empty());
}
