// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/json_shapes.h"

namespace yemvo {

Json write_point(Point p) { return Json::array({p.x, p.y}); }

Point read_point(const Reader& r) {
    const Json& value = r.value();
    if (!value.is_array() || value.size() != 2) r.fail(say("must be [x, y]"));
    const auto items = r.items(2);
    return {items[0].number(), items[1].number()};
}

Json write_points(const std::vector<Point>& points) {
    Json list = Json::array();
    for (Point p : points) list.push_back(write_point(p));
    return list;
}

std::vector<Point> read_points(const Reader& r) {
    std::vector<Point> points;
    for (const Reader& item : r.items(limits::points)) points.push_back(read_point(item));
    return points;
}

Json write_top(const std::optional<double>& top_m) { return top_m ? Json(*top_m) : Json(); }

std::optional<double> read_top(const Reader& r) {
    const auto top = r.find("top_m");
    return top ? std::optional(top->number()) : std::nullopt;
}

void write_group(Json& json, GroupId group) {
    if (group) json["group"] = group.value;
}

GroupId read_group(const Reader& r) {
    const auto group = r.find("group");
    return group ? group->id<GroupId>() : GroupId{};
}

}  // namespace yemvo
