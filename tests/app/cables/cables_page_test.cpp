// SPDX-License-Identifier: GPL-3.0-or-later
// Closets, trays, risers and cables through the window.
#include "app/cables/cables_page.h"

#include <QContextMenuEvent>
#include <QMenu>
#include <QPushButton>
#include <QTableView>

#include "app/driver.h"
#include "app/forms/form.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "app/model/tool_id.h"
#include "app/picture.h"
#include "demo/demo.h"
#include "project/edits.h"
#include "project/kinds/thing_edits.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

/// A hall of 190 by 10 m with an access point every 10 m.
Project long_hall() {
    Project p = yemvo::test::one_floor(3.5);
    yemvo::test::wall(p, "brick-half", {{0, 0}, {190, 0}, {190, 10}, {0, 10}, {0, 0}});
    for (double x = 5; x < 190; x += 10)
        add_access_point(p, yemvo::test::floor_at(p, 0), p.models->front().id, {x, 5});
    return p;
}

struct Cabling : Driver {
    explicit Cabling(const Project& p) {
        window.open_project(p, {});
        w().activity().set_step(Step::placement);
        REQUIRE(settle());
        window.plan().fit();
    }
    CablesPage& page() { return window.cables(); }
    void open() {
        window.action("view.cables")->trigger();
        REQUIRE(page().isVisible());
        wait();
    }
    void wait() {
        QTest::qWait(160);
        REQUIRE(QTest::qWaitFor([&] { return !page().is_working(); }, 30'000));
        QCoreApplication::processEvents();
    }
    void press(const char* button) {
        auto* found = page().findChild<QPushButton*>(button);
        REQUIRE(found);
        REQUIRE(found->isEnabled());
        QTest::mouseClick(found, Qt::LeftButton);
        wait();
    }
    void place(ToolId tool, Point at) {
        w().activity().set_tool(tool);
        click(at);
    }
    /// An entry of the menu that the right button opens on the plan.
    void plan_menu(Point at, const QString& text) {
        QContextMenuEvent e(QContextMenuEvent::Mouse, px(at), plan().mapToGlobal(px(at)));
        QApplication::sendEvent(&plan(), &e);
        auto* menu = window.findChild<QMenu*>("planMenu");
        REQUIRE(menu);
        const auto actions = menu->actions();
        const auto entry = std::ranges::find(actions, text, &QAction::text);
        INFO(text.toStdString());
        REQUIRE(entry != actions.end());
        (*entry)->trigger();
        menu->close();
        delete menu;
    }
    QString cell(int row, int column) { return page().runs().model()->index(row, column).data().toString(); }
    const Floor& floor() { return *w().floor(); }
};

}  // namespace

TEST_CASE("a closet is placed, and every cable tells its length") {
    Cabling d(long_hall());
    d.open();
    CHECK(d.page().summary().startsWith("No closet stands yet"));
    d.place(ToolId::closet, {5, 5});
    d.wait();
    REQUIRE(d.floor().closets->size() == 1);
    REQUIRE(d.page().runs().model()->rowCount() == 19);
    // from x 15 to x 5: 10 m, drops of 0.2 m up to 3 m and 1.5 m down to the panel, 10 % and 3 m
    const double link_m = number_in(d.cell(1, CableTable::link));
    CHECK(link_m == Approx(d.page().planned()->plan.runs[1].link_m).margin(0.051));
    CHECK(d.page().planned()->plan.runs[1].way_m == Approx(10).margin(0.05));
    CHECK(d.cell(18, CableTable::note) == "channel too long");
    CHECK_THAT(d.page().summary().toStdString(), Catch::Contains("at fault"));
    picture(d.window, "cables-hall");
}

TEST_CASE("further closets are proposed, placed as one edit, and taken back") {
    Cabling d(long_hall());
    d.open();
    d.place(ToolId::closet, {2, 5});
    d.wait();
    d.press("cablesPropose");
    REQUIRE(d.page().proposed().size() == 1);
    picture(d.window, "cables-proposed");
    d.press("cablesPlace");
    CHECK(d.floor().closets->size() == 2);
    CHECK_THAT(d.page().summary().toStdString(), Catch::Contains("all in order"));
    d.w().document().history().undo();
    d.wait();
    CHECK(d.floor().closets->size() == 1);
    CHECK_THAT(d.page().summary().toStdString(), Catch::Contains("at fault"));
}

TEST_CASE("a tray is drawn corner by corner and cables follow it") {
    Cabling d(long_hall());
    d.open();
    d.place(ToolId::closet, {2, 2});
    d.w().activity().set_tool(ToolId::tray);
    for (const Point corner : {Point{2, 3}, {2, 8}, {100, 8}}) d.click(corner);
    QTest::keyClick(&d.window.plan(), Qt::Key_Return);
    d.wait();
    REQUIRE(d.floor().trays->size() == 1);
    CHECK(d.floor().trays->front().points.size() == 3);
    const auto along_tray = [&](const CableRun& run) {
        for (const Point& corner : run.legs.front().points)
            if (std::abs(corner.y - d.floor().trays->front().points[1].y) < 0.02) return true;
        return false;
    };
    CHECK(along_tray(d.page().planned()->plan.runs[6]));
    picture(d.window, "cables-tray");
    d.w().document().history().undo();
    CHECK(d.floor().trays->empty());
}

TEST_CASE("corners of a tray come and go by the plan's menu, but for its ends") {
    Cabling d(long_hall());
    d.w().edit("Tray", [&](Project& p) {
        add_thing(p, yemvo::test::floor_at(p, 0), Tray{{}, "T-1", {{10, 2}, {100, 2}, {100, 8}}, 2.5});
    });
    d.w().activity().set_tool(ToolId::select);
    d.click({40, 2});
    const auto points = [&] { return d.floor().trays->front().points; };
    d.plan_menu({60, 2}, "Add a corner here");
    REQUIRE(points().size() == 4);
    CHECK(distance(points()[1], {60, 2}) < 0.3);
    CHECK(points()[2] == Point{100, 2});
    d.drag(points()[1], {60, 5});
    CHECK(points()[1].y == Approx(5).margin(0.3));
    d.plan_menu(points()[1], "Remove this corner");
    d.plan_menu({100, 2}, "Remove this corner");
    CHECK(points() == std::vector<Point>{{10, 2}, {100, 8}});
    d.plan_menu({10, 2}, "Remove this corner");
    CHECK(points().size() == 2);
    for (int i = 0; i < 4; ++i) d.menu("edit.undo");
    CHECK(points().size() == 3);
}

TEST_CASE("a switch is added in Details, and its ports and watts are counted") {
    Cabling d(long_hall());
    d.open();
    d.place(ToolId::closet, {95, 5});
    d.wait();
    auto* add = d.window.findChild<QPushButton*>("closetAddSwitch");
    REQUIRE(add);
    QTest::mouseClick(add, Qt::LeftButton);
    d.wait();
    REQUIRE(d.floor().closets->front().switches.size() == 1);
    d.fill("switch0Ports", "8");
    d.wait();
    CHECK(d.floor().closets->front().switches[0].ports == 8);
    CHECK(d.page().closets().model()->index(0, ClosetTable::ports).data().toString() == "8 / 8");
    CHECK(d.page().planned()->plan.closets[0].without_port == 11);
    // of those the two at the ends say first that they are too far
    int without = 0;
    for (int row = 0; row < 19; ++row) without += d.cell(row, CableTable::note) == "no port left";
    CHECK(without >= 9);
    picture(d.window, "cables-switch");
}

TEST_CASE("the demo's cables are in order; a row and its access point belong together") {
    Cabling d(demo::make_demo());
    d.open();
    CHECK(d.page().runs().model()->rowCount() == 29);
    for (const CableRun& run : d.page().planned()->plan.runs) {
        CHECK(run.closet);
        CHECK(run.port);
        CHECK(run.channel_m <= 100);
    }
    CHECK_THAT(d.page().summary().toStdString(), Catch::Contains("all in order"));
    d.page().runs().setFocus();
    d.page().runs().setCurrentIndex(d.page().runs().model()->index(11, 0));
    REQUIRE(d.w().selection().items().size() == 1);
    CHECK(d.w().floor()->name == "First floor");
    REQUIRE(d.settle());
    d.window.plan().fit();
    d.wait();
    picture(d.window, "cables-first");
    d.w().in_view().show_floor(find_floor(d.project(), "Ground floor")->id);
    REQUIRE(d.settle());
    d.wait();
    picture(d.window, "cables-ground");
}

TEST_CASE("an access point is told which closet its cable ends at") {
    Cabling d(long_hall());
    d.open();
    d.place(ToolId::closet, {5, 8});
    d.wait();
    d.place(ToolId::closet, {60, 8});
    d.wait();
    d.w().selection().select(
        {{ItemKind::access_point, access_points(d.project(), d.w().floor_id())[0].id.value}});
    QCoreApplication::processEvents();
    const ClosetId first = d.floor().closets->front().id, second = d.floor().closets->back().id;
    CHECK(d.page().planned()->plan.runs[0].closet == first);
    d.pick("apCloset", "TR-2, Ground floor");
    d.wait();
    CHECK(d.page().planned()->plan.runs[0].closet == second);
    d.w().document().history().undo();
    d.wait();
    CHECK(d.page().planned()->plan.runs[0].closet == first);
}

TEST_CASE("how cables are counted is changed in the page and undone") {
    Cabling d(long_hall());
    d.open();
    d.place(ToolId::closet, {5, 5});
    d.wait();
    const double before_m = d.page().planned()->plan.runs[5].link_m;
    d.press("cablesCounting");
    d.fill("cablingSlackShare", "50");
    d.wait();
    CHECK(d.page().planned()->plan.runs[5].link_m > before_m * 1.2);
    picture(d.window, "cables-counting");
    d.w().document().history().undo();
    d.wait();
    CHECK(d.page().planned()->plan.runs[5].link_m == Approx(before_m));
}
