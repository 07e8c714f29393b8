// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/demand_table.h"

#include <algorithm>
#include <cmath>

namespace yemvo {
namespace {

double limited(double mbps, double own, double network) {
    if (own > 0) mbps = std::min(mbps, own);
    if (network > 0) mbps = std::min(mbps, network);
    return mbps;
}

/// Packets of several sizes in one queue.
class QueueSum {
public:
    void add(double mbps, double bytes, double burst) {
        if (mbps <= 0 || bytes <= 0) return;
        per_s_ += mbps * 1e6 / (8 * bytes);
        bytes_per_s_ += mbps * 1e6 / 8;
        bursts_per_s_ += mbps * 1e6 / (8 * bytes * burst);
    }
    Traffic::Queue queue() const { return {per_s_, per_s_ > 0 ? bytes_per_s_ / per_s_ : 0, bursts_per_s_}; }

private:
    double per_s_ = 0, bytes_per_s_ = 0, bursts_per_s_ = 0;
};

int highest_band(const ClientProfile& c) {
    int highest = -1;
    for (const auto& [band, width] : c.widest_mhz)
        if (width > 0) highest = std::max(highest, int{band.index});
    return highest;
}

}  // namespace

Traffic traffic(const ZoneDemand& d, const DemandBook& book) {
    const Network* network = find_network(book, d.network);
    QueueSum down, up, voice_down, voice_up;
    Traffic t;
    for (const MixPart& part : d.applications) {
        const Application* a = find_application(book, part.key);
        const double share = share_of(d.applications, part.key);
        if (!a || share <= 0) continue;
        const double down_mbps =
            share * a->active *
            limited(a->down_mbps, d.limit_down_mbps, network ? network->limit_down_mbps : 0);
        const double up_mbps =
            share * a->active * limited(a->up_mbps, d.limit_up_mbps, network ? network->limit_up_mbps : 0);
        const bool voice = a->delay == DelayClass::real_time;
        (voice ? voice_down : down).add(down_mbps, a->packet_down_bytes, a->burst_down);
        (voice ? voice_up : up).add(up_mbps, a->packet_up_bytes, a->burst_up);
        t.down_mbps += down_mbps;
        t.up_mbps += up_mbps;
    }
    t.down = down.queue();
    t.up = up.queue();
    t.voice_down = voice_down.queue();
    t.voice_up = voice_up.queue();
    return t;
}

DemandFigures& DemandFigures::operator+=(const DemandFigures& f) {
    area_m2 += f.area_m2;
    people += f.people;
    clients += f.clients;
    down_mbps += f.down_mbps;
    up_mbps += f.up_mbps;
    return *this;
}

DemandFigures demand_figures(const DemandPlace& place, const DemandBook& book, std::string_view hour) {
    const Traffic each = traffic(place.demand(), book);
    const double on_air = place.clients_at(hour);
    return {place.size_m2(), place.people_at(hour), on_air, on_air * each.down_mbps, on_air * each.up_mbps};
}

double clients_at(const Project& project, std::string_view hour) {
    double sum = 0;
    for (const Floor* f : all_floors(project))
        for (const DemandPlace& p : demand_places(*f)) sum += p.clients_at(hour);
    return sum;
}

DemandTable demand_table(const Project& project, std::string_view hour) {
    DemandTable table;
    table.highest_band.assign(band_count(), 0);
    for (const Floor* f : all_floors(project)) {
        FloorFigures floor{{}, f->id};
        for (const DemandPlace& place : demand_places(*f)) {
            const DemandFigures own = demand_figures(place, project.demand, hour);
            table.zones.push_back({own, f->id, place.row ? ZoneId{} : place.zone->id,
                                   place.row ? place.row->id : DeviceRowId{}});
            floor += own;
            for (const ClientProfile& c : *project.clients)
                if (const int band = highest_band(c); band >= 0)
                    table.highest_band[static_cast<std::size_t>(band)] +=
                        own.clients * share_of(place.demand().profiles, c.key);
        }
        if (!table.zones.empty() && table.zones.back().floor == f->id) table.floors.push_back(floor);
        table.site += floor;
    }
    return table;
}

const ZoneFigures* DemandTable::find(ZoneId id) const {
    const auto at = std::ranges::find(zones, id, &ZoneFigures::zone);
    return at == zones.end() ? nullptr : &*at;
}

const FloorFigures* DemandTable::find(FloorId id) const {
    const auto at = std::ranges::find(floors, id, &FloorFigures::floor);
    return at == floors.end() ? nullptr : &*at;
}

bool UplinkLoad::is_too_much(const Uplink& u) const {
    return down_share > u.allowed || up_share > u.allowed ||
           (u.connections > 0 && connections > u.connections);
}

UplinkLoad uplink_load(const DemandBook& book, const DemandFigures& site) {
    const Uplink& u = book.uplink;
    return {u.down_mbps > 0 ? site.down_mbps / u.down_mbps : 0, u.up_mbps > 0 ? site.up_mbps / u.up_mbps : 0,
            site.clients * u.connections_per_client, site.clients};
}

}  // namespace yemvo
