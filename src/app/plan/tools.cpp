// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/tools.h"

#include <algorithm>

#include "app/kinds/kind_face.h"
#include "app/model/activity.h"
#include "app/model/tool_id.h"
#include "app/plan/access_point_tool.h"
#include "app/plan/align_tool.h"
#include "app/plan/follow_tool.h"
#include "app/plan/mark_tools.h"
#include "app/plan/opening_tool.h"
#include "app/plan/outline_tool.h"
#include "app/plan/probe_tool.h"
#include "app/plan/scale_tool.h"
#include "app/plan/select_tool.h"
#include "app/plan/shape_tools.h"
#include "app/plan/wall_tool.h"
#include "base/said.h"

namespace yemvo::app {
namespace {

template <class Made>
std::unique_ptr<Tool> tool(Workspace& w, PlanSurface& s) {
    return std::make_unique<Made>(w, s);
}
template <OpeningKind kind>
std::unique_ptr<Tool> openings(Workspace& w, PlanSurface& s) {
    return std::make_unique<OpeningTool>(w, s, kind);
}
template <OutlineTool::Makes makes>
std::unique_ptr<Tool> outlines(Workspace& w, PlanSurface& s) {
    return std::make_unique<OutlineTool>(w, s, makes);
}

}  // namespace

static std::vector<ToolInfo> own_tools() {
    using enum ToolId;
    using Makes = OutlineTool::Makes;
    const std::vector<Step> everywhere{Step::venue, Step::demand, Step::placement, Step::spectrum,
                                       Step::proof};
    const std::vector<Step> venue{Step::venue}, placed{Step::placement}, demanded{Step::venue, Step::demand},
        asked{Step::placement, Step::spectrum, Step::proof};
    return {
        {select, mark("Select"), "select", "S", mark("Select, move and shape"), tool<SelectTool>, everywhere,
         select, ToolGroup::choose},
        {wall, mark("Wall"), "wall", "W", mark("Draw walls"), tool<WallTool>, venue, wall, ToolGroup::walls},
        {wall_rectangle, mark("Wall rectangle"), "wall", "R", mark("Draw walls round a rectangle"),
         tool<WallRectangleTool>, venue, wall, ToolGroup::walls},
        {wall_arc, mark("Wall arc"), "wall", "Q", mark("Draw a curved wall"), tool<WallArcTool>, venue, wall,
         ToolGroup::walls},
        {follow, mark("Follow the drawing"), "wall", "Y", mark("Take lines of a CAD drawing as walls"),
         tool<FollowTool>, venue, wall, ToolGroup::walls},
        {door, mark("Door"), "door", "D", mark("Put doors into walls"), openings<OpeningKind::door>, venue,
         door, ToolGroup::walls},
        {window, mark("Window"), "window", "G", mark("Put windows (glazing) into walls"),
         openings<OpeningKind::window>, venue, window, ToolGroup::walls},
        {split, mark("Split wall"), "split", "X", mark("Cut a wall in two"), tool<SplitTool>, venue, split,
         ToolGroup::walls},
        {column, mark("Column"), "column", "K", mark("Place columns"), tool<ColumnTool>, venue, column,
         ToolGroup::solids},
        {obstacle, mark("Obstacle"), "shelving", "B",
         mark("Draw shelving, racking, machinery, crowds, foliage"), outlines<Makes::obstacle>, venue,
         obstacle, ToolGroup::solids},
        {ceiling, mark("Ceiling area"), "ceiling", "C",
         mark("Draw where the ceiling is lower or hung with something"), outlines<Makes::ceiling>, venue,
         ceiling, ToolGroup::solids},
        {slab_area, mark("Slab area"), "slab-area", "U",
         mark("Draw where the slab under this floor is built of something else"), outlines<Makes::slab_area>,
         venue, slab_area, ToolGroup::plates},
        {slab_void, mark("Void"), "void", "O", mark("Draw an opening through the slab under this floor"),
         outlines<Makes::slab_void>, venue, slab_void, ToolGroup::plates},
        {shaft, mark("Shaft"), "shaft", "H", mark("Draw a lift or stair shaft through the storeys"),
         outlines<Makes::shaft>, venue, shaft, ToolGroup::plates},
        {ramp, mark("Ramp"), "ramp", "E", mark("Draw a ramp from its foot to its head"),
         outlines<Makes::ramp>, venue, ramp, ToolGroup::plates},
        {plate, mark("Slab edge"), "plate", "P",
         mark("Draw how far the slab of this floor reaches (mezzanines, terraces)"), outlines<Makes::plate>,
         venue, plate, ToolGroup::plates},
        {zone, mark("Zone"), mark("zone"), "Z", mark("Draw zones"), outlines<Makes::zone>, demanded, zone,
         ToolGroup::places},
        {note, mark("Note"), "note", "N", mark("Pin a note or a photo to a place"), tool<NoteTool>, venue,
         note, ToolGroup::places},
        {scale, mark("Scale"), "scale", "L",
         mark("Give a drawing its scale by known lengths or an area, and check it"), tool<ScaleTool>, venue,
         scale, ToolGroup::drawings},
        {align, mark("Align"), "align", "I", mark("Lay this floor on another one by pairs of places"),
         tool<AlignTool>, venue, align, ToolGroup::drawings},
        {access_point, mark("Access point"), "access-point", "A", mark("Place access points"),
         tool<AccessPointTool>, placed, access_point, ToolGroup::radios},
        {probe, mark("Probe"), "probe", "T", mark("Pin a probe: every radio heard there, and why"),
         tool<ProbeTool>, asked, probe, ToolGroup::radios},
    };
}

const std::vector<ToolInfo>& all_tools() {
    static const std::vector<ToolInfo> list = [] {
        std::vector<ToolInfo> tools = own_tools();
        auto after = std::ranges::find(tools, ToolId::note, &ToolInfo::id) + 1;
        for (const KindFace& face : kind_faces())
            if (face.tool) after = tools.insert(after, *face.tool) + 1;
        return tools;
    }();
    return list;
}

const ToolInfo& tool_info(ToolId id) { return *std::ranges::find(all_tools(), id, &ToolInfo::id); }

bool offers(Step step, ToolId id) {
    const std::vector<Step>& steps = tool_info(id).steps;
    return std::ranges::find(steps, step) != steps.end();
}

}  // namespace yemvo::app
