// SPDX-License-Identifier: GPL-3.0-or-later
// Corridors, found from rooms and doors: where cables run when no tray is drawn.
#pragma once
#include "project/project.h"

namespace yemvo {

/// Outlines of the rooms that people walk through: narrow for their length, with three doors or more.
std::vector<std::vector<Point>> corridors(const Project&, const Floor&);

/// The direction that most of a floor's walls keep to, or stand square to: degrees counter-clockwise from x,
/// in [-45, 45); 0 without walls.
double main_axis_deg(const Floor&);

}  // namespace yemvo
