// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QRectF>

#include "render/palette.h"
#include "render/plan_view_map.h"
#include "venue/axis_grid.h"

class QPainter;

namespace yemvo::render {

/// A building's axes as thin lines, with their names in rings where drawings have them: beyond the last one.
/// Of an axis whose end lies outside of `visible` the ring stands where it leaves that.
void paint_axes(QPainter&, const AxisGrid&, const PlanMap&, const QRectF& visible, const Palette&);

}  // namespace yemvo::render
