// SPDX-License-Identifier: GPL-3.0-or-later
#include "gear/model.h"

#include <cmath>
#include <numbers>

#include "core/support.h"
#include "gear/antenna_model.h"

using namespace yemvo;

TEST_CASE("a wanted power becomes the nearest that a radio can be set to") {
    const PowerRange steps{4, 23, 3, {}};  // 4, 7, 10, 13, 16, 19, 22
    CHECK(steps.nearest_dbm(11.4) == 10);
    CHECK(steps.nearest_dbm(11.6) == 13);
    CHECK(steps.nearest_dbm(-5) == 4);
    CHECK(steps.nearest_dbm(40) == 22);
    CHECK(steps.nearest_dbm(22, 18) == 16);
    CHECK(steps.nearest_dbm(22, 16) == 16);
    CHECK(steps.nearest_dbm(22, 1) == 4);  // nothing else is there
    const PowerRange levels{5, 24, 1, {5, 11, 17, 23, 24}};
    CHECK(levels.nearest_dbm(13) == 11);
    CHECK(levels.nearest_dbm(15) == 17);
    CHECK(levels.nearest_dbm(30) == 24);
    CHECK(levels.nearest_dbm(24, 20) == 17);
    CHECK(levels.nearest_dbm(0) == 5);
}

TEST_CASE("the usual source is the weakest that leaves everything, else the strongest") {
    const PowerAlternative whole{"", {}}, weak{"", {{0, false, {}, {}, {}, {}}}};
    AccessPointModel m;
    CHECK_FALSE(usual_source(m));
    m.power = {{PowerSource::bt3, 30, {whole}}, {PowerSource::af, 12, {weak}}, {PowerSource::at, 25, {weak}}};
    CHECK(usual_source(m) == PowerSource::bt3);
    m.power.erase(m.power.begin());
    CHECK(usual_source(m) == PowerSource::at);
    m.power.push_back({PowerSource::dc, 28, {whole}});
    CHECK(usual_source(m) == PowerSource::dc);
}

TEST_CASE("what reaches a device over 100 m is what the standard says") {
    CHECK(available_w(PowerSource::af) == 12.95);
    CHECK(available_w(PowerSource::at) == 25.5);
    CHECK(available_w(PowerSource::bt3) == 51.0);
    CHECK(available_w(PowerSource::bt4) == 71.3);
    CHECK_FALSE(available_w(PowerSource::dc));
    for (PowerSource s : power_sources) CHECK(find_power_source(power_source_key(s)) == s);
    CHECK_FALSE(find_power_source("ac"));
}

TEST_CASE("a cable loses by its length, its ends and the root of the frequency") {
    const CableType cable{"c", "C", 0.8, 0.3};
    CHECK(cable_loss_db(cable, 10, 5500) == Approx(8.3));
    CHECK(cable_loss_db(cable, 0, 5500) == Approx(0.3));
    CHECK(cable_loss_db(cable, 10, 5500.0 / 4) == Approx(4.3));
}

TEST_CASE("what is aimed looks where its mount and tilt turn it, and is tilted towards a slope") {
    const auto looks = [](PatternFrame frame, Mount mount, double azimuth_deg, double tilt_deg) {
        return look_direction(frame, body_turn(frame, mount, azimuth_deg, tilt_deg));
    };
    const auto same = [](Point3 a, Point3 b) { return length(a - b) < 1e-9; };
    CHECK(same(looks(PatternFrame::ceiling, Mount::ceiling, 40, 0), {0, 0, -1}));
    CHECK(same(looks(PatternFrame::ceiling, Mount::wall, 90, 0), {1, 0, 0}));
    CHECK(same(looks(PatternFrame::upright, Mount::ceiling, 0, 0), {0, 0, -1}));
    CHECK(same(looks(PatternFrame::upright, Mount::pole, 180, 30), {0, -std::sqrt(3) / 2, -0.5}));
    // 3 m down over 10 m ahead is 16.7 degrees; seen 60 degrees from the side the same slope asks for less
    const Point3 ahead{0, 1, 0}, aside{std::sin(std::numbers::pi / 3), 0.5, 0};
    for (const auto frame : {PatternFrame::upright, PatternFrame::ceiling}) {
        CHECK(downtilt_towards(frame, Mount::wall, 0, ahead, {10, -3}) == 17);
        CHECK(downtilt_towards(frame, Mount::wall, 0, ahead, {10, 3}) == -17);
        CHECK(downtilt_towards(frame, Mount::wall, 0, aside, {10, -3}) == 9);  // atan(0.3 cos 60)
    }
    CHECK(downtilt_towards(PatternFrame::upright, Mount::wall, 180, ahead, {-10, -3}) == 17);
}
