// SPDX-License-Identifier: GPL-3.0-or-later
#include <QListView>

#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "project/kinds/all.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

TEST_CASE("a closet is placed, named, given racks, moved, copied and undone") {
    Driver d;
    d.window.open_project(new_project("P", {LengthUnits::metres, "GB", 1.2, 7}, 2, 3.5), {});
    d.w().activity().set_step(Step::venue);
    d.key(Qt::Key_V);
    d.click({8, 4}, Qt::AltModifier);
    const auto& closets = [&]() -> const std::vector<Closet>& { return *d.floor().closets; };
    REQUIRE(closets().size() == 1);
    CHECK(closets()[0].name == "TR-1");
    CHECK(distance(closets()[0].position, {8, 4}) < 0.1);
    CHECK(d.w().activity().tool() == ToolId::select);
    REQUIRE(d.w().selection().items().size() == 1);
    d.fill("closetName", "Comms room");
    d.fill("closetRacks", "4");
    CHECK(closets()[0].name == "Comms room");
    CHECK(closets()[0].racks == 4);
    d.fill("closetRacks", "0");
    CHECK(closets()[0].racks == 4);
    d.drag({8, 4}, {12, 6}, Qt::AltModifier);
    CHECK(distance(closets()[0].position, {12, 6}) < 0.1);
    d.plan().setFocus();
    QTest::keyClick(&d.plan(), Qt::Key_C, Qt::ControlModifier);
    d.w().in_view().show_floor(yemvo::test::floor_at(d.project(), 1));
    QTest::keyClick(&d.plan(), Qt::Key_V, Qt::ControlModifier);
    CHECK(closets().size() == 1);
    d.w().document().history().undo();
    CHECK(closets().empty());
}

TEST_CASE("closets are hidden, locked and found by name like other things") {
    Driver d;
    Project p = new_project("P", {LengthUnits::metres, "GB", 1.2, 7}, 2, 3.5);
    Floor& upper = p.buildings.front().floors.back();
    upper.closets.edit().push_back({ClosetId{p.next_id++}, "North riser room", {5, 5}});
    d.window.open_project(p, {});
    d.w().activity().set_step(Step::venue);
    d.window.findChild<QAction*>("view.find")->trigger();
    auto* typed = d.find<QLineEdit>("commandText");
    QTest::keyClicks(typed, "north riser");
    QTest::keyClick(typed, Qt::Key_Return);
    turn_of_the_loop();
    CHECK(d.w().floor_id() == upper.id);
    REQUIRE(d.w().selection().items().size() == 1);
    CHECK(d.w().selection().items()[0].kind == ItemKind::closet);
    d.w().selection().select({});
    d.window.findChild<QAction*>("lock.closets")->trigger();
    d.click({5, 5});
    CHECK(d.w().selection().items().empty());
    d.window.findChild<QAction*>("lock.closets")->trigger();
    d.click({5, 5});
    CHECK(d.w().selection().items().size() == 1);
}
