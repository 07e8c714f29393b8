// SPDX-License-Identifier: GPL-3.0-or-later
// The buildings from the side: storeys with their heights, slabs and access points.
#pragma once
#include <QPainter>

#include "project/project.h"

namespace yemvo::render::report {

/// Widths and heights in one scale where that can be read, else heights stretched. `told`: with the names and
/// levels of storeys and the numbers of access points.
void paint_building_section(QPainter&, const QRectF&, const Project&, bool told);

/// By how much heights are stretched against widths in a rectangle of that size; 1 where both are to scale.
double section_stretch(const Project&, const QSizeF&, bool told);

}  // namespace yemvo::render::report
