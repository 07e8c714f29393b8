// SPDX-License-Identifier: GPL-3.0-or-later
// Project files as the programs of their time wrote them: each opens whole, and what it held is there.
#include <nlohmann/json.hpp>

#include "core/support.h"
#include "project/archive.h"
#include "project/file/read_file.h"
#include "project/storage.h"

using namespace yemvo;
using namespace yemvo::test;
using nlohmann::json;

namespace {

struct Counts {
    std::size_t floors = 0, walls = 0, openings = 0, zones = 0, drawings = 0, access_points = 0,
                requirements = 0;
    friend bool operator==(const Counts&, const Counts&) = default;
};

/// As the text of the file says, whatever this program makes of it.
Counts counted(const json& whole) {
    Counts c;
    for (const json& building : whole["buildings"])
        for (const json& floor : building["floors"]) {
            ++c.floors;
            c.walls += floor["walls"].size();
            for (const json& wall : floor["walls"]) c.openings += wall["openings"].size();
            c.zones += floor["zones"].size();
            c.drawings += floor.contains("drawings")
                              ? floor["drawings"].size()
                              : floor.contains("drawing") && !floor["drawing"].is_null();
        }
    for (const json& variant : whole["variants"])
        for (const json& floor : variant["floors"]) c.access_points += floor["access_points"].size();
    if (whole.contains("requirements")) c.requirements = whole["requirements"].size();
    if (whole.contains("requirement_sets"))
        for (const json& set : whole["requirement_sets"]) c.requirements += set["requirements"].size();
    return c;
}

Counts counted(const Project& p) {
    Counts c;
    for (const Floor* f : all_floors(p)) {
        ++c.floors;
        c.walls += f->walls->size();
        for (const Wall& w : *f->walls) c.openings += w.openings.size();
        c.zones += f->zones->size();
        c.drawings += f->drawings->size();
    }
    for (const Variant& v : p.variants)
        for (const auto& entry : v.access_points) c.access_points += entry.second->size();
    for (const RequirementSet& set : *p.requirement_sets) c.requirements += set.requirements.size();
    return c;
}

json outline_in(const std::string& file) {
    const Bytes bytes = ArchiveReader(file).read(outline_entry);
    const auto* text = reinterpret_cast<const char*>(bytes.data());
    return json::parse(text, text + bytes.size());
}

}  // namespace

TEST_CASE("a file of each earlier format opens whole") {
    for (int version = 1; version <= 6; ++version) {  // 7 is 6 with parts set aside and courtyards
        INFO("format " << version);
        const std::string file = test_data() + "/formats/format-" + std::to_string(version) + ".yemvo";
        const json whole = outline_in(file);
        REQUIRE(whole["version"] == version);
        const Loaded loaded = load_project(file);
        CHECK(loaded.warnings.empty());
        CHECK(loaded.project.aside->empty());
        CHECK(loaded.project.name == whole["name"].get<std::string>());
        const Counts held = counted(whole);
        CHECK(held.walls > 20);
        CHECK(held.access_points > 5);
        CHECK(held.requirements > 0);
        CHECK(counted(loaded.project) == held);
        const TemporaryFolder folder;
        save_project(loaded.project, folder / "now.yemvo");
        CHECK(load_project(folder / "now.yemvo").project == loaded.project);
        CHECK(outline_in((folder / "now.yemvo").string())["version"] == format_version);
    }
}

TEST_CASE("gear as the first version of its part held it: chains of a radio are those of its bands") {
    const Loaded loaded = load_project(test_data() + "/formats/format-8.yemvo");
    CHECK(loaded.warnings.empty());
    CHECK(loaded.project.aside->empty());
    const auto& models = *loaded.project.models;
    REQUIRE(models.size() == 4);
    CHECK(models[1].key == "ceiling-tri");
    CHECK(models[1].radios[0].bands[0].chains == Chains{2, 2, 2});
    CHECK(models[1].radios[1].bands[0].chains == Chains{4, 4, 4});
    CHECK(models[1].radios[1].bands[0].power == PowerRange{4, 23, 1, {}});
    CHECK(models[1].radios[1].bands[0].noise_figure_db == access_point_noise_figure_db);
    CHECK(models[3].radios[0].bands[0].power == PowerRange{6, 24, 3, {}});
    CHECK(placed_access_points(loaded.project).size() > 20);
    for (const PlacedAccessPoint& placed : placed_access_points(loaded.project))
        CHECK_FALSE(placed.access_point->source);
    const TemporaryFolder folder;
    save_project(loaded.project, folder / "now.yemvo");
    CHECK(load_project(folder / "now.yemvo").project == loaded.project);
}
