// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cctype>
#include <cstdio>
#include <memory>
#include <ostream>

#include "cli/command_set.h"
#include "cli/json_out.h"
#include "regulation/regulation.h"

namespace yemvo::cli {
namespace {

struct RegulationAsk {
    std::string country;
    bool outdoors = false;
    std::string device_class;
};

/// Ranges that no channel of ours lies in, as those below 1 GHz, are left out.
bool in_a_band(const RegulatoryRange& r) {
    return std::ranges::any_of(
        bands(), [&](const Band& b) { return r.low_mhz < b.high_mhz && r.high_mhz > b.low_mhz; });
}

Json range_json(const Regulation& rules, const RegulatoryRange& r) {
    return {{"low_mhz", rounded(r.low_mhz, 3)},
            {"high_mhz", rounded(r.high_mhz, 3)},
            {"max_eirp_dbm", rounded(r.max_eirp_dbm, 2)},
            {"max_width_mhz", rounded(r.max_width_mhz, 3)},
            {"dfs", r.dfs},
            {"dfs_wait_s", !r.dfs             ? 0
                           : r.dfs_wait_s > 0 ? r.dfs_wait_s
                                              : rules.own().usual_wait_s},
            {"indoor_only", r.indoor_only},
            {"no_initiation", r.no_initiation},
            {"auto_width", r.auto_width},
            {"no_ofdm", r.no_ofdm}};
}

Json channel_json(const ChannelPermit& p) {
    Json json{{"band_ghz", band_ghz(p.channel.band)},
              {"width_mhz", p.channel.width_mhz},
              {"channel", p.channel.number},
              {"max_eirp_dbm", rounded(p.max_eirp_dbm, 2)},
              {"dfs", p.dfs},
              {"dfs_wait_s", p.dfs_wait_s},
              {"indoor_only", p.indoor_only},
              {"no_initiation", p.no_initiation}};
    if (p.density_dbm_per_mhz) json["density_dbm_per_mhz"] = *p.density_dbm_per_mhz;
    if (p.elevation)
        json["elevation"] = {{"above_deg", p.elevation->above_deg},
                             {"max_eirp_dbm", p.elevation->max_eirp_dbm}};
    if (!p.sources.empty()) json["sources"] = p.sources;
    return json;
}

/// With a place or a class asked for what an access point may do there, else what the database says.
Json channels_json(const Regulation& rules, const RegulationAsk& ask) {
    Json list = Json::array();
    const bool plain = !ask.outdoors && ask.device_class.empty();
    for (const Band& b : bands())
        for (int width : channel_widths_mhz())
            for (const Channel& c : channels(b.id, width)) {
                const auto permit =
                    plain ? rules.in_database(ask.country, c)
                          : rules.permit(ask.country, c, ask.outdoors ? Place::outdoors : Place::indoors,
                                         find_device_class(ask.device_class));
                if (permit) list.push_back(channel_json(*permit));
            }
    return list;
}

int regulation(Context& context, RegulationAsk ask) {
    std::ranges::transform(ask.country, ask.country.begin(),
                           [](unsigned char c) { return static_cast<char>(std::toupper(c)); });
    const Regulation& rules = Regulation::standard();
    const CountryRules* country = rules.database().find(ask.country);
    if (!country) {
        std::string known;
        for (const auto& [code, c] : rules.database().countries()) known += (known.empty() ? "" : " ") + code;
        throw Error(say("there is no data for the country '%1'", ask.country), Regulation::source(),
                    say("There is for: %1", known));
    }
    Json ranges = Json::array();
    for (const RegulatoryRange& r : country->ranges)
        if (in_a_band(r)) ranges.push_back(range_json(rules, r));
    const Json channels = channels_json(rules, ask);
    if (context.json) {
        Json waits = Json::array();
        for (const LongWait& w : rules.own().waits)
            if (w.region == country->region)
                waits.push_back({{"low_mhz", w.low_mhz},
                                 {"high_mhz", w.high_mhz},
                                 {"wait_s", w.wait_s},
                                 {"name", w.name}});
        print(context, {{"country", country->code},
                        {"dfs_region", dfs_region_name(country->region)},
                        {"source", Regulation::source()},
                        {"ranges", ranges},
                        {"longer_waits", waits},
                        {"channels", channels}});
        return done;
    }
    for (const Json& r : ranges) {
        char line[120];
        std::snprintf(line, sizeof line, "%8.1f to %7.1f MHz  %5.2f dBm  to %3.0f MHz wide%s%s%s\n",
                      r["low_mhz"].get<double>(), r["high_mhz"].get<double>(),
                      r["max_eirp_dbm"].get<double>(), r["max_width_mhz"].get<double>(),
                      r["dfs"] ? "  DFS" : "", r["indoor_only"] ? "  indoors" : "",
                      r["no_initiation"] ? "  no initiation" : "");
        context.out << line;
    }
    context.out << channels.size() << " channels\n";
    return done;
}

}  // namespace

void add_regulation_command(CLI::App& root, Context& context) {
    const auto ask = std::make_shared<RegulationAsk>();
    CLI::App* command =
        add_command(root, context, "regulation", "What a country permits: ranges and channels",
                    "regulation --country GB --json", [&context, ask] { return regulation(context, *ask); });
    command->add_option("--country", ask->country, "ISO 3166-1 alpha-2, as DE")->required();
    command->add_flag(
        "--outdoors", ask->outdoors,
        "What an access point may do outdoors, with the densities and classes of our own table");
    command
        ->add_option(
            "--class", ask->device_class,
            "What an access point of this class may do: low_power_indoor, standard_power, very_low_power")
        ->check(CLI::IsMember({"low_power_indoor", "standard_power", "very_low_power"}));
}

}  // namespace yemvo::cli
