// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <cstdio>
#include <memory>
#include <ostream>

#include "airtime/scenario.h"
#include "base/number_text.h"
#include "cli/command_set.h"
#include "cli/json_out.h"
#include "cli/read_input.h"

namespace yemvo::cli {
namespace {

Json station_json(const StationResult& s) {
    const bool finite = std::isfinite(s.asked_mbps);
    return {{"client", s.client},
            {"direction", s.down ? "down" : "up"},
            {"category", s.category == AccessCategory::voice ? "VO" : "BE"},
            {"asked_mbps", finite ? Json(rounded(s.asked_mbps, 4)) : Json("saturated")},
            {"delivered_mbps", rounded(s.delivered_mbps, 4)},
            {"share", finite ? Json(rounded(s.share, 4)) : Json(nullptr)},
            {"headroom", finite ? Json(rounded(s.headroom, 3)) : Json(nullptr)}};
}

Json scenario_json(const AirScenario& s, const ScenarioResult& r) {
    Json stations = Json::array(), radios = Json::array();
    for (const StationResult& one : r.stations) stations.push_back(station_json(one));
    for (std::size_t b = 0; b < r.radios.size(); ++b)
        radios.push_back({{"bss", b}, {"use", rounded(r.radios[b].use, 4)}});
    return {{"id", s.id}, {"description", s.description}, {"stations", stations}, {"radios", radios}};
}

void print_text(std::ostream& out, const Json& scenario) {
    out << scenario["id"].get<std::string>() << "  " << scenario["description"].get<std::string>() << "\n";
    for (const Json& s : scenario["stations"]) {
        char line[120];
        const std::string asked =
            s["asked_mbps"].is_number() ? plain_number(s["asked_mbps"].get<double>(), 3) : "saturated";
        std::snprintf(line, sizeof line, "  client %4d %-4s %s  asks %10s  gets %10.3f Mbit/s\n",
                      s["client"].get<int>(), s["direction"].get<std::string>().c_str(),
                      s["category"].get<std::string>().c_str(), asked.c_str(),
                      s["delivered_mbps"].get<double>());
        out << line;
    }
    for (const Json& r : scenario["radios"]) {
        char line[60];
        std::snprintf(line, sizeof line, "  radio  %4d in use %5.1f %% of the time\n", r["bss"].get<int>(),
                      100 * r["use"].get<double>());
        out << line;
    }
}

int airtime(Context& context, const std::string& file) {
    std::vector<AirScenario> scenarios;
    try {
        scenarios = read_scenarios(read_input(file, say("Name the file of a scenario")));
    } catch (const Error& e) {
        throw Error(e.summary(), said_joined(": ", file, e.where()), e.remedy());
    }
    Json all = Json::array();
    for (const AirScenario& s : scenarios) all.push_back(scenario_json(s, run(s)));
    if (context.json) return print(context, all.size() == 1 ? all[0] : all), done;
    for (const Json& one : all) print_text(context.out, one);
    return done;
}

}  // namespace

void add_airtime_commands(CLI::App& root, Context& context) {
    const auto file = std::make_shared<std::string>();
    CLI::App* command = add_command(
        root, context, "airtime", "What stations that share the air get of it, from a scenario file",
        "airtime scenario.json --json", [&context, file] { return airtime(context, *file); });
    command->add_option("file", *file, "Scenario as docs/format/airtime-scenario.md describes it")
        ->required();
}

}  // namespace yemvo::cli
