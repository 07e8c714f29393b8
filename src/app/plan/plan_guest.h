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
    /// Below the badges.
    virtual void paint_below(QPainter&, const render::PlanMap&) const {}
    /// The left button at a place of the view; true where it was meant for the guest.
    virtual bool press(QPointF at, const render::PlanMap&) = 0;
};

}  // namespace yemvo::app
