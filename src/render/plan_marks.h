// SPDX-License-Identifier: GPL-3.0-or-later
// What stands on the plan besides the building: badges, band glyphs, outcome marks, scale bar, north.
#pragma once
#include <QPainter>

#include "coverage/verdict.h"
#include "project/project.h"
#include "render/palette.h"
#include "render/plan_view_map.h"

namespace yemvo::render {

enum class BadgeState { plain, selected };

/// Whether it looks somewhere: by its mount, or by the lobe of an antenna that it has now.
bool is_directional(const Project&, const AccessPoint&);

/// The numbered tile with a bar a radio; a wedge shows where a directional one looks.
/// `aimed`: with a wedge where it looks, if it does.
void paint_badge(QPainter&, QPointF centre, const Project&, const AccessPoint&, BadgeState, const Palette&,
                 bool aimed = true);
/// Where a click means this badge.
QRectF badge_area(QPointF centre);

/// A pinned note: a sheet with a folded corner; `photo` adds a frame.
void paint_note(QPainter&, QPointF tip, bool photo, bool selected, const Palette&);
QRectF note_area(QPointF tip);

/// Circle, square or diamond in the band's colour.
void paint_band_glyph(QPainter&, QPointF centre, BandId, const Palette&);
/// Check stroke, hatched square or dotted square, 11 px.
void paint_outcome(QPainter&, QPointF centre, Outcome, const Palette&);
QColor outcome_ink(Outcome, const Palette&);

/// A small closed lock, 8 px high.
void paint_padlock(QPainter&, QPointF centre, const QColor&);

/// At the lower left corner `at`, in metres or feet.
void paint_scale_bar(QPainter&, QPointF at, const PlanMap&, LengthUnits, const Palette&);
void paint_north(QPainter&, QPointF centre, const Palette&);
/// Where the inside of a floor ends: what lies beyond is not judged and has no slab.
void paint_inside_edge(QPainter&, const FloorMask&, const PlanMap&, const Palette&);
/// 45 degree hatching for small marks and strips.
void paint_hatch(QPainter&, const QRectF&, const QColor&, double step_px = 3.6);

}  // namespace yemvo::render
