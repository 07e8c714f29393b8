// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/demand_place.h"

#include <algorithm>

#include "project/edits.h"
#include "project/kinds/device_row.h"
#include "project/kinds/thing_edits.h"

namespace yemvo {

Item DemandPlace::item() const {
    return row ? Item{ItemKind::device_row, row->id.value} : Item{ItemKind::zone, zone->id.value};
}

bool has_demand(const Zone& z) { return z.demand && z.demand->amount > 0; }

bool has_demand(const Project& project) {
    return std::ranges::any_of(all_floors(project), [](const Floor* f) {
        return std::ranges::any_of(*f->zones, [](const Zone& z) { return has_demand(z); }) ||
               std::ranges::any_of(*f->device_rows, [](const DeviceRow& r) { return r.demand.amount > 0; });
    });
}

std::vector<DemandPlace> told_places(const Floor& f) {
    std::vector<DemandPlace> places;
    for (const Zone& z : *f.zones)
        if (z.demand) places.push_back({&z, nullptr});
    for (const DeviceRow& r : *f.device_rows) places.push_back({nullptr, &r});
    return places;
}

std::vector<DemandPlace> demand_places(const Floor& f) {
    std::vector<DemandPlace> places = told_places(f);
    std::erase_if(places, [](const DemandPlace& p) { return p.demand().amount <= 0; });
    return places;
}

void change_demand(Project& project, FloorId at, const Item& item,
                   const std::function<void(ZoneDemand&)>& change) {
    Floor& floor = floor_of(project, at);
    for (const DemandPlace& p : told_places(floor)) {
        if (!(p.item() == item)) continue;
        ZoneDemand demand = p.demand();
        change(demand);
        if (p.row)
            entry(floor.device_rows.edit(), DeviceRowId{item.id}).demand = std::move(demand);
        else
            entry(floor.zones.edit(), ZoneId{item.id}).demand = std::move(demand);
        return;
    }
}

void remove_demand(Project& project, FloorId at, const Item& item) {
    if (item.kind == ItemKind::device_row) return remove_thing<DeviceRow>(project, at, DeviceRowId{item.id});
    entry(floor_of(project, at).zones.edit(), ZoneId{item.id}).demand.reset();
}

}  // namespace yemvo
