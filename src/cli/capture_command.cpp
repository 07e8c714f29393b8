// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdio>
#include <memory>
#include <ostream>

#include "base/utf8.h"
#include "capture/air_audit.h"
#include "cli/command_set.h"
#include "cli/json_out.h"
#include "project/neighbours_csv.h"
#include "project/safe_file.h"
#include "tuning/heard_neighbours.h"

namespace yemvo::cli {
namespace {

template <class T>
Json or_null(const std::optional<T>& value) {
    return value ? Json(*value) : Json(nullptr);
}

Json network_json(const HeardNetwork& n) {
    Json more = Json::array();
    for (const std::string& name : n.more_ssids) more.push_back(as_utf8(name));
    return {{"bssid", address_text(n.bssid)},
            {"ssid", as_utf8(n.ssid)},
            {"hidden", n.hidden},
            {"band_ghz", band_ghz(n.band)},
            {"primary", n.primary},
            {"width_mhz", n.channel.width_mhz},
            {"centre_mhz", rounded(centre_mhz(n.channel), 1)},
            {"signal_dbm", n.signal_dbm ? Json(rounded(*n.signal_dbm, 1)) : Json(nullptr)},
            {"stations", or_null(n.stations)},
            {"utilisation", n.utilisation ? Json(rounded(*n.utilisation, 3)) : Json(nullptr)},
            {"standard", n.standard},
            {"streams", n.streams},
            {"country", n.country},
            {"lowest_mbps", n.lowest_mbps},
            {"frames", n.frames},
            {"data", n.data},
            {"retries", n.again},
            {"radio", n.group + 1},
            {"more_ssids", more}};
}

Json client_json(const HeardClient& c) {
    Json bands = Json::array();
    if (c.asked_24) bands.push_back(2.4);
    if (c.asked_5) bands.push_back(5);
    if (c.asked_6) bands.push_back(6);
    return {{"address", address_text(c.address)},
            {"standard", c.can.standard()},
            {"streams", c.can.streams},
            {"widest_24_mhz", c.can.widest_24_mhz},
            {"widest_5_mhz", c.can.widest_5_mhz},
            {"refuses_40_at_24", c.can.refuses_40},
            {"bands_ghz", bands},
            {"joined", c.bssid ? Json(address_text(c.bssid)) : Json(nullptr)}};
}

Json audit_json(const HeardAir& air, const std::string& country) {
    static const char* outcomes[] = {"fails", "near", "holds", "untold"};
    Json rules = Json::array();
    for (const AuditLine& l : audit(air, country)) {
        Json about = Json::array();
        for (std::size_t i : l.networks) about.push_back(address_text(air.networks[i].bssid));
        rules.push_back({{"rule", l.key},
                         {"outcome", outcomes[static_cast<int>(l.outcome)]},
                         {"limit", l.limit},
                         {"why", l.what.english()},
                         {"networks", about}});
    }
    return rules;
}

int capture(Context& context, const std::string& file, const std::string& country) {
    const HeardAir air = read_capture(file);
    Json networks = Json::array(), clients = Json::array(), channels = Json::array(),
         warnings = Json::array();
    for (const HeardNetwork& n : air.networks) networks.push_back(network_json(n));
    for (const HeardClient& c : air.clients) clients.push_back(client_json(c));
    for (const HeardChannel& c : air.channels)
        channels.push_back({{"band_ghz", band_ghz(c.channel.band)},
                            {"channel", c.channel.number},
                            {"frames", c.frames},
                            {"data", c.data},
                            {"retries", rounded(c.retries(), 4)}});
    for (const Said& w : air.warnings) warnings.push_back(w.english());
    if (context.json) {
        print(context, {{"frames", air.frames},
                        {"seconds", rounded(air.lasts_s, 3)},
                        {"radios", air.radios.size()},
                        {"networks", networks},
                        {"clients", clients},
                        {"channels", channels},
                        {"rules", audit_json(air, country)},
                        {"warnings", warnings}});
        return done;
    }
    for (const Said& w : air.warnings) context.err << "yemvo-cli: " << file << ": " << w << "\n";
    for (const HeardNetwork& n : air.networks) {
        char line[160];
        std::snprintf(line, sizeof line, "%s  %-4s GHz %12s  %6s dBm  %-2s  %s\n",
                      address_text(n.bssid).c_str(), band(n.band).name.c_str(),
                      channel_text(n.primary, n.channel.width_mhz).c_str(),
                      n.signal_dbm ? std::to_string(std::lround(*n.signal_dbm)).c_str() : "-",
                      n.standard.c_str(), n.ssid.empty() ? "(hidden)" : as_utf8(n.ssid).c_str());
        context.out << line;
    }
    return done;
}

int write_table(Context& context, const std::string& file, const std::string& table) {
    const std::vector<Neighbour> heard = neighbours_of(read_capture(file));
    const std::string text = neighbours_to_csv(heard);
    replace_file(table, text.data(), text.size());
    if (context.json)
        print(context, {{"radios", heard.size()}, {"table", table}});
    else
        context.out << heard.size() << " radios written to " << table << "\n";
    return done;
}

}  // namespace

void add_capture_command(CLI::App& root, Context& context) {
    const auto file = std::make_shared<std::string>(), country = std::make_shared<std::string>("GB"),
               table = std::make_shared<std::string>();
    CLI::App* command = add_command(
        root, context, "capture", "Which networks and clients a packet capture heard",
        "capture pier.pcapng --json", [&context, file, country, table] {
            return table->empty() ? capture(context, *file, *country) : write_table(context, *file, *table);
        });
    command->add_option("FILE", *file, "pcap or pcapng, made in monitor mode")->required();
    command->add_option("--table", *table, "Writes its radios as a table that a listening place reads");
    command->add_option("--country", *country, "Whose rules it is held against, as DE; GB without it");
}

}  // namespace yemvo::cli
