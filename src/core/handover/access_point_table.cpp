// SPDX-License-Identifier: GPL-3.0-or-later
#include "geometry/polygon.h"
#include "handover/cells.h"
#include "project/working_radio.h"

namespace yemvo {
namespace cells {

std::vector<HandoverColumn> head_of_access_point() {
    return {text("name", say("Name"), 14), figure("number", say("No."), "", 0, 5),
            text("floor", say("Floor"), 18)};
}

std::vector<HandoverCell> start_of_row(const Project& project, const Floor& floor, const AccessPoint& ap) {
    return {words(called(ap)), number(ap.number), words(short_title(project, floor))};
}

}  // namespace cells

namespace {

using namespace cells;

bool has_axes(const Project& project) {
    return std::ranges::any_of(project.buildings, [](const Building& b) { return !b.axes.empty(); });
}

HandoverCell closet_and_port(const HandoverFacts& facts, const CableRun* run) {
    if (!run || !run->closet) return {};
    const Closet& closet = *find_closet(*find_floor(facts.project, run->closet_floor), run->closet);
    if (!run->port) return words(closet.name);
    return words(closet.switches[run->port->of].name + " / " + std::to_string(run->port->port));
}

}  // namespace

const CableRun* run_of(const HandoverFacts& facts, AccessPointId id) {
    for (const CableRun& run : facts.cables.runs)
        if (run.access_point == id) return &run;
    return nullptr;
}

const Zone* zone_with(const Floor& floor, const AccessPoint& ap) {
    const Zone* smallest = nullptr;
    for (const Zone& z : *floor.zones)
        if (contains(z.outline, ap.position) &&
            (!smallest || area_m2(z.outline) < area_m2(smallest->outline)))
            smallest = &z;
    return smallest;
}

HandoverTable access_point_table(const HandoverFacts& facts) {
    const Project& project = facts.project;
    HandoverTable t{"access-points", say("Access points"), head_of_access_point(), {}};
    for (HandoverColumn c :
         {text("zone", say("Zone"), 16), text("model", say("Model"), 24), text("mount", say("Mount"), 9),
          figure("x_m", say("x"), "m", 2), figure("y_m", say("y"), "m", 2),
          figure("height_m", say("Height"), "m", 2), figure("azimuth_deg", say("Azimuth"), "°", 0),
          figure("tilt_deg", say("Tilt"), "°", 0), text("port", say("Closet and port"), 14),
          text("state", say("State"), 9), text("date", say("Date"), 11),
          text("serial", say("Serial number"), 16), text("address", say("Address"), 18),
          text("note", say("Note"), 24)})
        t.columns.push_back(std::move(c));
    const bool by_axes = has_axes(project);
    if (by_axes) t.columns.push_back(text("grid", say("Axes"), 16));
    for (const auto& [floor, ap] : placed_access_points(project)) {
        auto row = start_of_row(project, *floor, *ap);
        const Zone* zone = zone_with(*floor, *ap);
        for (HandoverCell cell :
             {zone ? words(zone->name) : HandoverCell(), words(model(project, ap->model).name),
              HandoverCell(said_mark(mount_name(ap->mount))), number(ap->position.x), number(ap->position.y),
              number(ap->height_m), number(ap->azimuth_deg), number(ap->downtilt_deg),
              closet_and_port(facts, run_of(facts, ap->id)),
              HandoverCell(said_mark(site_state(ap->on_site.state).name)), words(ap->on_site.date),
              words(ap->on_site.serial), words(ap->on_site.address), words(ap->on_site.note)})
            row.push_back(std::move(cell));
        if (by_axes) row.push_back(words(axes_text(project, *floor, ap->position)));
        t.rows.push_back(std::move(row));
    }
    return t;
}

HandoverTable radio_table(const HandoverFacts& facts) {
    const Project& project = facts.project;
    HandoverTable t{"radios", say("Radio schedule"), head_of_access_point(), {}};
    for (HandoverColumn c :
         {text("band_ghz", say("GHz"), 5), text("channel", say("Channel"), 8),
          figure("width_mhz", say("Width"), "MHz", 0, 7), figure("centre_mhz", say("Centre"), "MHz", 0, 8),
          figure("power_dbm", say("Power"), "dBm", 1, 8), figure("eirp_dbm", say("EIRP"), "dBm", 1, 8),
          text("antenna", say("Antenna"), 20), figure("cable_m", say("Cable"), "m", 1, 7),
          text("networks", say("Networks"), 20)})
        t.columns.push_back(std::move(c));
    for (const RadioAt& at : radios_at_work(project)) {
        const AccessPoint& ap = *at.placed.access_point;
        const Radio& radio = at.set();
        const WorkingRadio working = working_radio(project, ap, at.radio);
        std::string networks;
        for (const Network& n : *project.demand.networks)
            if (std::ranges::find(radio.without, n.key) == radio.without.end() &&
                n.bands.contains(radio.channel.band))
                networks += (networks.empty() ? "" : ", ") + n.name;
        auto row = start_of_row(project, *at.placed.floor, ap);
        for (HandoverCell cell :
             {words(band(radio.channel.band).name),
              radio.channel_open ? HandoverCell(say("open")) : words(std::to_string(radio.primary)),
              number(radio.channel.width_mhz), number(centre_mhz(radio.channel)), number(working.power_dbm),
              number(working.eirp_dbm()),
              working.external ? words(working.external->name) : HandoverCell(say("its own")),
              radio.cable.empty() ? HandoverCell() : number(radio.cable_m), words(networks)})
            row.push_back(std::move(cell));
        t.rows.push_back(std::move(row));
    }
    return t;
}

}  // namespace yemvo
