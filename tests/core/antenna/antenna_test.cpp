// SPDX-License-Identifier: GPL-3.0-or-later
#include "antenna/antenna.h"

#include <random>

#include "antenna/gain_table.h"
#include "core/support.h"
#include "project/library.h"

using namespace yemvo;
using test::check_value;

TEST_CASE("directions turn into the antenna's own as computed independently") {
    const auto same = [](const char* id, Turn turn, Point3 toward) {
        const LocalDirection d = Orientation(turn).local(toward);
        INFO(id);
        CHECK(d.azimuth_deg == Approx(check_value(std::string(id) + "a")).margin(0.001));
        CHECK(d.elevation_deg == Approx(check_value(std::string(id) + "b")).margin(0.001));
    };
    same("o.1", {30, 10, 0}, {10, 10, -2});
    same("o.2", {90, 0, 90}, {10, 2, 1});
    same("o.3", {90, -90, 0}, {5, 1, -0.5});
    same("o.4", {0, 90, 0}, {3, 0, -2});
}

TEST_CASE("directivities agree with known ones") {
    CHECK(directivity_dbi(DipoleLobe{}) == Approx(check_value("a.1")).margin(0.02));
    CHECK(directivity_dbi(PatchLobe{2, -60}) == Approx(check_value("a.2")).margin(0.02));
    CHECK(directivity_dbi(PatchLobe{1, -60}) == Approx(check_value("a.3")).margin(0.02));
    CHECK(directivity_dbi(SectorLobe{70, 10, 0, 25, 20}) == Approx(check_value("a.5")).margin(0.03));
}

TEST_CASE("the element of 38.901 loses what its formula says off its axis") {
    CHECK(relative_gain_db(SectorLobe{65, 65, 0, 30, 30}, {40, -20}) ==
          Approx(check_value("a.6")).margin(0.001));
}

TEST_CASE("lobes lose 3 dB at half their width and never gain") {
    CHECK(relative_gain_db(DomeLobe{120, -12}, {77, -90}) == Approx(0));
    CHECK(relative_gain_db(DomeLobe{120, -12}, {77, -30}) == Approx(-3));
    CHECK(relative_gain_db(DomeLobe{120, -12}, {0, 90}) == Approx(-12));
    CHECK(relative_gain_db(SectorLobe{70, 20, 4, 25, 20}, {35, -4}) == Approx(-3));
    CHECK(relative_gain_db(SectorLobe{70, 20, 4, 25, 20}, {180, 0}) == Approx(-25));
    for (const Lobe& lobe : {Lobe(DomeLobe{120, -12}), Lobe(SectorLobe{70, 20, 4, 25, 20}),
                             Lobe(PatchLobe{1.5, -15}), Lobe(DipoleLobe{})})
        for (double az = -180; az <= 180; az += 15)
            for (double el = -90; el <= 90; el += 15) CHECK(relative_gain_db(lobe, {az, el}) <= 1e-9);
}

TEST_CASE("no antenna of the library claims more gain than its lobe can have, nor loses more than 3 dB") {
    for (const AccessPointModel& m : standard_models())
        for (const RadioModel& r : m.radios)
            for (const RadioBand& b : r.bands) {
                INFO(m.name << " at " << band(b.band).name << " GHz");
                const double loss_db = directivity_dbi(b.antenna.lobe) - b.antenna.gain_dbi;
                CHECK(loss_db >= 0);
                CHECK(loss_db <= 3);
            }
}

TEST_CASE("a ceiling unit looks down, on a wall it looks out, and a panel under a ceiling looks down") {
    const Antenna dome{4, DomeLobe{120, -12}}, panel{8, PatchLobe{2, -20}};
    const auto toward = [](const Antenna& a, Mount mount, double azimuth, Point3 way) {
        return gain_dbi(a, Orientation(body_turn(a.frame(), mount, azimuth, 0)), way);
    };
    CHECK(toward(dome, Mount::ceiling, 0, {0, 0, -1}) == Approx(4));
    CHECK(toward(dome, Mount::wall, 90, {1, 0, 0}) == Approx(4));
    CHECK(toward(dome, Mount::wall, 90, {-1, 0, 0}) < -4);
    CHECK(toward(dome, Mount::desk, 0, {0, 0, 1}) == Approx(4));
    CHECK(toward(panel, Mount::wall, 180, {0, -1, 0}) == Approx(8));
    CHECK(toward(panel, Mount::ceiling, 0, {0, 0, -1}) == Approx(8));
}

TEST_CASE("the shared table gives what the lobe's formula says, in every direction") {
    std::mt19937 random(3);
    std::normal_distribution<double> any;
    struct Case {
        Lobe lobe;
        double most_db, nearly_all_db;  ///< where limits meet in an edge; at 99 of 100 directions
    };
    for (const Case& c :
         {Case{DomeLobe{120, -12}, 0.06, 0.005}, Case{DomeLobe{60, -20}, 0.12, 0.02},
          Case{SectorLobe{70, 20, 4, 25, 20}, 1, 0.1}, Case{SectorLobe{65, 65, 0, 30, 30}, 0.7, 0.03},
          Case{PatchLobe{2, -20}, 1.2, 0.05}, Case{DipoleLobe{}, 3, 0.05}}) {
        const auto table = gain_table(c.lobe);
        std::vector<double> off_db;
        for (int i = 0; i < 20'000; ++i) {
            const Point3 way{any(random), any(random), any(random)};
            const double level = std::hypot(way.x, way.y), degree = std::numbers::pi / 180;
            const LocalDirection d{std::atan2(way.x, way.y) / degree, std::atan2(way.z, level) / degree};
            off_db.push_back(std::abs(table->relative_db(way) - relative_gain_db(c.lobe, d)));
        }
        std::sort(off_db.begin(), off_db.end());
        INFO("lobe " << c.lobe.index());
        CHECK(off_db.back() < c.most_db);
        CHECK(off_db[off_db.size() * 99 / 100] < c.nearly_all_db);
    }
}

TEST_CASE("equal lobes share a table, others do not; the length of a way does not matter") {
    CHECK(gain_table(DomeLobe{100, -15}) == gain_table(DomeLobe{100, -15}));
    CHECK(gain_table(DomeLobe{100, -15})->key() != gain_table(DomeLobe{100, -16})->key());
    CHECK(gain_table(PatchLobe{100, -15})->key() != gain_table(DomeLobe{100, -15})->key());
    const auto table = gain_table(SectorLobe{70, 20, 4, 25, 20});
    CHECK(table->relative_db({1, 2, -3}) == Approx(table->relative_db({10, 20, -30})).margin(1e-6));
    CHECK(table->relative_db({0, 5, 0}) ==
          Approx(relative_gain_db(SectorLobe{70, 20, 4, 25, 20}, {0, 0})).margin(0.01));
    CHECK(table->relative_db({0, -5, 0}) == Approx(-25));
}
