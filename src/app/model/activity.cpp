// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/activity.h"

#include "app/model/in_view.h"

namespace yemvo::app {

Activity::Activity(InView& in_view) : in_view_(in_view) {
    connect(&in_view, &InView::site_changed, this, [this] {
        if (in_view_.site_shown()) set_tool(ToolId::select);
    });
}

void Activity::set_step(Step step) {
    if (step == step_) return;
    step_ = step;
    set_tool(ToolId::select);
    emit step_changed();
}

void Activity::set_tool(ToolId tool) {
    if (tool == tool_) return;
    tool_ = tool;
    // tools work on a floor
    if (tool != ToolId::select) in_view_.show_site(false);
    // access points are placed by what they reach: the map comes with the tool
    if (tool == ToolId::access_point && !shows_map()) {
        step_ = Step::placement;
        emit step_changed();
    }
    emit tool_changed();
}

}  // namespace yemvo::app
