// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/file/gear_steps.h"

#include <nlohmann/json.hpp>

#include "gear/model.h"
#include "project/file/json_walk.h"

namespace yemvo {
namespace {

void band_from_1(Json& band, const Json& chains) {
    if (!band.is_object()) return;
    Json power = Json::object();
    for (const auto& [from, to] :
         {std::pair("power_low_dbm", "low_dbm"), std::pair("power_high_dbm", "high_dbm"),
          std::pair("power_step_db", "step_db")})
        if (const Json* value = json_field(band, from)) {
            power[to] = *value;
            band.erase(from);
        }
    band["power"] = std::move(power);
    band["chains"] = {{"transmit", chains}, {"receive", chains}, {"streams", chains}};
    band["noise_figure_db"] = access_point_noise_figure_db;
}

}  // namespace

void gear_from_1(Json& part, const Reading&) {
    each_json(part, "models", [](Json& model) {
        each_json(model, "radios", [](Json& radio) {
            const Json* chains = json_field(radio, "chains");
            const Json kept = chains ? *chains : Json();
            if (chains) radio.erase("chains");
            each_json(radio, "bands", [&](Json& band) { band_from_1(band, kept); });
        });
    });
}

}  // namespace yemvo
