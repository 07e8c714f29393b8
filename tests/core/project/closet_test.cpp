// SPDX-License-Identifier: GPL-3.0-or-later
// Closets come in by the table of kinds alone: what is true of every thing on a floor is true of them.
#include "core/support.h"
#include "project/clipping.h"
#include "project/differences.h"
#include "project/json_project.h"
#include "project/kinds/thing_edits.h"
#include "project/rules.h"
#include "project/validation.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

struct Site {
    Project p = new_project("P", {LengthUnits::metres, "GB", 1.2, 7}, 2, 3.5);
    FloorId ground = floor_at(p, 0);
    ClosetId id = add_thing(p, ground, Closet{{}, "TR-1", {4, 3}, 2});
    Item item{ItemKind::closet, id.value};
    const Floor& floor() const { return *find_floor(p, ground); }
    const Closet& closet() const { return floor().closets->front(); }
};

}  // namespace

TEST_CASE("a closet is written and read back") {
    const Site s;
    const Project read = project_from_json(project_to_json(s.p));
    CHECK(read == s.p);
    CHECK(find_floor(read, s.ground)->closets->front().racks == 2);
}

TEST_CASE("a closet moves, turns and is copied to another floor with a new id") {
    Site s;
    move_items(s.p, s.ground, {s.item}, shifted({1, 2}));
    CHECK(distance(s.closet().position, {5, 5}) < 1e-9);
    const Clipping clipped = clipping_from_json(clipping_to_json(clip(s.p, s.floor(), {s.item})));
    const auto made = paste(s.p, floor_at(s.p, 1), clipped, shifted({10, 0}));
    REQUIRE(made.size() == 1);
    CHECK(made[0].kind == ItemKind::closet);
    CHECK(made[0].id != s.id.value);
    const Closet& copy = find_floor(s.p, floor_at(s.p, 1))->closets->front();
    CHECK(distance(copy.position, {15, 5}) < 1e-9);
    CHECK(copy.name == "TR-1");
    CHECK_NOTHROW(check_references(s.p));
}

TEST_CASE("a closet goes along with its floor, is grouped with others and removed") {
    Site s;
    const FloorId copy = duplicate_floor(s.p, s.ground, {});
    REQUIRE(find_floor(s.p, copy)->closets->size() == 1);
    CHECK(find_floor(s.p, copy)->closets->front().id != s.id);
    transform_floor(s.p, s.ground, {1, 90, {0, 0}});
    CHECK(distance(s.closet().position, Similarity{1, 90, {0, 0}}.apply({4, 3})) < 1e-9);
    const NoteId note = add_note(s.p, s.ground, {{}, "n", {1, 1}, ""});
    group_items(s.p, s.ground, {s.item, {ItemKind::note, note.value}});
    CHECK(with_groups(s.p, s.floor(), {s.item}).size() == 2);
    remove_item(s.p, s.ground, s.item);
    CHECK(s.floor().closets->empty());
}

TEST_CASE("a closet of no racks, or beyond 100 km, is refused; a file that has one opens without it") {
    const Site s;
    for (const auto& change : std::vector<std::function<void(Closet&)>>{
             [](Closet& c) { c.racks = 0; }, [](Closet& c) { c.racks = 101; },
             [](Closet& c) { c.position.x = 2e5; }, [](Closet& c) { c.name.assign(3000, 'x'); }}) {
        Project after = s.p;
        Closet wrong = s.closet();
        change(wrong);
        replace_thing(after, s.ground, wrong);
        CHECK_THROWS_WITH(check_edit(s.p, after),
                          Catch::Contains("Closet ") && Catch::Contains(" on Ground floor: its "));
        const ReadProject read = project_from_json(project_to_json(after), true);
        CHECK(find_floor(read.project, s.ground)->closets->empty());
        REQUIRE(read.aside.size() == 1);
        CHECK_THAT(read.aside.front().place, Catch::Contains("closets[0]"));
    }
}

TEST_CASE("what differs tells of closets") {
    const Site s;
    Project after = s.p;
    Closet more = s.closet();
    more.racks = 5;
    replace_thing(after, s.ground, more);
    const auto lines = differences(s.p, after);
    REQUIRE(lines.size() == 1);
    CHECK_THAT(lines[0].english(), Catch::Contains("closets: 1 changed"));
}
