// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/things/place_tool.h"

#include "app/model/activity.h"
#include "app/model/selection.h"
#include "app/model/tool_id.h"
#include "render/tr.h"

namespace yemvo::app {

std::vector<HintPart> PlaceTool::hint() const {
    return {{"", words_.hint}, {tr("Alt"), tr("no snapping")}, {tr("Esc"), tr("exit tool")}};
}

void PlaceTool::move(const PointerEvent& e) {
    if (!floor()) return;
    SnapOptions o = snap_options(e);
    o.angles = false;
    pointer_ = snapped_to(e.floor, o);
    surface_.repaint_tool();
}

void PlaceTool::press(const PointerEvent& e) {
    if (!floor()) return;
    move(e);
    const FloorId at = workspace_.floor_id();
    Workspace& workspace = workspace_;  // this tool goes when another is chosen
    std::optional<Item> made;
    workspace.edit(words_.edit, [&made, at, make = make_, place = pointer_->point](Project& p) {
        made = make(p, at, place);
    });
    workspace.activity().set_tool(ToolId::select);
    if (made) workspace.selection().select({*made});
}

void PlaceTool::paint(QPainter& p) {
    if (pointer_ && floor()) paint_snap(p, *pointer_);
}

}  // namespace yemvo::app
