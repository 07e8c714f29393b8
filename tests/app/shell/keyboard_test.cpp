// SPDX-License-Identifier: GPL-3.0-or-later
// Work without a mouse: the plan's own pointer, floors, bands, lenses, the threshold.
#include <QAction>
#include <QMenuBar>

#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/palette/keys_page.h"
#include "app/plan/key_pointer.h"
#include "app/shell/header_bar.h"
#include "app/shell/status_line.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

/// A floor of 20 m x 12 m, nothing placed.
class Keys : public Driver {
public:
    Keys() {
        Project p = yemvo::test::one_floor();
        yemvo::test::wall(p, "plasterboard", {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}});
        window.open_project(p, {});
        plan().setFocus();
        plan().fit();
        step = grid_step_m(plan().map().px_per_m);
    }
    void arrows(int k, int times, Qt::KeyboardModifiers keys = Qt::NoModifier) {
        for (int i = 0; i < times; ++i) QTest::keyClick(&plan(), static_cast<Qt::Key>(k), keys);
    }
    void space(Qt::KeyboardModifiers keys = Qt::NoModifier) { QTest::keyClick(&plan(), Qt::Key_Space, keys); }
    const std::vector<AccessPoint>& placed() { return access_points(project(), w().floor_id()); }
    double step = 0;
};

}  // namespace

TEST_CASE("an access point is placed, chosen, dragged and let go without a mouse") {
    Keys d;
    d.key(Qt::Key_A);  // the tool
    REQUIRE(d.w().activity().tool() == ToolId::access_point);
    d.arrows(Qt::Key_Right, 1);  // the pointer appears
    CHECK(d.placed().empty());
    d.space();
    REQUIRE(d.placed().size() == 1);
    const Point first = d.placed()[0].position;
    d.arrows(Qt::Key_Right, 4);
    d.arrows(Qt::Key_Up, 2);
    d.space();
    REQUIRE(d.placed().size() == 2);
    CHECK(d.placed()[1].position.x == Approx(first.x + 4 * d.step).margin(1e-6));
    CHECK(d.placed()[1].position.y == Approx(first.y + 2 * d.step).margin(1e-6));

    d.key(Qt::Key_S);
    d.key(Qt::Key_Escape);
    d.space();  // clicks on the second
    REQUIRE(d.w().selection().items() == std::vector<Item>{{ItemKind::access_point, d.placed()[1].id.value}});
    const Point from = d.placed()[1].position;
    const int edits = d.w().document().history().count();
    d.space(Qt::ShiftModifier);  // held
    d.arrows(Qt::Key_Left, 3);
    d.space(Qt::ShiftModifier);  // let go
    CHECK(d.placed()[1].position.x == Approx(from.x - 3 * d.step).margin(0.051));
    CHECK(d.placed()[1].position.y == Approx(from.y).margin(0.001));
    CHECK(d.w().document().history().count() == edits + 1);
    // not held, the arrows nudge what is selected
    d.arrows(Qt::Key_Up, 1);
    CHECK(d.placed()[1].position.y == Approx(from.y + 0.1).margin(0.001));
    d.menu("edit.undo");
    d.menu("edit.undo");
    CHECK(d.placed()[1].position == from);
}

TEST_CASE("a run of walls and a door in it are drawn without a mouse") {
    Keys d;
    d.key(Qt::Key_W);
    d.arrows(Qt::Key_Left, 1);
    d.space();
    d.arrows(Qt::Key_Right, 1, Qt::ShiftModifier);
    d.space();
    d.arrows(Qt::Key_Up, 3);
    d.space();
    d.key(Qt::Key_Return);
    REQUIRE(d.floor().walls->size() == 2);
    const Wall run = d.floor().walls->back();
    REQUIRE(run.points.size() == 3);
    CHECK(run.points[1].x - run.points[0].x == Approx(10 * d.step).margin(0.01));
    CHECK(run.points[2].y - run.points[1].y == Approx(3 * d.step).margin(0.01));

    d.key(Qt::Key_D);
    d.arrows(Qt::Key_Down, 3);  // back to the corner
    d.arrows(Qt::Key_Left, 5);  // the middle of the first piece
    d.space();
    REQUIRE(d.floor().walls->back().openings.size() == 1);
    CHECK(d.floor().walls->back().openings[0].kind == OpeningKind::door);
}

TEST_CASE("a zone is dragged as a rectangle without a mouse, and Esc lets go") {
    Keys d;
    d.key(Qt::Key_Z);
    d.arrows(Qt::Key_Left, 1);
    d.space(Qt::ShiftModifier);
    d.arrows(Qt::Key_Right, 1, Qt::ShiftModifier);
    d.arrows(Qt::Key_Up, 4);
    d.space();  // lets go as well
    REQUIRE(d.floor().zones->size() == 1);
    const auto& outline = d.floor().zones->front().outline;
    REQUIRE(outline.size() == 4);
    const double area = std::abs(area_m2(outline));
    CHECK(area == Approx(10 * d.step * 4 * d.step).epsilon(0.01));
}

TEST_CASE("the pointer of the keys brings what is beyond the rim into view, and the mouse takes over") {
    Keys d;
    d.key(Qt::Key_T);
    const auto before = d.plan().map();
    d.arrows(Qt::Key_Right, 60, Qt::ShiftModifier);
    CHECK(d.plan().map().origin.x() < before.origin.x());
    CHECK(d.plan().map().px_per_m == before.px_per_m);
    const Point middle = d.plan().map().to_floor(d.plan().rect().center());
    d.hover(middle);
    d.space();  // nothing to click with: the mouse has it again
    CHECK(d.project().probes->empty());
    d.click(middle);
    CHECK(d.project().probes->size() == 1);
}

TEST_CASE("another floor lets go of what the keys held, and nothing moves there") {
    Driver d;
    Project p = new_project("P", {}, 2, 3);
    yemvo::test::isotropic_access_point(p, {5, 5});
    yemvo::test::isotropic_access_point(p, {5, 5}, 2.5, 1);
    d.window.open_project(p, {});
    d.w().activity().set_step(Step::placement);
    d.w().in_view().show_floor(yemvo::test::floor_at(p, 0));
    d.plan().setFocus();
    d.hover({5, 5});
    QTest::keyClick(&d.plan(), Qt::Key_Right);
    QTest::keyClick(&d.plan(), Qt::Key_Space, Qt::ShiftModifier);
    d.key(Qt::Key_PageUp, Qt::ControlModifier);
    const Project before = d.project();
    for (int i = 0; i < 4; ++i) QTest::keyClick(&d.plan(), Qt::Key_Left);
    QTest::keyClick(&d.plan(), Qt::Key_Space);
    CHECK(access_points(d.project(), d.w().floor_id())[0].position ==
          access_points(before, d.w().floor_id())[0].position);
    CHECK(access_points(d.project(), yemvo::test::floor_at(p, 0))[0].position == Point{5, 5});
}

TEST_CASE("a place stays where it is while it is well inside the view") {
    const render::PlanMap map{10, QPointF(100, 300)};
    CHECK(brought_into_view(map, {10, 10}, {400, 400}) == map);
    const auto right = brought_into_view(map, {40, 10}, {400, 400});
    CHECK(right.to_screen(Point{40, 10}).x() == Approx(360));
    CHECK(right.to_screen(Point{40, 10}).y() == Approx(200));
    const auto corner = brought_into_view(map, {-20, -20}, {400, 400});
    CHECK(corner.to_screen(Point{-20, -20}).x() == Approx(40));
    CHECK(corner.to_screen(Point{-20, -20}).y() == Approx(360));
}

TEST_CASE("floors are gone through by keys, and the last one says so") {
    Driver d;
    d.window.open_project(new_project("P", {}, 3, 3), {});
    const auto floors = all_floors(d.project());
    d.w().in_view().show_floor(floors[0]->id);
    d.plan().setFocus();
    d.key(Qt::Key_PageUp, Qt::ControlModifier);
    CHECK(d.w().floor_id() == floors[1]->id);
    d.key(Qt::Key_PageUp, Qt::ControlModifier);
    d.key(Qt::Key_PageUp, Qt::ControlModifier);
    CHECK(d.w().floor_id() == floors[2]->id);
    CHECK(d.window.status().message().contains("topmost"));
    d.key(Qt::Key_PageDown, Qt::ControlModifier);
    CHECK(d.w().floor_id() == floors[1]->id);
}

TEST_CASE("bands, radios, lenses and the threshold are chosen by keys") {
    Driver d;
    d.window.open_demo();
    REQUIRE(d.settle());
    d.plan().setFocus();
    d.key(Qt::Key_3, Qt::AltModifier);
    CHECK(d.w().shown().map().bands == BandSet(band_6));
    d.key(Qt::Key_2, Qt::AltModifier | Qt::ShiftModifier);
    CHECK(d.w().shown().map().bands == BandSet(band_6).with(band_5, true));
    d.key(Qt::Key_3, Qt::AltModifier | Qt::ShiftModifier);
    d.key(Qt::Key_2, Qt::AltModifier | Qt::ShiftModifier);  // the last band stays
    CHECK(d.w().shown().map().bands == BandSet(band_5));

    d.key(Qt::Key_Up, Qt::AltModifier);
    CHECK(d.w().shown().map().threshold == -66);
    d.key(Qt::Key_Down, Qt::AltModifier);
    d.key(Qt::Key_Down, Qt::AltModifier);
    CHECK(d.w().shown().map().threshold == -68);
    CHECK(d.window.status().message() == QString("Threshold ") + QChar(0x2212) + "68 dBm");

    d.key(Qt::Key_Right, Qt::AltModifier);
    CHECK(d.w().shown().map().lens == LensId::next_best);
    d.key(Qt::Key_Left, Qt::AltModifier);
    d.key(Qt::Key_Left, Qt::AltModifier);
    CHECK(d.w().shown().map().lens == lenses().back().id);
    d.w().shown().look_through(LensId::serving);
    d.key(Qt::Key_Up, Qt::AltModifier);
    CHECK(d.window.status().message().contains("no threshold"));

    const AccessPointId ap = access_points(d.project(), d.w().floor_id())[2].id;
    d.w().selection().select({{ItemKind::access_point, ap.value}});
    d.key(Qt::Key_X, Qt::AltModifier);
    d.key(Qt::Key_T, Qt::AltModifier);
    CHECK(d.w().shown().map().only == std::vector<AccessPointId>{ap});
    d.key(Qt::Key_A, Qt::AltModifier);
    CHECK(d.w().shown().map().only.empty());
}

TEST_CASE("the grid is the project's: an edit that is undone, one for the map and the verdict") {
    Driver d;
    d.window.open_demo();
    REQUIRE(d.settle());
    const double half_metre = d.w().results().prediction()->site.floors.front().surface.cell_m;
    CHECK(half_metre == 0.5);
    d.menu("map.grid-100cm");
    REQUIRE(d.settle());
    CHECK(d.project().settings.grid_m == 1);
    for (const FloorPrediction& f : d.w().results().prediction()->site.floors) CHECK(f.surface.cell_m == 1);
    d.w().activity().set_step(Step::venue);
    d.w().selection().select({});
    CHECK(d.find<QComboBox>("siteGrid")->currentText() == "1 m");
    d.menu("edit.undo");
    REQUIRE(d.settle());
    CHECK(d.w().results().prediction()->site.floors.front().surface.cell_m == 0.5);
    CHECK(d.find<QComboBox>("siteGrid")->currentText() == "0.5 m");
    // the look of the map changes no verdict
    const auto verdict = d.w().results().verdict()->bands.front().met_m2;
    d.menu("map.smooth");
    d.menu("map.opaque-50");
    REQUIRE(d.settle());
    CHECK(d.w().results().verdict()->bands.front().met_m2 == verdict);
    CHECK(d.w().shown().map().smooth);
    CHECK(d.w().shown().map().opacity == 0.5);
}

TEST_CASE("the level from which a radio is heard is the site's, and map and requirement follow it") {
    Driver d;
    d.window.open_demo();
    REQUIRE(d.settle());
    d.w().shown().look_through(LensId::heard);
    const Point place = access_points(d.project(), d.w().floor_id()).front().position;
    const float before = d.map_at(place);
    REQUIRE(before >= 1);
    d.w().activity().set_step(Step::venue);
    d.fill("heardFrom", "-45");
    REQUIRE(d.settle());
    CHECK(d.project().settings.heard_dbm == -45);
    CHECK(d.map_at(place) < before);
    CHECK(d.map_at(place) >= 1);
    d.menu("edit.undo");
    REQUIRE(d.settle());
    CHECK(d.map_at(place) == before);
    d.fill("heardFrom", "20");  // no such level is heard from
    CHECK(d.project().settings.heard_dbm == -82);
}

TEST_CASE("every key of the menus stands on the page of keys, those of menus within menus too") {
    Driver d;
    KeysPage page(d.window.findChild<HeaderBar*>()->menus(), &d.window);
    QStringList told;
    for (const QLabel* label : page.findChildren<QLabel*>()) told << label->text();
    int keys = 0;
    const std::function<void(const QMenu*)> look = [&](const QMenu* menu) {
        for (const QAction* a : menu->actions()) {
            if (a->menu()) look(a->menu());
            if (a->shortcut().isEmpty()) continue;
            ++keys;
            INFO(a->text().toStdString());
            CHECK(told.contains(a->shortcut().toString(QKeySequence::NativeText)));
            CHECK(told.contains(a->text().remove('&')));
        }
    };
    for (const QAction* top : d.window.findChild<HeaderBar*>()->menus().actions())
        if (top->menu()) look(top->menu());
    CHECK(keys > 70);
}
