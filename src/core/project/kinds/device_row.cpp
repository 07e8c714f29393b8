// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/kinds/device_row.h"

#include "project/json_demand.h"
#include "project/json_shapes.h"
#include "project/rule_parts.h"

namespace yemvo {

using namespace rule;

void check(const DeviceRow& r) {
    text("name", mark("name"), r.name, limits::name);
    place("from", mark("place of the first"), r.from, limits::coordinate_m);
    place("to", mark("place of the last"), r.to, limits::coordinate_m);
    if (r.demand.by != PeopleBy::count || r.demand.devices != 1)
        broken("demand.by", say("number of devices"), say("must be counted, one a head"));
    check(r.demand);
}

Json KindOf<DeviceRow>::write(const DeviceRow& r) {
    Json json{{"id", r.id.value},
              {"name", r.name},
              {"from", write_point(r.from)},
              {"to", write_point(r.to)},
              {"demand", write_zone_demand(r.demand)}};
    write_group(json, r.group);
    return json;
}

DeviceRow KindOf<DeviceRow>::read(const Reader& r) {
    return r.kept(DeviceRow{r.at("id").id<DeviceRowId>(), r.at("name").text(), read_point(r.at("from")),
                            read_point(r.at("to")), read_zone_demand(r.at("demand")), read_group(r)});
}

}  // namespace yemvo
