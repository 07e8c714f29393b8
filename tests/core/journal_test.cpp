// What is written beside the work, and what is made of it after a crash.
#include "project/journal.h"

#include "core/support.h"

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

TEST_CASE("only the last value counts, and an asset that did not change is not written again") {
    const TemporaryFolder folder;
    Journal journal(folder / "running");
    Project p = named("First");
    drawing_of(p, "plan.png", "some bytes");
    journal.write(p, "");
    fs::path asset;
    for (const auto& e : fs::recursive_directory_iterator(journal.folder() / "assets")) asset = e.path();
    REQUIRE_FALSE(asset.empty());
    const auto written = fs::last_write_time(asset);
    fs::last_write_time(asset, written - std::chrono::hours(1));
    p.name = "Second";
    journal.write(p, "");
    CHECK(fs::last_write_time(asset) == written - std::chrono::hours(1));
    const Leftover own{journal.folder(), "", "", {}};
    CHECK(recover(own).name == "Second");
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
    fs::last_write_time(root / "work-1" / "project.json",
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
    put(root / "work-1" / "project.json.new", "{\"format\": \"yemvo-pro");
    const auto found = leftovers(root);
    REQUIRE(found.size() == 1);
    CHECK(recover(found[0]).name == "Whole");
}

TEST_CASE("a damaged journal is told when it is recovered, and never keeps the start page from opening") {
    const TemporaryFolder folder;
    const fs::path root = crashed(folder, named("Damaged"));
    const fs::path work = root / "work-1";
    for (const char* about : {"", "no json", "[]", "17", R"({"project": 5, "file": ["x"]})",
                              R"({"project": null, "assets": 3})", R"({"assets": {"a": 1, "b": null}})"}) {
        INFO(about);
        put(work / "about.json", about);
        const auto found = leftovers(root);
        REQUIRE(found.size() == 1);
        CHECK(found[0].file.empty());
        CHECK(recover(found[0]).name == "Damaged");  // the value itself is whole
    }
    for (const char* value : {"", "{", "{\"format\": \"else\"}", "null"}) {
        INFO(value);
        put(work / "project.json", value);
        const auto found = leftovers(root);
        REQUIRE(found.size() == 1);
        CHECK_THROWS_AS(recover(found[0]), Error);
    }
}

TEST_CASE("a journal never reads beyond its own folder") {
    const TemporaryFolder folder;
    Project p = named("Curious");
    const Drawing d = drawing_of(p, "plan.png", "own bytes");
    const fs::path root = crashed(folder, p);
    put(folder / "secret", "not for the project");
    put(root / "work-1" / "about.json",
        "{\"project\": \"Curious\", \"assets\": {\"" + d.source.asset + "\": \"../../../secret\"}}");
    const Project back = recover(leftovers(root).at(0));
    CHECK(back.assets.count(d.source.asset) == 0);
}

TEST_CASE("where no journal can be written the error says where and what to do") {
    const TemporaryFolder folder;
    put(folder / "file", "in the way");
    CHECK_THROWS_WITH(Journal(folder / "file" / "journal"),
                      Catch::Contains("journal") && Catch::Contains("save the project"));
    CHECK(leftovers(folder / "nowhere").empty());
}
