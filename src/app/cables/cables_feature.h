// SPDX-License-Identifier: GPL-3.0-or-later
// Cables: the page in the tray, and their routes on the plan while it is looked at.
#pragma once
#include "app/offer/feature.h"
#include "app/plan/plan_guest.h"

namespace yemvo::app {

class CablesPage;
class PlanView;

class CablesFeature : public Feature, private PlanGuest {
    Q_OBJECT
public:
    CablesFeature(Shell&, PlanView&);
    ~CablesFeature() override;
    CablesPage& page() { return *page_; }

private:
    bool draws(AccessPointId) const override { return false; }
    void paint(QPainter&, const render::PlanMap&) const override;
    void paint_below(QPainter&, const render::PlanMap&) const override;
    bool press(QPointF, const render::PlanMap&) override { return false; }
    PlanView& plan_;
    CablesPage* page_;
};

}  // namespace yemvo::app
