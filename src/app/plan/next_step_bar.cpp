// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/next_step_bar.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "app/model/shown_map.h"
#include "app/model/tool_id.h"
#include "cabling/cable_plan.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

NextStep next_step(const Workspace& workspace) {
    const Floor* f = workspace.floor();
    if (!f || workspace.activity().step() == Step::proof)
        return NextStep::none;  // the page beside the plan tells it
    if (f->drawings->empty() && f->walls->empty()) {
        const bool drawing_now =
            workspace.activity().tool() == ToolId::wall || workspace.activity().tool() == ToolId::zone;
        return f->zones->empty() && !drawing_now ? NextStep::drawing : NextStep::none;
    }
    if (needs_scale(*f))
        return workspace.activity().tool() == ToolId::scale ? NextStep::none : NextStep::scale;
    const bool placing = workspace.activity().tool() == ToolId::access_point;
    if (workspace.activity().shows_map() && !lens(workspace.shown().map().lens).of_radios())
        return has_closets(workspace.project()) || workspace.activity().tool() == ToolId::closet
                   ? NextStep::none
                   : NextStep::closet;
    if (workspace.activity().shows_map() && !placing && placed_access_points(workspace.project()).empty())
        return NextStep::access_point;
    if (workspace.activity().shows_map() && workspace.results().verdict() &&
        workspace.results().verdict()->demanded_m2() == 0 &&
        !requirements_in_force(workspace.project()).empty())
        return NextStep::area;
    return NextStep::none;
}

NextStepBar::NextStepBar(Workspace& workspace, QWidget* plan)
    : QFrame(plan), workspace_(workspace), words_(new QLabel(this)), button_(new QPushButton(this)) {
    setObjectName("nextStep");
    dress(this,
          "QFrame#nextStep { background: @accentTint; border: 1px solid @accent; border-radius: 5px; }");
    button_->setObjectName("nextStepButton");
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(12, 5, 6, 5);
    row->addWidget(words_);
    row->addWidget(button_);
    connect(button_, &QPushButton::clicked, this, [this] { emit asked(step_); });
    listen(this, &NextStepBar::refresh, workspace, &Workspace::project_changed, workspace.in_view(),
           &InView::floor_changed, workspace.activity(), &Activity::step_changed, workspace.activity(),
           &Activity::tool_changed, workspace.results(), &Results::changed, workspace.shown(),
           &ShownMap::changed);
    refresh();
}

void NextStepBar::place() {
    adjustSize();
    move((parentWidget()->width() - width()) / 2, 12);
}

void NextStepBar::refresh() {
    step_ = next_step(workspace_);
    switch (step_) {
        case NextStep::drawing:
            words_->setText(tr("Drop a plan here (picture, PDF, SVG, DXF), or draw walls on the grid."));
            button_->setText(tr("Choose a drawing…"));
            break;
        case NextStep::scale:
            words_->setText(tr("The drawing has no scale yet: show a length on it that you know."));
            button_->setText(tr("Set the scale"));
            break;
        case NextStep::access_point:
            words_->setText(tr("No map yet: nothing radiates."));
            button_->setText(tr("Place an access point"));
            break;
        case NextStep::closet:
            words_->setText(tr("No lengths yet: no closet stands."));
            button_->setText(tr("Place a closet"));
            break;
        case NextStep::area:
            words_->setText(
                tr("No verdict: nothing says where service is needed. Walls that close round a room do, or a "
                   "zone."));
            button_->setText(tr("Draw walls"));
            break;
        case NextStep::none:
            break;
    }
    setVisible(step_ != NextStep::none);
    if (isVisible()) place();
}

}  // namespace yemvo::app
