// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/kinds/ramp.h"

#include "project/json_shapes.h"
#include "project/rule_parts.h"

namespace yemvo {

using namespace rule;

void check(const Ramp& r) {
    text("name", mark("name"), r.name, limits::name);
    corners("outline", r.outline, 4);
    if (r.outline.size() != 4) broken("outline", say("outline"), say("of a ramp has four corners"));
    number("foot_m", mark("foot height"), r.foot_m, limits::above_floor_m);
    number("rise_m", mark("rise"), r.rise_m, limits::rise_m);
}

void KindOf<Ramp>::set_points(Ramp& r, const std::vector<Point>& points) {
    if (points.size() != r.outline.size()) throw std::logic_error("a ramp has four corners");
    r.outline = points;
}

Json KindOf<Ramp>::write(const Ramp& r) {
    Json json{{"id", r.id.value},     {"name", r.name},
              {"type", r.type.value}, {"outline", write_points(r.outline)},
              {"foot_m", r.foot_m},   {"rise_m", r.rise_m}};
    write_group(json, r.group);
    return json;
}

Ramp KindOf<Ramp>::read(const Reader& r) {
    Ramp ramp{r.at("id").id<RampId>(),
              r.at("name").text(),
              r.at("type").id<WallTypeId>(),
              read_points(r.at("outline")),
              r.at("foot_m").number(),
              r.at("rise_m").number(),
              read_group(r)};
    return r.kept(std::move(ramp));
}

}  // namespace yemvo
