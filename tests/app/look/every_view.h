// SPDX-License-Identifier: GPL-3.0-or-later
// Goes through all that the window can show of the demo: steps, the form of one thing of each kind, pages.
#pragma once
#include <functional>
#include <set>

#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"

namespace yemvo::app::test {

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
    for (const char* page : {"view.findings", "view.costs", "view.history", "view.site", "view.types",
                             "view.gear", "view.candidates", "file.versions", "help.guide"})
        if (QAction* action = d.window.action(page)) {
            action->trigger();
            QCoreApplication::processEvents();
            look(page);
        }
    return seen.size();
}

}  // namespace yemvo::app::test
