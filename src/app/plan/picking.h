// SPDX-License-Identifier: GPL-3.0-or-later
// What lies under the pointer, and inside a rubber band.
#pragma once
#include <optional>
#include <vector>

#include "app/model/workspace.h"
#include "geometry/point.h"
#include "project/item.h"
#include "render/plan_view_map.h"

namespace yemvo::app {

/// Neither hidden nor locked in the project.
bool can_pick(const Project&, ItemKind);
bool is_shown(const Project&, ItemKind);
/// Something large that other things lie in: a band may be begun inside it.
bool is_area(const Item&);

/// Everything at a place on the screen, the topmost first: access points, notes, openings, walls,
/// then what lies there by its outline, then by its area.
std::vector<Item> items_at(const Project&, const Floor&, const render::PlanMap&, QPointF);

/// Inside the band: wholly when `enclosed`, else also what it touches.
std::vector<Item> items_in(const Project&, const Floor&, const Box&, bool enclosed);

/// "access point 7", "wall", "timber door"
QString item_name(const Project&, const Floor&, const Item&);

/// The nearest wall piece within reach and where along it.
struct WallPlace {
    WallId wall;
    int piece;
    double along_m;
};
std::optional<WallPlace> wall_at(const Floor&, Point, double reach_m);

}  // namespace yemvo::app
