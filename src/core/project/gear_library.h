// SPDX-License-Identifier: GPL-3.0-or-later
// Gear as a file of its own: a person's library, and many models at once from a table.
// Shape: docs/format/gear.schema.json.
#pragma once
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "base/said.h"
#include "gear/antenna_model.h"
#include "gear/model.h"

namespace yemvo {

/// Without ids.
struct GearLibrary {
    std::vector<AccessPointModel> models;
    std::vector<AntennaModel> antennas;
    std::vector<CableType> cables;
    std::vector<Said> warnings;  ///< of reading: fields that nobody knows
    bool empty() const { return models.empty() && antennas.empty() && cables.empty(); }
};

std::string gear_to_json(const GearLibrary&);
/// `name`: of the file, for messages. Throws Error.
GearLibrary gear_from_json(std::string_view text, const std::string& name);

/// A row a radio and band, models told apart by their key: columns key, name, mount, height_m, radio,
/// band_ghz, standard, chains ("4x4:4" or a number), widest_mhz, power_low_dbm, power_high_dbm,
/// power_step_db, gain_dbi, and, if wanted, beam_deg, connector, noise_figure_db, outdoor, price, watts,
/// source, weight_kg. Separated by comma, semicolon or tab. Throws Error with the line.
std::vector<AccessPointModel> models_from_csv(std::string_view text, const std::string& name);

/// "4x4:4", "2×2", "4"; none for what is no such thing.
std::optional<Chains> parse_chains(std::string_view text);

}  // namespace yemvo
