// SPDX-License-Identifier: GPL-3.0-or-later
// The tools that build a venue, driven by mouse and keyboard.
#include <QAbstractButton>
#include <QComboBox>
#include <QListWidget>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QTableWidget>
#include <QTemporaryDir>

#include "app/driver.h"
#include "app/findings/findings_page.h"
#include "app/materials/type_plots.h"
#include "app/materials/types_page.h"
#include "app/model/activity.h"
#include "app/model/found_findings.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "app/palette/command_palette.h"
#include "app/plan/following.h"
#include "app/plan/picking.h"
#include "app/shell/status_line.h"
#include "project/json_project.h"
#include "project/json_types.h"

using namespace yemvo;
using namespace yemvo::app;
using yemvo::app::test::Driver;
using yemvo::app::test::turn_of_the_loop;

namespace {

/// A 20 m x 12 m floor with one inner wall from (8, 0) to (8, 12), in the step Venue.
struct Venue : Driver {
    explicit Venue(int floors = 1) {
        Project p = new_project("Test", {LengthUnits::metres, "GB", 1.0, 7}, floors, 3);
        yemvo::test::wall(p, "brick-cavity", {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}});
        inner = yemvo::test::wall(p, "plasterboard", {{8, 0}, {8, 12}});
        window.open_project(p, {});
    }
    const Wall& last_wall() { return floor().walls->back(); }
    void undo() { menu("edit.undo"); }
    /// Waits for the findings of the project as it is now.
    void look() {
        REQUIRE(
            QTest::qWaitFor([this] { return window.runner().is_idle() && !window.is_checking(); }, 10000));
        turn_of_the_loop();  // what was found is on its way
    }
    std::size_t open_findings() { return w().found().open(); }
    WallId inner;
};

}  // namespace

TEST_CASE("a rectangle of walls is dragged, typed, and drawn by its left face") {
    Venue d;
    d.key(Qt::Key_R);
    d.drag({10, 2}, {14, 5}, Qt::AltModifier);
    REQUIRE(d.floor().walls->size() == 3);
    CHECK(d.last_wall().closed());
    CHECK(distance(d.last_wall().points[0], {10, 2}) < 0.06);
    d.click({10, 7}, Qt::AltModifier);
    d.hover({12, 8});
    d.type("3.5");
    d.key(Qt::Key_Tab);
    d.type("2");
    d.key(Qt::Key_Return);
    REQUIRE(d.floor().walls->size() == 4);
    const Box box = *bounds(d.last_wall().points);
    CHECK(box.width() == Approx(3.5));
    CHECK(box.height() == Approx(2));
    // by its left face: inside of what turns left, so the centre line lies half a thickness outside
    d.choose("wallFace", "Left face");
    d.drag({14, 9}, {18, 11}, Qt::AltModifier);
    CHECK(bounds(d.last_wall().points)->width() == Approx(4 + 0.1).margin(0.1));
    d.undo();
    CHECK(d.floor().walls->size() == 4);
}

TEST_CASE("a click with a half-typed size draws nothing and says what is wrong with it") {
    Venue d;
    d.key(Qt::Key_R);
    d.click({10, 7}, Qt::AltModifier);
    d.hover({12, 8});
    d.type("3.");
    d.type(".");
    d.click({12, 8}, Qt::AltModifier);
    CHECK(d.floor().walls->size() == 2);
    CHECK(d.window.status().message().contains("is not a length"));
}

TEST_CASE("an arc through three places; Esc takes the last one back") {
    Venue d;
    d.key(Qt::Key_Q);
    d.click({10, 4}, Qt::AltModifier);
    d.click({12, 9}, Qt::AltModifier);
    d.key(Qt::Key_Escape);
    d.click({16, 4}, Qt::AltModifier);
    d.hover({13, 2});
    d.click({13, 7}, Qt::AltModifier);
    REQUIRE(d.floor().walls->size() == 3);
    const Wall& arc = d.last_wall();
    REQUIRE(arc.bulges.size() == 1);
    CHECK(Arc(arc.piece(0), arc.bulge(0)).radius_m == Approx(3).margin(0.08));
    CHECK(place_on(arc, 0, piece_length_m(arc, 0) / 2).y == Approx(7).margin(0.06));
}

TEST_CASE("walls up to a ceiling, partitions and beams are drawn as they are set") {
    Venue d;
    d.key(Qt::Key_W);
    d.choose("nextWallFull", "The ceiling");
    d.fill("nextWallBase", "2.4");
    d.click({10, 4}, Qt::AltModifier);
    d.click({14, 4}, Qt::AltModifier);
    d.plan().setFocus();
    d.key(Qt::Key_Return);
    CHECK(d.last_wall().to_ceiling);
    CHECK(d.last_wall().base_m == Approx(2.4));
    CHECK_FALSE(d.last_wall().top_m);
}

TEST_CASE("a wall is split where it is clicked, its door staying, and joined again") {
    Venue d;
    Opening door;
    door.type = first_type(d.project(), TypeUse::door);
    door.start_m = 9;
    d.w().edit("Door", [&](Project& p) { add_opening(p, d.w().floor_id(), d.inner, door); });
    d.key(Qt::Key_X);
    d.click({8, 5});
    REQUIRE(d.floor().walls->size() == 3);
    CHECK(find_wall(d.floor(), d.inner)->points.back().y == Approx(5).margin(0.1));
    CHECK(d.last_wall().openings.size() == 1);
    const Segment s = span(d.last_wall(), d.last_wall().openings[0]);
    CHECK(s.a.y == Approx(9));
    d.key(Qt::Key_S);
    d.click({8, 2});
    d.click({8, 8}, Qt::ShiftModifier);
    REQUIRE(d.w().selection().items().size() == 2);
    d.menu("edit.join");
    CHECK(d.floor().walls->size() == 2);
    CHECK(find_wall(d.floor(), d.inner)->openings.size() == 1);
}

TEST_CASE("a wall is lengthened to meet another") {
    Venue d;
    WallId loose;
    d.w().edit("Wall", [&](Project& p) {
        Wall w;
        w.type = find_type(p, "plasterboard");
        w.points = {{9, 6}, {18, 6}};
        loose = add_wall(p, d.w().floor_id(), w);
    });
    d.w().selection().select({{ItemKind::wall, loose.value}, {ItemKind::wall, d.inner.value}});
    d.key(Qt::Key_M);
    CHECK(find_wall(d.floor(), loose)->points[0] == Point{8, 6});
}

TEST_CASE("corners are added and taken out by the plan's menu functions") {
    Venue d;
    const Item item{ItemKind::wall, d.inner.value};
    d.w().selection().select({item});
    QContextMenuEvent e(QContextMenuEvent::Mouse, d.px({8, 6}), d.plan().mapToGlobal(d.px({8, 6})));
    QApplication::sendEvent(&d.plan(), &e);
    auto* menu = d.window.findChild<QMenu*>("planMenu");
    REQUIRE(menu);
    const auto entry = [&](const QString& text) -> QAction* {
        for (QAction* a : menu->actions())
            if (a->text() == text) return a;
        return nullptr;
    };
    REQUIRE(entry("Add a corner here"));
    entry("Add a corner here")->trigger();
    menu->close();
    REQUIRE(find_wall(d.floor(), d.inner)->points.size() == 3);
    CHECK(find_wall(d.floor(), d.inner)->points[1].y == Approx(6).margin(0.1));
}

TEST_CASE("columns, square and round") {
    Venue d;
    d.key(Qt::Key_K);
    d.fill("nextColumnWidth", "0.5");
    d.click({12, 6}, Qt::AltModifier);
    d.choose("nextColumnRound", "Round");
    d.fill("nextColumnWidth", "0.8");
    d.click({15, 6}, Qt::AltModifier);
    REQUIRE(d.floor().obstacles->size() == 2);
    CHECK(bounds(body(d.floor().obstacles->front()))->width() == Approx(0.5));
    CHECK(d.floor().obstacles->back().round);
    CHECK(area_m2(body(d.floor().obstacles->back())) == Approx(3.14159 * 0.16).epsilon(0.001));
    CHECK(wall_type(d.project(), d.floor().obstacles->back().type).use == TypeUse::obstacle);
}

TEST_CASE("racking by one drag: rows of one group, moved and deleted together") {
    Venue d;
    d.key(Qt::Key_B);
    d.choose("nextObstacleKind", "Racking");
    d.choose("nextObstacleShape", "Rows in a rectangle");
    d.fill("nextRows", "3");
    d.fill("nextRowDepth", "1.2");
    d.fill("nextObstacleTop", "2.8");
    d.press_button("type-racking-dry");
    d.drag({10, 1}, {18, 9}, Qt::AltModifier);
    REQUIRE(d.floor().obstacles->size() == 3);
    const Obstacle first = d.floor().obstacles->front();
    CHECK(first.kind == ObstacleKind::racking);
    CHECK(first.top_m == 2.8);
    CHECK(area_m2(first.outline) == Approx(8 * 1.2).margin(0.3));
    CHECK(d.w().selection().items().size() == 3);
    d.key(Qt::Key_S);
    d.key(Qt::Key_Escape);
    d.click({14, 1.5});
    CHECK(d.w().selection().items().size() == 3);
    d.plan().setFocus();
    d.key(Qt::Key_Right, Qt::ShiftModifier);
    CHECK(d.floor().obstacles->front().outline[0].x == Approx(first.outline[0].x + 1));
    d.key(Qt::Key_Delete);
    CHECK(d.floor().obstacles->empty());
    d.undo();
    d.undo();
    CHECK(d.floor().obstacles->front() == first);
}

TEST_CASE("rows that do not fit are told, and nothing is drawn") {
    Venue d;
    d.key(Qt::Key_B);
    d.choose("nextObstacleShape", "Rows in a rectangle");
    d.fill("nextRows", "9");
    d.drag({10, 1}, {12, 2}, Qt::AltModifier);
    CHECK(d.floor().obstacles->empty());
    CHECK_THAT(d.window.status().message().toStdString(), Catch::Contains("do not fit"));
}

TEST_CASE("a click takes the room: as a zone, a ceiling, an area of the slab") {
    Venue d;
    d.key(Qt::Key_Z);
    d.choose("outlineManner", "Take the room clicked");
    d.hover({14, 6});
    d.click({14, 6});
    REQUIRE(d.floor().zones->size() == 1);
    // 12 m less half of the brick wall's 0.3 and of the board's 0.1; 12 m less the brick wall's 0.3
    CHECK(area_m2(d.floor().zones->front().outline) == Approx((12 - 0.15 - 0.05) * (12 - 0.3)).epsilon(1e-6));
    d.key(Qt::Key_C);
    d.fill("nextCeilingHeight", "2.5");
    d.click({4, 6});
    REQUIRE(d.floor().ceilings->size() == 1);
    CHECK(d.floor().ceilings->front().height_m == 2.5);
    CHECK(d.floor().ceilings->front().type.has_value());
    d.key(Qt::Key_U);
    d.click({4, 6});
    CHECK(d.floor().slab->areas.size() == 1);
    d.click({40, 6});
    CHECK_THAT(d.window.status().message().toStdString(), Catch::Contains("No room"));
    for (int i = 0; i < 3; ++i) d.undo();
    CHECK(d.floor().zones->empty());
    CHECK(d.floor().ceilings->empty());
}

TEST_CASE("a shaft goes through all storeys above") {
    Venue d(3);
    d.key(Qt::Key_H);
    d.drag({10, 4}, {12, 7}, Qt::AltModifier);
    const auto floors = all_floors(d.project());
    CHECK(floors[0]->walls->size() == 3);
    CHECK(floors[2]->walls->size() == 1);
    CHECK(floors[2]->slab->voids.size() == 1);
    d.undo();
    CHECK(all_floors(d.project())[2]->walls->empty());
}

TEST_CASE("a ramp rises from where the drag began, by a storey, until told otherwise") {
    Venue d;
    d.key(Qt::Key_E);
    d.drag({10, 3}, {18, 6}, Qt::AltModifier);
    REQUIRE(d.floor().ramps->size() == 1);
    const Ramp drawn = d.floor().ramps->front();
    CHECK(foot(drawn).x == Approx(10).margin(0.1));
    CHECK(head(drawn).x == Approx(18).margin(0.1));
    CHECK(drawn.rise_m == Approx(3));
    d.key(Qt::Key_S);
    d.click({14, 4});
    d.fill("rampRise", "1.5");
    d.press_button("turnRamp");
    CHECK(d.floor().ramps->front().rise_m == 1.5);
    CHECK(foot(d.floor().ramps->front()).x == Approx(18).margin(0.1));
    d.undo();
    d.undo();
    CHECK(d.floor().ramps->front() == drawn);
}

TEST_CASE("a note is pinned, written and kept; a photo that is none is refused") {
    Venue d;
    QTemporaryDir folder;
    d.key(Qt::Key_N);
    d.click({12, 6});
    REQUIRE(d.floor().notes->size() == 1);
    auto* text = d.find<QPlainTextEdit>("noteText");
    text->setFocus();
    QTest::keyClicks(text, "Fire door");
    CHECK(d.floor().notes->front().text == "Fire door");
    QFile fake(folder.filePath("photo.png"));
    REQUIRE(fake.open(QIODevice::WriteOnly));
    fake.write("no picture");
    fake.close();
    d.window.asking().open_file = [&](const QString&, const QString&) { return fake.fileName(); };
    d.press_button("choosePhoto");
    CHECK_THAT(d.window.status().message().toStdString(), Catch::Contains("photo.png is no picture"));
    QImage picture(40, 30, QImage::Format_RGB32);
    picture.fill(Qt::blue);
    REQUIRE(picture.save(folder.filePath("door.png")));
    d.window.asking().open_file = [&](const QString&, const QString&) { return folder.filePath("door.png"); };
    d.press_button("choosePhoto");
    CHECK(d.floor().notes->front().photo == "door.png");
    CHECK_FALSE(d.find<QLabel>("notePhoto")->pixmap(Qt::ReturnByValue).isNull());
    // one undo takes the photo, the next all that was written at a stretch
    d.undo();
    CHECK(d.floor().notes->front().photo.empty());
    d.undo();
    CHECK(d.floor().notes->front().text.empty());
}

TEST_CASE("doors are set open, flipped with F and sized for all that are selected") {
    Venue d;
    d.key(Qt::Key_D);
    d.fill("nextDoorWidth", "1");
    d.choose("nextDoorOpen", "Open");
    d.plan().setFocus();
    d.click({8, 3});
    d.click({8, 9});
    const Wall* wall = find_wall(d.floor(), d.inner);
    REQUIRE(wall->openings.size() == 2);
    CHECK(wall->openings[0].open);
    CHECK(wall->openings[0].width_m == 1);
    d.key(Qt::Key_S);
    d.click({8, 3});
    const bool hinge = find_wall(d.floor(), d.inner)->openings[0].hinge_at_end;
    d.key(Qt::Key_F);
    CHECK(find_wall(d.floor(), d.inner)->openings[0].hinge_at_end != hinge);
    d.click({8, 9}, Qt::ShiftModifier);
    REQUIRE(d.w().selection().items().size() == 2);
    d.fill("severalWidth", "1.4");
    d.choose("severalOpen", "Closed");
    for (const Opening& o : find_wall(d.floor(), d.inner)->openings) {
        CHECK(o.width_m == Approx(1.4));
        CHECK_FALSE(o.open);
    }
}

TEST_CASE("Tab goes through what lies under the pointer") {
    Venue d;
    d.w().edit("Things", [&](Project& p) {
        add_zone(p, d.w().floor_id(), {{}, "Hall", ZoneKind::served, {{9, 1}, {19, 1}, {19, 11}, {9, 11}}});
        add_ceiling(p, d.w().floor_id(),
                    {{}, "Low", {{9, 1}, {19, 1}, {19, 11}, {9, 11}}, 2.5, std::nullopt});
        add_obstacle(p, d.w().floor_id(),
                     {{},
                      "Press",
                      ObstacleKind::machinery,
                      find_type(p, "machinery"),
                      {{12, 5}, {15, 5}, {15, 8}, {12, 8}}});
    });
    d.click({13, 6});
    REQUIRE(d.w().selection().items().size() == 1);
    CHECK(d.w().selection().items()[0].kind == ItemKind::obstacle);
    std::vector<ItemKind> seen;
    for (int i = 0; i < 3; ++i) {
        d.plan().setFocus();
        QTest::keyClick(&d.plan(), Qt::Key_Tab);
        REQUIRE(d.w().selection().items().size() == 1);
        seen.push_back(d.w().selection().items()[0].kind);
    }
    CHECK(seen == std::vector<ItemKind>{ItemKind::zone, ItemKind::ceiling, ItemKind::obstacle});
}

TEST_CASE("what differs among several is shown as such, and one choice changes all") {
    Venue d;
    d.w().selection().select(
        {{ItemKind::wall, d.inner.value}, {ItemKind::wall, d.floor().walls->front().id.value}});
    CHECK(d.find<QComboBox>("severalType")->currentIndex() == -1);
    d.pick("severalType", "Concrete");
    for (const Wall& w : *d.floor().walls) CHECK(w.type == find_type(d.project(), "concrete-200"));
    d.fill("severalTop", "2.2");
    for (const Wall& w : *d.floor().walls) CHECK(w.top_m == 2.2);
    d.undo();
    d.undo();
    CHECK(find_wall(d.floor(), d.inner)->type == find_type(d.project(), "plasterboard"));
}

TEST_CASE("all of a type, here and on every floor, change together") {
    Venue d(2);
    d.w().edit("More", [&](Project& p) {
        yemvo::test::wall(p, "plasterboard", {{12, 0}, {12, 12}});
        yemvo::test::wall(p, "plasterboard", {{2, 0}, {2, 12}}, 0, {}, 1);
    });
    d.click({8, 6});
    d.menu("select.type-here");
    CHECK(d.w().selection().items().size() == 2);
    d.menu("select.type-everywhere");
    CHECK(d.w().selection().items().size() == 2);
    CHECK(d.w().selection().elsewhere().size() == 1);
    d.pick("severalType", "Brick, one leaf");
    CHECK(uses_of_type(d.project(), find_type(d.project(), "plasterboard")).empty());
    CHECK(uses_of_type(d.project(), find_type(d.project(), "brick-half")).size() == 3);
    d.undo();
    CHECK(uses_of_type(d.project(), find_type(d.project(), "plasterboard")).size() == 3);
}

TEST_CASE("repeated, offset, mirrored, turned and copied to other floors from Details") {
    Venue d(2);
    d.click({8, 6});
    d.fill("repeatColumns", "3");
    d.fill("repeatX", "2.5");
    d.press_button("repeat");
    turn_of_the_loop();
    REQUIRE(d.floor().walls->size() == 4);
    CHECK(d.last_wall().points[0].x == Approx(13));
    d.undo();
    d.w().selection().select({{ItemKind::wall, d.inner.value}});
    d.fill("offsetBy", "-1.5");
    d.press_button("offset");
    turn_of_the_loop();
    CHECK(d.last_wall().points[0].x == Approx(9.5));  // to the right of a run northward
    d.undo();
    d.w().selection().select({{ItemKind::wall, d.inner.value}});
    d.press_button("turnLeft");
    turn_of_the_loop();
    CHECK(find_wall(d.floor(), d.inner)->points[0].y == Approx(6));
    d.undo();
    d.w().selection().select({{ItemKind::wall, d.inner.value}});
    d.pick("copyToFloors", "All other floors");
    CHECK(all_floors(d.project())[1]->walls->size() == 1);
}

TEST_CASE("copied and pasted on another floor and in another project") {
    Venue d(2);
    d.click({8, 6});
    d.menu("edit.copy");
    d.w().in_view().show_floor(yemvo::test::floor_at(d.project(), 1));
    d.menu("edit.paste");
    REQUIRE(d.floor().walls->size() == 1);
    Project other = new_project("Other", {}, 1, 3);
    std::vector<WallType> types = *other.wall_types;
    std::erase_if(types, [](const WallType& t) { return t.key == "plasterboard"; });
    other.wall_types = types;
    d.window.open_project(other, {});
    d.menu("edit.paste");
    REQUIRE(d.floor().walls->size() == 1);
    CHECK(wall_type(d.project(), d.last_wall().type).key == "plasterboard");
}

TEST_CASE("what is hidden is neither drawn nor picked, what is locked is drawn but not picked") {
    Venue d;
    const QColor wall_ink = d.pixel({4, 0});
    d.menu("hide.walls");
    CHECK(d.pixel({4, 0}) != wall_ink);
    d.click({8, 6});
    CHECK(d.w().selection().items().empty());
    d.menu("hide.walls");
    CHECK(d.pixel({4, 0}) == wall_ink);
    d.menu("lock.walls");
    CHECK(d.pixel({4, 0}) == wall_ink);
    d.click({8, 6});
    CHECK(d.w().selection().items().empty());
    d.undo();
    d.click({8, 6});
    CHECK(d.w().selection().items().size() == 1);
}

TEST_CASE("groups are chosen as one until they are parted") {
    Venue d;
    d.click({8, 6});
    d.click({0.05, 6}, Qt::ShiftModifier);
    REQUIRE(d.w().selection().items().size() == 2);
    d.menu("edit.group");
    d.w().selection().select({});
    d.click({8, 6});
    CHECK(d.w().selection().items().size() == 2);
    d.menu("edit.ungroup");
    d.w().selection().select({});
    d.click({8, 6});
    CHECK(d.w().selection().items().size() == 1);
}

TEST_CASE("findings appear as one works, are mended by a button, accepted with a note, and go there") {
    Venue d;
    d.look();
    CHECK(d.open_findings() == 0);
    d.w().edit("Gap", [&](Project& p) { yemvo::test::wall(p, "plasterboard", {{12, 0.1}, {12, 6}}); });
    d.look();
    REQUIRE(d.open_findings() == 1);
    CHECK(d.find<QAbstractButton>("findingsButton")->text() == "1 finding");
    d.press_button("findingsButton");
    auto* table = d.find<QTableView>("findings");
    REQUIRE(table->isVisible());
    table->selectRow(0);
    REQUIRE_FALSE(d.w().selection().items().empty());
    CHECK(d.w().in_view().marked_place().has_value());
    d.press_button("mend0");
    d.look();
    CHECK(d.open_findings() == 0);
    CHECK(d.last_wall().points[0] == Point{12, 0});
    d.undo();
    d.look();
    REQUIRE(d.open_findings() == 1);
    table->selectRow(0);
    auto* note = d.find<QLineEdit>("waiverNote");
    note->setFocus();
    QTest::keyClicks(note, "a vent");
    d.press_button("waive");
    d.look();
    CHECK(d.open_findings() == 0);
    CHECK(d.window.findings().model().rowCount() == 1);
    CHECK(d.project().waivers->front().note == "a vent");
    d.undo();
    d.look();
    CHECK(d.open_findings() == 1);
}

TEST_CASE("a finding about a scale opens the tool for it") {
    Venue d;
    d.w().edit("Drawing", [&](Project& p) {
        Drawing x;
        x.name = x.source.asset = "d.png";
        x.source.sheet = {{0, 0}, {100, 100}};
        add_drawing(p, d.w().floor_id(), x);
    });
    d.look();
    REQUIRE(d.open_findings() == 1);
    d.press_button("findingsButton");
    d.find<QTableView>("findings")->selectRow(0);
    d.press_button("remedy");
    CHECK(d.w().activity().tool() == ToolId::scale);
}

TEST_CASE("the palette finds actions, floors, zones and types by their words") {
    Venue d(2);
    d.w().edit("Zone", [&](Project& p) {
        add_zone(p, d.w().floor_id(), {{}, "Reading room", ZoneKind::served, {{9, 1}, {19, 1}, {19, 11}}});
    });
    const auto open = [&]() -> CommandPalette* {
        d.menu("view.find");
        return d.window.findChild<CommandPalette*>();
    };
    const auto run = [&](const char* text) {
        CommandPalette* palette = open();
        REQUIRE(palette);
        auto* field = palette->findChild<QLineEdit*>("commandText");
        QTest::keyClicks(field, text);
        QTest::keyClick(field, Qt::Key_Return);
        turn_of_the_loop();
    };
    run("first floor");
    CHECK(d.floor().name == "First floor");
    run("reading");
    CHECK(d.floor().name == "Ground floor");
    CHECK(d.w().selection().items().front().kind == ItemKind::zone);
    run("wall arc");
    CHECK(d.w().activity().tool() == ToolId::wall_arc);
    run("brick cavity");
    CHECK(d.window.is_showing_types());
    CHECK(d.window.types().shown() == find_type(d.project(), "brick-cavity"));
}

TEST_CASE("every action of the menus is found in the palette by its own words, with its key") {
    Venue d;
    d.menu("view.find");
    auto* palette = d.window.findChild<CommandPalette*>();
    REQUIRE(palette);
    auto* field = palette->findChild<QLineEdit*>("commandText");
    auto* list = palette->findChild<QListWidget*>("commandList");
    int seen = 0;
    for (const QMenu* menu : d.window.findChildren<QMenu*>())
        for (const QAction* a : menu->actions()) {
            if (a->menu() || a->isSeparator() || a->objectName().isEmpty()) continue;
            const QString text = QString(a->text()).remove('&').remove(QStringLiteral("…"));
            field->setText(text);
            const auto found = list->findItems(text, Qt::MatchExactly);
            INFO(text.toStdString());
            REQUIRE_FALSE(found.isEmpty());
            CHECK(found.front()->data(Qt::UserRole + 1).toString() ==
                  a->shortcut().toString(QKeySequence::NativeText));
            ++seen;
        }
    CHECK(seen > 70);
    palette->close();
}

TEST_CASE("the keys page tells the menus' keys and those of drawing") {
    Venue d;
    d.menu("help.keys");
    auto* keys = d.window.findChild<QDialog*>("keysPage");
    REQUIRE(keys);
    QStringList texts;
    for (const QLabel* l : keys->findChildren<QLabel*>()) texts << l->text();
    for (const char* known : {"Wall", "W", "Follow the drawing", "Ctrl+K", "Ctrl+Shift+U", "On the plan",
                              "While drawing", "Flip a door"})
        CHECK(texts.contains(known));
    keys->close();
}

TEST_CASE("a type is composed from layers, plotted, copied, replaced everywhere and removed") {
    Venue d;
    d.menu("view.types");
    REQUIRE(d.window.is_showing_types());
    TypesPage& page = d.window.types();
    page.show_type(find_type(d.project(), "plasterboard"));
    CHECK_FALSE(d.find<QPushButton>("removeType")->isEnabled());  // in use
    d.press_button("copyType");
    const WallTypeId own = page.shown();
    CHECK(wall_type(d.project(), own).name == "Plasterboard, changed");
    d.fill("typeName", "Board on studs");
    d.pick("typeBy", "Layers, by ITU-R P.2040");
    REQUIRE(wall_type(d.project(), own).computed());
    auto* layers = d.find<QTableWidget>("typeLayers");
    REQUIRE(layers->rowCount() == 1);
    auto* material = d.find<QComboBox>("layerMaterial0");
    emit material->activated(material->findText("Plasterboard"));
    layers = d.find<QTableWidget>("typeLayers");
    layers->item(0, 1)->setText("13");
    turn_of_the_loop();
    // the slab's check value at 5.5 GHz
    CHECK(loss_db(wall_type(d.project(), own), 5.5) == Approx(0.94).margin(0.01));
    CHECK_THAT(d.find<TypePlot>("plotFrequency")->words().toStdString(),
               Catch::Contains(shown_as("5 GHz: 0.9 dB").toStdString()));
    layers->item(0, 1)->setText("thick");
    turn_of_the_loop();
    CHECK_THAT(d.window.status().message().toStdString(), Catch::Contains("mm, row 1"));
    CHECK(loss_db(wall_type(d.project(), own), 5.5) == Approx(0.94).margin(0.01));
    page.show_type(find_type(d.project(), "plasterboard"));
    auto* other = d.find<QComboBox>("replaceBy");
    other->setCurrentIndex(other->findText("Board on studs"));
    d.press_button("replaceType");
    CHECK(find_wall(d.floor(), d.inner)->type == own);
    CHECK(d.find<QPushButton>("removeType")->isEnabled());
    d.press_button("removeType");
    CHECK_FALSE(find_type(d.project(), "plasterboard"));
    d.undo();
    CHECK(find_type(d.project(), "plasterboard"));
    QTest::keyClick(&page, Qt::Key_Escape);
    CHECK_FALSE(d.window.is_showing_types());
}

TEST_CASE("measured figures are typed into the table; wrong ones change nothing") {
    Venue d;
    d.menu("view.types");
    d.window.types().show_type(find_type(d.project(), "plasterboard"));
    auto* table = d.find<QTableWidget>("typeLosses");
    table->item(1, 2)->setText("4,4");
    turn_of_the_loop();
    CHECK(loss_db(wall_type(d.project(), find_type(d.project(), "plasterboard")), 5.5) == Approx(4.4));
    table->item(1, 1)->setText("99");
    turn_of_the_loop();
    CHECK_THAT(d.window.status().message().toStdString(), Catch::Contains("low must be at most"));
    CHECK(loss_db(wall_type(d.project(), find_type(d.project(), "plasterboard")), 5.5) == Approx(4.4));
    CHECK(table->item(1, 1)->text() == shown_as("1.0"));
    d.press_button("addLoss");
    CHECK(wall_type(d.project(), find_type(d.project(), "plasterboard")).losses.size() == 4);
}

TEST_CASE("types go to a file and come from one; a broken file says where") {
    Venue d;
    QTemporaryDir folder;
    const QString file = folder.filePath("types.json");
    d.window.asking().save_file = [&](const QString&, const QString&, const QString&) { return file; };
    d.window.asking().open_file = [&](const QString&, const QString&) { return file; };
    d.menu("view.types");
    d.press_button("writeTypes");
    QFile written(file);
    REQUIRE(written.open(QIODevice::ReadOnly));
    auto types = types_from_json(written.readAll().toStdString(), "types.json");
    written.close();
    CHECK(types.size() == d.project().wall_types->size());
    types.resize(1);
    types[0].key = "very-own";
    types[0].name = "Very own";
    const auto write = [&](const std::string& text) {
        QFile out(file);
        REQUIRE(out.open(QIODevice::WriteOnly));
        out.write(text.data(), static_cast<qint64>(text.size()));
    };
    write(types_to_json(types));
    d.press_button("readTypes");
    CHECK(find_type(d.project(), "very-own"));
    const std::size_t count = d.project().wall_types->size();
    d.press_button("readTypes");  // a second time there is nothing new in it
    CHECK(d.project().wall_types->size() == count);
    write("{\"format\": \"yemvo-types\", \"version\": 1, \"wall_types\": [{\"key\": 3}]}");
    d.press_button("readTypes");
    CHECK_THAT(d.window.status().message().toStdString(),
               Catch::Contains("types.json") && Catch::Contains("wall_types[0].key"));
    CHECK(d.project().wall_types->size() == count);
}

TEST_CASE("two faces of a drawn wall make one wall of their thickness, across a door gap") {
    // a wall 0.2 m thick along y = 0, with a door's gap, and another one square to it
    const SegmentIndex lines({{{0, 0.1}, {4, 0.1}},
                              {{5, 0.1}, {9.9, 0.1}},
                              {{0, -0.1}, {4, -0.1}},
                              {{5, -0.1}, {10.1, -0.1}},
                              {{9.9, 0.1}, {9.9, 6}},
                              {{10.1, -0.1}, {10.1, 6}}});
    const auto along = taken_line(lines, {}, {2, 0.12}, 0.3);
    REQUIRE(along);
    CHECK(along->thickness_m == Approx(0.2));
    CHECK(along->centre.a.y == Approx(0).margin(1e-9));
    CHECK(length(along->centre) == Approx(10).margin(0.11));
    const auto up = taken_line(lines, {}, {9.85, 3}, 0.3);
    REQUIRE(up);
    const auto runs = as_runs({*along, *up});
    REQUIRE(runs.size() == 1);
    CHECK(runs[0].size() == 3);
    bool corner = false;
    for (Point p : runs[0]) corner = corner || distance(p, {10, 0}) < 0.02;
    CHECK(corner);
    CHECK_FALSE(taken_line(lines, {}, {2, 3}, 0.3));
    // an axis of another layer through the middle of the wall is passed over, though it is nearer
    const SegmentIndex with_axis({{{-2, 0}, {12, 0}}, {{0, 0.1}, {10, 0.1}}, {{0, -0.1}, {10, -0.1}}});
    const auto wall = taken_line(with_axis, {0, 1, 1}, {5, 0.01}, 0.3);
    REQUIRE(wall);
    CHECK(wall->thickness_m == Approx(0.2));
    CHECK(length(wall->centre) == Approx(10));
}

TEST_CASE("on the page of types another type is gone to by its name") {
    Venue d;
    d.menu("view.types");
    const WallTypeId wanted = find_type(d.project(), "glass-partition");
    d.menu("view.find");
    auto* palette = d.window.findChild<CommandPalette*>();
    REQUIRE(palette);
    QTest::keyClicks(palette->findChild<QLineEdit*>("commandText"),
                     QString::fromStdString(wall_type(d.project(), wanted).name));
    QTest::keyClick(palette->findChild<QLineEdit*>("commandText"), Qt::Key_Return);
    REQUIRE(QTest::qWaitFor([&] { return d.window.types().shown() == wanted; }, 2000));
    CHECK(d.window.is_showing_types());
}
