// SPDX-License-Identifier: GPL-3.0-or-later
// The commands of the air: regulation, hearing, retune, capture.
#include <fstream>
#include <set>

#include "cli/run.h"
#include "core/support.h"
#include "test_data.h"

using Json = nlohmann::json;
using yemvo::test::Answer;
using yemvo::test::run;

namespace {

Json run_json(std::vector<std::string> words) {
    const Answer answer = run(std::move(words));
    INFO(answer.err);
    REQUIRE(answer.code == 0);
    return answer.value();
}

struct DemoFile {
    yemvo::test::TemporaryFolder folder;
    std::string path = (folder / "demo.yemvo").string();
    DemoFile() { REQUIRE(run({"demo", "--out", path}).code == 0); }
};

std::string air_file(const char* name) { return yemvo::test::test_data() + "/air/" + name; }

}  // namespace

TEST_CASE("regulation prints ranges and channels of a country") {
    const Json de = run_json({"regulation", "--country", "de", "--json"});
    CHECK(de["country"] == "DE");
    CHECK(de["dfs_region"] == "ETSI");
    for (const Json& r : de["ranges"])
        for (const char* key : {"low_mhz", "high_mhz", "max_eirp_dbm", "max_width_mhz", "dfs", "dfs_wait_s",
                                "indoor_only", "no_initiation"})
            CHECK(r.contains(key));
    std::set<int> at_6;
    int waits_long = 0;
    for (const Json& c : de["channels"]) {
        if (c["band_ghz"] == 6 && c["width_mhz"] == 20) at_6.insert(c["channel"].get<int>());
        waits_long += c["band_ghz"] == 5 && c["width_mhz"] == 80 && c["dfs_wait_s"] == 600;
    }
    CHECK(at_6.size() == 24);
    CHECK(*at_6.rbegin() == 93);
    CHECK(waits_long == 1);
    // with a class our own table counts
    const Json us = run_json({"regulation", "--country", "US", "--class", "low_power_indoor", "--json"});
    for (const Json& c : us["channels"])
        if (c["band_ghz"] == 6 && c["width_mhz"] == 80)
            CHECK(c["max_eirp_dbm"].get<double>() == Approx(24.03));
    const Answer outdoors = run({"regulation", "--country", "DE", "--outdoors"});
    CHECK(outdoors.code == 0);
    const Answer none = run({"regulation", "--country", "QQ"});
    CHECK(none.code == 2);
    CHECK(none.err.find("there is no data for the country 'QQ'") != std::string::npos);
}

TEST_CASE("hearing prints who hears whom") {
    const DemoFile demo;
    const Json all = run_json({"hearing", demo.path, "--band", "5", "--least", "-90", "--json"});
    REQUIRE(all.size() > 20);
    for (const Json& h : all) {
        CHECK(h["dbm"].get<double>() >= -90);
        CHECK(h["from"] != h["to"]);
        const double overlap = h["overlap"].get<double>();
        CHECK((overlap >= 0 && overlap <= 1));
    }
    CHECK(run_json({"hearing", demo.path, "--band", "5", "--json"}).size() < all.size());
}

TEST_CASE("retune gives a project other channels, the same for the same seed") {
    const DemoFile demo;
    const std::string out = (demo.folder / "retuned.yemvo").string();
    const Json first = run_json({"retune", demo.path, "--seed", "3", "--out", out, "--json"});
    CHECK(first["objective"].get<double>() < first["before"].get<double>());
    CHECK(first["lower_bound"].get<double>() <= first["objective"].get<double>() + 1e-9);
    CHECK(first["settings"] == run_json({"retune", demo.path, "--seed", "3", "--json"})["settings"]);
    // what was written is the plan that was printed: nothing in it is worth a change
    CHECK(run_json({"retune", out, "--seed", "3", "--json"})["before"].get<double>() ==
          Approx(first["objective"].get<double>()).margin(0.02));
    const Json one_band = run_json({"retune", demo.path, "--band", "2.4", "--json"});
    CHECK(!one_band["changes"].empty());
    for (const Json& c : one_band["changes"]) CHECK(c["band_ghz"] == 2.4);
}

TEST_CASE("retune takes a bare instance, and says what is wrong with one") {
    const yemvo::test::TemporaryFolder folder;
    const std::string file = (folder / "triangle.json").string();
    std::ofstream(file) << R"({"radios": [
        {"radio": "a", "allowed": [{"channel": 36}, {"channel": 40}]},
        {"radio": "b", "allowed": [{"channel": 36}, {"channel": 40}]},
        {"radio": "c", "allowed": [{"channel": 36}, {"channel": 40}]}],
        "pairs": [{"a": "a", "b": "b"}, {"a": "b", "b": "c", "weight": 3}, {"a": "a", "b": "c"}]})";
    const Json found = run_json({"retune", file, "--json"});
    CHECK(found["objective"] == 1.0);
    CHECK(found["lower_bound"] == 1.0);
    CHECK(found["proven"] == true);
    CHECK(found["settings"].size() == 3);
    std::ofstream(file) << R"({"radios": [{"radio": "a", "allowed": []}]})";
    const Answer bad = run({"retune", file});
    CHECK(bad.code == 2);
    CHECK(bad.err.find("triangle.json") != std::string::npos);
    CHECK(bad.err.find("radios[0].allowed") != std::string::npos);
}

TEST_CASE("capture prints networks, warnings and the rules they were held against") {
    const Json air = run_json({"capture", air_file("pier.pcap"), "--country", "GB", "--json"});
    REQUIRE(air["networks"].size() == 11);
    for (const Json& n : air["networks"])
        for (const char* key : {"bssid", "ssid", "hidden", "band_ghz", "primary", "width_mhz", "centre_mhz",
                                "signal_dbm", "stations", "utilisation", "standard"})
            CHECK(n.contains(key));
    CHECK(air["warnings"][0] == "1 frame has no signal level");
    bool wide = false;
    for (const Json& r : air["rules"]) wide |= r["rule"] == "wide-24" && r["outcome"] == "fails";
    CHECK(wide);
    CHECK(run({"capture", air_file("wired.pcap")}).code == 2);
}

TEST_CASE("maps of the busy air are printed, and refused where nobody is there") {
    const DemoFile demo;
    const std::string map = (demo.folder / "sinr.csv").string();
    const Json out = run_json({"predict", demo.path, "--floor", "First floor", "--band", "5", "--lens",
                               "sinr", "--out", map, "--json"});
    CHECK(out["cells"].get<int>() > 1000);
}

TEST_CASE("capture writes its radios as a table that a listening place reads") {
    const yemvo::test::TemporaryFolder folder;
    const std::string table = (folder / "pier.csv").string();
    CHECK(run_json({"capture", air_file("pier.pcap"), "--table", table, "--json"})["radios"] ==
          9);  // one has no level
    std::ifstream in(table);
    std::string head, line;
    std::getline(in, head);
    CHECK(head.starts_with("name,address,band_ghz,primary"));
    int rows = 0;
    bool workshop = false;
    while (std::getline(in, line)) {
        ++rows;
        workshop = workshop || line.starts_with("Workshop 2,02:33:0b:18:c5:90,2.4,10,");
    }
    CHECK(rows == 9);
    CHECK(workshop);
    CHECK(run({"capture", air_file("pier.pcap"), "--table", (folder / "no" / "where.csv").string()}).code !=
          0);
}

TEST_CASE("findings of a project, and what each width would do") {
    const DemoFile demo;
    const Json found = run_json({"findings", demo.path, "--json"});
    CHECK(found["open"].get<int>() <= static_cast<int>(found["findings"].size()));
    std::set<std::string> rules;
    for (const Json& f : found["findings"]) {
        rules.insert(f["rule"]);
        CHECK_FALSE(f["what"].get<std::string>().empty());
    }
    CHECK(rules.contains("air-lost"));
    CHECK_FALSE(rules.contains("channel-barred"));
    const Json widths = run_json({"widths", demo.path, "--json"});
    CHECK(widths.size() == 11);
    int best = 0;
    for (const Json& w : widths) best += w["best"].get<bool>();
    CHECK(best == 3);
}
