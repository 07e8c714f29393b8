// SPDX-License-Identifier: GPL-3.0-or-later
// Neighbours from a table, a row a radio, and back.
#pragma once
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "venue/listening_place.h"

namespace yemvo {

/// Columns: band_ghz, primary, level_dbm; and where there are any name, address, width_mhz (20), channel (the
/// number of the centre, where a width leaves a choice), use_percent (10), stations, names, standard,
/// retries_percent, told_dbm. `name` is the file's, for messages. Throws Error naming the row.
std::vector<Neighbour> neighbours_from_csv(std::string_view text, const std::string& name);
std::string neighbours_to_csv(std::span<const Neighbour>);

}  // namespace yemvo
