// SPDX-License-Identifier: GPL-3.0-or-later
// Antenna patterns on the command line.
#include <filesystem>
#include <fstream>
#include <nlohmann/json.hpp>

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

TEST_CASE("pattern trace follows the curve of a picture, and takes what a person knows better") {
    const std::string chart = test_data() + "/charts/small-jpeg.jpg";
    const auto answer = run({"pattern", "trace", chart, "--json"});
    REQUIRE(answer.code == 0);
    const auto json = answer.value();
    CHECK(json["charts"] == 1);
    CHECK(json["ring_db"] == 10);
    CHECK(json["clockwise"] == true);
    CHECK(json["labels_read"].get<int>() > 8);
    CHECK(json["guessed_share"].get<double>() < 0.1);
    std::ifstream truth_file(test_data() + "/charts/small-jpeg.json");
    const auto truth = nlohmann::json::parse(truth_file)["attenuation_db"];
    REQUIRE(json["attenuation_db"].size() == 360);
    for (std::size_t d = 0; d < 360; d += 10)
        if (truth[d].get<double>() < 20)
            CHECK(json["attenuation_db"][d].get<double>() == Approx(truth[d].get<double>()).margin(0.8));

    const auto told = run({"pattern", "trace", chart, "--ring", "5", "--zero", "90", "--counter-clockwise",
                           "--colour", "#b01010", "--json"});
    REQUIRE(told.code == 0);
    CHECK(told.value()["ring_db"] == 5);
    CHECK(told.value()["attenuation_db"][60].get<double>() ==
          Approx(truth[30].get<double>() / 2).margin(0.5));
    CHECK(run({"pattern", "trace", chart}).out.find("clockwise") != std::string::npos);
}

TEST_CASE("pattern trace says what it cannot do, and what to tell it") {
    const std::string chart = test_data() + "/charts/small-jpeg.jpg";
    CHECK(run({"pattern", "trace", "nowhere.png"}).code != 0);
    CHECK(run({"pattern", "trace", chart, "--chart", "4"}).err.find("1 chart") != std::string::npos);
    CHECK(run({"pattern", "trace", chart, "--colour", "red"}).err.find("#c01818") != std::string::npos);
    CHECK(run({"pattern", "trace", test_data() + "/panel_cuts.csv"}).code != 0);
    const auto no_chart = run({"pattern", "trace", test_data() + "/../../docs/screenshots/venue.png"});
    CHECK(no_chart.code != 0);
    CHECK(no_chart.err.find("--centre") != std::string::npos);
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
