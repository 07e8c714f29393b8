// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/storage.h"

#include <fstream>
#include <random>

#include "core/support.h"
#include "demo/demo.h"
#include "project/archive.h"
#include "project/json_project.h"

using namespace yemvo;
using namespace yemvo::test;
namespace fs = std::filesystem;

namespace {

std::string read(const fs::path& file) {
    std::ifstream in(file, std::ios::binary);
    return {std::istreambuf_iterator<char>(in), {}};
}

void write(const fs::path& file, const std::string& bytes) {
    std::ofstream out(file, std::ios::binary);
    out << bytes;
}

/// Reads a file that may be broken in any way: it must come back as a project or as a message that names it.
void read_with_a_message(const fs::path& file) {
    try {
        const Loaded loaded = load_project(file);
        CHECK_FALSE(loaded.project.name.empty());
    } catch (const Error& fault) {
        CHECK(std::string(fault.what()).find(file.filename().string()) != std::string::npos);
        CHECK(std::string(fault.what()).size() > 20);
    }
}

nlohmann::ordered_json demo_json() {
    return nlohmann::ordered_json::parse(project_to_json(demo::make_demo()));
}

}  // namespace

TEST_CASE("a saved project comes back the same, and saved again gives the same bytes") {
    const TemporaryFolder folder;
    const Project project = demo::make_demo();
    save_project(project, folder / "a.yemvo");
    const Loaded loaded = load_project(folder / "a.yemvo");
    CHECK(loaded.warnings.empty());
    CHECK(loaded.project == project);
    save_project(loaded.project, folder / "b.yemvo");
    CHECK(read(folder / "a.yemvo") == read(folder / "b.yemvo"));
}

TEST_CASE("the version before is kept beside the new one and nothing else is left behind") {
    const TemporaryFolder folder;
    Project project = one_floor();
    save_project(project, folder / "p.yemvo");
    project.name = "Second";
    save_project(project, folder / "p.yemvo");
    CHECK(load_project(folder / "p.yemvo").project.name == "Second");
    CHECK(load_project(folder / "p.yemvo~").project.name == "Test");
    std::size_t files = 0;
    for ([[maybe_unused]] const auto& entry : fs::directory_iterator((folder / "p.yemvo").parent_path()))
        ++files;
    CHECK(files == 2);
}

TEST_CASE("a save that cannot be done says so and leaves what was there") {
    const TemporaryFolder folder;
    CHECK_THROWS_WITH(save_project(one_floor(), folder / "no" / "such" / "p.yemvo"),
                      Catch::Contains("p.yemvo"));
    fs::create_directory(folder / "taken.yemvo");
    CHECK_THROWS_AS(save_project(one_floor(), folder / "taken.yemvo"), Error);
    CHECK(fs::is_directory(folder / "taken.yemvo"));
}

TEST_CASE("files that are no projects are refused by what they are") {
    const TemporaryFolder folder;
    CHECK_THROWS_WITH(load_project(folder / "missing.yemvo"), Catch::Contains("no such file"));
    CHECK_THROWS_WITH(load_project((folder / "x").parent_path()), Catch::Contains("folder"));
    write(folder / "empty.yemvo", "");
    CHECK_THROWS_WITH(load_project(folder / "empty.yemvo"), Catch::Contains("empty"));
    write(folder / "text.yemvo", "This is a letter, not a plan.");
    CHECK_THROWS_WITH(load_project(folder / "text.yemvo"), Catch::Contains("not a Yemvo project"));
    const Bytes other{std::byte{'x'}};
    write_archive(folder / "zip.yemvo", {{"letter.txt", &other}});
    CHECK_THROWS_WITH(load_project(folder / "zip.yemvo"), Catch::Contains("no project.json"));
}

TEST_CASE("a file cut short at any kilobyte gives a message") {
    const TemporaryFolder folder;
    save_project(demo::make_demo(), folder / "whole.yemvo");
    const std::string whole = read(folder / "whole.yemvo");
    REQUIRE(whole.size() > 20'000);
    for (std::size_t size = 0; size < whole.size(); size += 1024) {
        write(folder / "cut.yemvo", whole.substr(0, size));
        CHECK_THROWS_AS(load_project(folder / "cut.yemvo"), Error);
    }
}

TEST_CASE("flipped bits never crash: a project with a warning, or a message") {
    const TemporaryFolder folder;
    save_project(demo::make_demo(), folder / "whole.yemvo");
    const std::string whole = read(folder / "whole.yemvo");
    std::mt19937 random(7);
    for (int round = 0; round < 300; ++round) {
        std::string broken = whole;
        // half of them in the directory at the end, where the structure lies
        const std::size_t from = round % 2 ? whole.size() - 400 : 0;
        for (int flips = 0; flips <= round % 3; ++flips)
            broken[from + random() % (whole.size() - from)] ^= static_cast<char>(1 << random() % 8);
        write(folder / "flipped.yemvo", broken);
        read_with_a_message(folder / "flipped.yemvo");
    }
}

TEST_CASE("a missing drawing is a warning, and all else is there") {
    const TemporaryFolder folder;
    Project project = demo::make_demo();
    project.assets.erase("library-first.pdf");
    save_project(project, folder / "p.yemvo");
    const Loaded loaded = load_project(folder / "p.yemvo");
    REQUIRE(loaded.warnings.size() == 1);
    CHECK(loaded.warnings[0].english().find("library-first.pdf") != std::string::npos);
    CHECK(loaded.warnings[0].english().find("First floor") != std::string::npos);
    CHECK(loaded.project.buildings == project.buildings);
}

TEST_CASE("a newer format is refused with both numbers") {
    auto json = demo_json();
    json["version"] = 99;
    CHECK_THROWS_WITH(project_from_json(json.dump()), Catch::Contains("newer") && Catch::Contains("99"));
}

TEST_CASE("wrong values are refused with the place they stand at") {
    using Change = std::function<void(nlohmann::ordered_json&)>;
    const std::vector<std::pair<Change, std::string>> cases{
        {[](auto& j) { j["format"] = "something"; }, "format"},
        {[](auto& j) { j.erase("buildings"); }, "buildings"},
        {[](auto& j) { j["buildings"][0]["floors"][1]["walls"][3]["points"][0][1] = "north"; },
         "buildings[0].floors[1].walls[3].points[0][1]"},
        {[](auto& j) { j["buildings"][0]["floors"][0]["height_m"] = -3; }, "floors[0].height_m"},
        {[](auto& j) {
             j["buildings"][0]["floors"][0]["walls"][0]["points"] = nlohmann::json::array({{1, 1}});
         },
         "at least 2 points"},
        {[](auto& j) { j["buildings"][0]["floors"][0]["walls"][0]["type"] = 4321; }, "no wall type 4321"},
        {[](auto& j) { j["buildings"][0]["floors"][1]["id"] = j["buildings"][0]["floors"][0]["id"]; },
         "used twice"},
        {[](auto& j) { j["buildings"][0]["floors"][1]["walls"][0]["openings"][0]["piece"] = 77; }, "piece"},
        {[](auto& j) { j["variants"][0]["floors"][0]["access_points"][0]["radios"][0]["channel"] = 7777; },
         "channel"},
        {[](auto& j) { j["variants"][0]["floors"][0]["access_points"][0]["radios"][0]["primary"] = 13; },
         "outside the channel"},
        {[](auto& j) { j["variants"][0]["floors"][0]["access_points"][0]["radios"].erase(0); },
         "as many radios"},
        {[](auto& j) { j["variant"] = 123456; }, "variant"},
        {[](auto& j) { j["wall_types"][0]["losses"][0]["loss_db"] = 1e300; }, "loss_db"},
        {[](auto& j) {
             j["wall_types"][0]["losses"] = j["wall_types"][0]["layers"] = nlohmann::json::array();
         },
         "losses"},
        {[](auto& j) { j["settings"]["units"] = "cubits"; }, "cubits"},
        {[](auto& j) { j["next_id"] = 2; }, "next_id"},
        {[](auto& j) { j["requirement_sets"][0]["requirements"][0]["share_required"] = 95; },
         "share_required"},
        {[](auto& j) { j["buildings"] = "none"; }, "list"},
    };
    for (const auto& [change, place] : cases) {
        auto json = demo_json();
        change(json);
        INFO(place);
        CHECK_THROWS_WITH(project_from_json(json.dump()), Catch::Contains(place));
    }
    CHECK_THROWS_WITH(project_from_json("{\"format\": "), Catch::Contains("not JSON"));
    CHECK_THROWS_AS(project_from_json("[]"), Error);
    CHECK_THROWS_AS(project_from_json(std::string(100'000, '[')), Error);
}

TEST_CASE("names of the longest kind that can be typed come back") {
    Project p = one_floor();
    std::string name;
    for (int i = 0; i < 100; ++i) name += "\U0001F4D6";  // four bytes each
    p.name = name;
    set_floor(p, floor_at(p, 0), name, 0, 3);
    const ZoneId zone = add_zone(p, floor_at(p, 0), {{}, name, ZoneKind::served, {{0, 0}, {1, 0}, {1, 1}}});
    add_requirement_set(p, {{}, name, false, {zone}, {}, {{{}, "signal", band_24, -67, 0.9}}});
    CHECK(project_from_json(project_to_json(p)) == p);
}
