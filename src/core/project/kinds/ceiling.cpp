// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/kinds/ceiling.h"

#include "project/json_shapes.h"
#include "project/rule_parts.h"

namespace yemvo {

using namespace rule;

void check(const CeilingArea& c) {
    text("name", mark("name"), c.name, limits::name);
    corners("outline", c.outline, 3);
    number("height_m", mark("height"), c.height_m, limits::ceiling_height_m);
}

Json KindOf<CeilingArea>::write(const CeilingArea& c) {
    Json json{{"id", c.id.value},
              {"name", c.name},
              {"height_m", c.height_m},
              {"type", c.type ? Json(c.type->value) : Json()},
              {"outline", write_points(c.outline)}};
    write_group(json, c.group);
    return json;
}

CeilingArea KindOf<CeilingArea>::read(const Reader& r) {
    CeilingArea c{r.at("id").id<CeilingId>(), r.at("name").text(), read_points(r.at("outline")),
                  r.at("height_m").number(),  std::nullopt,        read_group(r)};
    if (const auto type = r.find("type")) c.type = type->id<WallTypeId>();
    return r.kept(std::move(c));
}

}  // namespace yemvo
