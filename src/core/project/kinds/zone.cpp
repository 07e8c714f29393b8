// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/kinds/zone.h"

#include <algorithm>

#include "project/json_demand.h"
#include "project/json_shapes.h"
#include "project/rule_parts.h"

namespace yemvo {

using namespace rule;

void check(const Zone& z) {
    text("name", mark("name"), z.name, limits::name);
    corners("outline", z.outline, 3);
    if (z.colour < 0 || z.colour >= zone_colours)
        broken("colour", say("colour"), say("is none of the zone colours"));
    if (z.demand) check(*z.demand);
}

bool KindOf<Zone>::is_alike(const Zone& a, const Zone& b) { return a.kind == b.kind; }

void KindOf<Zone>::was_removed(Project& project, const Zone& z) {
    const auto names = [&](const RequirementSet& set) { return std::ranges::count(set.zones, z.id) > 0; };
    if (std::ranges::none_of(*project.requirement_sets, names)) return;
    std::erase_if(project.requirement_sets.edit(), [&](RequirementSet& set) {
        return std::erase(set.zones, z.id) > 0 && set.zones.empty();  // one that held only there goes with it
    });
}

Json KindOf<Zone>::write(const Zone& z) {
    Json json{{"id", z.id.value},
              {"name", z.name},
              {"kind", zone_kind_name(z.kind)},
              {"colour", z.colour},
              {"outline", write_points(z.outline)}};
    if (z.open_air) json["open_air"] = true;
    if (z.demand) json["demand"] = write_zone_demand(*z.demand);
    write_group(json, z.group);
    return json;
}

Zone KindOf<Zone>::read(const Reader& r) {
    Zone z{r.at("id").id<ZoneId>(), r.at("name").text(), r.at("kind").word(find_zone_kind),
           read_points(r.at("outline"))};
    if (const auto colour = r.find("colour")) z.colour = colour->integer();
    if (const auto open = r.find("open_air")) z.open_air = open->boolean();
    if (const auto demand = r.find("demand")) z.demand = read_zone_demand(*demand);
    z.group = read_group(r);
    return r.kept(std::move(z));
}

}  // namespace yemvo
