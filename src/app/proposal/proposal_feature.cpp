// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/proposal/proposal_feature.h"

#include <algorithm>

#include "app/look/theme.h"
#include "app/model/workspace.h"
#include "app/offer/shell.h"
#include "app/plan/plan_view.h"
#include "app/proposal/proposal_page.h"
#include "render/plan_proposal.h"

namespace yemvo::app {

ProposalFeature::ProposalFeature(Shell& shell, PlanView& plan)
    : Feature(shell), plan_(plan), page_(new ProposalPage(workspace_, shell.frame())) {
    page_->setProperty(tray_height_property, 310);
    shell.tray_page(tr("Proposal"), page_);
    Command propose{"placement.propose", tr("Propose access points…"), QKeySequence("Ctrl+Alt+P"),
                    [this] { shell_.show_tray(page_); }};
    propose.tip = tr("Where access points go, worked out, with how good that is");
    shell.command("view.pages", propose);
    shell.works(
        {[this] { return page_->is_working() ? page_->doing() : QString(); }, [this] { page_->stop(); }});
    connect(page_, &ProposalPage::progressed, this, [this] { shell_.work_changed(); });
    connect(page_, &ProposalPage::shown_changed, this,
            [this] { plan_.set_guest(page_->shown() ? static_cast<const PlanGuest*>(this) : nullptr); });
}

ProposalFeature::~ProposalFeature() { plan_.set_guest(nullptr); }

/// Those that stay are drawn as ever.
bool ProposalFeature::draws(AccessPointId id) const {
    return std::ranges::any_of(page_->shown()->plan.moves, [&](const ProposalMove& m) {
        return m.access_point == id && m.kind != MoveKind::stays;
    });
}

void ProposalFeature::paint(QPainter& p, const render::PlanMap& map) const {
    render::paint_proposal(p, page_->shown()->plan, workspace_.floor_id(), map, 0, theme());
    render::paint_proposal_key(p, QPointF(24, 16), theme());
}

}  // namespace yemvo::app
