// SPDX-License-Identifier: GPL-3.0-or-later
// What each access point carries, as a tag under its badge.
#pragma once
#include <QPainter>

#include "render/palette.h"
#include "render/plan_view_map.h"

namespace yemvo {
struct Floor;
struct HourCapacity;
struct Project;
}  // namespace yemvo

namespace yemvo::render {

/// Its clients, and the air of the fullest of its radios in use; in the colour of what is not met where one
/// of them is overfull. Nothing where no client joined it.
void paint_loads(QPainter&, const Project&, const Floor&, const HourCapacity&, const PlanMap&, QSizeF view,
                 const Palette&);
/// What such a tag takes under a badge.
inline constexpr double load_tag_px = 18;
/// The words of that tag; empty for none.
QString load_words(const HourCapacity&, AccessPointId);

}  // namespace yemvo::render
