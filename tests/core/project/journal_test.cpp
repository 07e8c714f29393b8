// SPDX-License-Identifier: GPL-3.0-or-later
// What is written beside the work, and what is made of it after a crash.
#include "project/journal.h"

#include "core/support.h"
#include "project/json_project.h"

using namespace yemvo;
using namespace yemvo::test;
namespace fs = std::filesystem;

namespace {

Project named(const char* name) {
    Project p = one_floor();
    p.name = name;
    return p;
}

/// A journal as a program leaves it that is killed: a copy taken while it runs, without its lock.
fs::path crashed(const TemporaryFolder& folder, const Project& p, const std::string& file = "") {
    Journal journal(folder / "running");
    journal.write(p, file);
    const fs::path to = folder / "crashed";
    fs::create_directories(to);
    fs::copy(journal.folder(), to / "work-1", fs::copy_options::recursive);
    journal.clear();
    return to;
}

void put(const fs::path& file, const std::string& text) { std::ofstream(file, std::ios::binary) << text; }

Drawing drawing_of(Project& p, const char* name, const std::string& bytes) {
    Bytes data;
    for (char c : bytes) data.push_back(static_cast<std::byte>(c));
    Drawing d;
    d.name = name;
    d.source.asset = add_asset(p, name, data);
    d.source.sheet = {{0, 0}, {400, 300}};
    add_drawing(p, floor_at(p, 0), d);
    return d;
}

}  // namespace

TEST_CASE("what a killed program was working on comes back, with its drawings and where it came from") {
    const TemporaryFolder folder;
    Project p = named("Annexe");
    const Drawing d = drawing_of(p, "plan.png", "bytes of a picture");
    const auto found = leftovers(crashed(folder, p, "/home/someone/annexe.yemvo"));
    REQUIRE(found.size() == 1);
    CHECK(found[0].project == "Annexe");
    CHECK(found[0].file == "/home/someone/annexe.yemvo");
    const Project back = recover(found[0]);
    CHECK(back == p);
    CHECK(back.assets.at(d.source.asset)->size() == std::string("bytes of a picture").size());
}

TEST_CASE("only the last value counts, and what did not change is not written again") {
    const TemporaryFolder folder;
    Journal journal(folder / "running");
    Project p = new_project("First", {}, 3, 3.5);
    for (int i = 0; i < 3; ++i) {
        Wall w;
        w.type = first_type(p, TypeUse::wall);
        w.points = {{0, 0}, {20, 0}};
        add_wall(p, floor_at(p, i), w);
        add_access_point(p, floor_at(p, i), p.models->front().id, {3, 3});
    }
    drawing_of(p, "plan.png", "some bytes");
    journal.write(p, "");
    const auto written = [&] {
        std::map<std::string, fs::file_time_type> files;
        for (const auto& e : fs::directory_iterator(journal.folder() / "entries"))
            files[e.path().filename().string()] = e.last_write_time();
        return files;
    };
    const auto before = written();
    CHECK(before.size() > 8);
    for (const auto& file : before)
        fs::last_write_time(journal.folder() / "entries" / file.first, file.second - std::chrono::hours(1));
    p.name = "Second";
    const Wall moved = [&] {
        Wall w = find_floor(p, floor_at(p, 1))->walls->front();
        w.points[1] = {20, 4};
        return w;
    }();
    replace_wall(p, floor_at(p, 1), moved);
    journal.write(p, "");
    int fresh = 0;
    const auto after = written();
    for (const auto& file : after) fresh += !before.contains(file.first);
    CHECK(fresh == 2);                     // the outline with the name, and one floor
    CHECK(after.size() == before.size());  // what nothing names any more is gone
    for (const auto& file : after)
        if (before.contains(file.first)) CHECK(file.second == before.at(file.first) - std::chrono::hours(1));
    CHECK(recover({journal.folder(), "", "", {}}) == p);
}

TEST_CASE("undone and done again, saved and worked on: the journal holds the value of the last write") {
    const TemporaryFolder folder;
    Journal journal(folder / "running");
    const Project first = named("First");
    Project second = first;
    add_access_point(second, floor_at(second, 0), second.models->front().id, {3, 3});
    for (const Project* p : std::vector<const Project*>{&first, &second, &first, &second}) {
        journal.write(*p, "a.yemvo");
        CHECK(recover({journal.folder(), "", "", {}}) == *p);
    }
    journal.clear();
    CHECK_FALSE(fs::exists(journal.folder() / "entries"));
    journal.write(first, "");
    CHECK(recover({journal.folder(), "", "", {}}) == first);
}

TEST_CASE("a journal of which one entry is damaged comes back without that part, and says which") {
    const TemporaryFolder folder;
    Project p = new_project("Damaged", {}, 2, 3.5);
    Wall w;
    w.type = first_type(p, TypeUse::wall);
    w.points = {{0, 0}, {20, 0}};
    for (int i = 0; i < 2; ++i) add_wall(p, floor_at(p, i), w);
    const fs::path root = crashed(folder, p);
    const std::string entry = "floors/" + std::to_string(floor_at(p, 1).value) + "/things.json";
    const auto work = nlohmann::json::parse(std::ifstream(root / "work-1" / "work.json"));
    put(root / "work-1" / "entries" / work["entries"][entry].get<std::string>(), "{\"part\": \"th");
    const Project back = recover(leftovers(root).at(0));
    CHECK(all_floors(back)[0]->walls->size() == 1);
    CHECK(all_floors(back)[1]->walls->empty());
    CHECK(all_floors(back)[1]->name == all_floors(p)[1]->name);
    REQUIRE_FALSE(back.aside->empty());
    CHECK_THAT(back.aside->front().place, Catch::Contains(entry));
    CHECK_THAT(back.aside->front().reason, Catch::Contains("damaged"));
}

/// As a Yemvo left it that had the whole project in one text.
fs::path crashed_of_old(const TemporaryFolder& folder, const Project& p, const std::string& about) {
    const fs::path work = folder / "old" / "work-1";
    fs::create_directories(work / "assets");
    put(work / "project.json", project_to_json(p));
    put(work / "about.json", about);
    put(work / "assets" / "0001", "bytes of a picture");
    return folder / "old";
}

TEST_CASE("a crash of a Yemvo that kept the project in one text is still found") {
    const TemporaryFolder folder;
    Project p = named("Annexe");
    drawing_of(p, "plan.png", "bytes of a picture");
    const auto found = leftovers(crashed_of_old(
        folder, p, R"({"project": "Annexe", "file": "a.yemvo", "assets": {"plan.png": "0001"}})"));
    REQUIRE(found.size() == 1);
    CHECK(found[0].project == "Annexe");
    CHECK(found[0].file == "a.yemvo");
    CHECK(recover(found[0]) == p);
}

TEST_CASE("a running program's journal is nobody's leftover, a finished one leaves nothing") {
    const TemporaryFolder folder;
    const fs::path root = folder / "journal";
    {
        Journal journal(root);
        CHECK(leftovers(root).empty());
        journal.write(named("At work"), "");
        CHECK(leftovers(root).empty());
        journal.clear();
    }
    CHECK(leftovers(root).empty());
    CHECK(fs::is_empty(root));
}

TEST_CASE("the newest of several leftovers comes first; thrown away it is gone") {
    const TemporaryFolder folder;
    const fs::path root = crashed(folder, named("Older"));
    {
        Journal journal(folder / "other");
        journal.write(named("Newer"), "");
        fs::copy(journal.folder(), root / "work-2", fs::copy_options::recursive);
        journal.clear();
    }
    fs::last_write_time(root / "work-1" / "work.json",
                        fs::file_time_type::clock::now() - std::chrono::hours(2));
    auto found = leftovers(root);
    REQUIRE(found.size() == 2);
    CHECK(found[0].project == "Newer");
    CHECK(found[1].project == "Older");
    discard(found[0]);
    found = leftovers(root);
    REQUIRE(found.size() == 1);
    CHECK(found[0].project == "Older");
}

TEST_CASE("a write that the crash cut off leaves the value before") {
    const TemporaryFolder folder;
    const fs::path root = crashed(folder, named("Whole"));
    put(root / "work-1" / "work.json.new", "{\"format\": \"yemvo-jou");
    const auto found = leftovers(root);
    REQUIRE(found.size() == 1);
    CHECK(recover(found[0]).name == "Whole");
}

TEST_CASE("a damaged journal is told when it is recovered, and never keeps the start page from opening") {
    const TemporaryFolder folder;
    const fs::path old = crashed_of_old(folder, named("Damaged"), "");
    for (const char* about : {"", "no json", "[]", "17", R"({"project": 5, "file": ["x"]})",
                              R"({"project": null, "assets": 3})", R"({"assets": {"a": 1, "b": null}})"}) {
        INFO(about);
        put(old / "work-1" / "about.json", about);
        const auto found = leftovers(old);
        REQUIRE(found.size() == 1);
        CHECK(found[0].file.empty());
        CHECK(recover(found[0]).name == "Damaged");  // the value itself is whole
    }
    const fs::path root = crashed(folder, named("Damaged"));
    for (const char* work :
         {"", "no json", "[]", "17", R"({"project": 5, "file": ["x"]})", R"({"entries": 3})",
          R"({"entries": {"project.json": null}})", R"({"entries": {"project.json": "gone"}})"}) {
        INFO(work);
        put(root / "work-1" / "work.json", work);
        const auto found = leftovers(root);
        REQUIRE(found.size() == 1);
        CHECK_THROWS_AS(recover(found[0]), Error);
    }
    for (const char* value : {"", "{", "{\"format\": \"else\"}", "null"}) {
        INFO(value);
        put(old / "work-1" / "project.json", value);
        REQUIRE(leftovers(old).size() == 1);
        CHECK_THROWS_AS(recover(leftovers(old)[0]), Error);
    }
}

TEST_CASE("a journal never reads beyond its own folder") {
    const TemporaryFolder folder;
    Project p = named("Curious");
    const Drawing d = drawing_of(p, "plan.png", "own bytes");
    put(folder / "secret", "not for the project");
    const std::string assets = "\"" + d.source.asset + "\": \"../../../secret\"";
    const fs::path old = crashed_of_old(folder, p, "{\"assets\": {" + assets + "}}");
    CHECK(recover(leftovers(old).at(0)).assets.count(d.source.asset) == 0);
    const fs::path work = crashed(folder, p) / "work-1" / "work.json";
    auto json = nlohmann::json::parse(std::ifstream(work));
    json["entries"]["assets/" + d.source.asset] = "../../../secret";
    put(work, json.dump());
    CHECK(recover(leftovers(folder / "crashed").at(0)).assets.count(d.source.asset) == 0);
}

TEST_CASE("where no journal can be written the error says where and what to do") {
    const TemporaryFolder folder;
    put(folder / "file", "in the way");
    CHECK_THROWS_WITH(Journal(folder / "file" / "journal"),
                      Catch::Contains("journal") && Catch::Contains("save the project"));
    CHECK(leftovers(folder / "nowhere").empty());
}
