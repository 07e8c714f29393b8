// SPDX-License-Identifier: GPL-3.0-or-later
#include "antenna/antenna.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "antenna/pattern/cuts.h"

namespace yemvo {
namespace {

constexpr double degree = std::numbers::pi / 180;

double square(double v) { return v * v; }

double lobe_db(const DomeLobe& lobe, LocalDirection d) {
    const double from_axis_deg = 90 + d.elevation_deg;
    return std::max(-12 * square(from_axis_deg / lobe.beamwidth_deg), lobe.floor_db);
}

double lobe_db(const SectorLobe& lobe, LocalDirection d) {
    const double across = std::min(12 * square(d.azimuth_deg / lobe.horizontal_deg), lobe.front_back_db);
    const double upright =
        std::min(12 * square((d.elevation_deg + lobe.tilt_deg) / lobe.vertical_deg), lobe.side_limit_db);
    return -std::min(across + upright, lobe.front_back_db);
}

double lobe_db(const PatchLobe& lobe, LocalDirection d) {
    const double cosine = std::cos(d.elevation_deg * degree) * std::cos(d.azimuth_deg * degree);
    if (cosine <= 1e-6) return lobe.floor_db;
    return std::max(10 * lobe.exponent * std::log10(cosine), lobe.floor_db);
}

double lobe_db(const DipoleLobe&, LocalDirection d) {
    constexpr double floor_db = -30;
    const double from_axis = (90 - d.elevation_deg) * degree, sine = std::sin(from_axis);
    if (sine < 1e-6) return floor_db;
    const double field = std::abs(std::cos(std::numbers::pi / 2 * std::cos(from_axis)) / sine);
    return std::max(20 * std::log10(std::max(field, 1e-9)), floor_db);
}

}  // namespace

double relative_gain_db(const Lobe& lobe, LocalDirection d) {
    return std::visit([&](const auto& shape) { return lobe_db(shape, d); }, lobe);
}

double directivity_dbi(const Lobe& lobe) {
    return integrated_directivity_dbi([&](LocalDirection d) { return relative_gain_db(lobe, d); });
}

}  // namespace yemvo
