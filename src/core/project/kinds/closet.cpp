// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/kinds/closet.h"

#include "project/json_shapes.h"
#include "project/rule_parts.h"

namespace yemvo {

using namespace rule;

void check(const Closet& c) {
    text("name", mark("name"), c.name, limits::name);
    place("position", mark("place"), c.position, limits::coordinate_m);
    number("racks", mark("number of racks"), c.racks, limits::racks);
}

Json KindOf<Closet>::write(const Closet& c) {
    Json json{
        {"id", c.id.value}, {"name", c.name}, {"position", write_point(c.position)}, {"racks", c.racks}};
    write_group(json, c.group);
    return json;
}

Closet KindOf<Closet>::read(const Reader& r) {
    return r.kept(Closet{r.at("id").id<ClosetId>(), r.at("name").text(limits::name),
                         read_point(r.at("position")), r.at("racks").integer(), read_group(r)});
}

}  // namespace yemvo
