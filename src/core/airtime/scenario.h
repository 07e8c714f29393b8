// SPDX-License-Identifier: GPL-3.0-or-later
// A few access points and clients whose air is worked out alone: who hears whom, what each sends. The form of
// the published packet-level scenarios that the model is held against (docs/format/airtime-scenario.md).
#pragma once
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "airtime/contention.h"
#include "base/error.h"
#include "wireless/channel.h"

namespace yemvo {

/// An access point with the clients that it serves.
struct ScenarioBss {
    Channel channel;
    int primary = 36;
};
struct ScenarioClient {
    int bss = 0, mcs = 7, streams = 1;
};
struct ScenarioFlow {
    bool down = true;
    int client = 0;
    AccessCategory category = AccessCategory::best_effort;
    int msdu_bytes = 1500;
    double load_mbps = 0;
    bool saturated = false;  ///< never ends; load_mbps means nothing then
};
struct AirScenario {
    std::string id, description;
    BandId band = band_5;
    Standard standard = Standard::ax;
    double guard_us = 0.8;
    std::vector<ScenarioBss> bss;
    std::vector<ScenarioClient> clients;
    std::vector<ScenarioFlow> flows;
    /// Pairs of nodes, access points first and then clients; none: all hear all.
    std::optional<std::vector<std::pair<int, int>>> hearing;
    double longest_ampdu_bytes = 0;  ///< of best effort; 0: no aggregates
    int window = 256;
    bool protects = false;
    double queue_msdus = 1000;
    Backoff best_effort = backoff(AccessCategory::best_effort), voice = backoff(AccessCategory::voice);
    int best_effort_aifs = 3, voice_aifs = 2;
    double beacon_bytes = 199, beacon_mbps = 6, beacon_interval_tu = 100;
};

struct StationResult {
    int client = 0;
    bool down = true;
    AccessCategory category = AccessCategory::best_effort;
    double asked_mbps = 0;  ///< infinite where saturated
    double delivered_mbps = 0;
    double share = 1;  ///< of what is asked; of what a saturated one could send alone, not known: 0
    double headroom = 0;
};
struct RadioResult {
    double use = 0;  ///< of time, as its access point hears it
};
struct ScenarioResult {
    std::vector<StationResult> stations;  ///< as the flows
    std::vector<RadioResult> radios;      ///< as the BSSs
    int sweeps = 0;
};

ScenarioResult run(const AirScenario&, const CancelToken& = {});

/// Every scenario of a text: one, a list, or an object with "scenarios". Throws Error naming the place of
/// what is missing, unknown or out of range.
std::vector<AirScenario> read_scenarios(std::string_view json);

}  // namespace yemvo
