// SPDX-License-Identifier: GPL-3.0-or-later
#include "antenna/antenna.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <mutex>
#include <numbers>

#include "antenna/pattern/measured_pattern.h"

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

double lobe_db(const CollinearLobe& lobe, LocalDirection d) {
    return -std::min(12 * square((d.elevation_deg + lobe.tilt_deg) / lobe.vertical_deg), lobe.side_limit_db);
}

double lobe_db(const MeasuredLobe& lobe, LocalDirection d) {
    return relative_gain_db(lobe.pattern().cuts.front(), d, lobe.pattern().blend);
}

}  // namespace

PatternFrame Antenna::frame() const {
    if (const auto* measured = std::get_if<MeasuredLobe>(&lobe)) return measured->pattern().frame;
    return std::holds_alternative<DomeLobe>(lobe) ? PatternFrame::ceiling : PatternFrame::upright;
}

Lobe lobe_at(const Lobe& lobe, double frequency_mhz) {
    const auto* measured = std::get_if<MeasuredLobe>(&lobe);
    if (!measured || measured->pattern().cuts.size() < 2) return lobe;
    constexpr std::size_t most = 512;
    static std::mutex mutex;
    static std::map<std::pair<std::uint64_t, long>, Lobe> known;
    const long step = std::lround(frequency_mhz / 5);
    const std::lock_guard lock(mutex);
    if (const auto found = known.find({measured->key(), step}); found != known.end()) return found->second;
    MeasuredPattern at = measured->pattern();
    at.cuts = {cuts_at(at.cuts, static_cast<double>(step) * 5)};
    if (known.size() >= most) known.clear();
    return known.try_emplace({measured->key(), step}, MeasuredLobe(std::move(at))).first->second;
}

double relative_gain_db(const Lobe& lobe, LocalDirection d) {
    return std::visit([&](const auto& shape) { return lobe_db(shape, d); }, lobe);
}

double directivity_dbi(const Lobe& lobe) {
    return integrated_directivity_dbi([&](LocalDirection d) { return relative_gain_db(lobe, d); });
}

}  // namespace yemvo
