// SPDX-License-Identifier: GPL-3.0-or-later
// What most things on a floor have, as JSON: points, tops, groups.
#pragma once
#include <nlohmann/json.hpp>

#include "project/json_lists.h"

namespace yemvo {

Json write_point(Point);
Point read_point(const Reader&);
Json write_points(const std::vector<Point>&);
std::vector<Point> read_points(const Reader&);
/// "top_m"; null where there is none.
Json write_top(const std::optional<double>& top_m);
std::optional<double> read_top(const Reader&);
/// "group", left out where there is none.
void write_group(Json&, GroupId);
GroupId read_group(const Reader&);

}  // namespace yemvo
