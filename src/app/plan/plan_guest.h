// SPDX-License-Identifier: GPL-3.0-or-later
// What another part of the window draws over the plan, in place of some of its badges.
#pragma once
#include <QPainter>

#include "base/id.h"
#include "render/plan_view_map.h"

namespace yemvo::app {

class PlanGuest {
public:
    virtual ~PlanGuest() = default;
    /// It draws this access point itself.
    virtual bool draws(AccessPointId) const = 0;
    virtual void paint(QPainter&, const render::PlanMap&) const = 0;
};

}  // namespace yemvo::app
