// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/driver.h"
#include "app/forms/form.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "app/shell/status_line.h"

using namespace yemvo;
using namespace yemvo::app;
using yemvo::app::test::Driver;

namespace {

struct Room : Driver {
    Room() {
        Project p = yemvo::test::one_floor(3.5);
        yemvo::test::wall(p, "brick-cavity", {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}});
        window.open_project(p, {});
    }
};

}  // namespace

TEST_CASE("a floor is renamed and resized in Details, and its slab changed") {
    Room d;
    d.fill("floorName", "Lobby");
    CHECK(d.floor().name == "Lobby");
    d.fill("floorHeight", "410 cm");
    CHECK(d.floor().height_m == Approx(4.1));
    CHECK(d.find<QLineEdit>("floorHeight")->text() == shown_as("4.10"));
    d.fill("slabThickness", "250mm");
    CHECK(d.floor().slab->thickness_m == Approx(0.25));
    d.choose("slabType", "Timber joist floor");
    CHECK(wall_type(d.project(), d.floor().slab->type).key == "slab-timber");
    d.fill("floorHeight", "0");
    CHECK(d.find<QLineEdit>("floorHeight")->property("fault").toBool());
    CHECK(d.floor().height_m == Approx(4.1));
    CHECK(d.find<StatusLine>("status")->message().contains("between"));
}

TEST_CASE("Esc in a field brings back what was there") {
    Room d;
    auto* field = d.find<QLineEdit>("floorName");
    field->setFocus();
    field->selectAll();
    QTest::keyClicks(field, "Something else");
    QTest::keyClick(field, Qt::Key_Escape);
    CHECK(field->text() == "Ground floor");
    CHECK(d.floor().name == "Ground floor");
}

TEST_CASE("a field that is left takes what was typed, and one that nothing was typed into asks for nothing") {
    Room d;
    auto* field = d.find<QLineEdit>("floorName");
    field->setFocus();
    d.plan().setFocus();
    CHECK(d.w().document().history().count() == 0);
    field->setFocus();
    field->selectAll();
    QTest::keyClicks(field, "Hall");
    d.plan().setFocus();
    CHECK(d.floor().name == "Hall");
}

TEST_CASE("a void is drawn, named and shaped, and rays pass it") {
    Room d;
    d.press_button("addFloor");
    REQUIRE(d.floor().name == "First floor");
    d.key(Qt::Key_O);
    d.drag({4, 4}, {10, 8});
    REQUIRE(d.floor().slab->voids.size() == 1);
    d.key(Qt::Key_S);
    d.fill("voidName", "Stair");
    CHECK(d.floor().slab->voids[0].name == "Stair");
    const Point corner = d.floor().slab->voids[0].outline[2];
    d.drag(corner, corner + Point{2, 1});
    CHECK(d.floor().slab->voids[0].outline[2].x == Approx(corner.x + 2).margin(0.6));
    d.plan().setFocus();
    d.key(Qt::Key_Delete);
    CHECK(d.floor().slab->voids.empty());
}

TEST_CASE("the sill of a window stays below its head") {
    Room d;
    d.key(Qt::Key_G);
    d.click({10, 0});
    d.key(Qt::Key_S);
    const auto& opening = [&]() -> const Opening& { return d.floor().walls->front().openings.front(); };
    const Segment s = span(d.floor().walls->front(), opening());
    d.click(lerp(s.a, s.b, 0.5));
    d.fill("openingSill", "1.1");
    CHECK(opening().sill_m == Approx(1.1));
    d.fill("openingSill", "5");
    CHECK(opening().sill_m == Approx(1.1));
    CHECK(d.find<QLineEdit>("openingSill")->property("fault").toBool());
}

TEST_CASE("two access points never get one number, and a model's other radios come with it") {
    Room d;
    d.key(Qt::Key_A);
    d.click({4, 6});
    d.click({12, 6});
    d.key(Qt::Key_S);
    d.fill("apNumber", "1");
    CHECK(d.find<QLineEdit>("apNumber")->property("fault").toBool());
    d.fill("apNumber", "40");
    CHECK(access_points(d.project(), d.w().floor_id())[1].number == 40);
    d.choose("apModel", QString::fromUtf8("Wall unit, 2×2"));
    CHECK(access_points(d.project(), d.w().floor_id())[1].radios.size() == 3);
    CHECK(d.window.findChild<QComboBox*>("channelRadio2"));
    d.fill("apAzimuth", "135");
    d.fill("apTilt", "10");
    CHECK(access_points(d.project(), d.w().floor_id())[1].azimuth_deg == 135);
    d.fill("apHeight", "9'");
    CHECK(access_points(d.project(), d.w().floor_id())[1].height_m == Approx(2.7432));
}

TEST_CASE("walls drawn next can be low, and what is drawn is so") {
    Room d;
    d.key(Qt::Key_W);
    d.choose("nextWallFull", "A height");
    d.fill("nextWallTop", "1.4 m");
    d.press_button("type-screen");
    d.plan().setFocus();
    d.click({5, 5}, Qt::AltModifier);
    d.click({9, 5}, Qt::AltModifier);
    d.key(Qt::Key_Return);
    const Wall& w = d.floor().walls->back();
    CHECK(*w.top_m == Approx(1.4));
    CHECK(wall_type(d.project(), w.type).key == "screen");
}

TEST_CASE("everything that can be selected on the floor is selected at once, but not what is locked") {
    Room d;
    d.key(Qt::Key_A);
    d.click({4, 6});
    d.key(Qt::Key_S);
    d.key(Qt::Key_A, Qt::ControlModifier);
    CHECK(d.w().selection().items().size() == 2);
    d.menu("lock.walls");
    d.key(Qt::Key_A, Qt::ControlModifier);
    REQUIRE(d.w().selection().items().size() == 1);
    CHECK(d.w().selection().items()[0].kind == ItemKind::access_point);
}

TEST_CASE("several selected things are moved and deleted as one step") {
    Room d;
    d.key(Qt::Key_A);
    for (double x : {4.0, 9.0, 14.0}) d.click({x, 6});
    d.key(Qt::Key_S);
    d.menu("select.access-points");
    REQUIRE(d.w().selection().items().size() == 3);
    d.drag({9, 6}, {10, 7});
    for (std::size_t i = 0; i < 3; ++i) {
        const Point p = access_points(d.project(), d.w().floor_id())[i].position;
        CHECK(p.x == Approx(5 + 5.0 * static_cast<double>(i)).margin(0.11));
        CHECK(p.y == Approx(7).margin(0.11));
    }
    d.plan().setFocus();
    d.key(Qt::Key_Delete);
    CHECK(access_points(d.project(), d.w().floor_id()).empty());
    d.menu("edit.undo");
    CHECK(access_points(d.project(), d.w().floor_id()).size() == 3);
    d.menu("edit.undo");
    CHECK(access_points(d.project(), d.w().floor_id())[0].position.x == Approx(4).margin(0.11));
}

TEST_CASE("Shift adds to the selection and takes out of it") {
    Room d;
    d.key(Qt::Key_A);
    d.click({4, 6});
    d.click({12, 6});
    d.key(Qt::Key_S);
    d.click({4, 6});
    d.click({12, 6}, Qt::ShiftModifier);
    CHECK(d.w().selection().items().size() == 2);
    d.click({4, 6}, Qt::ShiftModifier);
    CHECK(d.w().selection().items().size() == 1);
}

TEST_CASE("an access point dragged with Shift keeps to one axis") {
    Room d;
    d.key(Qt::Key_A);
    d.click({4, 6});
    d.key(Qt::Key_S);
    const Point from = access_points(d.project(), d.w().floor_id())[0].position;
    d.drag(from, from + Point{5, 0.7}, Qt::ShiftModifier);
    const Point to = access_points(d.project(), d.w().floor_id())[0].position;
    CHECK(to.y == from.y);
    CHECK(to.x == Approx(from.x + 5).margin(0.11));
}

TEST_CASE("a floor that is gone takes what was chosen on it out of Details") {
    Driver d;
    d.window.open_project(new_project("P", {LengthUnits::metres, "GB", 1.2, 7}, 1, 3.5), {});
    FloorId made;
    d.w().edit("Add floor", [&](Project& p) {
        made = add_floor(p, p.buildings.front().id);
        add_obstacle(
            p, made,
            {{}, "O", ObstacleKind::column, first_type(p, TypeUse::obstacle), {{1, 1}, {2, 1}, {2, 2}}});
    });
    d.w().in_view().show_floor(made);
    d.w().selection().select({{ItemKind::obstacle, d.floor().obstacles->front().id.value}});
    REQUIRE(d.w().selection().items().size() == 1);
    d.w().document().history().undo();
    CHECK(d.w().selection().items().empty());
    CHECK_FALSE(d.w().floor_id() == made);
}
