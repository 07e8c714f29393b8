// SPDX-License-Identifier: GPL-3.0-or-later
// A building's axes typed in Details, drawn on the plan, and told of access points.
#include <QLabel>

#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "app/picture.h"
#include "project/edits.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

struct Axes : Driver {
    Axes() {
        Project p = yemvo::test::one_floor(3.5);
        yemvo::test::wall(p, "brick-half", {{0, 0}, {30, 0}, {30, 20}, {0, 20}, {0, 0}});
        id = add_access_point(p, yemvo::test::floor_at(p, 0), p.models->front().id, {13, 9.5});
        window.open_project(p, {});
        REQUIRE(settle());
        show_building();
    }
    void show_building() {
        w().selection().select({});
        w().in_view().show_site(true);
        w().in_view().choose_building(project().buildings[0].id);
        turn_of_the_loop();
    }
    const AxisGrid& axes() { return project().buildings[0].axes; }
    AccessPointId id;
};

}  // namespace

TEST_CASE("axes are typed, drawn, turned and taken back") {
    Axes d;
    CHECK_FALSE(d.window.findChild<QWidget*>("axesX"));
    d.fill("axesLetters", "5 x 6");
    CHECK(d.axes().letters_m == std::vector<double>(5, 6.0));
    CHECK(d.axes().numbers_m == std::vector<double>{6});  // until they are told
    turn_of_the_loop();
    d.fill("axesNumbers", "8; 2 x 6");
    CHECK(d.axes().numbers_m == std::vector<double>{8, 6, 6});
    d.fill("axesX", "0.5");
    CHECK(d.axes().origin == Point{0.5, 0});
    d.fill("axesNumbers", "8; many");
    CHECK(d.axes().numbers_m.size() == 3);  // refused, and said
    d.w().in_view().show_site(false);
    d.w().activity().set_step(Step::venue);
    d.plan().fit();
    REQUIRE(d.settle());
    // axis B lies 6.5 m in: the line is darker than the floor beside it, over a metre of it
    const auto darkest = [&](double x) {
        int least = 255;
        for (double y = 3; y < 5; y += 0.1) least = std::min(least, qGray(d.pixel({x, y}).rgb()));
        return least;
    };
    CHECK(darkest(6.5) < darkest(7.3) - 10);
    d.w().selection().select({{ItemKind::access_point, d.id.value}});
    turn_of_the_loop();
    picture(d.window, "axes");
    bool said = false;
    for (const auto* words : d.window.findChildren<QLabel*>())
        said |= words->isVisible() && words->text() == "C2 +0.50 +1.50";
    CHECK(said);
    for (int i = 0; i < 3; ++i) d.menu("edit.undo");
    REQUIRE(d.settle());
    CHECK(d.axes().empty());
    CHECK(std::abs(darkest(6.5) - darkest(7.3)) < 10);
}
