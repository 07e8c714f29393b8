// SPDX-License-Identifier: GPL-3.0-or-later
#include "regulation/own_limits.h"

#include <nlohmann/json.hpp>

namespace yemvo {
namespace {

using Json = nlohmann::json;

std::optional<double> number_of(const Json& from, const char* key) {
    return from.contains(key) ? std::optional(from.at(key).get<double>()) : std::nullopt;
}

OwnLimit read_limit(const Json& from) {
    OwnLimit out;
    out.countries = from.at("countries").get<std::vector<std::string>>();
    out.low_mhz = from.at("low_mhz").get<double>();
    out.high_mhz = from.at("high_mhz").get<double>();
    if (from.contains("device_class")) {
        out.device_class = find_device_class(from.at("device_class").get<std::string>());
        if (!out.device_class) throw Error(say("does not know a class of devices"), say("regulation.json"));
    }
    out.max_eirp_dbm = number_of(from, "max_eirp_dbm");
    out.density_dbm_per_mhz = number_of(from, "density_dbm_per_mhz");
    if (from.contains("elevation_outdoors"))
        out.elevation_outdoors =
            ElevationLimit{from.at("elevation_outdoors").at("above_deg").get<double>(),
                           from.at("elevation_outdoors").at("max_eirp_dbm").get<double>()};
    out.indoor_only = from.value("indoor_only", false);
    out.sure = from.value("sure", true);
    out.source = from.at("source").get<std::string>();
    return out;
}

DfsRegion region_named(const std::string& name) {
    for (DfsRegion r : {DfsRegion::fcc, DfsRegion::etsi, DfsRegion::japan})
        if (dfs_region_name(r) == name) return r;
    throw Error(say("does not know the region %1", name), say("regulation.json"));
}

}  // namespace

OwnLimits read_own_limits(std::span<const std::byte> bytes) {
    try {
        const char* begin = reinterpret_cast<const char*>(bytes.data());
        const Json json = Json::parse(begin, begin + bytes.size());
        OwnLimits out;
        out.usual_wait_s = json.at("usual_wait_s").get<int>();
        for (const Json& w : json.at("waits"))
            out.waits.push_back({region_named(w.at("dfs_region").get<std::string>()),
                                 w.at("low_mhz").get<double>(), w.at("high_mhz").get<double>(),
                                 w.at("wait_s").get<int>(), w.at("name").get<std::string>()});
        for (const Json& l : json.at("limits")) out.limits.push_back(read_limit(l));
        return out;
    } catch (const Json::exception& fault) {
        throw Error(std::string_view(fault.what()), say("regulation.json"));
    }
}

}  // namespace yemvo
