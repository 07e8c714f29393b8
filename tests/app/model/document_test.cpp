// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/document.h"

#include "core/support.h"

using namespace yemvo;
using namespace yemvo::app;

TEST_CASE("undo gives the value before, redo the one after, each by its name") {
    Document d;
    d.open(yemvo::test::one_floor(), {});
    const Project before = d.project();
    d.edit("Draw wall", [](Project& p) { yemvo::test::wall(p, "plasterboard", {{0, 0}, {1, 0}}); });
    const Project after = d.project();
    CHECK(d.history().undoText() == "Draw wall");
    CHECK(d.is_modified());
    d.history().undo();
    CHECK(d.project() == before);
    CHECK_FALSE(d.is_modified());
    d.history().redo();
    CHECK(d.project() == after);
}

TEST_CASE("the moves of one drag are one step back, two drags are two") {
    Document d;
    d.open(yemvo::test::one_floor(), {});
    for (int drag = 0; drag < 2; ++drag) {
        const int key = d.new_merge_key();
        for (int i = 0; i < 5; ++i)
            d.edit(
                "Move", [&](Project& p) { p.name = std::to_string(10 * drag + i); }, key);
    }
    CHECK(d.history().count() == 2);
    d.history().undo();
    CHECK(d.project().name == "4");
}

TEST_CASE("a place far back in the history is gone to in one step, and told once") {
    Document d;
    d.open(yemvo::test::one_floor(), {});
    for (const char* name : {"a", "b", "c", "d"}) d.edit("Rename", [&](Project& p) { p.name = name; });
    int told = 0;
    QObject::connect(&d, &Document::changed, [&] { ++told; });
    d.go_to(1);
    CHECK(d.project().name == "a");
    d.go_to(4);
    CHECK(d.project().name == "d");
    d.go_to(99);
    CHECK(told == 2);
    d.go_to(-5);
    CHECK(d.project().name == yemvo::test::one_floor().name);
    CHECK_FALSE(d.is_modified());
}

TEST_CASE("an edit that changes nothing leaves no trace") {
    Document d;
    d.open(yemvo::test::one_floor(), {});
    d.edit("Nothing", [](Project&) {});
    CHECK(d.history().count() == 0);
}
