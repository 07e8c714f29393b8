// SPDX-License-Identifier: GPL-3.0-or-later
// Who serves whom at each busy hour, what that costs of the air, and what of the demand is carried.
#pragma once
#include <map>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "airtime/contention.h"
#include "capacity/demand_table.h"
#include "capacity/heard.h"
#include "project/neighbours.h"

namespace yemvo {

/// A client that gets least of what it needs on its radio.
struct WeakClient {
    FloorId floor;
    ZoneId zone;      ///< or
    DeviceRowId row;  ///< of fixed devices
    Point place;
    std::uint16_t profile = 0;  ///< index into the project's client profiles
    double signal_dbm = 0;
    double down_mbps = 0, up_mbps = 0;  ///< PHY rates
    double satisfied = 1;
};

/// More headroom is not told: an idle radio has any.
inline constexpr double most_headroom = 99;

struct RadioCapacity {
    AirRadio radio;
    double clients = 0;
    double asked_down_mbps = 0, asked_up_mbps = 0, got_down_mbps = 0, got_up_mbps = 0;
    double beacons = 0;   ///< share of time of its own
    double own_use = 0;   ///< share of time that it and its clients take
    double use = 0;       ///< share of time in use as it hears it, everybody's
    double headroom = 0;  ///< how much more of the same: of the tighter of down and up; negative in overload
    double delivered_down = 1, delivered_up = 1;  ///< shares of what is asked
    double satisfied = 1;                         ///< share of its clients
    int shares_with = 0;                          ///< other radios that it defers to
    int width_mhz = 20;                           ///< that it works with, after falling back
    bool fell_back = false;  ///< to 20 MHz for a client that refuses 40, or near others at 2.4 GHz
    std::optional<WeakClient> weakest;
};

struct PlaceCapacity {
    double people = 0, clients = 0;
    double asked_down_mbps = 0, asked_up_mbps = 0, got_down_mbps = 0, got_up_mbps = 0;
    double satisfied = 0;       ///< clients
    double not_reached = 0;     ///< clients that no radio serves
    double could_get_mbps = 0;  ///< sum over clients of what each could get down, if all asked alike for more
    double satisfied_share() const { return clients > 0 ? satisfied / clients : 1; }
    double mbps_a_client() const { return clients > 0 ? got_down_mbps / clients : 0; }
    PlaceCapacity& operator+=(const PlaceCapacity&);
};
struct ZoneCapacity : PlaceCapacity {
    FloorId floor;
    ZoneId zone;                  ///< or
    DeviceRowId row;              ///< of fixed devices
    bool stands_nowhere = false;  ///< no prediction has a place for them, as beyond the walls
};
struct FloorCapacity : PlaceCapacity {
    FloorId floor;
};

/// One standing client.
struct ClientCapacity {
    std::uint32_t floor;     ///< index into HourCapacity::floors
    std::uint32_t client;    ///< index into its standing clients
    std::uint32_t place_at;  ///< index into HourCapacity::zones
    std::int32_t radio;      ///< index into HourCapacity::radios; -1: nobody
    float weight;
    float satisfied;
    float signal_dbm, down_mbps, up_mbps;  ///< signal and PHY rates
};

struct ChannelCapacity {
    BandId band;
    int primary;
    int radios = 0;
    double use = 0;  ///< of the fullest of its radios
};

struct HourCapacity {
    std::string hour;
    std::vector<RadioCapacity> radios;  ///< as air_radios
    std::vector<ZoneCapacity> zones;    ///< and rows of devices, those with somebody at this hour
    std::vector<FloorCapacity> floors;
    std::vector<ChannelCapacity> channels;
    std::vector<ClientCapacity> clients;
    std::vector<std::shared_ptr<const HeardFloor>> heard;  ///< as `floors`
    std::shared_ptr<const Neighbours> neighbours;          ///< never null
    PlaceCapacity site;
    int sweeps = 0;       ///< of the largest part
    bool settled = true;  ///< the sweeps came to rest
    const RadioCapacity* find(AccessPointId, std::size_t radio) const;
    const ZoneCapacity* find(ZoneId) const;
    const ZoneCapacity* find(DeviceRowId) const;
};

struct SiteCapacity {
    std::vector<HourCapacity> hours;  ///< as the project's
    std::uint64_t key = 0;            ///< equal for equal content
    const HourCapacity* find(std::string_view hour) const;
    /// That in which the least share of clients is satisfied; null where nobody asks for anything.
    const HourCapacity* worst() const;
};

/// Keeps its solutions to begin the next from. Not safe from several threads.
class CapacitySolver {
public:
    CapacitySolver();
    ~CapacitySolver();
    /// `floors`: all that have demand or radios, with the project's radios. Throws Cancelled.
    std::shared_ptr<const SiteCapacity> solve(const Project&, const std::vector<AirRadio>&,
                                              const std::vector<std::shared_ptr<const HeardFloor>>& floors,
                                              const CancelToken& = {});
    /// Parts of the site that had to be solved anew the last time, for tests and benchmarks.
    std::size_t solved() const;

private:
    class Kept;
    std::unique_ptr<Kept> kept_;
};

/// From the fields of every floor.
std::shared_ptr<const SiteCapacity> site_capacity(const Project&, const SitePrediction&, CapacitySolver&,
                                                  const CancelToken& = {});

/// Floor by floor, so that one floor's fields at a time have to be in memory.
std::shared_ptr<const SiteCapacity> capacity_by_floors(const Project&, Predictor&, const CancelToken& = {});

}  // namespace yemvo
