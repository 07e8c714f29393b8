// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <fstream>
#include <sstream>

#include "antenna/gain_table.h"
#include "antenna/pattern/measured_pattern.h"
#include "antenna/pattern/pattern_file.h"
#include "core/support.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

MeasuredPattern panel() {
    std::ifstream in(test_data() + "/panel.ant");
    std::stringstream text;
    text << in.rdbuf();
    MeasuredPattern p;
    p.cuts = read_pattern(text.str(), "panel.ant").cuts;
    return p;
}

/// The same everywhere but for the azimuth, which falls by so many dB a degree up to 40 dB.
PatternCuts slope(double frequency_mhz, double db_per_degree) {
    PatternCuts c;
    c.frequency_mhz = frequency_mhz;
    for (int degree = 0; degree < 360; ++degree)
        c.azimuth[degree] = -std::min(db_per_degree * std::min(degree, 360 - degree), 40.0);
    return c;
}

Point3 way(double azimuth_deg, double elevation_deg) {
    constexpr double degree = 3.14159265358979 / 180;
    const double level = std::cos(elevation_deg * degree);
    return {level * std::sin(azimuth_deg * degree), level * std::cos(azimuth_deg * degree),
            std::sin(elevation_deg * degree)};
}

}  // namespace

TEST_CASE("the table of a measured antenna goes through both of its cuts") {
    const MeasuredPattern p = panel();
    const auto table = gain_table(MeasuredLobe(p));
    double most_db = 0;
    for (int degree = 0; degree < 360; ++degree) {
        most_db = std::max(most_db, std::abs(table->relative_db(way(degree, 0)) - p.cuts[0].azimuth[degree]));
        most_db = std::max(most_db, std::abs(table->relative_db({0, way(degree, 0).y, way(degree, 0).x}) -
                                             p.cuts[0].elevation[degree]));
    }
    CHECK(most_db < 0.5);  // lines in steps of up to 0.9 degrees, where a lobe's valley is sharp
}

TEST_CASE("equal patterns are one lobe, whatever they are called; another value makes another one") {
    MeasuredPattern p = panel();
    const MeasuredLobe first(p);
    CHECK(MeasuredLobe(p) == first);
    CHECK(gain_table(MeasuredLobe(p)) == gain_table(first));
    p.name = "of another sheet";
    CHECK(MeasuredLobe(p).key() == first.key());
    CHECK_FALSE(MeasuredLobe(p) == first);
    p.cuts[0].azimuth[17] -= 0.5;
    CHECK(MeasuredLobe(p).key() != first.key());
    p = panel();
    p.blend = Blend::summed;
    CHECK(MeasuredLobe(p).key() != first.key());
    CHECK_THROWS_AS(MeasuredLobe(MeasuredPattern{}), std::invalid_argument);
}

TEST_CASE("between two frequencies a measured lobe lies between its cuts") {
    const Lobe lobe =
        MeasuredLobe({"", PatternFrame::upright, Blend::by_angle, {slope(5200, 0.2), slope(5800, 0.4)}});
    const auto at = [&](double mhz, double azimuth) {
        return relative_gain_db(lobe_at(lobe, mhz), {azimuth, 0});
    };
    CHECK(at(5200, 50) == Approx(-10));
    CHECK(at(5800, 50) == Approx(-20));
    CHECK(at(5500, 50) == Approx(-15));
    CHECK(at(5350, 50) == Approx(-12.5));
    CHECK(at(2400, 50) == Approx(-10));
    CHECK(at(7000, 50) == Approx(-20));
    CHECK(lobe_at(lobe, 5500) == lobe_at(lobe, 5500));
    CHECK(lobe_at(DomeLobe{120, -12}, 5500) == Lobe(DomeLobe{120, -12}));
}

TEST_CASE("the frame of a measured antenna is as it was drawn") {
    MeasuredPattern p = panel();
    CHECK(Antenna{3, MeasuredLobe(p)}.frame() == PatternFrame::upright);
    p.frame = PatternFrame::ceiling;
    CHECK(Antenna{3, MeasuredLobe(p)}.frame() == PatternFrame::ceiling);
}

TEST_CASE("tables hold lobes of formulas within 0.05 dB above -20 dB, but for their edges") {
    struct Case {
        const char* name;
        Lobe lobe;
        double most_beyond;  ///< share of the directions above -20 dB that are further off: edges of limits
    };
    for (const Case& c :
         {Case{"dome", DomeLobe{120, -25}, 0}, Case{"wide dome", DomeLobe{150, -10}, 0.005},
          Case{"sector", SectorLobe{70, 20, 4, 25, 20}, 0.05},
          Case{"round sector", SectorLobe{65, 65, 0, 30, 30}, 0}, Case{"patch", PatchLobe{2, -40}, 0},
          Case{"dipole", DipoleLobe{}, 0.001}, Case{"collinear", CollinearLobe{16, 2, 40}, 0}}) {
        INFO(c.name);
        const auto table = gain_table(c.lobe);
        std::size_t looked = 0, beyond = 0;
        for (double elevation = -89.5; elevation < 90; elevation += 1)
            for (double azimuth = -179.5; azimuth < 180; azimuth += 1) {
                const double formula_db = relative_gain_db(c.lobe, {azimuth, elevation});
                if (formula_db < -20) continue;
                ++looked;
                beyond += std::abs(table->relative_db(way(azimuth, elevation)) - formula_db) > 0.05;
            }
        REQUIRE(looked > 1000);
        CHECK(static_cast<double>(beyond) / static_cast<double>(looked) <= c.most_beyond);
    }
}
