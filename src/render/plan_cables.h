// SPDX-License-Identifier: GPL-3.0-or-later
// Trays, outlets, risers and the routes of cables on the plan.
#pragma once
#include <QPainter>

#include "cabling/cable_plan.h"
#include "render/palette.h"
#include "render/plan_view_map.h"

namespace yemvo::render {

/// Two lines with rungs.
void paint_tray(QPainter&, const Tray&, const PlanMap&, const Palette&);
/// A socket: a square with a notch.
void paint_outlet(QPainter&, QPointF at, const QColor& ink, const Palette&);
/// A ring with an arrow up.
void paint_riser(QPainter&, QPointF at, const QColor& ink, const Palette&);

enum class RouteState { plain, chosen, too_long };
/// The legs on one floor; where the cable changes floors an arrow stands.
void paint_route(QPainter&, const CableRun&, FloorId, const PlanMap&, RouteState, const Palette&);

}  // namespace yemvo::render
