// SPDX-License-Identifier: GPL-3.0-or-later
// Ways to a place that several parts of the window's state make together.
#pragma once
#include <optional>
#include <string>

#include "base/id.h"
#include "geometry/point.h"
#include "wireless/band.h"

namespace yemvo {
struct Finding;
struct Requirement;
}  // namespace yemvo

namespace yemvo::app {

class Workspace;

/// Goes to where a finding is and selects what it is about.
void show_finding(Workspace&, const Finding&);
/// Looks at where a requirement stands: its lens, these bands, its limit, at a place of a floor.
void look_at(Workspace&, const Requirement&, BandSet, FloorId, std::optional<Point>);
/// Looks at another busy hour; nothing where the project has none of that key, or looks at it already.
void look_at_hour(Workspace&, const std::string& key);
/// Of maps and verdict alike, since a verdict that changed with the look of the map could not be trusted.
void choose_grid(Workspace&, double grid_m);

}  // namespace yemvo::app
