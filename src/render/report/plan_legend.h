// SPDX-License-Identifier: GPL-3.0-or-later
// What the signs and colours of a printed plan mean.
#pragma once
#include <QPainter>

#include "render/report/facts.h"

namespace yemvo::render::report {

void paint_map_legend(QPainter&, const QRectF&, const ReportFacts&, const Floor&, const FloorMap&);
/// Types of walls, doors and windows that the floor has, its cabling, and what an access point's mark says.
void paint_plan_legend(QPainter&, const QRectF&, const ReportFacts&, const Floor&);

}  // namespace yemvo::render::report
