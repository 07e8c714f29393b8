// SPDX-License-Identifier: GPL-3.0-or-later
// The bill of materials: everything that a plan hangs, pulls and plugs in, by kind.
#include <cmath>
#include <map>

#include "handover/cells.h"

namespace yemvo {
namespace {

using namespace cells;

struct Need {
    double amount = 0;
    double price = 0;  ///< of one; 0: not told
};
/// By name; a name is bought once.
using Needs = std::map<std::string, Need>;

void add_rows(HandoverTable& t, const Said& kind, const Needs& needs, const char* unit) {
    for (const auto& [name, need] : needs) {
        const bool priced = need.price > 0;
        t.rows.push_back({HandoverCell(kind), words(name), number(need.amount), HandoverCell(said_mark(unit)),
                          priced ? number(need.price) : HandoverCell(),
                          priced ? number(need.price * need.amount) : HandoverCell()});
    }
}

void count_gear(const Project& project, Needs& models, Needs& antennas, Needs& cables) {
    for (const auto& [floor, ap] : placed_access_points(project)) {
        const AccessPointModel& m = model(project, ap->model);
        Need& need = models[m.name];
        need.amount += 1;
        need.price = m.body.price;
        for (const Radio& r : ap->radios) {
            const AntennaModel* antenna = find_antenna(project, r.antenna);
            if (!antenna) continue;
            antennas[antenna->name].amount += 1;
            antennas[antenna->name].price = antenna->body.price;
            for (const CableType& c : *project.cables)
                if (c.key == r.cable) cables[c.name].amount += r.cable_m;
        }
    }
}

}  // namespace

HandoverTable bill_table(const HandoverFacts& facts) {
    HandoverColumn total = summed(figure("total", say("Total"), "", 2, 12));
    total.factor_a = "amount";
    total.factor_b = "price";
    HandoverTable t{"bill",
                    say("Bill of materials"),
                    {text("kind", say("Kind"), 18), text("item", say("Item"), 32),
                     figure("amount", say("Amount"), "", 0, 9), text("unit", say("Unit"), 8),
                     figure("price", say("Price of one"), "", 2, 12), total},
                    {}};
    Needs models, antennas, antenna_cables, switches, cable, cords;
    count_gear(facts.project, models, antennas, antenna_cables);
    for (const Floor* floor : all_floors(facts.project))
        for (const Closet& closet : *floor->closets)
            for (const Switch& s : closet.switches) {
                const std::string power = s.source ? ", " + std::string(power_source_name(*s.source)) + ", " +
                                                         plain_number(s.budget_w, 0) + " W"
                                                   : std::string();
                switches[say("%1 ports", s.ports).english() + power].amount += 1;
            }
    for (auto* metres : {&antenna_cables})
        for (auto& [name, need] : *metres) need.amount = std::ceil(need.amount);
    const CablePlan& plan = facts.cables;
    if (plan.cable_m > 0) cable[facts.project.cabling.cable].amount = std::ceil(plan.cable_m);
    for (const CableRun& run : plan.runs)
        if (run.closet) cords[facts.project.cabling.cable].amount += 2;
    add_rows(t, say("Access point"), models, mark("pieces"));
    add_rows(t, say("Antenna"), antennas, mark("pieces"));
    add_rows(t, say("Antenna cable"), antenna_cables, mark("m"));
    add_rows(t, say("Switch"), switches, mark("pieces"));
    add_rows(t, say("Cable"), cable, mark("m"));
    add_rows(t, say("Patch cord"), cords, mark("pieces"));
    return t;
}

std::span<const TableKind> table_kinds() {
    static constexpr TableKind all[] = {{"access-points", access_point_table},
                                        {"radios", radio_table},
                                        {"cables", cable_table},
                                        {"switches", switch_table},
                                        {"demand", demand_by_zone},
                                        {"findings", finding_table},
                                        {"bill", bill_table}};
    return all;
}

}  // namespace yemvo
