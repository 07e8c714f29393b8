// SPDX-License-Identifier: GPL-3.0-or-later
// Proposals: asked for and taken in the tray, drawn beside the present plan, each access point asked why in
// Details.
#pragma once
#include "app/offer/feature.h"
#include "app/plan/plan_guest.h"
#include "app/proposal/why_asked.h"

namespace yemvo::app {

class DetailsPanel;
class PlanView;
class ProposalPage;

class ProposalFeature : public Feature, private PlanGuest {
    Q_OBJECT
public:
    ProposalFeature(Shell&, PlanView&);
    ~ProposalFeature() override;
    ProposalPage& page() { return *page_; }
    WhyAsked& why() { return why_; }
    /// Where it tells why.
    void tell_in(DetailsPanel&);

private:
    bool draws(AccessPointId) const override;
    void paint(QPainter&, const render::PlanMap&) const override;
    bool press(QPointF at, const render::PlanMap&) override;
    void shown_changed();
    PlanView& plan_;
    ProposalPage* page_;
    WhyAsked why_;
};

}  // namespace yemvo::app
