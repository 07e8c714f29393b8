// SPDX-License-Identifier: GPL-3.0-or-later
// Core values as the JSON that commands print.
#pragma once
#include <nlohmann/json.hpp>

#include "coverage/probe.h"
#include "coverage/verdict.h"

namespace yemvo::cli {

using Json = nlohmann::ordered_json;

Json to_json(const Project&);  ///< the answer of `info`
Json to_json(const LinkExplanation&);
Json to_json(const Project&, const Verdict&);
/// Rounded to `digits` places, so that figures read as figures.
double rounded(double value, int digits);
/// 2.4, 5 or 6 as a number.
double band_ghz(BandId);
Json bands_ghz(BandSet);

}  // namespace yemvo::cli
