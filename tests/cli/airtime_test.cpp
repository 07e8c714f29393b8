// SPDX-License-Identifier: GPL-3.0-or-later
#include <nlohmann/json.hpp>

#include "cli/run.h"

using namespace yemvo;
using nlohmann::json;
using yemvo::test::run;

namespace {

const std::string scenarios = test::test_data() + "/air_scenarios.json";

}  // namespace

TEST_CASE("airtime tells what each station gets and each radio uses") {
    const auto answer = run({"airtime", scenarios, "--json"});
    REQUIRE(answer.code == 0);
    const json all = answer.value();
    REQUIRE(all.size() == 42);
    for (const json& s : all) {
        if (s["id"] != "d03") continue;
        CHECK(s["stations"][0]["client"] == 0);
        CHECK(s["stations"][0]["direction"] == "down");
        CHECK(s["stations"][0]["delivered_mbps"].get<double>() == Approx(42.254).epsilon(0.03));
        CHECK(s["stations"][0]["share"].get<double>() == Approx(0.444).margin(2e-3));
        CHECK(s["stations"][1]["headroom"].get<double>() > 0.05);
        CHECK(s["radios"][1]["use"].get<double>() == Approx(0.983).margin(0.01));
    }

    test::TemporaryFolder folder;
    const std::string one = (folder / "one.json").string();
    std::ofstream(one) << json::parse(std::ifstream(scenarios))["scenarios"][1];
    const json alone = run({"airtime", one, "--json"}).value();
    CHECK(alone["id"] == "a03");
    CHECK(alone["stations"][0]["asked_mbps"] == "saturated");
    CHECK(alone["stations"][0]["delivered_mbps"].get<double>() == Approx(79.326).epsilon(0.01));
    const auto text = run({"airtime", one});
    CHECK(text.out.find("asks  saturated  gets     79.29") != std::string::npos);
}

TEST_CASE("airtime tells what it cannot read") {
    CHECK(run({"airtime", "/no/such.json"}).code != 0);
    test::TemporaryFolder folder;
    std::ofstream((folder / "bad.json").string()) << R"({"parameters": {}})";
    const auto bad = run({"airtime", (folder / "bad.json").string()});
    CHECK(bad.code != 0);
    CHECK(bad.err.find("bad.json: scenario.parameters: \"band_ghz\" is missing") != std::string::npos);
}
