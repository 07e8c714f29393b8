// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/kinds/obstacle.h"

#include "project/json_shapes.h"
#include "project/rule_parts.h"

namespace yemvo {

using namespace rule;

void check(const Obstacle& o) {
    text("name", mark("name"), o.name, limits::name);
    corners("outline", o.outline, o.round ? 2 : 3);
    if (o.round && o.outline.size() != 2)
        broken("outline", say("outline"), say("of a round one has its centre and a place on its rim"));
    number("base_m", mark("base height"), o.base_m, limits::above_floor_m);
    top(o.top_m);
}

Json KindOf<Obstacle>::write(const Obstacle& o) {
    Json json{{"id", o.id.value},
              {"name", o.name},
              {"kind", obstacle_kind_name(o.kind)},
              {"type", o.type.value},
              {"round", o.round},
              {"outline", write_points(o.outline)},
              {"base_m", o.base_m},
              {"top_m", write_top(o.top_m)}};
    write_group(json, o.group);
    return json;
}

Obstacle KindOf<Obstacle>::read(const Reader& r) {
    Obstacle o;
    o.id = r.at("id").id<ObstacleId>();
    o.name = r.at("name").text();
    o.kind = r.at("kind").word(find_obstacle_kind);
    o.type = r.at("type").id<WallTypeId>();
    o.round = r.at("round").boolean();
    o.outline = read_points(r.at("outline"));
    o.base_m = r.at("base_m").number();
    o.top_m = read_top(r);
    o.group = read_group(r);
    return r.kept(std::move(o));
}

}  // namespace yemvo
