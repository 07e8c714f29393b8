// SPDX-License-Identifier: GPL-3.0-or-later
// The window with a hall and one access point in it, selected.
#pragma once
#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/selection.h"

namespace yemvo::app::test {

struct OnePlaced : Driver {
    /// Of the model with this key, at `at` in a hall of 40 m by 30 m with a concrete wall across at 24 m.
    explicit OnePlaced(std::string_view key = "ceiling-tri", Point at = {10, 10}) {
        Project p = yemvo::test::one_floor();
        yemvo::test::wall(p, "brick-half", {{0, 0}, {40, 0}, {40, 30}, {0, 30}, {0, 0}});
        yemvo::test::wall(p, "concrete-200", {{24, 0}, {24, 30}});
        for (const AccessPointModel& m : *p.models)
            if (m.key == key) id = add_access_point(p, yemvo::test::floor_at(p, 0), m.id, at);
        window.open_project(p, {});
        w().activity().set_step(Step::placement);
        w().selection().select({{ItemKind::access_point, id.value}});
        REQUIRE(settle());
    }
    const AccessPoint& ap() { return *find_access_point(project(), w().floor_id(), id); }
    AccessPointId id;
};

}  // namespace yemvo::app::test
