// SPDX-License-Identifier: GPL-3.0-or-later
// Larkfield Library: the made-up venue that every example, picture and many tests use.
#pragma once
#include "project/project.h"

namespace yemvo::demo {

/// Walls, openings, slabs, voids, zones, access points and requirements, without drawings.
Project compose_venue();

/// compose_venue() with its drawings laid under the floors.
Project make_demo();

/// How the sheets in demo/drawings are drawn: the floor's (0, 0) lies margin_m in from the left and the
/// bottom. The ground floor is a DXF in millimetres, the first a PDF at 1:100, the garden a picture.
inline constexpr double sheet_px_per_m = 40;
inline constexpr double sheet_margin_m = 5;
inline constexpr double building_width_m = 60, building_depth_m = 35;
inline constexpr double garden_width_m = 28, garden_depth_m = 33;

}  // namespace yemvo::demo
