// SPDX-License-Identifier: GPL-3.0-or-later
// What the airtime model gives against what packet-level simulations measured.
#pragma once
#include <algorithm>
#include <cmath>
#include <cstdio>
#include <map>
#include <nlohmann/json.hpp>
#include <string>
#include <vector>

#include "airtime/scenario.h"

namespace yemvo::bench {

struct AirError {
    std::string scenario, what;
    bool busy = false;      ///< a busy share, else goodput
    bool overload = false;  ///< of its scenario: something is not carried
    bool left_out = false;  ///< of the statistics: small groups, hidden senders, partial overlap
    double measured = 0, model = 0, half_width = 0;
    double error() const { return measured > 0 ? model / measured - 1 : 0; }
    double allowed() const { return overload ? std::max(0.15, half_width) : 0.03; }
    bool beyond() const { return std::abs(error()) > allowed(); }
};

inline std::vector<AirError> air_errors(const std::string& text) {
    const auto json = nlohmann::json::parse(text);
    const auto scenarios = read_scenarios(text);
    std::vector<AirError> all;
    for (std::size_t i = 0; i < scenarios.size(); ++i) {
        const AirScenario& s = scenarios[i];
        const auto& measured = json["scenarios"][i]["results"];
        const ScenarioResult model = run(s);
        double total = 0;
        bool overload = false;
        for (const auto& g : measured["flow_groups"]) total += g["goodput_mbps"].get<double>();
        std::vector<AirError> own;
        for (const auto& g : measured["flow_groups"]) {
            AirError e;
            e.scenario = s.id;
            e.measured = g["goodput_mbps"];
            double asked = 0;
            for (const StationResult& r : model.stations) {
                const bool in =
                    std::find(g["clients"].begin(), g["clients"].end(), r.client) != g["clients"].end();
                if (!in || r.down != (g["direction"] == "down") ||
                    (r.category == AccessCategory::voice) != (g["ac"] == "VO"))
                    continue;
                e.model += r.delivered_mbps;
                asked += r.asked_mbps;
            }
            overload = overload || e.measured < 0.97 * asked;
            e.half_width = g.value("half_width_95_mbps", 0.0) / std::max(e.measured, 1e-9);
            e.what = "BSS " + std::to_string(g["bss"].get<int>()) + " " + g["direction"].get<std::string>() +
                     " " + g["ac"].get<std::string>() + " MCS " + std::to_string(g["mcs"].get<int>());
            const bool apart = s.id == "d15" || s.id == "d17" || s.id[0] == 'f';
            e.left_out = apart || e.measured < 0.03 * total;
            own.push_back(e);
        }
        for (const auto& b : measured["per_bss"]) {
            AirError e;
            e.scenario = s.id;
            e.busy = true;
            e.what = "BSS " + std::to_string(b["bss"].get<int>()) + " busy";
            e.measured = b["busy_share_heard_by_ap"];
            e.model = model.radios[b["bss"].get<std::size_t>()].use;
            e.left_out = s.id == "d15" || s.id == "d17" || s.id[0] == 'f';
            own.push_back(e);
        }
        for (AirError& e : own) e.overload = overload;
        all.insert(all.end(), own.begin(), own.end());
    }
    return all;
}

/// Median, 90th percentile and largest error by kind, and how many are beyond 10 or 15 %.
inline std::string table(const std::vector<AirError>& all) {
    std::string out = "                              n   median  90 %   max   beyond\n";
    for (bool overload : {false, true})
        for (bool busy : {false, true}) {
            std::vector<double> errors;
            for (const AirError& e : all)
                if (e.busy == busy && e.overload == overload && !e.left_out)
                    errors.push_back(100 * std::abs(e.error()));
            std::sort(errors.begin(), errors.end());
            if (errors.empty()) continue;
            const double limit = overload ? 15 : 10;
            const auto at = [&](double share) {
                return errors[static_cast<std::size_t>(share * static_cast<double>(errors.size() - 1) + 0.5)];
            };
            char line[120];
            std::snprintf(line, sizeof line, "%-12s %-10s %8zu %7.1f %6.1f %6.1f %5zu\n",
                          overload ? "overload:" : "all carried:", busy ? "busy share" : "goodput",
                          errors.size(), at(0.5), at(0.9), errors.back(),
                          static_cast<std::size_t>(std::count_if(errors.begin(), errors.end(),
                                                                 [&](double e) { return e > limit; })));
            out += line;
        }
    return out;
}

}  // namespace yemvo::bench
