// SPDX-License-Identifier: GPL-3.0-or-later
// Plans on paper, to scale: with a frame, a title block, a scale bar, north and a legend. A plan too large
// for its paper at the scale that is asked for goes on several sheets.
#pragma once
#include "render/report/blocks.h"
#include "render/report/plan_painting.h"

namespace yemvo::render::report {

/// Scales that people have rulers for, as the n of 1 : n.
std::span<const int> usual_scales();

struct SheetScale {
    int scale;
    QSizeF sheet_mm;           ///< upright or across, as fits
    int across = 1, down = 1;  ///< sheets
};
/// For what lies in `box` on that paper: the scale that is wanted, or where that is 0 the largest usual one
/// at which it fits on one sheet.
SheetScale sheet_scale(const Box&, const QSizeF& paper_mm, int wanted);

/// What is to be seen of a floor: its walls, zones and access points. None for one without any.
std::optional<Box> printed_box(const Project&, const Floor&);

/// `facts` must outlive the block. Empty where the floor has nothing to show.
std::vector<SheetBlock> plan_sheets(const ReportFacts& facts, const Floor&, const FloorMap*);

/// 1 : scale in print pixels a metre.
inline double px_per_m(int scale) { return 1000.0 * print_px_per_mm / scale; }

}  // namespace yemvo::render::report
