// SPDX-License-Identifier: GPL-3.0-or-later
// A plan that anybody can open: one HTML file without network or server, in which floors are panned and
// zoomed, lenses and bands chosen, values read at the pointer, access points found, and the verdict seen.
#pragma once
#include <string>

#include "render/report/facts.h"

namespace yemvo::render {

/// Every map of report::FloorFacts::web_maps is in it; values are kept to a tenth of the lens's unit.
std::string web_plan(const report::ReportFacts&);

}  // namespace yemvo::render
