// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <set>

#include "capacity/asked.h"
#include "handover/cells.h"

namespace yemvo {
namespace {

using namespace cells;

const Closet& closet_of(const Project& project, FloorId floor, ClosetId id) {
    return *find_closet(*find_floor(project, floor), id);
}

std::vector<HandoverCell> cable_row(const HandoverFacts& facts, const CableRun& run) {
    const Project& project = facts.project;
    const Floor& floor = *find_floor(project, run.floor);
    auto row = start_of_row(project, floor, *find_access_point(project, run.floor, run.access_point));
    if (!run.closet) {
        row.push_back(HandoverCell(say("no way to a closet")));
        row.resize(14);
        return row;
    }
    const Closet& closet = closet_of(project, run.closet_floor, run.closet);
    for (HandoverCell cell :
         {words(closet.name), run.port ? words(closet.switches[run.port->of].name) : HandoverCell(),
          run.port ? number(run.port->port) : HandoverCell(),
          run.outlet ? words(find_outlet(floor, run.outlet)->name) : HandoverCell(), number(run.way_m),
          number(run.drops_m), number(run.link_m), run.outlet ? HandoverCell() : number(run.link_m),
          number(run.channel_m), run.power_class ? number(run.power_class->number) : HandoverCell(),
          run.port_w > 0 ? number(run.port_w) : HandoverCell()})
        row.push_back(std::move(cell));
    return row;
}

}  // namespace

HandoverTable cable_table(const HandoverFacts& facts) {
    HandoverTable t{"cables", say("Cables"), head_of_access_point(), {}};
    for (HandoverColumn c :
         {text("closet", say("Closet"), 12), text("switch", say("Switch"), 12),
          figure("port", say("Port"), "", 0, 6), text("outlet", say("From outlet"), 12),
          figure("way_m", say("Way"), "m", 1), figure("drops_m", say("Drops"), "m", 1),
          figure("link_m", say("Link"), "m", 1), summed(figure("new_m", say("New"), "m", 1)),
          figure("channel_m", say("Channel"), "m", 1), figure("class", say("Class"), "", 0, 6),
          summed(figure("port_w", say("Port"), "W", 1))})
        t.columns.push_back(std::move(c));
    for (const CableRun& run : facts.cables.runs) t.rows.push_back(cable_row(facts, run));
    return t;
}

HandoverTable switch_table(const HandoverFacts& facts) {
    HandoverTable t{
        "switches",
        say("Switches"),
        {text("closet", say("Closet"), 12), text("floor", say("Floor"), 18),
         text("switch", say("Switch"), 12), summed(figure("ports", say("Ports"), "", 0, 7)),
         summed(figure("used", say("Used"), "", 0, 7)), text("source", say("Power"), 12),
         figure("budget_w", say("Budget"), "W", 0), summed(figure("class_w", say("By class"), "W", 0)),
         summed(figure("drawn_w", say("Drawn"), "W", 0)),
         figure("uplink_mbps", say("Uplink"), "Mbit/s", 0, 12),
         figure("asked_mbps", say("Asked of it"), "Mbit/s", 0, 12)},
        {}};
    const AskedByHour asked = facts.capacity ? asked_by_hour(*facts.capacity) : AskedByHour();
    for (const ClosetUse& use : facts.cables.closets) {
        const Closet& closet = closet_of(facts.project, use.floor, use.closet);
        for (std::size_t i = 0; i < use.switches.size(); ++i) {
            const Switch& s = closet.switches[i];
            t.rows.push_back(
                {words(closet.name), words(short_title(facts.project, *find_floor(facts.project, use.floor))),
                 words(s.name), number(s.ports), number(use.switches[i].ports_used),
                 s.source ? words(std::string(power_source_name(*s.source))) : HandoverCell(say("none")),
                 number(s.budget_w), number(use.switches[i].class_w), number(use.switches[i].drawn_w),
                 number(s.uplink_mbps),
                 facts.capacity ? number(most_asked_mbps(asked, fed_by(facts.cables, use.closet, i)))
                                : HandoverCell()});
        }
    }
    return t;
}

}  // namespace yemvo
