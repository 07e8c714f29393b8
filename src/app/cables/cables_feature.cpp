// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cables/cables_feature.h"

#include "app/cables/cables_page.h"
#include "app/look/theme.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "app/plan/plan_view.h"
#include "render/plan_cables.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

CablesFeature::CablesFeature(Shell& shell, PlanView& plan)
    : Feature(shell), plan_(plan), page_(new CablesPage(workspace_, shell.frame())) {
    page_->setProperty(tray_height_property, 300);
    shell.tray_page(tr("Cables"), page_);
    shell.command("view.pages", {"view.cables", tr("Cables"), QKeySequence("Ctrl+Alt+K"),
                                 [this] { shell_.show_tray(page_); }});
    shell.works({[this] { return page_->doing(); }, [this] { page_->stop(); }});
    connect(page_, &CablesPage::changed, this,
            [this] { page_->isVisible() ? plan_.add_guest(this) : plan_.remove_guest(this); });
    connect(page_, &CablesPage::progressed, this, [this] { shell_.work_changed(); });
}

CablesFeature::~CablesFeature() { plan_.remove_guest(this); }

void CablesFeature::paint_below(QPainter& p, const render::PlanMap& map) const {
    const auto& planned = page_->planned();
    if (!planned) return;
    const FloorId floor = workspace_.floor_id();
    const auto state = [&](const CableRun& run) {
        if (workspace_.selection().has({ItemKind::access_point, run.access_point.value}))
            return render::RouteState::chosen;
        return is_out_of_reach(planned->project.cabling, run) ? render::RouteState::too_long
                                                              : render::RouteState::plain;
    };
    for (const auto pass :
         {render::RouteState::plain, render::RouteState::too_long, render::RouteState::chosen})
        for (const CableRun& run : planned->plan.runs)
            if (state(run) == pass) render::paint_route(p, run, floor, map, pass, theme());
}

/// Closets that are proposed, as ghosts.
void CablesFeature::paint(QPainter& p, const render::PlanMap& map) const {
    int n = 0;
    for (const ClosetPlace& place : page_->proposed()) {
        ++n;
        if (place.floor != workspace_.floor_id()) continue;
        const QPointF at = map.to_screen(place.place);
        p.save();
        p.setRenderHint(QPainter::Antialiasing);
        p.setPen(QPen(theme().casing, 4));
        const QRectF body(at.x() - 8, at.y() - 10, 16, 20);
        p.drawRect(body);
        p.setPen(QPen(theme().accent, 1.5, Qt::DashLine));
        p.setBrush(theme().tile);
        p.drawRect(body);
        p.restore();
        render::draw_halo_text(p, at + QPointF(0, 19), tr("closet %1?").arg(n), render::font(10.5, 600),
                               theme().accent, theme().casing);
    }
}

}  // namespace yemvo::app
