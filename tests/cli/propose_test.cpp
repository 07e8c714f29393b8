// SPDX-License-Identifier: GPL-3.0-or-later
// propose on the command line.
#include <cmath>
#include <sstream>

#include "cli/run.h"
#include "core/support.h"
#include "project/storage.h"

using Json = nlohmann::json;
using yemvo::test::Answer;
using yemvo::test::run;

namespace {

/// Two rooms of 10 m with heavy walls between, and one access point in a corner.
std::string two_rooms(const yemvo::test::TemporaryFolder& folder) {
    using namespace yemvo;
    Project p = test::one_floor();
    for (const double x : {0.0, 11.0})
        test::wall(p, "concrete-250", {{x, 0}, {x + 10, 0}, {x + 10, 10}, {x, 10}, {x, 0}});
    test::set_requirements(p, {{{}, "signal", band_5, -57, 0.95}});
    add_access_point(p, test::floor_at(p, 0), p.models->front().id, {1, 1});
    Zone zone;
    zone.name = "East";
    zone.outline = {{11, 0}, {21, 0}, {21, 10}, {11, 10}};
    add_zone(p, test::floor_at(p, 0), zone);
    zone.name = "West";
    zone.outline = {{0, 0}, {10, 0}, {10, 10}, {0, 10}};
    add_zone(p, test::floor_at(p, 0), zone);
    const std::string path = (folder / "rooms.yemvo").string();
    save_project(p, path);
    return path;
}

}  // namespace

TEST_CASE("propose prints the plan with its bound, progress beside it, and writes the project") {
    const yemvo::test::TemporaryFolder folder;
    const std::string path = two_rooms(folder), to = (folder / "new.yemvo").string();
    const Answer answer = run({"propose", path, "--seconds", "10", "--seed", "3", "--out", to, "--json"});
    INFO(answer.err);
    REQUIRE(answer.code == 0);
    const Json found = answer.value();
    CHECK(found["access_points"] == 2);
    CHECK(found["lower_bound"] == 2);
    CHECK(found["gap"] == 0);
    CHECK(found["verdict"]["met"] == true);
    CHECK(found["seconds"].get<double>() < 12);
    REQUIRE(found["moves"].size() >= 2);
    for (const char* key : {"kind", "number", "floor", "model", "from", "to"})
        CHECK(found["moves"][0].contains(key));
    std::istringstream lines(answer.err);
    int stands = 0;
    for (std::string line; std::getline(lines, line); ++stands) {
        const Json stand = Json::parse(line);
        for (const char* key : {"seconds", "access_points", "lower_bound", "short_m2"})
            CHECK(stand.contains(key));
    }
    CHECK(stands > 0);
    // every candidate hung, to be looked at one by one
    const std::string all = (folder / "all.yemvo").string();
    const Json again = run({"propose", path, "--seconds", "10", "--candidates", all, "--json"}).value();
    CHECK(again["grids"][0]["cell_m"] == 1);
    CHECK(run({"info", all, "--json"}).out.find("\"access_points\"") != std::string::npos);
    const yemvo::Project hung = yemvo::load_project(all).project;
    CHECK(yemvo::placed_access_points(hung).size() == again["candidates"].get<std::size_t>() + 1);
    const Json verdict = run({"verdict", to, "--json"}).value();
    CHECK(verdict["met"] == true);
    CHECK(run({"propose", path, "--seconds", "10"}).out.find("2 access points (1 now)") != std::string::npos);
}

TEST_CASE("propose says what it cannot do and names what there is") {
    const yemvo::test::TemporaryFolder folder;
    const std::string path = two_rooms(folder);
    const Answer model = run({"propose", path, "--model", "nothing"});
    CHECK(model.code == 2);
    CHECK(model.err.find("there is no model 'nothing'") != std::string::npos);
    CHECK(model.err.find("ceiling-entry") != std::string::npos);
    const Answer floor = run({"propose", path, "--floor", "Attic"});
    CHECK(floor.code == 2);
    CHECK(floor.err.find("Attic") != std::string::npos);
    CHECK(run({"propose", path, "--seconds", "-3"}).code == 2);
    CHECK(run({"propose", path, "--goal", "beauty"}).code == 2);
    // a band that nothing is asked of
    const Answer band = run({"propose", path, "--band", "6"});
    CHECK(band.code == 2);
    CHECK(band.err.find("no requirement in force") != std::string::npos);
}

TEST_CASE("propose keeps to zones, holds what is locked, and moves no further than it may") {
    const yemvo::test::TemporaryFolder folder;
    const std::string path = two_rooms(folder);
    const Json east = run({"propose", path, "--seconds", "5", "--zone", "East", "--json"}).value();
    for (const Json& m : east["moves"]) {
        if (m["kind"] == "added") CHECK(m["to"][0].get<double>() > 11);
        if (m["number"] == 1) CHECK(m["kind"] == "stays");
    }
    const Json locked = run({"propose", path, "--seconds", "5", "--lock", "1", "--json"}).value();
    const Json reached = run({"propose", path, "--seconds", "5", "--reach", "2", "--json"}).value();
    bool held = false, moved = false;
    for (const Json& m : locked["moves"]) held = held || (m["number"] == 1 && m["kind"] == "stays");
    for (const Json& m : reached["moves"])
        if (m["number"] == 1) {
            moved = true;
            CHECK(m["kind"] != "removed");
            CHECK(std::hypot(m["to"][0].get<double>() - 1, m["to"][1].get<double>() - 1) <= 2.01);
        }
    CHECK(held);
    CHECK(moved);
    const Answer nowhere = run({"propose", path, "--zone", "Attic"});
    CHECK(nowhere.code == 2);
    CHECK(nowhere.err.find("there is no zone 'Attic'") != std::string::npos);
}
