// SPDX-License-Identifier: GPL-3.0-or-later
// Fixed devices through the window: drawn, counted, served, undone.
#include <QTableWidget>

#include "app/demand/demand_page.h"
#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/picture.h"
#include "capacity/site_capacity.h"
#include "project/kinds/all.h"
#include "render/plan_loads.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

Project shop() {
    Project p = yemvo::test::one_floor();
    const FloorId floor = yemvo::test::floor_at(p, 0);
    yemvo::test::wall(p, "concrete-200", {{0, 0}, {24, 0}, {24, 12}, {0, 12}, {0, 0}});
    add_zone(p, floor, {{}, "Shop", ZoneKind::served, {{0, 0}, {24, 0}, {24, 12}, {0, 12}}});
    add_access_point(p, floor, (*p.models)[2].id, {12, 6});
    return p;
}

}  // namespace

TEST_CASE("a row of cameras is drawn, told what it is, counted and served, and undone") {
    Driver d;
    d.window.open_project(shop(), {}, {});
    d.w().activity().set_step(Step::demand);
    REQUIRE(d.settle());
    d.plan().fit();
    d.key(Qt::Key_Z, Qt::ShiftModifier);
    CHECK(d.w().activity().tool() == ToolId::device_row);
    d.drag({3, 2}, {21, 2}, Qt::AltModifier);
    const auto rows = [&]() -> const std::vector<DeviceRow>& { return *d.floor().device_rows; };
    REQUIRE(rows().size() == 1);
    CHECK(distance(rows()[0].from, {3, 2}) < 0.1);
    CHECK(distance(rows()[0].to, {21, 2}) < 0.1);
    CHECK(d.w().activity().tool() == ToolId::select);
    d.fill("deviceRowName", "Tills");
    d.pick("deviceKind", "Tills");
    d.fill("demandAmount", "9");
    CHECK(rows()[0].demand.amount == 9);
    CHECK(rows()[0].demand.applications == Mix{{"payment", 1}});
    d.fill("demandGrowth", "50");
    d.pick("deviceKind", "Sensors");
    CHECK(rows()[0].demand.amount == 9);
    CHECK(rows()[0].demand.growth == 0.5);
    CHECK(rows()[0].demand.profiles == Mix{{"sensor", 1}});
    d.menu("edit.undo");
    d.menu("edit.undo");
    d.fill("demandAmount", "-3");
    CHECK(rows()[0].demand.amount == 9);
    REQUIRE(d.settle());
    QTableWidget* table = d.window.demand().table();
    REQUIRE(table->rowCount() == 2);
    CHECK(table->item(1, 0)->text() == "Tills");
    CHECK(table->item(1, 2)->text() == QStringLiteral("–"));  // nobody beside them
    CHECK(number_in(table->item(1, 4)->text()) == 9);
    CHECK(number_in(table->item(1, 8)->text().section(' ', 0, 0)) == 100);
    picture(d.window, "device_row");

    // an end is moved by its handle, the row by its middle
    d.drag({21, 2}, {21, 9}, Qt::AltModifier);
    CHECK(distance(rows()[0].to, {21, 9}) < 0.1);
    CHECK(distance(rows()[0].from, {3, 2}) < 0.1);
    d.menu("edit.undo");
    d.w().selection().select({});
    d.drag({12, 2}, {12, 4}, Qt::AltModifier);
    CHECK(distance(rows()[0].from, {3, 4}) < 0.1);
    d.menu("edit.undo");

    // a click places all of them at one place
    d.key(Qt::Key_Z, Qt::ShiftModifier);
    d.click({12, 10}, Qt::AltModifier);
    CHECK(rows().size() == 1);
    d.click({12, 10}, Qt::AltModifier);
    REQUIRE(rows().size() == 2);
    CHECK(rows()[1].from == rows()[1].to);
    CHECK(rows()[1].demand == rows()[0].demand);
    d.key(Qt::Key_Delete);
    CHECK(rows().size() == 1);
    d.w().document().history().undo();
    CHECK(rows().size() == 2);
}

TEST_CASE("zones are tinted by people, clients or Mbit/s, and badges tell clients and air") {
    Driver d;
    d.window.open_demo();
    d.w().activity().set_step(Step::demand);
    REQUIRE(d.settle());
    const QImage people = d.plan().grab().toImage();
    QToolButton* mbps = nullptr;
    for (QToolButton* b : d.window.findChildren<QToolButton*>())
        if (b->isVisible() && b->accessibleName() == "tint by Mbit/s") mbps = b;
    REQUIRE(mbps);
    QTest::mouseClick(mbps, Qt::LeftButton);
    CHECK(d.w().shown().demand_tint() == render::DemandTint::mbps);
    CHECK(d.plan().grab().toImage() != people);
    picture(d.window, "demand_mbps");
    d.w().activity().set_step(Step::placement);
    d.w().edit("Evening", [](Project& p) { p.demand.hour = "evening"; });
    REQUIRE(d.settle());
    CHECK_FALSE(mbps->isVisible());
    const HourCapacity& hour = *d.w().results().find<SiteCapacity>()->find("evening");
    const AccessPoint& ap = access_points(d.project(), d.w().floor_id())[5];
    double clients = 0, use = 0;
    for (const RadioCapacity& r : hour.radios)
        if (r.radio.access_point == ap.id) {
            clients += r.clients;
            use = std::max(use, r.use);
        }
    const QString words = render::load_words(hour, ap.id);
    CHECK(number_in(words.section("   ", 0, 0)) == Approx(clients).margin(0.5));
    CHECK(number_in(words.section("   ", 1).section(' ', 0, 0)) == Approx(100 * use).margin(1));
    d.menu("demand.clients");
    picture(d.window, "badges");
    d.menu("demand.clients");
}
