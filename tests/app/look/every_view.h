// SPDX-License-Identifier: GPL-3.0-or-later
// Goes through all that the window can show of the demo: steps, the form of one thing of each kind, pages.
#pragma once
#include <functional>
#include <set>

#include "app/charts/chart_page.h"
#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"

namespace yemvo::app::test {

/// Those that a file is read for.
inline void pages_from_files(Driver& d, const std::function<void(const QString&)>& look) {
    const QString data = QString::fromStdString(yemvo::test::test_data());
    d.window.action("view.gear")->trigger();
    QCoreApplication::processEvents();
    d.window.asking().open_file = [&](const QString&, const QString&) {
        return data + "/../../demo/gear/panel-sheet.pdf";
    };
    d.press_button("patternChart");
    REQUIRE(QTest::qWaitFor([&] { return d.window.charts().isVisible(); }, 20000));
    turn_of_the_loop();
    look("charts of a sheet");
    d.press_button("discardChart");
    d.window.asking().open_file = [&](const QString&, const QString&) { return data + "/panel-sheet.txt"; };
    d.press_button("patternFile");
    auto* page = d.window.findChild<QWidget*>("patternFilePage");
    REQUIRE(QTest::qWaitFor([&] { return page->isVisible(); }, 20000));
    turn_of_the_loop();
    look("a pattern file");
    d.press_button("discardPattern");
    static_cast<Shell&>(d.window).leave_page();
}

/// `look(where)` at each stop; the number of kinds whose form was shown.
inline std::size_t every_view(Driver& d, const std::function<void(const QString&)>& look) {
    d.window.show();
    look("the start page");
    d.window.open_demo();
    REQUIRE(d.settle());
    const Step steps[] = {Step::venue, Step::demand, Step::placement, Step::spectrum, Step::proof};
    for (const Step step : steps) {
        d.w().activity().set_step(step);
        QCoreApplication::processEvents();
        look(QString("step %1").arg(static_cast<int>(step) + 1));
    }
    d.w().activity().set_step(Step::venue);
    std::set<ItemKind> seen;
    for (const Floor* f : all_floors(d.project())) {
        d.w().in_view().show_floor(f->id);
        for (const Item& item : all_items(d.project(), *f)) {
            if (!seen.insert(item.kind).second) continue;
            d.w().selection().select_alone({item});
            QCoreApplication::processEvents();
            look("the form of one " + QString::fromUtf8(item_kind_name(item.kind).data()));
        }
    }
    pages_from_files(d, look);
    for (const char* page :
         {"view.findings", "view.costs", "view.history", "view.site", "view.types", "view.gear",
          "view.clients", "view.answer", "view.demand", "view.candidates", "file.versions", "help.guide"})
        if (QAction* action = d.window.action(page)) {
            action->trigger();
            QCoreApplication::processEvents();
            look(page);
            static_cast<Shell&>(d.window).leave_page();
        }
    return seen.size();
}

}  // namespace yemvo::app::test
