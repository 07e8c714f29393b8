// SPDX-License-Identifier: GPL-3.0-or-later
// The strip along the foot of a sheet: whose plan of what it is, its scale, north, revision.
#pragma once
#include "render/plan_view_map.h"
#include "render/report/facts.h"

namespace yemvo::render::report {

inline constexpr double title_block_height = 104;

struct TitleBlock {
    QString site, sheet, what, part, customer, author, revision, day;
    int scale = 0;  ///< 0: not to scale
};
/// What is the same on every sheet of a report.
TitleBlock title_block(const ReportFacts&);

void paint_title_block(QPainter&, const QRectF&, const TitleBlock&, const PlanMap&, LengthUnits);

}  // namespace yemvo::render::report
