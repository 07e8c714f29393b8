// SPDX-License-Identifier: GPL-3.0-or-later
// Every tool of the plan: its name, key and icon, the steps that offer it, and how it is made.
#pragma once
#include <vector>

#include "app/model/tool_info.h"

namespace yemvo::app {

/// In the order of their buttons.
const std::vector<ToolInfo>& all_tools();
const ToolInfo& tool_info(ToolId);
bool offers(Step, ToolId);

}  // namespace yemvo::app
