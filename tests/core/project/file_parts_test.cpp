// SPDX-License-Identifier: GPL-3.0-or-later
// A project file in parts: what of it cannot be read is set aside, all else opens.
#include <nlohmann/json.hpp>

#include "core/support.h"
#include "demo/demo.h"
#include "project/archive.h"
#include "project/file/part_steps.h"
#include "project/file/write_file.h"
#include "project/json_project.h"
#include "project/storage.h"

using namespace yemvo;
using namespace yemvo::test;
namespace fs = std::filesystem;
using nlohmann::ordered_json;

namespace {

using Texts = std::map<std::string, std::string>;

Texts texts_of(const Project& p) {
    Texts texts;
    for (const FilePart& part : file_parts(p)) texts[part.entry] = part.text();
    return texts;
}

fs::path file_of(const TemporaryFolder& folder, const Texts& texts, const Project& p) {
    std::map<std::string, Bytes> bytes;
    for (const auto& [entry, text] : texts) {
        const auto* begin = reinterpret_cast<const std::byte*>(text.data());
        bytes[entry] = Bytes(begin, begin + text.size());
    }
    std::map<std::string, const Bytes*> entries;
    for (const auto& [entry, all] : bytes) entries[entry] = &all;
    for (const auto& [name, all] : p.assets) entries["assets/" + name] = &*all;
    write_archive(folder / "p.yemvo", entries);
    return folder / "p.yemvo";
}

std::string things_of(const Project& p, int floor) {
    return "floors/" + std::to_string(floor_at(p, floor).value) + "/things.json";
}

bool told(const Loaded& loaded, const std::string& what) {
    for (const Said& warning : loaded.warnings)
        if (warning.english().find(what) != std::string::npos) return true;
    return false;
}

std::size_t access_points_in(const Project& p) { return placed_access_points(p).size(); }

}  // namespace

TEST_CASE("a file has a part for each domain, floor, and variant on a floor") {
    const TemporaryFolder folder;
    const Project p = demo::make_demo();
    save_project(p, folder / "p.yemvo");
    const ArchiveReader archive(folder / "p.yemvo");
    for (const char* entry : {"project.json", "types.json", "gear.json", "requirements.json", "findings.json",
                              "probes.json", "display.json"}) {
        INFO(entry);
        CHECK(archive.has(entry));
    }
    CHECK_FALSE(archive.has("aside.json"));  // nothing was set aside
    for (const Floor* f : all_floors(p)) {
        INFO(f->name);
        CHECK(archive.has("floors/" + std::to_string(f->id.value) + "/things.json"));
        CHECK(archive.has("variants/" + std::to_string(p.variant.value) + "/" + std::to_string(f->id.value) +
                          "/access_points.json") == current_variant(p).access_points.contains(f->id));
    }
    const auto outline = ordered_json::parse(texts_of(p).at("project.json"));
    CHECK(outline["version"] == format_version);
    CHECK_FALSE(outline["buildings"][0]["floors"][0].contains("walls"));
}

TEST_CASE("a floor whose part is missing, damaged or nonsense is there without what stands on it") {
    const Project p = demo::make_demo();
    const std::string entry = things_of(p, 1);
    const std::vector<std::pair<std::string, std::function<void(Texts&)>>> cases{
        {"missing", [&](Texts& t) { t.erase(entry); }},
        {"not JSON", [&](Texts& t) { t[entry].resize(t[entry].size() / 2); }},
        {"not JSON", [&](Texts& t) { t[entry] = ""; }},
        {"object", [&](Texts& t) { t[entry] = "[1, 2]"; }},
        {"is not 'things'", [&](Texts& t) { t[entry] = t["types.json"]; }},
        {"newer Yemvo",
         [&](Texts& t) { t[entry].replace(t[entry].find("\"version\": 1"), 12, "\"version\": 9"); }},
    };
    for (const auto& [why, change] : cases) {
        INFO(why);
        const TemporaryFolder folder;
        Texts texts = texts_of(p);
        change(texts);
        const Loaded loaded = load_project(file_of(folder, texts, p));
        CHECK(told(loaded, why));
        CHECK(told(loaded, entry));
        const auto floors = all_floors(loaded.project), before = all_floors(p);
        REQUIRE(floors.size() == before.size());
        CHECK(floors[1]->walls->empty());
        CHECK(floors[1]->name == before[1]->name);
        CHECK(floors[1]->elevation_m == before[1]->elevation_m);
        CHECK(*floors[0]->walls == *before[0]->walls);
        CHECK(*floors[2]->walls == *before[2]->walls);
        CHECK(access_points_in(loaded.project) == access_points_in(p));
        const auto& aside = loaded.project.aside->front();
        CHECK(aside.json == (texts.contains(entry) ? texts.at(entry) : std::string()));  // nothing is lost
        save_project(loaded.project, folder / "again.yemvo");
        CHECK(load_project(folder / "again.yemvo").project.aside->front().json == aside.json);
    }
}

TEST_CASE("each other part that is missing costs what it held and no more") {
    const Project p = demo::make_demo();
    for (const FilePart& part : file_parts(p)) {
        // a file that says nothing of demand is one of before there was any
        if (part.entry == "project.json" || part.entry == "demand.json") continue;
        // absent where everything is as usual
        if (part.entry == "handover.json") continue;
        INFO(part.entry);
        const TemporaryFolder folder;
        Texts texts = texts_of(p);
        texts.erase(part.entry);
        const Loaded loaded = load_project(file_of(folder, texts, p));
        CHECK(told(loaded, part.entry));
        CHECK(all_floors(loaded.project).size() == all_floors(p).size());
        CHECK(loaded.project.name == p.name);
        CHECK_FALSE(loaded.project.wall_types->empty());
    }
    Texts texts = texts_of(p);
    texts.erase("project.json");
    const TemporaryFolder folder;
    CHECK_THROWS_WITH(load_project(file_of(folder, texts, p)), Catch::Contains("no project.json"));
}

TEST_CASE("an entry that no part is, is told and kept aside") {
    const Project p = one_floor();
    const TemporaryFolder folder;
    Texts texts = texts_of(p);
    texts["floors/4711/things.json"] = "{\"walls\": []}";
    texts["demand.json"] = "{\"of\": \"a later Yemvo\"}";
    const Loaded loaded = load_project(file_of(folder, texts, p));
    CHECK(told(loaded, "floors/4711/things.json"));
    CHECK(told(loaded, "demand.json"));
    REQUIRE(loaded.project.aside->size() == 2);
    CHECK((*loaded.project.aside)[0].json == "{\"of\": \"a later Yemvo\"}");
}

TEST_CASE("a part of an earlier version goes through its steps to the one reader") {
    // a kind of part that had "title", then "name" in capitals, and has "name" now
    static constexpr JsonStep steps[] = {[](Json& json, const Reading&) {
                                             if (const auto title = json.find("title"); title != json.end())
                                                 json["name"] = *title;
                                         },
                                         [](Json& json, const Reading&) {
                                             if (!json.contains("name") || !json["name"].is_string()) return;
                                             std::string name = json["name"].get<std::string>();
                                             for (char& c : name) c = static_cast<char>(std::tolower(c));
                                             json["name"] = name;
                                         }};
    const PartKind<Project> kind{"naming",
                                 [](const Project& p, LargeLists&) {
                                     return Json{{"name", p.name}};
                                 },
                                 [](const Reader& r, Project& p) { p.name = r.at("name").text(); },
                                 nullptr,
                                 nullptr,
                                 steps};
    CHECK(kind.version() == 3);
    const auto name_of = [&](const Json& json, int version) {
        Project p;
        Reading reading;
        read_part(Reader(json, "naming.json: ", &reading), version, kind, p);
        return p.name;
    };
    CHECK(name_of({{"title", "LIBRARY"}}, 1) == "library");
    CHECK(name_of({{"name", "LIBRARY"}}, 2) == "library");
    CHECK(name_of({{"name", "Library"}}, 3) == "Library");
    CHECK_THROWS_WITH(name_of({{"name", "Library"}}, 4),
                      Catch::Contains("newer Yemvo") && Catch::Contains("4"));
    CHECK_THROWS_WITH(name_of({{"name", "Library"}}, 0), Catch::Contains("no version"));
    CHECK_THROWS_WITH(name_of({{"title", 5}}, 1), Catch::Contains("text"));
}

TEST_CASE("the whole in one text, as older files have it, is the same project") {
    const Project p = demo::make_demo();
    Project read = project_from_json(project_to_json(p));
    read.assets = p.assets;
    CHECK(read == p);
    const TemporaryFolder folder;
    const Loaded loaded = load_project(file_of(folder, {{"project.json", project_to_json(p)}}, p));
    CHECK(loaded.warnings.empty());
    CHECK(loaded.project == p);
}

TEST_CASE("a variant's empty floors and many variants come back") {
    Project p = new_project("Many", {}, 3, 3);
    for (int i = 0; i < 5; ++i) p.variants.push_back({VariantId{p.next_id++}, "V" + std::to_string(i), {}});
    p.variants[2].access_points[floor_at(p, 1)];
    const TemporaryFolder folder;
    save_project(p, folder / "p.yemvo");
    CHECK(load_project(folder / "p.yemvo").project == p);
}
