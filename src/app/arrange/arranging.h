// SPDX-License-Identifier: GPL-3.0-or-later
// What can be done with what is selected: turned, mirrored, repeated, joined, copied. Each is one edit.
#pragma once
#include <optional>
#include <vector>

#include "app/model/workspace.h"
#include "geometry/point.h"
#include "project/item.h"

namespace yemvo::app {

/// About the middle of what is selected, counter-clockwise.
void turn_selection(Workspace&, double degrees);
/// Left becomes right, or up becomes down, about the middle.
void mirror_selection(Workspace&, bool left_right);
/// Copies in columns and rows, `step` apart; the selection is the first. Openings are repeated along their
/// wall, `step.x` apart.
void repeat_selection(Workspace&, int columns, int rows, Point step);
/// Copies of the selected walls beside them, to the left of their run (right when negative).
void offset_selection(Workspace&, double left_m);
/// Selected walls whose ends meet become one.
void join_selection(Workspace&);
/// The first selected wall is lengthened or cut back to meet the second.
void meet_selection(Workspace&);
void group_selection(Workspace&);
void ungroup_selection(Workspace&);
/// Everything of the type of the (single) selected thing.
void select_alike(Workspace&, bool everywhere);
/// Things of the selection to another place of the same building's floors, by the same coordinates.
void copy_to_floors(Workspace&, const std::vector<FloorId>&);
/// As text on the clipboard; false when nothing is selected that can be copied.
bool copy_selection(Workspace&);
/// What the clipboard holds, its middle at a place; false when it is no part of a plan.
bool paste_items(Workspace&, std::optional<Point> at);
void duplicate_selection(Workspace&);

/// A corner put into a wall or outline, or taken out of it.
void add_corner(Workspace&, const Item&, Point at);
void remove_corner(Workspace&, const Item&, std::size_t corner);

}  // namespace yemvo::app
