// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/kinds/closet.h"

#include "project/json_lists.h"
#include "project/json_shapes.h"
#include "project/rule_parts.h"

namespace yemvo {

using namespace rule;

void check(const Closet& c) {
    text("name", mark("name"), c.name, limits::name);
    place("position", mark("place"), c.position, limits::coordinate_m);
    number("racks", mark("number of racks"), c.racks, limits::racks);
    if (c.switches.size() > limits::switches)
        broken("switches", say("switches"), say("may be at most %1", limits::switches));
    for (const Switch& s : c.switches) {
        text("switches", mark("name of a switch"), s.name, limits::name);
        number("switches", mark("ports of a switch"), s.ports, limits::ports);
        number("switches", mark("watts of a switch"), s.budget_w, limits::switch_w);
        number("switches", mark("uplink of a switch"), s.uplink_mbps, limits::demand_mbps);
        if (s.source == PowerSource::dc)
            broken("switches", say("power of a switch"), say("must be one of Ethernet's"));
    }
}

std::string free_closet_name(const Project& project) {
    for (int n = 1;; ++n) {
        std::string name = "TR-" + std::to_string(n);
        bool taken = false;
        for (const Floor* f : all_floors(project))
            for (const Closet& c : *f->closets) taken = taken || c.name == name;
        if (!taken) return name;
    }
}

namespace {

Json write_switch(const Switch& s) {
    Json json{{"name", s.name}, {"ports", s.ports}, {"budget_w", s.budget_w}, {"uplink_mbps", s.uplink_mbps}};
    if (s.source) json["power_source"] = power_source_key(*s.source);
    return json;
}

Switch read_switch(const Reader& r) {
    Switch s{r.at("name").text(), r.at("ports").integer(), std::nullopt, r.at("budget_w").number(),
             r.at("uplink_mbps").number()};
    if (const auto source = r.find("power_source")) s.source = source->word(find_power_source);
    return s;
}

}  // namespace

Json KindOf<Closet>::write(const Closet& c) {
    Json json{
        {"id", c.id.value}, {"name", c.name}, {"position", write_point(c.position)}, {"racks", c.racks}};
    write_group(json, c.group);
    if (!c.switches.empty()) json["switches"] = write_list(c.switches, write_switch);
    return json;
}

Closet KindOf<Closet>::read(const Reader& r) {
    return r.kept(Closet{r.at("id").id<ClosetId>(), r.at("name").text(limits::name),
                         read_point(r.at("position")), r.at("racks").integer(), read_group(r),
                         read_list_if_any<Switch>(r, "switches", read_switch)});
}

}  // namespace yemvo
