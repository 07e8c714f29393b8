// SPDX-License-Identifier: GPL-3.0-or-later
// The ground floor of the library drawn by hand from an empty project, over its CAD drawing, with real mouse
// and keyboard events: outer walls, core, rooms, doors, windows, shelves, columns and zones.
#include <QComboBox>

#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/drawings_in_view.h"
#include "app/model/found_findings.h"
#include "app/plan/picking.h"
#include "demo/demo.h"

using namespace yemvo;
using namespace yemvo::app;
using yemvo::app::test::Driver;
using yemvo::app::test::turn_of_the_loop;

namespace {

/// A person at the window; counts what the hand does.
struct Hand : Driver {
    int actions = 0;
    Point zero;  ///< where the building's corner lies on the floor
    void tool(int key) {
        ++actions;
        plan().setFocus();
        this->key(key);
    }
    void kind(const char* type) {
        ++actions;
        press_button(type);
    }
    void set(const char* combo, const char* value) {
        ++actions;
        pick(combo, value);
    }
    void put(Point p) {
        ++actions;
        p = p + zero;
        hover(p);
        click(p);
    }
    void sweep(std::vector<Point> way) {
        ++actions;
        for (Point& p : way) p = p + zero;
        hover(way.front());
        press(way.front());
        for (std::size_t i = 0; i + 1 < way.size(); ++i)
            for (int k = 1; k <= 12; ++k) drag_over(lerp(way[i], way[i + 1], k / 12.0));
        release(way.back());
    }
    void run(const std::vector<Point>& corners) {
        for (Point p : corners) put(p);
        ++actions;
        plan().setFocus();
        key(Qt::Key_Return);
    }
};

double wall_length_m(const Floor& f) {
    double sum = 0;
    for (const Wall& w : *f.walls) sum += length_m(w);
    return sum;
}

std::size_t openings(const Floor& f) {
    std::size_t count = 0;
    for (const Wall& w : *f.walls) count += w.openings.size();
    return count;
}

}  // namespace

TEST_CASE("a whole floor is drawn by hand in one sitting") {
    Hand d;
    d.window.open_project(new_project("No automatic fix", {LengthUnits::metres, "GB", 1.2, 7}, 1, 4.8), {});
    d.window.import_drawing(QString::fromStdString(yemvo::test::test_data()) +
                            "/../../demo/drawings/library-ground.dxf");
    d.lay_prepared();
    d.actions += 2;
    d.plan().grab();
    REQUIRE(QTest::qWaitFor([&] { return !d.plan().is_reading() && d.w().drawings().lines(); }, 10000));
    d.w().activity().set_step(Step::venue);
    d.zero = d.w().drawings().drawing()->placement.shift;

    // outer walls: along the lines of the drawing, of brick; of glass round the children's corner
    d.tool(Qt::Key_Y);
    d.kind("type-brick-cavity");
    d.sweep({{30, 0}, {59, 0}, {60, 2}, {60, 34}, {57, 35}, {3, 35}, {0, 33}, {0, 25}});
    d.kind("type-glass-curtain");
    d.sweep({{10, 0}, {2, 0}, {0, 2}, {0, 8}});
    // core: one sweep of concrete round and through it
    d.kind("type-concrete-200");
    d.sweep({{26, 20}, {33, 20}, {35, 21}, {35, 28}, {33, 29}, {25, 29}, {24, 27}, {24, 22}});
    d.sweep({{26, 24}, {34, 24}});
    d.put({29.5, 21.5});
    d.put({32.2, 21.5});
    CHECK(d.floor().walls->size() >= 5);
    // rooms: runs clicked corner by corner, snapping to what is there
    d.tool(Qt::Key_W);
    d.kind("type-block-dense");
    d.run({{43, 35}, {43, 17}, {60, 17}});
    d.run({{43, 11}, {43, 17}});
    d.kind("type-glass-partition");
    d.run({{16, 35}, {16, 20}, {0, 20}});
    d.kind("type-block-hollow");
    d.run({{0, 29.5}, {6.5, 29.5}, {6.5, 35}});
    d.kind("type-plasterboard-double");
    d.run({{16, 0}, {16, 14}, {0, 14}});
    d.kind("type-plasterboard");
    d.run({{43, 0}, {43, 11}, {60, 11}});
    d.run({{52, 0}, {52, 11}});
    d.run({{47, 11}, {47, 17}});
    // doors and windows by hovering walls
    d.tool(Qt::Key_D);
    for (Point p :
         {Point{3, 35}, {5, 29.5}, {43, 5.5}, {50.4, 11}, {53.8, 11}, {43, 13}, {47, 14.5}, {60, 14.6}})
        d.put(p);
    d.tool(Qt::Key_G);
    for (Point p : {Point{22, 35}, {28, 35}, {34, 35}, {47, 0}, {54, 0}, {60, 5}, {60, 8}, {0, 17}, {0, 23}})
        d.put(p);
    // shelves by drags, columns by clicks
    d.tool(Qt::Key_B);
    d.sweep({{3.85, 5}, {4.15, 11}});
    d.sweep({{11.85, 4}, {12.15, 7}});
    d.tool(Qt::Key_K);
    for (Point p : {Point{19, 9}, {19, 17}, {25.5, 9}, {25.5, 17}, {32, 9}, {32, 17}}) d.put(p);
    // zones: the rooms, by clicks into them
    d.tool(Qt::Key_Z);
    d.set("outlineManner", "Take the room clicked");
    for (Point p : {Point{50, 30}, {8, 25}, {3, 32}, {8, 8}, {47, 5}, {56, 5}, {38, 20}}) d.put(p);

    const Floor& drawn = d.floor();
    const Project demo = demo::make_demo();
    const Floor& meant = *find_floor(demo, "Ground floor");
    INFO(d.actions << " actions");
    CHECK(wall_length_m(drawn) == Approx(wall_length_m(meant)).epsilon(0.03));
    CHECK(openings(drawn) == 17);
    CHECK(drawn.obstacles->size() == 8);
    REQUIRE(drawn.zones->size() == 7);
    // the auditorium is 17 by 18 m between centre lines; clicks on its wall snapped to the faces that are
    // drawn
    CHECK(area_m2(drawn.zones->front().outline) ==
          Approx((17 - 0.15 - 0.1) * (18 - 0.15 - 0.1)).epsilon(0.025));
    CHECK(d.actions < 130);
    // the model's own checks have nothing against it
    REQUIRE(QTest::qWaitFor([&] { return d.window.runner().is_idle() && !d.window.is_checking(); }, 20000));
    turn_of_the_loop();
    for (const Finding& f : *d.w().found().all()) {
        UNSCOPED_INFO(rule_info(f.rule).name << ": " << f.what << " at " << f.place.x << ", " << f.place.y);
    }
    CHECK(d.w().found().open() == 0);
    // and all of it undoes
    while (d.w().document().history().canUndo()) d.menu("edit.undo");
    CHECK(d.floor().walls->empty());
}
