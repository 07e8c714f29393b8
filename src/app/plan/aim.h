// SPDX-License-Identifier: GPL-3.0-or-later
// Where a directional access point looks, on the plan: its lobe along the horizon, and a handle that turns
// it.
#pragma once
#include <QPainter>
#include <optional>

#include "project/project.h"
#include "render/plan_view_map.h"
#include "wireless/band.h"

namespace yemvo::app {

/// The handle's place; none for what looks nowhere in particular.
std::optional<QPointF> aim_handle(const render::PlanMap&, const Project&, const AccessPoint&);
/// The lobe of the first radio in one of the bands, a circle a tenth of its reach, and the handle.
void paint_aim(QPainter&, const render::PlanMap&, const Project&, const AccessPoint&, BandSet shown);
/// The azimuth that looks at a place, to a degree; in steps of 15 with `coarse`.
double azimuth_towards(Point from, Point to, bool coarse);

}  // namespace yemvo::app
