// SPDX-License-Identifier: GPL-3.0-or-later
// How far a closet's cables would reach, seen before anything hangs.
#include <QComboBox>
#include <QToolButton>

#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/tool_id.h"
#include "app/picture.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

Project empty_hall() {
    Project p = yemvo::test::one_floor(3.5);
    yemvo::test::wall(p, "brick-half", {{0, 0}, {190, 0}, {190, 10}, {0, 10}, {0, 0}});
    return p;
}

struct Hall : Driver {
    Hall() {
        window.open_project(empty_hall(), {});
        w().activity().set_step(Step::placement);
        REQUIRE(settle());
        window.plan().fit();
    }
    /// As the list of the bar does.
    void look_at(const QString& lens) {
        for (auto* combo : window.findChildren<QComboBox*>("barCombo"))
            if (combo->accessibleName() == "Lens") {
                const int index = combo->findText(lens);
                REQUIRE(index >= 0);
                emit combo->activated(index);
            }
        REQUIRE(settle());
    }
    bool shows_band(const char* name) {
        for (const auto* b : window.findChildren<QToolButton*>())
            if (b->accessibleName() == name) return b->isVisible();
        FAIL("no button " << name);
        return false;
    }
};

}  // namespace

TEST_CASE("the far end of a hall shows before anything hangs") {
    Hall d;
    d.look_at("Cable to the closet");
    CHECK(std::isnan(d.map_at({100, 5})));
    auto* next = d.find<QPushButton>("nextStepButton");
    CHECK(next->isVisible());
    CHECK(next->text() == "Place a closet");
    CHECK_FALSE(d.shows_band("band 5"));
    CHECK_FALSE(d.shows_band("radios All"));
    d.press_button("nextStepButton");
    CHECK(d.w().activity().tool() == ToolId::closet);
    CHECK(d.w().activity().step() == Step::placement);  // where the lengths are seen
    CHECK_FALSE(next->isVisible());
    d.click({2, 5});
    REQUIRE(d.settle());
    REQUIRE(d.floor().closets->size() == 1);
    CHECK_FALSE(next->isVisible());
    const Point closet = d.floor().closets->front().position;
    // 1.5 m down to the panel, a tenth and 3 m of slack
    const auto link_m = [&](double x) { return (x - closet.x + 1.5) * 1.1 + 3; };
    CHECK(d.map_at({50.25, closet.y}) == Approx(link_m(50.25)).margin(0.3));
    CHECK(d.map_at({180.25, closet.y}) > 190);
    picture(d.window, "cable-lens");
    // from the place on at which the permanent link is 90 m the map is hatched
    const QColor near = d.pixel({60, 3}), far = d.pixel({150, 3});
    CHECK(near != far);
    d.menu("edit.undo");
    REQUIRE(d.settle());
    CHECK(std::isnan(d.map_at({100, 5})));
    d.look_at("Signal");
    CHECK(d.shows_band("band 5"));
    CHECK(next->text() == "Place an access point");
}
