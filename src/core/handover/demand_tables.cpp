// SPDX-License-Identifier: GPL-3.0-or-later
#include "handover/cells.h"

namespace yemvo {
namespace {

using namespace cells;

std::string place_name(const Floor& floor, const ZoneCapacity& z) {
    if (const Zone* zone = find_zone(floor, z.zone)) return zone->name;
    const DeviceRow* row = find_device_row(floor, z.row);
    return row ? row->name : std::string();
}

}  // namespace

HandoverTable demand_by_zone(const HandoverFacts& facts) {
    HandoverTable t{
        "demand",
        say("Demand"),
        {text("hour", say("Busy hour"), 16), text("floor", say("Floor"), 18), text("zone", say("Zone"), 18),
         figure("people", say("People"), "", 0), figure("clients", say("Clients"), "", 0),
         figure("asked_down_mbps", say("Asked down"), "Mbit/s", 1),
         figure("asked_up_mbps", say("Asked up"), "Mbit/s", 1),
         figure("carried_down_mbps", say("Carried down"), "Mbit/s", 1),
         figure("carried_up_mbps", say("Carried up"), "Mbit/s", 1),
         figure("satisfied_percent", say("Satisfied"), "%", 1)},
        {}};
    if (!facts.capacity) return t;
    for (const HourCapacity& hour : facts.capacity->hours) {
        const BusyHour* known = find_hour(facts.project.demand, hour.hour);
        for (const ZoneCapacity& z : hour.zones) {
            const Floor& floor = *find_floor(facts.project, z.floor);
            t.rows.push_back({words(known ? known->name : hour.hour),
                              words(short_title(facts.project, floor)), words(place_name(floor, z)),
                              number(z.people), number(z.clients), number(z.asked_down_mbps),
                              number(z.asked_up_mbps), number(z.got_down_mbps), number(z.got_up_mbps),
                              number(100 * z.satisfied_share())});
        }
    }
    return t;
}

HandoverTable finding_table(const HandoverFacts& facts) {
    HandoverTable t{"findings",
                    say("Findings"),
                    {text("rule", say("Rule"), 22), text("floor", say("Floor"), 18),
                     figure("x_m", say("x"), "m", 2), figure("y_m", say("y"), "m", 2),
                     text("what", say("What"), 60), text("accepted", say("Accepted because"), 40)},
                    {}};
    for (const Finding& f : facts.findings) {
        const Floor* floor = find_floor(facts.project, f.floor);
        t.rows.push_back({HandoverCell(said_mark(rule_info(f.rule).name)),
                          floor ? words(short_title(facts.project, *floor)) : HandoverCell(),
                          f.has_place ? number(f.place.x) : HandoverCell(),
                          f.has_place ? number(f.place.y) : HandoverCell(), HandoverCell(said_first(f.what)),
                          f.waived ? HandoverCell(f.waived->empty() ? say("accepted") : Said(*f.waived))
                                   : HandoverCell()});
    }
    return t;
}

}  // namespace yemvo
