// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/driver.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/next_things.h"
#include "app/model/selection.h"
#include "app/plan/picking.h"

using namespace yemvo;
using namespace yemvo::app;
using yemvo::app::test::Driver;

namespace {

/// A 20 m x 12 m floor with one inner wall, in the step Venue.
struct Venue : Driver {
    Venue() {
        Project p = yemvo::test::one_floor();
        yemvo::test::wall(p, "brick-cavity", {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}});
        inner = yemvo::test::wall(p, "plasterboard", {{8, 0}, {8, 12}});
        window.open_project(p, {});
    }
    const Wall& inner_wall() { return *find_wall(floor(), inner); }
    WallId inner;
};

}  // namespace

TEST_CASE("a wall snaps to the ends of others, and Esc steps back one corner") {
    Venue d;
    d.key(Qt::Key_W);
    d.click({0.15, 0.1});
    d.click({5, 5});
    d.click({7.9, 11.9});
    d.key(Qt::Key_Escape);
    d.click({7.9, 11.9});
    d.key(Qt::Key_Return);
    REQUIRE(d.floor().walls->size() == 3);
    const auto& points = d.floor().walls->back().points;
    CHECK(points.front() == Point{0, 0});
    CHECK(points.back() == Point{8, 12});
    CHECK(points.size() == 3);
}

TEST_CASE("a typed length in feet and inches, and one that is none") {
    Venue d;
    d.key(Qt::Key_W);
    d.click({2, 2}, Qt::AltModifier);
    d.hover({6, 2});
    auto* field = d.find<QLineEdit>("entryFirst");
    d.type("12'6\"");
    CHECK(field->text() == "12'6\"");
    d.key(Qt::Key_Return);
    d.plan().setFocus();
    d.type("4x");
    d.key(Qt::Key_Return);
    CHECK(field->property("fault").toBool());
    d.key(Qt::Key_Escape);  // back to the first corner
    d.hover({2, 6});
    d.type("2 m");
    d.key(Qt::Key_Return);
    d.plan().setFocus();
    d.key(Qt::Key_Return);
    REQUIRE(d.floor().walls->size() == 3);
    const Wall& w = d.floor().walls->back();
    REQUIRE(w.points.size() == 2);
    CHECK(length(w.piece(0)) == Approx(2));
}

TEST_CASE("a run begun on one floor is never finished on another") {
    Venue d;
    d.press_button("addFloor");
    d.w().in_view().show_floor(find_floor(d.project(), "Ground floor")->id);
    const Project before = d.project();
    d.key(Qt::Key_W);
    d.click({2, 2});
    d.click({6, 2});
    d.w().in_view().show_floor(find_floor(d.project(), "First floor")->id);
    d.key(Qt::Key_S);
    CHECK(d.project() == before);
    d.key(Qt::Key_W);
    d.click({2, 2});
    d.click({6, 2});
    d.window.open_demo();
    CHECK(d.w().document().history().count() == 0);
}

TEST_CASE("Backspace takes a corner back while drawing and deletes nothing else") {
    Venue d;
    d.click({8, 3});
    d.key(Qt::Key_W);
    d.click({2, 2}, Qt::AltModifier);
    d.click({5, 2}, Qt::AltModifier);
    d.plan().setFocus();
    d.key(Qt::Key_Backspace);
    d.click({2, 6}, Qt::AltModifier);
    d.key(Qt::Key_Return);
    REQUIRE(d.floor().walls->size() == 3);
    CHECK(d.floor().walls->back().points.size() == 2);
    CHECK(d.floor().walls->back().points[1].y == Approx(6).margin(0.1));
}

TEST_CASE("a click selects, Details change the type, undo takes it back") {
    Venue d;
    d.click({8, 3});
    REQUIRE(d.w().selection().items() == std::vector<Item>{{Item::Kind::wall, d.inner.value}});
    d.choose("wallType", "Concrete");
    CHECK(wall_type(d.project(), d.inner_wall().type).key == "concrete-200");
    d.choose("wallFull", "A height");
    d.fill("wallTop", "1.6");
    CHECK(*d.inner_wall().top_m == Approx(1.6));
    d.fill("wallTop", "a lot");
    CHECK(d.find<QLineEdit>("wallTop")->property("fault").toBool());
    CHECK(*d.inner_wall().top_m == Approx(1.6));
    while (d.w().document().history().canUndo()) d.menu("edit.undo");
    CHECK(wall_type(d.project(), d.inner_wall().type).key == "plasterboard");
}

TEST_CASE("a wall is moved by dragging it and shaped by dragging its end") {
    Venue d;
    d.click({8, 3});
    d.drag({8, 3}, {10, 3});
    CHECK(d.inner_wall().points[0].x == Approx(10).margin(0.11));
    CHECK(d.w().document().history().undoText() == "Move wall");
    d.drag(d.inner_wall().points[1], {12, 8});
    CHECK(distance(d.inner_wall().points[1], {12, 8}) < 0.6);
    CHECK(d.inner_wall().points[0].x == Approx(10).margin(0.11));
    CHECK(d.w().document().history().undoText() == "Shape wall");
}

TEST_CASE("doors go into walls, never over one another, and slide along them") {
    Venue d;
    d.key(Qt::Key_D);
    d.click({8.1, 5});
    REQUIRE(d.inner_wall().openings.size() == 1);
    d.click({8.1, 5.2});
    CHECK(d.inner_wall().openings.size() == 1);
    d.click({14, 6});
    d.key(Qt::Key_G);
    d.click({8, 9});
    REQUIRE(d.inner_wall().openings.size() == 2);
    CHECK(d.inner_wall().openings[1].kind == OpeningKind::window);
    d.key(Qt::Key_S);
    const Segment s = span(d.inner_wall(), d.inner_wall().openings[0]);
    const Point middle = lerp(s.a, s.b, 0.5);
    d.click(middle);
    REQUIRE(d.w().selection().items().front().kind == Item::Kind::opening);
    d.drag(middle, middle + Point{0, -2});
    CHECK(d.inner_wall().openings[0].start_m == Approx(distance(s.a, {8, 0}) - 2).margin(0.11));
    d.fill("openingWidth", "1.2 m");
    CHECK(d.inner_wall().openings[0].width_m == Approx(1.2));
    d.choose("openingType", "Steel fire door");
    CHECK(wall_type(d.project(), d.inner_wall().openings[0].type).key == "door-steel");
    d.plan().setFocus();
    d.key(Qt::Key_Delete);
    CHECK(d.inner_wall().openings.size() == 1);
}

TEST_CASE("zones are dragged as rectangles or clicked as polygons, named, and made not needed") {
    Venue d;
    d.key(Qt::Key_Z);
    d.drag({1, 1}, {6, 5});
    REQUIRE(d.floor().zones->size() == 1);
    CHECK(area_m2(d.floor().zones->front().outline) == Approx(20).epsilon(0.1));
    d.key(Qt::Key_Z);
    for (Point p : {Point{10, 1}, Point{18, 1}, Point{14, 6}}) d.click(p, Qt::AltModifier);
    d.key(Qt::Key_Return);
    REQUIRE(d.floor().zones->size() == 2);
    d.key(Qt::Key_S);
    d.fill("zoneName", "Plant room");
    d.choose("zoneKind", "No service needed");
    CHECK(d.floor().zones->back().name == "Plant room");
    CHECK(d.floor().zones->back().kind == ZoneKind::not_needed);
}

TEST_CASE("a rubber band to the right encloses, to the left touches") {
    Venue d;
    d.drag({6, -0.5}, {10, 12.5});
    CHECK(d.w().selection().items() == std::vector<Item>{{Item::Kind::wall, d.inner.value}});
    d.key(Qt::Key_Escape);
    CHECK(d.w().selection().items().empty());
    d.drag({10, 6}, {6, 4});
    CHECK(d.w().selection().items().size() == 1);
    d.drag({6, 4}, {7, 5});
    CHECK(d.w().selection().items().empty());
}

TEST_CASE("an access point is set in Details: channel, width, power, on; what cannot be is refused") {
    Venue d;
    d.key(Qt::Key_A);
    d.choose("nextModel", QString::fromUtf8("Ceiling tri-band, 4×4"));
    d.plan().setFocus();
    d.click({4, 6});
    d.key(Qt::Key_S);
    const auto ap = [&]() -> const AccessPoint& {
        return access_points(d.project(), d.w().floor_id()).front();
    };
    d.choose("widthRadio1", "80");
    d.choose("channelRadio1", "100");
    CHECK(ap().radios[1].channel == Channel{band_5, 106, 80});
    d.fill("powerRadio1", "17");
    CHECK(ap().radios[1].power_dbm == 17);
    CHECK(d.find<QLabel>("eirpRadio1")->text() == shown_as("21.0"));
    d.fill("powerRadio1", "40");
    CHECK(ap().radios[1].power_dbm == 17);
    CHECK(d.find<QLineEdit>("powerRadio1")->property("fault").toBool());
    d.press_button("onRadio0");
    CHECK_FALSE(ap().radios[0].on);
    d.fill("apX", "5.25");
    CHECK(ap().position.x == Approx(5.25));
    d.choose("apModel", QString::fromUtf8("Outdoor sector, 4×4"));
    CHECK(ap().radios.size() == 2);
    d.plan().setFocus();
    d.key(Qt::Key_Right);
    CHECK(ap().position.x == Approx(5.35));
}

TEST_CASE("a click on what lies on top takes the access point, not the wall or zone below") {
    Venue d;
    d.key(Qt::Key_A);
    d.click({8, 6});
    const auto found = items_at(d.project(), d.floor(), d.plan().map(), d.px({8, 6}));
    REQUIRE(found.size() >= 2);
    CHECK(found[0].kind == Item::Kind::access_point);
    CHECK(found[1].kind == Item::Kind::wall);
}

TEST_CASE("a type that an undo takes away is no longer what the tools draw with") {
    Venue d;
    WallTypeId made;
    d.w().edit("New type", [&](Project& p) {
        WallType t = wall_type(p, first_type(p, TypeUse::wall));
        t.key = "made-up";
        t.name = "Made up";
        made = add_wall_type(p, t);
    });
    d.key(Qt::Key_W);
    d.w().next().change([&](NextKinds& n) { n.wall_type = made; });
    d.click({2, 2});
    d.key(Qt::Key_Z, Qt::ControlModifier);
    REQUIRE(d.w().next()->wall_type);
    CHECK(d.w().next()->wall_type != made);
    d.hover({5, 2});
    d.plan().grab();
    d.click({5, 2});
    d.key(Qt::Key_Return);
    CHECK(d.floor().walls->back().type == d.w().next()->wall_type);
}
