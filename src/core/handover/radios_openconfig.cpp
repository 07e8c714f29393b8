// SPDX-License-Identifier: GPL-3.0-or-later
// What the model cannot say is left out rather than bent: a channel width above 255 MHz (its leaf is a
// uint8), and a 6 GHz radio's frequency where the model's identities end at 5 GHz is written as FREQ_6GHZ.
#include <algorithm>
#include <cmath>
#include <nlohmann/json.hpp>

#include "handover/plan_files.h"

namespace yemvo {
namespace {

using Json = nlohmann::ordered_json;

const char* frequency(BandId id) {
    static constexpr const char* names[] = {"openconfig-wifi-types:FREQ_2GHZ",
                                            "openconfig-wifi-types:FREQ_5GHZ",
                                            "openconfig-wifi-types:FREQ_6GHZ"};
    return names[id.index];
}

Json radio_json(const AccessPoint& ap, std::size_t index) {
    const Radio& r = ap.radios[index];
    Json config{{"id", index},        {"operating-frequency", frequency(r.channel.band)},
                {"enabled", r.on},    {"transmit-power", std::lround(r.power_dbm)},
                {"dca", r.automatic}, {"dtp", r.automatic}};
    if (!r.channel_open) config["channel"] = r.primary;
    if (r.channel.width_mhz < 256) config["channel-width"] = r.channel.width_mhz;
    return {{"id", index}, {"operating-frequency", frequency(r.channel.band)}, {"config", config}};
}

bool carries(const AccessPoint& ap, const Network& n) {
    return std::ranges::any_of(ap.radios, [&](const Radio& r) {
        return r.on && n.bands.contains(r.channel.band) &&
               std::ranges::find(r.without, n.key) == r.without.end();
    });
}

Json access_point_json(const Project& project, const AccessPoint& ap) {
    Json radios = Json::array(), networks = Json::array();
    for (std::size_t i = 0; i < ap.radios.size(); ++i) radios.push_back(radio_json(ap, i));
    for (const Network& n : *project.demand.networks)
        if (carries(ap, n))
            networks.push_back({{"name", n.name}, {"config", {{"name", n.name}, {"enabled", true}}}});
    return {{"hostname", called(ap)},
            {"config", {{"hostname", called(ap)}}},
            {"radios", {{"radio", radios}}},
            {"ssids", {{"ssid", networks}}}};
}

}  // namespace

std::string radios_openconfig(const Project& project) {
    Json list = Json::array();
    for (const auto& [floor, ap] : placed_access_points(project))
        list.push_back(access_point_json(project, *ap));
    const Json all{{"openconfig-access-points:access-points", {{"access-point", list}}}};
    return all.dump(2) + "\n";
}

}  // namespace yemvo
