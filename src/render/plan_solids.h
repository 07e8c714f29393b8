// SPDX-License-Identifier: GPL-3.0-or-later
// What fills a floor besides its walls: obstacles, ceilings, slab areas, notes.
#pragma once
#include <QPainter>

#include "project/project.h"
#include "render/palette.h"
#include "render/plan_view_map.h"

namespace yemvo::render {

QPolygonF polygon_of(const std::vector<Point>&, const PlanMap&);

/// A body filled as its type is drawn in plan, with its outline.
void paint_body(QPainter&, const QPolygonF&, Hatch, const QColor& ink, const Palette&);
void paint_obstacles(QPainter&, const Project&, const Floor&, const PlanMap&, const QRectF& visible,
                     const Palette&);
/// Outlines dash-dotted, height and type told in a corner.
void paint_ceilings(QPainter&, const Project&, const Floor&, const PlanMap&, const Palette&);
/// Lines across the way up, an arrow along it.
void paint_ramps(QPainter&, const Project&, const Floor&, const PlanMap&, const Palette&);
void paint_slab_areas(QPainter&, const Project&, const Floor&, const PlanMap&, const Palette&);

}  // namespace yemvo::render
