// SPDX-License-Identifier: GPL-3.0-or-later
// All that has demand on a floor: zones with people, rows of fixed devices.
#pragma once
#include <functional>
#include <vector>

#include "project/item.h"
#include "project/project.h"

namespace yemvo {

/// One of the two is set; it lives as long as the floor that it is of.
struct DemandPlace {
    const Zone* zone = nullptr;
    const DeviceRow* row = nullptr;
    const ZoneDemand& demand() const { return row ? row->demand : *zone->demand; }
    const std::string& name() const { return row ? row->name : zone->name; }
    /// 0 for a row.
    double size_m2() const { return row ? 0 : area_m2(zone->outline); }
    Point middle() const { return row ? yemvo::middle(*row) : centroid(zone->outline); }
    Item item() const;
    double clients_at(std::string_view hour) const { return clients(demand(), size_m2(), hour); }
    /// Nobody beside fixed devices.
    double people_at(std::string_view hour) const { return row ? 0 : people(demand(), size_m2(), hour); }
};

/// Somebody is there at some busy hour.
bool has_demand(const Zone&);
bool has_demand(const Project&);
/// Those with somebody at some busy hour: zones, then rows, as the floor has them.
std::vector<DemandPlace> demand_places(const Floor&);
/// Those that say anything of demand, be it nobody.
std::vector<DemandPlace> told_places(const Floor&);

/// Changes what a zone or a row of devices asks; nothing where there is none.
void change_demand(Project&, FloorId, const Item&, const std::function<void(ZoneDemand&)>&);
/// The zone with its demand taken away, or the row of devices.
void remove_demand(Project&, FloorId, const Item&);

}  // namespace yemvo
