// SPDX-License-Identifier: GPL-3.0-or-later
// A file with a bad part opens without that part; what is hostile is refused while it is read.
#include "checks/findings.h"
#include "core/support.h"
#include "demo/demo.h"
#include "project/json_project.h"
#include "project/storage.h"
#include "project/validation.h"

using namespace yemvo;
using namespace yemvo::test;
using nlohmann::ordered_json;

namespace {

ordered_json demo_json() { return ordered_json::parse(project_to_json(demo::make_demo())); }

/// A file whose project.json is this text.
std::filesystem::path file_of(const TemporaryFolder& folder, const std::string& text) {
    const auto* begin = reinterpret_cast<const std::byte*>(text.data());
    const Bytes bytes(begin, begin + text.size());
    write_archive(folder / "p.yemvo", {{"project.json", &bytes}});
    return folder / "p.yemvo";
}

Loaded opened(const ordered_json& json) {
    const TemporaryFolder folder;
    return load_project(file_of(folder, json.dump()));
}

std::string reasons(const Project& p) {
    std::string all;
    for (const SetAside& a : *p.aside) all += a.place + ": " + a.reason + "\n";
    return all;
}

std::string refused(const std::string& text) {
    const TemporaryFolder folder;
    try {
        load_project(file_of(folder, text));
        return {};
    } catch (const Error& fault) {
        return fault.what();
    }
}

std::string repeated(const std::string& what, std::size_t times) {
    std::string out;
    out.reserve(what.size() * times);
    for (std::size_t i = 0; i < times; ++i) out += what;
    return out;
}

}  // namespace

TEST_CASE("one bad wall is set aside, all else opens, and saving keeps what was set aside") {
    auto json = demo_json();
    auto& walls = json["buildings"][0]["floors"][1]["walls"];
    const std::size_t count = walls.size();
    walls[3]["base_m"] = 5000;
    const Loaded loaded = opened(json);
    CHECK(all_floors(loaded.project)[1]->walls->size() == count - 1);
    REQUIRE(loaded.project.aside->size() == 1);
    const SetAside& part = loaded.project.aside->front();
    CHECK_THAT(part.place, Catch::Contains("floors[1].walls[3].base_m"));
    CHECK_THAT(part.reason, Catch::Contains("between"));
    CHECK(ordered_json::parse(part.json) == walls[3]);
    REQUIRE(loaded.warnings.size() >= 2);
    CHECK_THAT(loaded.warnings[0].english(), Catch::Contains("walls[3]"));
    const TemporaryFolder folder;
    save_project(loaded.project, folder / "again.yemvo");
    CHECK(load_project(folder / "again.yemvo").project == loaded.project);
}

TEST_CASE("what was set aside is a finding, and discarding it is an edit") {
    auto json = demo_json();
    json["variants"][0]["floors"][0]["access_points"][0]["number"] = -4;
    Project p = opened(json).project;
    REQUIRE(p.aside->size() == 1);
    SceneCache masks(std::size_t{1} << 20);
    const auto all = findings(p, make_scene(p, masks));
    const auto found =
        std::find_if(all.begin(), all.end(), [](const Finding& f) { return f.rule == Rule::set_aside; });
    REQUIRE(found != all.end());
    CHECK_THAT(found->what.english(), Catch::Contains("access_points[0].number"));
    REQUIRE(found->mends.size() == 1);
    found->mends[0].apply(p);
    CHECK(p.aside->empty());
}

TEST_CASE("bad fields of a floor take their usual value, what stands on it stays") {
    auto json = demo_json();
    auto& floor = json["buildings"][0]["floors"][2];
    const std::size_t walls = floor["walls"].size();
    floor["height_m"] = -3;
    floor["elevation_m"] = "high";
    floor["plate"] = 7;
    floor.erase("zones");
    const Project p = opened(json).project;
    const Floor& f = *all_floors(p)[2];
    CHECK(f.height_m == 3.5);
    CHECK(f.walls->size() == walls);
    CHECK_THAT(reasons(p), Catch::Contains("height_m") && Catch::Contains("elevation_m") &&
                               Catch::Contains("plate") && Catch::Contains("zones"));
}

TEST_CASE("types and models that are gone: walls get another of their use, access points are set aside") {
    auto json = demo_json();
    const auto type = json["buildings"][0]["floors"][1]["walls"][0]["type"];
    for (auto& t : json["wall_types"])
        if (t["id"] == type) t["thickness_m"] = -1;
    const auto model = json["variants"][0]["floors"][0]["access_points"][0]["model"];
    std::size_t gone = 0, all = 0;
    for (auto& m : json["models"])
        if (m["id"] == model) m["radios"] = nullptr;
    for (const auto& f : json["variants"][0]["floors"])
        for (const auto& ap : f["access_points"]) {
            ++all;
            gone += ap["model"] == model;
        }
    const Project p = opened(json).project;
    CHECK_NOTHROW(check_references(p));
    const Wall& w = all_floors(p)[1]->walls->front();
    CHECK(wall_type(p, w.type).use == TypeUse::wall);
    CHECK(placed_access_points(p).size() == all - gone);
    CHECK_THAT(reasons(p), Catch::Contains("is gone") && Catch::Contains("thickness_m"));
}

TEST_CASE("ids used twice, references to nothing and a missing variant are mended") {
    auto json = demo_json();
    auto& floors = json["buildings"][0]["floors"];
    floors[0]["zones"][0]["id"] = floors[1]["zones"][0]["id"];
    json["variant"] = 4'000'000;
    json["next_id"] = 5;
    json["requirement_sets"][0]["zones"] = {999'999};
    json["probes"] = {{{"number", 1}, {"floor", 888'888}, {"place_m", {1, 1}}}};
    floors[3]["id"] = "third";
    const Project p = opened(json).project;
    CHECK_NOTHROW(check_references(p));
    CHECK(all_floors(p).size() == all_floors(demo::make_demo()).size());
    CHECK_THAT(reasons(p), Catch::Contains("used twice") && Catch::Contains("next_id") &&
                               Catch::Contains("current variant"));
}

TEST_CASE("a file of which nothing is left is refused, one of which much is left is not") {
    CHECK_THAT(refused("{}"), Catch::Contains("format"));
    CHECK_THAT(refused("[]"), Catch::Contains("object"));
    CHECK_THAT(refused("{\"format\": \"yemvo-project\", \"version\": 7}"), Catch::Contains("buildings"));
    ordered_json bare{{"format", "yemvo-project"}, {"version", 7}, {"buildings", ordered_json::array()}};
    const Project p = opened(bare).project;
    CHECK(p.buildings.size() == 1);
    CHECK_FALSE(p.wall_types->empty());
    CHECK(p.variants.size() == 1);
}

TEST_CASE("deep nesting is refused with its place, wherever it stands") {
    CHECK_THAT(refused(repeated("[", 35'000)), Catch::Contains("nested deeper"));
    CHECK_THAT(refused("{\"format\": " + repeated("{\"a\":", 7'000)), Catch::Contains("nested deeper"));
    auto json = demo_json();
    std::string text = json.dump();
    const std::string mark = "\"base_m\":";
    text.insert(text.find(mark) + mark.size(), repeated("[", 100) + repeated("]", 100) + ",\"x\":");
    CHECK_THAT(refused(text), Catch::Contains("base_m[0][0]") && Catch::Contains("nested deeper"));
}

TEST_CASE("a small file made to fill the memory is refused before it does") {
    const std::string head = "{\"format\":\"yemvo-project\",\"version\":7,\"name\":";
    const std::vector<std::pair<std::string, const char*>> bombs{
        {head + "\"x\",\"junk\":[" + repeated("[],", 15'000'000) + "[]]}", "values"},
        {head + "\"x\",\"buildings\":[{\"floors\":[{\"walls\":[" + repeated("{},", 15'000'000) + "{}]}]}]}",
         "too much"},
        {head + "\"" + repeated("long name ", 6'000'000) + "\"}", "text"},
        {head + "\"x\",\"junk\":{" + repeated("\"a\":0,", 100) +
             [] {
                 std::string fields;
                 for (int i = 0; i < 100'000; ++i) fields += "\"f" + std::to_string(i) + "\":0,";
                 return fields;
             }() +
             "\"z\":0}}",
         "fields"},
    };
    for (const auto& [text, why] : bombs) {
        INFO(why);
        CHECK_THAT(refused(text), Catch::Contains(why));
    }
    const Bytes zeros(300'000'000);
    const TemporaryFolder folder;
    write_archive(folder / "zeros.yemvo", {{"project.json", &zeros}});
    CHECK_THROWS_WITH(load_project(folder / "zeros.yemvo"),
                      Catch::Contains("more than a project of its size"));
}

TEST_CASE("formats 1 to 6 are read as before") {
    // a wall's arc, a requirement list and settings of old are tested where they belong; here: the version's
    // range
    auto json = demo_json();
    const Project now = project_from_json(json.dump());
    json["version"] = 6;
    CHECK(project_from_json(json.dump()) == now);
    json["version"] = format_version + 1;
    CHECK_THROWS_WITH(project_from_json(json.dump()), Catch::Contains("newer"));
    json["version"] = 0;
    CHECK_THROWS_WITH(project_from_json(json.dump()), Catch::Contains("version"));
}

TEST_CASE("saving reads back what it wrote: what would not open does not take the file's place") {
    const TemporaryFolder folder;
    Project p = one_floor();
    save_project(p, folder / "p.yemvo");
    const auto bytes = std::filesystem::file_size(folder / "p.yemvo");
    Project broken = p;
    broken.buildings[0].floors[0].height_m = 1e9;  // no edit lets this pass
    CHECK_THROWS_WITH(save_project(broken, folder / "p.yemvo"), Catch::Contains("height_m"));
    CHECK(std::filesystem::file_size(folder / "p.yemvo") == bytes);
    CHECK(load_project(folder / "p.yemvo").project == p);
    std::size_t files = 0;
    for ([[maybe_unused]] const auto& e : std::filesystem::directory_iterator(folder / ".")) ++files;
    CHECK(files == 1);
}
