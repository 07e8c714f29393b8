// SPDX-License-Identifier: GPL-3.0-or-later
// A proposal beside the present plan: proposed badges are dashed, what moves leaves a ring where it hung and
// an arrow, what goes is struck out.
#pragma once
#include <QPainter>

#include "proposal/hang_plan.h"
#include "render/palette.h"
#include "render/plan_view_map.h"

namespace yemvo::render {

/// Of one floor; who stays is drawn where it is chosen alone. `chosen`: as its move names it; 0: none.
void paint_proposal(QPainter&, const HungPlan&, FloorId, const PlanMap&, AccessPointId chosen,
                    const Palette&);
/// Cells of a side of `cell_m` from their lowest corners, as one shape, with its area as a tag below it.
void paint_movable(QPainter&, const std::vector<Point>& cells, double cell_m, const PlanMap&,
                   const QString& tag, const Palette&);
/// The tile at a place, of what is part of the plan; 0: none.
AccessPointId proposed_at(const HungPlan&, FloorId, const PlanMap&, QPointF);
/// What the marks mean, in one line from `at` to the right.
void paint_proposal_key(QPainter&, QPointF at, const Palette&);
/// A dashed tile with a number, as on the plan and on the bound rail.
void paint_proposed_tile(QPainter&, QPointF centre, const QString& text, bool chosen, const Palette&);

}  // namespace yemvo::render
