// SPDX-License-Identifier: GPL-3.0-or-later
// What is said once for the whole site about its demand: busy hours, applications, the networks on the air,
// and the circuit that all of it goes through.
#pragma once
#include <string>
#include <string_view>
#include <vector>

#include "base/shared.h"
#include "demand/application.h"
#include "wireless/band.h"

namespace yemvo {

struct BusyHour {
    std::string key;
    std::string name;  ///< "Weekday, 3 pm"
    friend bool operator==(const BusyHour&, const BusyHour&) = default;
};

/// A name on the air.
struct Network {
    std::string key;
    std::string name;
    BandSet bands = all_bands();
    double lowest_rate_mbps = 12;  ///< beacons go out at it, and clients that cannot hold it stay away
    double beacon_bytes = 300;
    double limit_down_mbps = 0, limit_up_mbps = 0;  ///< of each client; 0: none
    BandSet steer_to = {};                          ///< empty: clients choose
    double addresses = 0;                           ///< that it can give out; 0: not told
    friend bool operator==(const Network&, const Network&) = default;
};

/// The circuit and the gateway; 0: not told.
struct Uplink {
    double down_mbps = 0, up_mbps = 0;
    double allowed = 0.9;  ///< share of it that demand may take
    double connections = 0;
    double connections_per_client = 40;
    friend bool operator==(const Uplink&, const Uplink&) = default;
};

struct DemandBook {
    std::vector<BusyHour> hours{{"busy", "Busy hour"}};
    std::string hour = "busy";  ///< that is looked at; all are judged
    Shared<std::vector<Application>> applications;
    Shared<std::vector<Network>> networks;
    Uplink uplink;
    friend bool operator==(const DemandBook&, const DemandBook&) = default;
};

/// Null where there is none.
const BusyHour* find_hour(const DemandBook&, std::string_view key);
const Application* find_application(const DemandBook&, std::string_view key);
const Network* find_network(const DemandBook&, std::string_view key);

}  // namespace yemvo
