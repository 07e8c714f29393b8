// SPDX-License-Identifier: GPL-3.0-or-later
// A tool of the plan as menus and the column of tools show it, and how it is made.
#pragma once
#include <memory>
#include <vector>

#include "app/model/activity.h"
#include "app/model/tool_id.h"

namespace yemvo::app {

class PlanSurface;
class Tool;
class Workspace;

/// What tools are for: those for the same stand together in the column.
enum class ToolGroup { choose, walls, solids, plates, places, drawings, radios };

struct ToolInfo {
    ToolId id;
    const char* name;
    const char* icon;
    const char* key;
    const char* what;
    std::unique_ptr<Tool> (*make)(Workspace&, PlanSurface&);
    std::vector<Step> steps;  ///< that offer it, the one it belongs to first
    ToolId button;            ///< whose button stands for it: all that draw walls share one
    ToolGroup group = ToolGroup::places;
};

}  // namespace yemvo::app
