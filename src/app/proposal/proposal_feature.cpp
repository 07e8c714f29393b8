// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/proposal/proposal_feature.h"

#include <algorithm>

#include "app/details/details_panel.h"
#include "app/look/theme.h"
#include "app/model/listening.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/model/workspace.h"
#include "app/offer/shell.h"
#include "app/plan/plan_view.h"
#include "app/proposal/proposal_page.h"
#include "app/proposal/why_form.h"
#include "capacity/capacity_verdict.h"
#include "render/plan_proposal.h"
#include "render/text_style.h"

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
    shell.works({[this] { return why_.is_working() ? why_.doing() : QString(); }, [this] { why_.stop(); }});
    connect(page_, &ProposalPage::progressed, this, [this] { shell_.work_changed(); });
    connect(&why_, &WhyAsked::progressed, this, [this] { shell_.work_changed(); });
    connect(&why_, &WhyAsked::changed, &plan_, qOverload<>(&PlanView::update));
    connect(page_, &ProposalPage::shown_changed, this, &ProposalFeature::shown_changed);
    // what is selected in the plan itself is asked about then
    listen(
        this,
        [this] {
            if (!workspace_.selection().items().empty()) why_.choose({});
        },
        workspace_.selection(), &Selection::changed);
}

ProposalFeature::~ProposalFeature() { plan_.remove_guest(this); }

void ProposalFeature::tell_in(DetailsPanel& details) {
    details.offer(
        {[this] { return why_.move() != nullptr; }, [this] { return QString::number(why_.chosen().value); },
         [this] { return why_form(workspace_, why_, [this] { page_->take_one(why_.chosen()); }); }});
    connect(&why_, &WhyAsked::changed, &details, &DetailsPanel::look_again);
}

void ProposalFeature::shown_changed() {
    const std::shared_ptr<const Proposal>& shown = page_->shown();
    shown ? plan_.add_guest(this) : plan_.remove_guest(this);
    why_.of(shown, page_->asked());
    if (!shown) return workspace_.shown().set_proposal(nullptr);
    workspace_.shown().set_proposal(
        std::shared_ptr<const Project>(shown, &shown->plan.project),
        shown->capacity ? air_figures(*shown->capacity, workspace_.project().demand.hour) : nullptr);
}

/// Those that stay are drawn as ever.
bool ProposalFeature::draws(AccessPointId id) const {
    return std::ranges::any_of(page_->shown()->plan.moves, [&](const ProposalMove& m) {
        return m.access_point == id && (m.kind != MoveKind::stays || id == why_.chosen());
    });
}

void ProposalFeature::paint(QPainter& p, const render::PlanMap& map) const {
    const ProposalMove* chosen = why_.move();
    if (const auto& area = why_.why().area; chosen && area && area->floor == workspace_.floor_id())
        render::paint_movable(p, area->cells, area->step_m, map,
                              tr("may be moved, %1 m²").arg(render::figure(area->area_m2(), 0)), theme());
    render::paint_proposal(p, page_->shown()->plan, workspace_.floor_id(), map, why_.chosen(), theme());
    render::paint_proposal_key(p, QPointF(24, 16), theme());
}

bool ProposalFeature::press(QPointF at, const render::PlanMap& map) {
    const AccessPointId id = render::proposed_at(page_->shown()->plan, workspace_.floor_id(), map, at);
    if (id.value != 0) workspace_.selection().select({});
    why_.choose(id);
    return id.value != 0;
}

}  // namespace yemvo::app
