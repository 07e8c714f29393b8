// SPDX-License-Identifier: GPL-3.0-or-later
// Where a directional access point looks, on the plan: its lobe along the horizon, and a handle that turns
// it.
#pragma once
#include <QPainter>
#include <optional>
#include <vector>

#include "project/project.h"
#include "render/plan_view_map.h"
#include "wireless/band.h"

namespace yemvo::app {

/// The handle's place; none for what looks nowhere in particular.
std::optional<QPointF> aim_handle(const render::PlanMap&, const Project&, const AccessPoint&);
/// Of a radio's antenna as it is turned, in every second direction along the horizon, clockwise from north
/// [dB relative to the peak].
std::vector<double> lobe_along_horizon(const Project&, const AccessPoint&, std::size_t radio);
inline constexpr int lobe_step_deg = 2;
/// The lobe of the first radio in one of the bands, a circle a tenth of its reach, and the handle.
void paint_aim(QPainter&, const render::PlanMap&, const Project&, const AccessPoint&, BandSet shown);
/// The azimuth that looks at a place, to a degree; in steps of 15 with `coarse`.
double azimuth_towards(Point from, Point to, bool coarse);

}  // namespace yemvo::app
