// SPDX-License-Identifier: GPL-3.0-or-later
// The spectrum on the plan: channels under badges, and a line between radios that take each other's air.
#pragma once
#include <QPainter>
#include <vector>

#include "render/palette.h"
#include "render/plan_view_map.h"
#include "wireless/band.h"

namespace yemvo {
struct AirMeeting;
struct Floor;
struct Project;
struct SiteAir;
}  // namespace yemvo

namespace yemvo::render {

/// What a line under a badge takes.
inline constexpr double channel_line_px = 15;
/// "44 / 40" under each badge, a line a band.
void paint_channels(QPainter&, const Project&, const Floor&, BandSet, const PlanMap&, QSizeF view,
                    const Palette&);
/// Lines, as thick as is lost, or the tags on them. A radio on another floor is told at the one on this.
enum class MeetingPart { lines, tags };
void paint_meetings(QPainter&, const Project&, const Floor&, const SiteAir&, const std::vector<AirMeeting>&,
                    BandSet, const PlanMap&, const Palette&, MeetingPart);

}  // namespace yemvo::render
