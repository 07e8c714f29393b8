// Every tool of the plan: its name, key and icon, the steps that offer it, and how it is made.
#pragma once
#include <vector>
#include "app/model/activity.h"
#include "app/model/tool_id.h"
#include "app/plan/tool.h"

namespace yemvo::app {

struct ToolInfo {
    ToolId id;
    const char* name;
    const char* icon;
    const char* key;
    const char* what;
    std::unique_ptr<Tool> (*make)(Workspace&, PlanSurface&);
    std::vector<Step> steps;  ///< that offer it, the one it belongs to first
    ToolId button;            ///< whose button stands for it: all that draw walls share one
};

/// In the order of their buttons.
const std::vector<ToolInfo>& all_tools();
const ToolInfo& tool_info(ToolId);
bool offers(Step, ToolId);

}  // namespace yemvo::app
