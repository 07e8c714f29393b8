// SPDX-License-Identifier: GPL-3.0-or-later
// Nobody's file is written over unasked, and what was there is never lost.
#include "project/safe_file.h"

#include <sys/stat.h>
#include <unistd.h>

#include "core/support.h"
#include "project/differences.h"
#include "project/journal.h"
#include "project/lock_note.h"
#include "project/storage.h"
#include "project/versions.h"

using namespace yemvo;
using namespace yemvo::test;
namespace fs = std::filesystem;

namespace {

void put(const fs::path& file, const std::string& text) { std::ofstream(file, std::ios::binary) << text; }

std::string content(const fs::path& file) {
    std::ifstream in(file, std::ios::binary);
    return {std::istreambuf_iterator<char>(in), {}};
}

void replace(const fs::path& file, const std::string& text) { replace_file(file, text.data(), text.size()); }

Project named(const std::string& name) {
    Project p = one_floor();
    p.name = name;
    return p;
}

}  // namespace

TEST_CASE("saving through a link keeps the link, also a chain of them and one that leads nowhere yet") {
    const TemporaryFolder folder;
    fs::create_directory(folder / "real");
    put(folder / "real" / "plan", "old");
    fs::create_symlink("real/plan", folder / "first");
    fs::create_symlink(folder / "first", folder / "second");
    replace(folder / "second", "new");
    CHECK(fs::is_symlink(folder / "first"));
    CHECK(fs::is_symlink(folder / "second"));
    CHECK(content(folder / "real" / "plan") == "new");
    fs::create_symlink("real/later", folder / "dangling");
    replace(folder / "dangling", "made");
    CHECK(fs::is_symlink(folder / "dangling"));
    CHECK(content(folder / "real" / "later") == "made");
    fs::create_symlink("round", folder / "round");
    CHECK_THROWS_WITH(replace(folder / "round", "x"), Catch::Contains("circle"));
}

TEST_CASE("permissions stay, a new file has those that the user's mask leaves") {
    const TemporaryFolder folder;
    put(folder / "plan", "old");
    fs::permissions(folder / "plan", fs::perms(0640));
    replace(folder / "plan", "new");
    CHECK(fs::status(folder / "plan").permissions() == fs::perms(0640));
    const mode_t mask = ::umask(027);
    replace(folder / "fresh", "x");
    ::umask(mask);
    CHECK(fs::status(folder / "fresh").permissions() == fs::perms(0640));
}

TEST_CASE("a folder, a device and a pipe are refused as targets and stay what they were") {
    const TemporaryFolder folder;
    fs::create_directory(folder / "plans");
    CHECK_THROWS_WITH(replace(folder / "plans", "x"), Catch::Contains("folder"));
    CHECK_THROWS_WITH(replace("/dev/null", "x"), Catch::Contains("device"));
    REQUIRE(::mkfifo((folder / "pipe").c_str(), 0600) == 0);
    CHECK_THROWS_WITH(save_project(one_floor(), folder / "pipe"), Catch::Contains("pipe"));
    CHECK(fs::is_fifo(folder / "pipe"));
    CHECK_THROWS_WITH(load_project(folder / "pipe"), Catch::Contains("pipe"));
}

TEST_CASE("what somebody else wrote is told by the file's mark") {
    const TemporaryFolder folder;
    save_project(named("Mine"), folder / "p.yemvo");
    const FileMark before = load_project(folder / "p.yemvo").mark;
    CHECK(before == mark_of(folder / "p.yemvo"));
    save_project(named("Theirs"), folder / "p.yemvo");
    CHECK_FALSE(before == mark_of(folder / "p.yemvo"));
    fs::remove(folder / "p.yemvo");
    CHECK_FALSE(mark_of(folder / "p.yemvo").exists);
}

TEST_CASE("each save keeps the version before, the newest first, and no more than the ring holds") {
    const TemporaryFolder folder;
    VersionRing ring;
    ring.most = 4;
    const Versions versions(folder / "versions", ring);
    auto time = fs::file_time_type::clock::now() - std::chrono::hours(10);
    for (int i = 0; i < 8; ++i) {
        save_project(named("Version " + std::to_string(i)), folder / "p.yemvo", &versions);
        fs::last_write_time(folder / "p.yemvo", time += std::chrono::minutes(1));
    }
    const auto kept = versions.of(folder / "p.yemvo");
    REQUIRE(kept.size() == 4);
    for (int i = 0; i < 4; ++i)
        CHECK(load_project(kept[static_cast<std::size_t>(i)].copy).project.name ==
              "Version " + std::to_string(6 - i));
    CHECK(kept[0].file == (folder / "p.yemvo").string());
    CHECK(versions.of(folder / "other.yemvo").empty());
}

TEST_CASE("old versions go by age and size, but the last few of a file stay") {
    const TemporaryFolder folder;
    const Versions versions(folder / "versions", {2, 20, 1'000'000'000, std::chrono::hours(24)});
    auto time = fs::file_time_type::clock::now() - std::chrono::hours(24 * 30);
    for (int i = 0; i < 6; ++i) {
        put(folder / "p", "text " + std::to_string(i));
        fs::last_write_time(folder / "p", time += std::chrono::hours(1));
        versions.keep(folder / "p", folder / "p");
    }
    CHECK(versions.of(folder / "p").size() == 2);
    const Versions small(folder / "small", {3, 20, 2000, std::chrono::hours(24 * 365)});
    for (int i = 0; i < 6; ++i) {
        put(folder / "q", std::string(900, 'x') + std::to_string(i));
        fs::last_write_time(folder / "q", time += std::chrono::hours(1));
        small.keep(folder / "q", folder / "q");
    }
    CHECK(small.of(folder / "q").size() == 2);
}

TEST_CASE("where versions cannot be kept the project is saved all the same, and it is told") {
    const TemporaryFolder folder;
    put(folder / "taken", "a file where the folder should be");
    const Versions versions(folder / "taken");
    save_project(named("First"), folder / "p.yemvo", &versions);
    const Saved saved = save_project(named("Second"), folder / "p.yemvo", &versions);
    REQUIRE(saved.warnings.size() == 1);
    CHECK_THAT(saved.warnings[0].english(), Catch::Contains("version before"));
    CHECK(load_project(folder / "p.yemvo").project.name == "Second");
    CHECK(load_project(folder / "p.yemvo~").project.name == "First");
}

TEST_CASE("a note beside a file tells who has it open, one of a process that ended tells nothing") {
    const TemporaryFolder folder;
    const fs::path file = folder / "p.yemvo";
    {
        const LockNote note(file);
        CHECK_FALSE(note.other());
        const auto by = opened_by(file);
        REQUIRE(by);
        CHECK(by->pid == ::getpid());
        CHECK_FALSE(by->user.empty());
    }
    CHECK_FALSE(fs::exists(LockNote::name_for(file)));
    put(LockNote::name_for(file), R"({"user":"ada","host":"another-machine","pid":12,"since":1790000000})");
    {
        const LockNote note(file);
        REQUIRE(note.other());
        CHECK(note.other()->user == "ada");
    }
    CHECK(fs::exists(LockNote::name_for(file)));  // theirs stays
    char host[256] = {};
    ::gethostname(host, sizeof host - 1);
    put(LockNote::name_for(file),
        std::string(R"({"user":"ada","host":")") + host + R"(","pid":2147480000,"since":1})");
    CHECK_FALSE(opened_by(file));
    for (const char* strange : {"", "{", "[]", "{\"pid\": -1}", "a letter to nobody"}) {
        put(LockNote::name_for(file), strange);
        CHECK_FALSE(LockNote(file).other());
        CHECK(content(LockNote::name_for(file)) == strange);
    }
}

TEST_CASE("drawings whose names share their beginning come back each as itself") {
    const TemporaryFolder folder;
    Project p = named("Long names");
    const std::string same(120, 'n');
    const auto lay = [&](const std::string& name, const std::string& bytes) {
        Bytes data;
        for (char c : bytes) data.push_back(static_cast<std::byte>(c));
        Drawing d;
        d.name = name;
        d.source.asset = add_asset(p, name, data);
        d.source.sheet = {{0, 0}, {4, 3}};
        add_drawing(p, floor_at(p, 0), d);
    };
    lay(same + " first.png", "the first");
    lay(same + " second.png", "the second");
    lay("nowhere/../strange\n.png", "the third");
    Journal journal(folder / "journal");
    journal.write(p, "");
    CHECK(recover(Leftover{journal.folder(), "", "", {}}) == p);
}

TEST_CASE("work thrown away is out of sight, can be taken back, and goes for good after a month") {
    const TemporaryFolder folder;
    const fs::path root = folder / "journal";
    {
        Journal journal(folder / "running");
        journal.write(named("Annexe"), "");
        fs::create_directories(root);
        fs::copy(journal.folder(), root / "work-1", fs::copy_options::recursive);
        fs::copy(journal.folder(), root / "work-2", fs::copy_options::recursive);
        journal.clear();
    }
    const Leftover gone = throw_away(leftovers(root).at(0));
    CHECK(leftovers(root).size() == 1);
    REQUIRE(thrown_away_leftovers(root).size() == 1);
    CHECK(take_back(gone).project == "Annexe");
    CHECK(leftovers(root).size() == 2);
    const Leftover again = throw_away(leftovers(root).at(0));
    fs::last_write_time(again.folder / "work.json",
                        fs::file_time_type::clock::now() - std::chrono::hours(24 * 40));
    throw_away(leftovers(root).at(0));
    CHECK(thrown_away_leftovers(root).size() == 1);
}

TEST_CASE("what differs between two states is told by floor and kind") {
    Project mine = one_floor();
    wall(mine, "brick-half", {{0, 0}, {10, 0}});
    const WallId moved = wall(mine, "brick-half", {{0, 5}, {10, 5}});
    CHECK(differences(mine, mine).empty());
    Project theirs = mine;
    Wall w = *find_wall(*all_floors(theirs)[0], moved);
    w.points[1] = {12, 5};
    replace_wall(theirs, floor_at(theirs, 0), w);
    wall(theirs, "brick-half", {{0, 8}, {10, 8}});
    add_access_point(theirs, floor_at(theirs, 0), (*theirs.models)[0].id, {3, 3});
    theirs.settings.grid_m = 1;
    const auto lines = differences(mine, theirs);
    const auto says = [&](const std::string& line) {
        return std::count(lines.begin(), lines.end(), line) == 1;
    };
    CHECK(says("Settings of the site"));
    CHECK(says("Ground floor: walls: 1 added, 1 changed"));
    CHECK(says("Ground floor: access points of variant A: 1 added"));
    CHECK(lines.size() == 3);
}
