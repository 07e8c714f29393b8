// SPDX-License-Identifier: GPL-3.0-or-later
#include <fstream>
#include <nlohmann/json.hpp>
#include <set>
#include <sstream>

#include "cli/commands.h"
#include "cli/run.h"
#include "core/support.h"
#include "project/storage.h"

using nlohmann::json;
using yemvo::test::Answer;
using yemvo::test::run;
using yemvo::test::TemporaryFolder;

namespace {

std::string demo(const TemporaryFolder& folder) {
    const std::string file = folder / "demo.yemvo";
    REQUIRE(run({"demo", "--out", file}).code == 0);
    return file;
}

std::vector<std::string> lines(const std::string& file) {
    std::ifstream in(file);
    std::vector<std::string> all;
    for (std::string line; std::getline(in, line);) all.push_back(line);
    return all;
}

}  // namespace

TEST_CASE("every command tells its use with an example") {
    for (const char* command : {"demo", "info", "predict", "probe", "verdict", "rates", "channels"}) {
        const Answer a = run({command, "--help"});
        INFO(command);
        CHECK(a.code == 0);
        CHECK(a.out.find("Example:") != std::string::npos);
        CHECK(a.out.find("Exit codes") != std::string::npos);
    }
}

TEST_CASE("wrong use ends with 2, a message on standard error and nothing on standard output") {
    const std::vector<std::vector<std::string>> wrong{
        {},
        {"fly"},
        {"info"},
        {"info", "missing.yemvo"},
        {"rates", "--standard", "z", "--width", "20", "--streams", "1", "--guard", "0.8"},
        {"rates", "--standard", "n", "--width", "320", "--streams", "1", "--guard", "0.8", "--json"},
        {"channels", "--band", "7", "--width", "20"},
        {"channels", "--band", "2.4", "--width", "80"},
        {"info", "x", "--colour"}};
    for (const auto& words : wrong) {
        const Answer a = run(words);
        INFO((words.empty() ? "nothing" : words.back()));
        CHECK(a.code == 2);
        CHECK(a.out.empty());
        CHECK_FALSE(a.err.empty());
    }
}

TEST_CASE("info tells the floors and what is on them") {
    const TemporaryFolder folder;
    const json info = run({"info", demo(folder), "--json"}).value();
    CHECK(info["project"] == "Larkfield Library");
    CHECK(info["country"] == "GB");
    REQUIRE(info["floors"].size() == 5);
    CHECK(info["floors"][0]["name"] == "Basement");
    CHECK(info["floors"][0]["building"] == "Library");
    CHECK(info["floors"][4]["building"] == "Garden");
    CHECK(info["floors"][2]["elevation_m"] == 4.8);
    for (const json& f : info["floors"])
        for (const char* key : {"height_m", "walls", "openings", "zones", "access_points"})
            CHECK(f[key].get<double>() > 0);
}

TEST_CASE("probe: the terms of each link add up to what is received and name each thing crossed") {
    const TemporaryFolder folder;
    const json probe =
        run({"probe", demo(folder), "--floor", "First floor", "--at", "52.25,28.25", "--json"}).value();
    CHECK(probe["floor"] == "First floor");
    CHECK(probe["x_m"] == 52.25);
    CHECK(probe["height_m"] == 1.2);
    REQUIRE(probe["links"].size() > 20);
    CHECK(probe["links"][0]["told"].get<std::string>().find("reaches the place at") != std::string::npos);
    CHECK(probe["links"][0]["deviation_db"].get<double>() >= 3);
    CHECK(probe["links"][0]["asked_dbm"].get<double>() < -50);
    double before = 1000;
    std::set<std::string> kinds;
    for (const json& link : probe["links"]) {
        double sum = 0;
        for (const json& t : link["terms"]) {
            sum += t["db"].get<double>();
            kinds.insert(t["kind"]);
            CHECK_FALSE(t["name"].get<std::string>().empty());
        }
        CHECK(link["terms"][0]["kind"] == "power");
        CHECK(sum == Approx(link["received_dbm"].get<double>()).margin(0.01));
        CHECK(link["snr_db"].get<double>() ==
              Approx(link["received_dbm"].get<double>() - link["noise_dbm"].get<double>()).margin(0.01));
        CHECK(link["received_dbm"].get<double>() <= before);
        before = link["received_dbm"];
    }
    CHECK(kinds == std::set<std::string>{"power", "cable", "antenna", "free_space", "wall", "opening", "slab",
                                         "ceiling", "obstacle"});
}

TEST_CASE("predict as a table has the values that probe explains") {
    const TemporaryFolder folder;
    const std::string file = demo(folder), csv = folder / "map.csv";
    const Answer a = run({"predict", file, "--floor", "Ground floor", "--band", "5", "--lens", "signal",
                          "--out", csv, "--json"});
    REQUIRE(a.code == 0);
    const auto table = lines(csv);
    REQUIRE(table.size() > 7000);
    CHECK(table[0] == "x_m,y_m,value");
    CHECK(a.value()["cells"] == table.size() - 1);
    for (std::size_t i = 100; i < table.size(); i += 1500) {
        double x = 0, y = 0, value = 0;
        REQUIRE(std::sscanf(table[i].c_str(), "%lf,%lf,%lf", &x, &y, &value) == 3);
        const json probe = run({"probe", file, "--floor", "Ground floor", "--at",
                                std::to_string(x) + "," + std::to_string(y), "--json"})
                               .value();
        for (const json& link : probe["links"])
            if (link["band_ghz"] == 5.0) {
                CHECK(link["received_dbm"].get<double>() == Approx(value).margin(0.05));
                break;
            }
    }
}

TEST_CASE("predict as a picture writes a PNG, without a display") {
    const TemporaryFolder folder;
    const std::string file = demo(folder), png = folder / "map.png";
    REQUIRE(run({"predict", file, "--floor", "First floor", "--band", "6", "--lens", "serving", "--out", png})
                .code == 0);
    std::ifstream in(png, std::ios::binary);
    std::string head(8, ' ');
    in.read(head.data(), 8);
    CHECK(head == "\x89PNG\r\n\x1a\n");
    CHECK(std::filesystem::file_size(png) > 50'000);
    CHECK(run({"predict", file, "--floor", "First floor", "--band", "6", "--lens", "signal", "--out",
               folder / "map.bmp"})
              .code == 2);
    CHECK(run({"predict", file, "--floor", "Cellar", "--band", "6", "--lens", "signal", "--out", png})
              .err.find("Ground floor") != std::string::npos);
    CHECK(run({"predict", file, "--floor", "First floor", "--band", "6", "--lens", "signal", "--out",
               "/no/such/map.csv"})
              .code == 2);
}

TEST_CASE("costs: the things in the way of a zone, the dearest first; without the racks the way is clearer") {
    const TemporaryFolder folder;
    const std::string file = demo(folder);
    const json stacks =
        run({"costs", file, "--floor", "First floor", "--zone", "Book stacks", "--band", "5", "--json"})
            .value();
    CHECK(stacks["zone"] == "Book stacks");
    CHECK(stacks["served_m2"].get<double>() == Approx(253).margin(10));
    REQUIRE(stacks["costs"].size() >= 1);
    CHECK(stacks["costs"][0]["type"] == "stack-books");
    double before = 1e9, sum = 0;
    for (const json& row : stacks["costs"]) {
        const double all = row["mean_db"].get<double>() * row["area_m2"].get<double>();
        CHECK(all <= before + 1);
        CHECK(row["area_m2"].get<double>() <= stacks["served_m2"].get<double>() + 0.1);
        before = all;
        sum += all;
    }
    // what each takes adds up to what is taken in the mean
    CHECK(sum / stacks["served_m2"].get<double>() == Approx(stacks["mean_way_db"].get<double>()).margin(0.1));
    const Answer unknown = run({"costs", file, "--floor", "First floor", "--zone", "Cellar"});
    CHECK(unknown.code == 2);
    CHECK(unknown.err.find("Book stacks") != std::string::npos);
    CHECK(run({"costs", file, "--floor", "First floor"}).out.find("in the mean") != std::string::npos);
}

TEST_CASE("the verdict ends with 1 when a requirement is not met and tells where") {
    const TemporaryFolder folder;
    const Answer a = run({"verdict", demo(folder), "--json"});
    const json v = a.value();
    CHECK(a.code == (v["met"].get<bool>() ? 0 : 1));
    REQUIRE(v["requirements"].size() == 14);
    std::set<std::string> sets;
    for (const json& r : v["requirements"]) {
        sets.insert(r["set"].get<std::string>());
        CHECK((r["group"] == "service" || r["group"] == "air" || r["group"] == "reach"));
        double least = 1;
        for (const auto& [band, share] : r["by_band"].items()) least = std::min(least, share.get<double>());
        // clients and radios are counted over all bands together
        if (r["counts"] == "area") CHECK(r["share_met"].get<double>() == Approx(least));
        CHECK(r["by_band"].size() == r["bands_ghz"].size());
        REQUIRE(r["floors"].size() >= 1);
        const json worst = r["floors"][0]["worst"];
        CHECK(worst["x_m"].get<double>() >= 0);
        CHECK(worst["x_m"].get<double>() <= 60);
        CHECK(worst.contains("value"));
    }
    CHECK(sets == std::set<std::string>{"Public library", "Archive and workshop", "Outdoors", "Auditorium",
                                        "Busy hours"});
}

TEST_CASE("rates and channels answer from the standards") {
    const json rates =
        run({"rates", "--standard", "ax", "--width", "80", "--streams", "2", "--guard", "0.8", "--json"})
            .value();
    REQUIRE(rates.size() == 12);
    CHECK(rates[11]["rate_mbps"] == 1201.0);
    CHECK(rates[11]["modulation"] == "1024-QAM");
    const json channels = run({"channels", "--band", "6", "--width", "320", "--json"}).value();
    REQUIRE(channels.size() == 6);
    CHECK(channels[1]["channel"] == 63);
    CHECK(channels[1]["centre_mhz"] == 6265.0);
    CHECK(channels[1]["primaries"].size() == 16);
}

TEST_CASE("a place that is no place is refused") {
    const TemporaryFolder folder;
    const std::string file = demo(folder);
    for (const char* at : {"12", "a,b", "1,2,3", "nan,1", "inf,2"}) {
        INFO(at);
        CHECK(run({"probe", file, "--floor", "Ground floor", "--at", at}).code == 2);
    }
}

TEST_CASE("every lens is written as a table whose values lie on the floor and in the lens's unit") {
    const TemporaryFolder folder;
    const std::string file = demo(folder), csv = folder / "map.csv";
    struct Range {
        const char* lens;
        double low, high;
    };
    for (const Range& r : {Range{"signal", -130, 10}, Range{"next_best", -170, 10}, Range{"third", -170, 10},
                           Range{"snr", -60, 100}, Range{"rate_down", 0, 6000}, Range{"rate_up", 0, 6000},
                           Range{"serving", 1, 29}, Range{"serving_band", 0, 2}, Range{"heard", 0, 82},
                           Range{"contention", 0, 82}, Range{"balance", -30, 30}, Range{"confidence", 0, 100},
                           Range{"failure", -170, 10}, Range{"failure_loss", 0, 120}}) {
        INFO(r.lens);
        const Answer a = run({"predict", file, "--floor", "First floor", "--band", "5", "--lens", r.lens,
                              "--out", csv, "--cell", "1"});
        INFO(a.err);
        REQUIRE(a.code == 0);
        const auto rows = lines(csv);
        REQUIRE(rows.size() > 1000);
        CHECK(rows[0] == "x_m,y_m,value");
        for (std::size_t i = 1; i < rows.size(); i += 7) {
            double x = 0, y = 0, value = 0;
            REQUIRE(std::sscanf(rows[i].c_str(), "%lf,%lf,%lf", &x, &y, &value) == 3);
            CHECK(value >= r.low);
            CHECK(value <= r.high);
            CHECK((x > -1 && x < 61 && y > -1 && y < 36));
        }
    }
}

TEST_CASE("the project's own grid is the one predicted on unless another is asked for") {
    const TemporaryFolder folder;
    yemvo::Project p = yemvo::test::one_floor();
    yemvo::test::wall(p, "plasterboard", {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}});
    yemvo::test::isotropic_access_point(p, {4, 4});
    p.settings.grid_m = 1;
    const std::string file = folder / "coarse.yemvo", csv = folder / "map.csv";
    yemvo::save_project(p, file);
    const auto count = [&](std::vector<std::string> more) {
        std::vector<std::string> words{"predict", file,    "--floor", "Ground floor", "--band", "5", "--lens",
                                       "signal",  "--out", csv,       "--json"};
        words.insert(words.end(), more.begin(), more.end());
        const Answer a = run(words);
        INFO(a.err);
        REQUIRE(a.code == 0);
        return a.value()["cells"].get<int>();
    };
    CHECK(count({}) == 240);
    CHECK(count({"--cell", "0.5"}) == 960);
    for (const char* bad : {"0", "-1", "x", "nan"}) {
        const Answer a = run({"predict", file, "--floor", "Ground floor", "--band", "5", "--lens", "signal",
                              "--out", csv, "--cell", bad});
        INFO(bad << ": " << a.err);
        CHECK(a.code == 2);
        CHECK_FALSE(a.err.empty());
    }
}

TEST_CASE("what a command cannot do it says with the names that there are, and writes nothing") {
    const TemporaryFolder folder;
    const std::string file = demo(folder), out = folder / "never.png";
    const std::pair<std::vector<std::string>, const char*> wrong[] = {
        {{"predict", file, "--floor", "Attic", "--band", "5", "--lens", "signal", "--out", out},
         "Ground floor"},
        {{"predict", file, "--floor", "First floor", "--band", "7", "--lens", "signal", "--out", out}, "2.4"},
        {{"predict", file, "--floor", "First floor", "--band", "5", "--lens", "mood", "--out", out}, "snr"},
        {{"predict", file, "--floor", "First floor", "--band", "5", "--lens", "signal", "--out",
          folder / "no/such/place.png"},
         "place.png"},
        {{"probe", file, "--floor", "Attic", "--at", "1,1"}, "Ground floor"}};
    for (const auto& [words, told] : wrong) {
        const Answer a = run(words);
        INFO(words[0] << " " << a.err);
        CHECK(a.code == 2);
        CHECK(a.err.find(told) != std::string::npos);
        CHECK_FALSE(std::filesystem::exists(out));
    }
}

TEST_CASE("the verdict tells each requirement by floor, and its shares agree with its areas") {
    const TemporaryFolder folder;
    const Answer a = run({"verdict", demo(folder), "--json"});
    const json v = a.value();
    CHECK(a.code == 1);  // the demo has something to show
    REQUIRE(v["requirements"].size() > 8);
    for (const json& r : v["requirements"]) {
        INFO(r.dump().substr(0, 200));
        const double share = r["share_met"].get<double>();
        CHECK((share >= 0 && share <= 1));
        double least = 1;
        for (const json& f : r["floors"]) least = std::min(least, f["share_met"].get<double>());
        CHECK(share >= least - 1e-3);  // the whole is never worse than its worst floor
    }
}
