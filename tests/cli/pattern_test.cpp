// SPDX-License-Identifier: GPL-3.0-or-later
// Antenna patterns on the command line.
#include <filesystem>

#include "cli/run.h"
#include "core/support.h"

using yemvo::test::run;
using yemvo::test::TemporaryFolder;
using yemvo::test::test_data;

TEST_CASE("pattern info tells gain, widths and both cuts, clockwise from the front and up from the horizon") {
    const auto answer = run({"pattern", "info", test_data() + "/panel.ant", "--json"});
    REQUIRE(answer.code == 0);
    const auto json = answer.value();
    CHECK(json["gain_dbi"] == 11.5);
    CHECK(json["gain_assumed"] == false);
    REQUIRE(json["patterns"].size() == 1);
    const auto& p = json["patterns"][0];
    CHECK(p["frequency_mhz"] == 5500);
    CHECK(p["azimuth_width_deg"].get<double>() == Approx(65).margin(1));
    CHECK(p["elevation_width_deg"].get<double>() == Approx(30).margin(1));
    CHECK(p["front_to_back_db"].get<double>() == Approx(25).margin(0.1));
    REQUIRE(p["azimuth_attenuation_db"].size() == 360);
    REQUIRE(p["elevation_attenuation_db"].size() == 360);
    // the file's own rows: azimuth -180 to 175, elevation 6 degrees down
    CHECK(p["azimuth_attenuation_db"][0] == 0);
    CHECK(p["azimuth_attenuation_db"][180] == 25);
    CHECK(p["elevation_attenuation_db"][355] == 0.01);
    CHECK(p["elevation_attenuation_db"][350] == 0.21);
    CHECK(p["elevation_attenuation_db"][0] == 0.48);
}

TEST_CASE("pattern convert writes what reads back the same") {
    const TemporaryFolder folder;
    const auto cuts = [](const std::string& file) {
        return run({"pattern", "info", file, "--json"}).value()["patterns"];
    };
    const std::string from = test_data() + "/panel_cuts.csv";
    for (const char* name : {"a.ant", "a.csv"}) {
        const std::string out = (folder / name).string();
        REQUIRE(run({"pattern", "convert", from, "--out", out}).code == 0);
        const auto before = cuts(from), after = cuts(out);
        REQUIRE(after.size() == 1);
        for (const char* cut : {"azimuth_attenuation_db", "elevation_attenuation_db"})
            for (std::size_t d = 0; d < 360; ++d)
                CHECK(after[0][cut][d].get<double>() == Approx(before[0][cut][d].get<double>()).margin(0.01));
    }
}

TEST_CASE("what a person knows better is taken; what cannot be read is told with its line") {
    const std::string file = test_data() + "/panel.ant";
    CHECK(run({"pattern", "info", file, "--gain", "8", "--json"}).value()["gain_dbi"] == 8);
    CHECK(run({"pattern", "info", file, "--dbd", "true", "--json"}).value()["gain_dbi"] == 13.65);
    const TemporaryFolder folder;
    const std::string broken = (folder / "broken.csv").string();
    std::ofstream(broken) << "angle,h,v\n0,-1,-2\n5,-1,seven\n";
    const auto refused = run({"pattern", "info", broken, "--json"});
    CHECK(refused.code == 2);
    CHECK(refused.out.empty());
    CHECK_THAT(refused.err, Catch::Contains("broken.csv, line 3") && Catch::Contains("'seven' is no number"));
    CHECK(run({"pattern", "info", (folder / "").string()}).code == 2);
    CHECK(run({"pattern", "info", "/nowhere.ant"}).code == 2);
    CHECK(run({"pattern", "convert", file, "--out", "x.pdf"}).code == 2);
    CHECK(run({"pattern"}).code == 2);
}
