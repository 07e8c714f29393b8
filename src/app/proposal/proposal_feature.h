// SPDX-License-Identifier: GPL-3.0-or-later
// Proposals: asked for and taken in the tray, drawn beside the present plan.
#pragma once
#include "app/offer/feature.h"
#include "app/plan/plan_guest.h"

namespace yemvo::app {

class PlanView;
class ProposalPage;

class ProposalFeature : public Feature, private PlanGuest {
    Q_OBJECT
public:
    ProposalFeature(Shell&, PlanView&);
    ~ProposalFeature() override;
    ProposalPage& page() { return *page_; }

private:
    bool draws(AccessPointId) const override;
    void paint(QPainter&, const render::PlanMap&) const override;
    PlanView& plan_;
    ProposalPage* page_;
};

}  // namespace yemvo::app
