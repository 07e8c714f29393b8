// SPDX-License-Identifier: GPL-3.0-or-later
// The building on the plan: ground, grid, drawing, walls, openings, zones, voids.
#pragma once
#include <QPainter>

#include "project/project.h"
#include "render/palette.h"
#include "render/plan_view_map.h"

namespace yemvo::render {

/// Paper, the floor's area, and the grid (5 m, and 1 m when fine).
void paint_ground(QPainter&, const Floor&, const PlanMap&, const QRectF& visible, const Palette&,
                  bool fine_grid);
/// `tinted`: in their own colours, where no map lies under them.
void paint_zones(QPainter&, const Floor&, const PlanMap&, const Palette&, ZoneId selected,
                 bool tinted = false);
/// Where a label of this size stands inside the zone without covering what is taken.
std::optional<QPointF> label_place(const Zone&, QSizeF, const PlanMap&, const std::vector<QRectF>& taken);
/// Names stand at their zone's middle, or as near to it as keeps them off `taken` (badges).
void paint_zone_names(QPainter&, const Project&, const Floor&, const PlanMap&, const Palette&,
                      std::vector<QRectF> taken);
void paint_voids(QPainter&, const Floor&, const PlanMap&, const Palette&);
/// Walls at true thickness in the ink of their family, then their openings. `cased`: with a halo, over a map.
void paint_walls(QPainter&, const Project&, const Floor&, const PlanMap&, const QRectF& visible,
                 const Palette&, bool cased);
/// One wall type as a small sample, for palettes.
void paint_type_sample(QPainter&, const QRectF&, const WallType&, const Palette&);

}  // namespace yemvo::render
