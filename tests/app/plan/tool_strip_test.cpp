// SPDX-License-Identifier: GPL-3.0-or-later
// The column of tools: groups, names on demand, and room for all of them.
#include "app/plan/tool_strip.h"

#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

std::vector<QToolButton*> shown_tools(Driver& d) {
    std::vector<QToolButton*> shown;
    for (auto* b : d.window.findChild<ToolStrip*>()->findChildren<QToolButton*>())
        if (b->isVisible() && b->objectName().startsWith("tool-")) shown.push_back(b);
    std::ranges::sort(shown, {}, [](QToolButton* b) { return b->y(); });
    return shown;
}

}  // namespace

TEST_CASE("tools stand in groups, none over another, also beside an open tray") {
    Driver d;
    d.window.open_demo();
    REQUIRE(d.settle());
    d.w().activity().set_step(Step::venue);
    for (const bool tray : {false, true}) {
        if (tray) d.menu("view.findings");
        for (const int tall : {800, 700}) {
            d.window.resize(1280, tall);
            QCoreApplication::processEvents();
            INFO(tray << ", " << tall);
            const auto tools = shown_tools(d);
            REQUIRE(tools.size() > 15);
            CHECK(tools.front()->objectName() == "tool-select");
            int wider = 0;
            for (std::size_t i = 1; i < tools.size(); ++i) {
                const int apart = tools[i]->y() - (tools[i - 1]->y() + tools[i - 1]->height());
                CHECK(apart >= 0);
                wider += apart >= 4;
                CHECK(tools[i]->height() >= 20);
            }
            CHECK(wider == 5);  // walls, solids, plates, places, drawings after the pointer
            if (!tray) CHECK(tools.back()->geometry().bottom() < d.window.findChild<ToolStrip*>()->height());
        }
    }
}

TEST_CASE("the names of tools come with a click and are there again next time") {
    {
        Driver d;
        d.window.open_demo();
        REQUIRE(d.settle());
        d.w().activity().set_step(Step::venue);
        auto* strip = d.window.findChild<ToolStrip*>();
        CHECK_FALSE(strip->is_named());
        QTest::mouseClick(d.window.findChild<QToolButton*>("toolNames"), Qt::LeftButton);
        CHECK(strip->is_named());
        CHECK(strip->width() > 120);
        for (QToolButton* b : shown_tools(d)) {
            INFO(b->text().toStdString());
            CHECK(b->toolButtonStyle() == Qt::ToolButtonTextBesideIcon);
            CHECK(b->fontMetrics().horizontalAdvance(b->text()) + 34 <= b->width());  // nothing is cut off
        }
        CHECK(d.window.action("view.tool-names")->isChecked());
    }
    Driver again;
    CHECK(again.window.findChild<ToolStrip*>()->is_named());
    again.menu("view.tool-names");
    CHECK_FALSE(again.window.findChild<ToolStrip*>()->is_named());
}
