// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/kinds/cable_ways.h"

#include "project/json_shapes.h"
#include "project/rule_parts.h"

namespace yemvo {

using namespace rule;

void check(const Outlet& o) {
    text("name", mark("name"), o.name, limits::name);
    place("position", mark("place"), o.position, limits::coordinate_m);
    number("height_m", mark("height"), o.height_m, limits::mounting_m);
}

void check(const Tray& t) {
    text("name", mark("name"), t.name, limits::name);
    corners("points", t.points, 2);
    number("height_m", mark("height"), t.height_m, limits::mounting_m);
}

void check(const Riser& r) {
    text("name", mark("name"), r.name, limits::name);
    place("position", mark("place"), r.position, limits::coordinate_m);
    number("storeys", mark("number of storeys"), r.storeys, limits::riser_storeys);
}

Json KindOf<Outlet>::write(const Outlet& o) {
    Json json{{"id", o.id.value},
              {"name", o.name},
              {"position", write_point(o.position)},
              {"height_m", o.height_m}};
    write_group(json, o.group);
    return json;
}

Outlet KindOf<Outlet>::read(const Reader& r) {
    return r.kept(Outlet{r.at("id").id<OutletId>(), r.at("name").text(limits::name),
                         read_point(r.at("position")), r.at("height_m").number(), read_group(r)});
}

Json KindOf<Tray>::write(const Tray& t) {
    Json json{
        {"id", t.id.value}, {"name", t.name}, {"points", write_points(t.points)}, {"height_m", t.height_m}};
    write_group(json, t.group);
    return json;
}

Tray KindOf<Tray>::read(const Reader& r) {
    return r.kept(Tray{r.at("id").id<TrayId>(), r.at("name").text(limits::name), read_points(r.at("points")),
                       r.at("height_m").number(), read_group(r)});
}

Json KindOf<Riser>::write(const Riser& riser) {
    Json json{{"id", riser.id.value},
              {"name", riser.name},
              {"position", write_point(riser.position)},
              {"storeys", riser.storeys}};
    write_group(json, riser.group);
    return json;
}

Riser KindOf<Riser>::read(const Reader& r) {
    return r.kept(Riser{r.at("id").id<RiserId>(), r.at("name").text(limits::name),
                        read_point(r.at("position")), r.at("storeys").integer(), read_group(r)});
}

}  // namespace yemvo
