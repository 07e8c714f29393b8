// SPDX-License-Identifier: GPL-3.0-or-later
// Variants side by side through the window.
#include "app/variants/variants_page.h"

#include <QClipboard>
#include <QPushButton>
#include <QWheelEvent>

#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/picture.h"
#include "app/shell/status_line.h"
#include "demo/demo.h"
#include "project/edits.h"
#include "project/kinds/thing_edits.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

/// One room; the second variant has an access point more, at the other end.
Project one_room() {
    Project p = yemvo::test::one_floor(3.5);
    yemvo::test::wall(p, "concrete-250", {{0, 0}, {40, 0}, {40, 10}, {0, 10}, {0, 0}});
    yemvo::test::set_requirements(p, {{{}, "signal", band_5, -60, 0.9}});
    const FloorId f = yemvo::test::floor_at(p, 0);
    add_access_point(p, f, p.models->front().id, {5, 5});
    copy_variant(p, "Two");
    add_access_point(p, f, p.models->front().id, {35, 5});
    return p;
}

struct SideBySide : Driver {
    explicit SideBySide(const Project& p) {
        window.open_project(p, {});
        w().activity().set_step(Step::placement);
        REQUIRE(settle());
    }
    void open() {
        window.action("variant.side-by-side")->trigger();
        REQUIRE(page().isVisible());
        wait();
    }
    void wait() {
        REQUIRE(QTest::qWaitFor([&] { return page().is_idle(); }, 60'000));
        QCoreApplication::processEvents();
    }
    VariantsPage& page() { return window.variants(); }
    QComboBox* combo(const char* name) { return page().findChild<QComboBox*>(name); }
    void choose(const char* name, int i) {
        combo(name)->setCurrentIndex(i);
        emit combo(name)->activated(i);
        wait();
    }
    FiguresTable& table() { return *page().findChild<FiguresTable*>("variantsTable"); }
    int row(const char* name) {
        for (int r = 0; r < table().rowCount(); ++r)
            if (table().verticalHeaderItem(r)->text().startsWith(name)) return r;
        FAIL("no row " << name);
        return -1;
    }
    QString cell(const char* name, int column) { return table().item(row(name), column)->text(); }
};

}  // namespace

TEST_CASE("variants stand side by side, each with its map, over one table") {
    SideBySide d(one_room());
    d.open();
    REQUIRE(d.page().shown().size() == 2);
    // the present one first
    CHECK(d.page().shown()[0] == d.project().variant);
    CHECK(d.cell("Access points", 0) == "2");
    CHECK(d.cell("Access points", 1) == "1");
    CHECK(d.cell("Requirements not met", 0) == "0");
    CHECK(d.cell("Requirements not met", 1) == "1");
    CHECK(d.cell("Signal", 0) == shown_as("100.0"));
    CHECK(number_in(d.cell("Signal", 1)) < 90);
    // what is better is strong, what fails is told apart
    CHECK(d.table().item(d.row("Signal"), 0)->font().weight() > QFont::Medium);
    CHECK(d.table().item(d.row("Signal"), 1)->foreground() !=
          d.table().item(d.row("Signal"), 0)->foreground());
    // the maps are those of each
    const auto& two = d.page().result(0);
    const auto& one = d.page().result(1);
    const std::size_t far = two->predicted.surface.cell_at({35, 8}).value();
    CHECK(two->values[far] > one->values[far] + 10);
    QTest::mouseClick(d.page().findChild<QPushButton*>("copyVariants"), Qt::LeftButton);
    CHECK(QApplication::clipboard()->text().contains("Access points\t2\t1"));
    QTest::keyClick(&d.page(), Qt::Key_Escape);
    CHECK_FALSE(d.page().isVisible());
}

TEST_CASE("the maps have what their lens needs besides the radios") {
    Project p = one_room();
    add_thing(p, yemvo::test::floor_at(p, 0), Closet{{}, "TR-1", {1, 5}});
    SideBySide d(p);
    for (const LensId id : {LensId::cable, LensId::confidence}) {
        d.w().shown().look_through(id);
        d.open();
        for (const std::size_t i : {0u, 1u}) {
            const auto& one = d.page().result(i);
            const float value = one->values[one->predicted.surface.cell_at({20.25, 5.25}).value()];
            INFO(lens(id).key);
            CHECK(value > 0);
            // of cables 19 m along, 1.5 m down to the panel, with slack; the same in both
            if (id == LensId::cable) CHECK(value == Approx((19.25 + 0.25 + 1.5) * 1.1 + 3).margin(0.7));
        }
        QTest::keyClick(&d.page(), Qt::Key_Escape);
    }
}

TEST_CASE("the maps move in step, and each tells the value at the place pointed at") {
    SideBySide d(one_room());
    d.open();
    auto* first = &d.page().map(0);
    auto* second = &d.page().map(1);
    const render::PlanMap before = d.page().view().map;
    QTest::mousePress(first, Qt::LeftButton, {}, {50, 50});
    QMouseEvent move(QEvent::MouseMove, QPointF(70, 60), first->mapToGlobal(QPointF(70, 60)), Qt::NoButton,
                     Qt::LeftButton, {});
    QApplication::sendEvent(first, &move);
    QTest::mouseRelease(first, Qt::LeftButton, {}, {70, 60});
    CHECK(d.page().view().map.origin == before.origin + QPointF(20, 10));
    const QPointF middle(60, 60);
    const Point held = d.page().view().map.to_floor(middle);
    QWheelEvent wheel(middle, second->mapToGlobal(middle), {}, {0, 240}, Qt::NoButton, {}, Qt::NoScrollPhase,
                      false);
    QApplication::sendEvent(second, &wheel);
    CHECK(d.page().view().map.px_per_m > before.px_per_m);
    CHECK(distance(d.page().view().map.to_floor(middle), held) < 1e-6);
    const QPoint at = d.page().view().map.to_screen(Point{5, 8}).toPoint();
    QTest::mouseMove(second, at);
    CHECK(first->told().endsWith("dBm"));
    CHECK(second->told().endsWith("dBm"));
}

TEST_CASE("two variants lie under a divider that is dragged") {
    SideBySide d(one_room());
    d.open();
    d.choose("variantsWay", 1);
    auto* map = &d.page().map(0);
    CHECK_FALSE(d.page().findChild<QComboBox*>("variantsCount")->isEnabled());
    const QPoint divider(int(map->divider_px()), 60);
    QTest::mousePress(map, Qt::LeftButton, {}, divider);
    const QPointF to(map->width() * 0.8, 60);
    QMouseEvent move(QEvent::MouseMove, to, map->mapToGlobal(to), Qt::NoButton, Qt::LeftButton, {});
    QApplication::sendEvent(map, &move);
    QTest::mouseRelease(map, Qt::LeftButton, {}, to.toPoint());
    CHECK(map->divider_px() == Approx(map->width() * 0.8).margin(1));
    // left of it the first, right of it the second
    const QPoint place = d.page().view().map.to_screen(Point{35, 8}).toPoint();
    QTest::mouseMove(map, place);
    const double right = number_in(map->told().section(' ', 0, 0));
    const QPointF back(place.x() + 30.0, 60);
    if (place.x() < map->divider_px()) {
        CHECK(right == Approx(d.page().result(0)->values[*d.page().result(0)->predicted.surface.cell_at(
                                  d.page().view().map.to_floor(place))])
                           .margin(0.06));
    } else {
        CHECK(right == Approx(d.page().result(1)->values[*d.page().result(1)->predicted.surface.cell_at(
                                  d.page().view().map.to_floor(place))])
                           .margin(0.06));
    }
    picture(d.window, "variants_divider");
    d.choose("variantsWay", 2);
    auto* other = &d.page().map(1);
    QTest::mouseMove(other, d.page().view().map.to_screen(Point{35, 8}).toPoint());
    CHECK(other->told().endsWith(" dB"));
    CHECK(number_in(other->told().section(' ', 0, 0)) < -10);
}

TEST_CASE("another variant, floor, lens or number of maps is chosen over the maps") {
    Project p = one_room();
    copy_variant(p, "Three");
    add_access_point(p, yemvo::test::floor_at(p, 0), p.models->front().id, {20, 5});
    SideBySide d(p);
    d.open();
    REQUIRE(d.page().shown().size() == 3);
    d.choose("variantsCount", 0);
    REQUIRE(d.page().shown().size() == 2);
    CHECK(d.table().columnCount() == 2);
    auto* head = d.combo("variantHead1");
    d.choose("variantHead1", head->findText("Two"));
    CHECK(d.cell("Access points", 1) == "2");
    d.choose("variantsLens", static_cast<int>(LensId::serving));
    CHECK(d.page().view().choice.lens == LensId::serving);
    QTest::mouseClick(d.page().findChild<QPushButton*>("variantsBand0"), Qt::LeftButton);
    d.wait();
    CHECK(d.page().view().choice.bands == band_24);
    d.choose("variantsCount", 2);
    CHECK(d.page().shown().size() == 4);
    // a variant that is taken away leaves the page
    d.w().document().edit("Remove", [&](Project& q) {
        while (q.variants.size() > 1) remove_variant(q, q.variants.back().id);
    });
    CHECK_FALSE(d.page().isVisible());
    // and one alone stands beside nothing
    REQUIRE(d.settle());
    d.window.action("variant.side-by-side")->trigger();
    CHECK_FALSE(d.page().isVisible());
    CHECK(d.window.status().message().contains("no other variant"));
}

TEST_CASE("variants of the demo as they look") {
    Project p = demo::compose_venue();
    copy_variant(p, "Without the auditorium's second");
    remove_access_point(p, find_floor(p, "Ground floor")->id,
                        access_points(p, find_floor(p, "Ground floor")->id)[6].id);
    SideBySide d(p);
    d.w().in_view().show_floor(find_floor(p, "Ground floor")->id);
    REQUIRE(d.settle());
    d.open();
    CHECK(d.cell("Access points", 0) == "28");
    CHECK(d.cell("Access points", 1) == "29");
    CHECK_FALSE(d.cell("Satisfied clients", 0).isEmpty());
    picture(d.window, "variants");
}
