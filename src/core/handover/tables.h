// SPDX-License-Identifier: GPL-3.0-or-later
// The tables of a plan: who hangs where, how its radios are set, which cable leads where, what is asked for,
// what was found, what is to be bought.
#pragma once
#include "handover/facts.h"
#include "handover/table.h"

namespace yemvo {

HandoverTable access_point_table(const HandoverFacts&);
HandoverTable radio_table(const HandoverFacts&);  ///< the radio schedule: those that are on
HandoverTable cable_table(const HandoverFacts&);
HandoverTable switch_table(const HandoverFacts&);
HandoverTable demand_by_zone(const HandoverFacts&);  ///< what is asked and carried, by busy hour and zone
HandoverTable finding_table(const HandoverFacts&);
HandoverTable bill_table(const HandoverFacts&);  ///< of materials

struct TableKind {
    const char* key;  ///< of files and of `--kind`
    HandoverTable (*make)(const HandoverFacts&);
};
/// In the order in which a folder or a workbook has them.
std::span<const TableKind> table_kinds();

/// The zone that an access point hangs in; null where it hangs in none. Of several the smallest.
const Zone* zone_with(const Floor&, const AccessPoint&);
/// The cable of an access point; null where there is none.
const CableRun* run_of(const HandoverFacts&, AccessPointId);

}  // namespace yemvo
