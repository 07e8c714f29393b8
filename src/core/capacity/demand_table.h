// SPDX-License-Identifier: GPL-3.0-or-later
// What is asked of the site at a busy hour: people, clients and Mbit/s by zone, floor and site.
#pragma once
#include <string_view>
#include <vector>

#include "project/demand_place.h"

namespace yemvo {

/// What one client of a zone asks for in the mean, limits of the zone and its network kept.
struct Traffic {
    struct Queue {
        double per_s = 0;  ///< MSDUs
        double bytes = 0;  ///< of each, in the mean
        double bursts_per_s = 0;
    };
    Queue down, up;              ///< best effort
    Queue voice_down, voice_up;  ///< frames that go alone
    double down_mbps = 0, up_mbps = 0;
    bool nothing() const { return down_mbps <= 0 && up_mbps <= 0; }
};
Traffic traffic(const ZoneDemand&, const DemandBook&);

struct DemandFigures {
    double area_m2 = 0, people = 0, clients = 0, down_mbps = 0, up_mbps = 0;
    DemandFigures& operator+=(const DemandFigures&);
    double people_per_m2() const { return area_m2 > 0 ? people / area_m2 : 0; }
};
/// A zone has its area as it is drawn: nothing is taken off where others lie on it.
DemandFigures demand_figures(const DemandPlace&, const DemandBook&, std::string_view hour);

struct ZoneFigures : DemandFigures {
    FloorId floor;
    ZoneId zone;      ///< or
    DeviceRowId row;  ///< of fixed devices
};
struct FloorFigures : DemandFigures {
    FloorId floor;
};
struct DemandTable {
    std::vector<ZoneFigures> zones;    ///< as demand_places of each floor
    std::vector<FloorFigures> floors;  ///< those with such places
    DemandFigures site;
    /// Clients by the highest band that they know, by band index.
    std::vector<double> highest_band;
    const ZoneFigures* find(ZoneId) const;
    const FloorFigures* find(FloorId) const;
};
DemandTable demand_table(const Project&, std::string_view hour);

/// Of the whole site.
double clients_at(const Project&, std::string_view hour);

/// What the circuit and the gateway are asked for, over what is said to be there.
struct UplinkLoad {
    double down_share = 0, up_share = 0;  ///< of the circuit; 0 where nothing is told of it
    double connections = 0;               ///< needed
    double addresses = 0;                 ///< needed by the clients that use any network
    bool is_too_much(const Uplink&) const;
};
UplinkLoad uplink_load(const DemandBook&, const DemandFigures& site);

}  // namespace yemvo
