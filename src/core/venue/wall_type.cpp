// SPDX-License-Identifier: GPL-3.0-or-later
#include "venue/wall_type.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "base/said.h"

namespace yemvo {
namespace {
constexpr std::array<std::string_view, 7> families{mark("concrete"), mark("brick"),  mark("board"),
                                                   mark("glass"),    mark("timber"), mark("steel"),
                                                   mark("special")};
constexpr std::array<std::string_view, 6> uses{mark("wall"), mark("door"),    mark("window"),
                                               mark("slab"), mark("ceiling"), mark("obstacle")};
constexpr std::array<std::string_view, 6> hatches{mark("solid"), mark("diagonal"),     mark("cross"),
                                                  mark("dots"),  mark("compartments"), mark("open")};
constexpr std::array<std::string_view, 8> groups{mark("masonry"), mark("concrete"), mark("light walls"),
                                                 mark("glass"),   mark("doors"),    mark("metal"),
                                                 mark("floors"),  mark("special")};

template <class Enum, std::size_t n>
std::optional<Enum> find_in(const std::array<std::string_view, n>& names, std::string_view name) {
    const auto found = std::find(names.begin(), names.end(), name);
    if (found == names.end()) return std::nullopt;
    return static_cast<Enum>(found - names.begin());
}

LossRange measured(const std::vector<LossPoint>& points, double frequency_ghz) {
    const auto range = [](const LossPoint& p) { return LossRange{p.low_db, p.loss_db, p.high_db}; };
    const auto above = std::find_if(points.begin(), points.end(),
                                    [&](const LossPoint& p) { return p.frequency_ghz >= frequency_ghz; });
    if (above == points.begin()) return range(points.front());
    if (above == points.end()) return range(points.back());
    const LossPoint &a = *(above - 1), &b = *above;
    const double share =
        std::log(frequency_ghz / a.frequency_ghz) / std::log(b.frequency_ghz / a.frequency_ghz);
    const auto between = [&](double at_a, double at_b) { return at_a + share * (at_b - at_a); };
    return {between(a.low_db, b.low_db), between(a.loss_db, b.loss_db), between(a.high_db, b.high_db)};
}

LossRange computed(const WallType& type, double frequency_ghz) {
    double db = layer_loss(type.layers, frequency_ghz, 0).te_db;
    if (type.use == TypeUse::obstacle) db /= std::max(thickness_m(type.layers), 1e-3);
    return {db * (1 - type.spread), db, db * (1 + type.spread)};
}
}  // namespace

LossRange loss_range(const WallType& type, double frequency_ghz) {
    LossRange r{0, 0, 0};
    if (!type.losses.empty())
        r = measured(type.losses, frequency_ghz);
    else if (!type.layers.empty())
        r = computed(type, frequency_ghz);
    if (type.use == TypeUse::obstacle) return r;
    return {std::min(r.low_db, type.most_db), std::min(r.loss_db, type.most_db),
            std::min(r.high_db, std::max(type.most_db, r.loss_db))};
}

double loss_db(const WallType& type, double frequency_ghz) { return loss_range(type, frequency_ghz).loss_db; }

double deviation_db(const WallType& type, double frequency_ghz) {
    constexpr double low_to_high = 2.563103;  // deviations between the 10th and the 90th percentile
    const LossRange r = loss_range(type, frequency_ghz);
    return std::max(0.0, r.high_db - r.low_db) / low_to_high;
}

double loss_at_angle_db(const WallType& type, double frequency_ghz, double angle_deg) {
    constexpr double steepest_deg = 77.5, most_extra_db = 10;
    const double square_db = loss_db(type, frequency_ghz);
    if (type.layers.empty() || type.use == TypeUse::obstacle) return square_db;
    const double more_db =
        layer_loss(type.layers, frequency_ghz, std::min(angle_deg, steepest_deg)).mean_db() -
        layer_loss(type.layers, frequency_ghz, 0).mean_db();
    return std::clamp(square_db + std::min(more_db, most_extra_db), 0.0, type.most_db);
}

double way_loss_db(double db_per_m, double length_m, double most_db, bool saturates) {
    const double straight_db = db_per_m * length_m;
    if (!saturates) return std::min(straight_db, most_db);
    return most_db > 0 ? most_db * -std::expm1(-straight_db / most_db) : 0;
}

bool has_loss_at(const WallType& type, double frequency_ghz) {
    constexpr double factor = 1.35;
    if (!type.losses.empty())
        return std::any_of(type.losses.begin(), type.losses.end(),
                           [&](const LossPoint& p) {
                               return frequency_ghz < p.frequency_ghz * factor &&
                                      frequency_ghz * factor > p.frequency_ghz;
                           }) ||
               (type.losses.front().frequency_ghz <= frequency_ghz &&
                type.losses.back().frequency_ghz >= frequency_ghz);
    return !type.layers.empty() && std::all_of(type.layers.begin(), type.layers.end(), [&](const Layer& l) {
        return l.sheet_ohm > 0 ||
               (frequency_ghz >= l.material.low_ghz && frequency_ghz <= l.material.high_ghz);
    });
}

double thickness_m(const std::vector<Layer>& layers) {
    double sum_m = 0;
    for (const Layer& l : layers)
        if (l.sheet_ohm <= 0) sum_m += l.thickness_m;
    return sum_m;
}

std::string_view family_name(Family f) { return families[static_cast<std::size_t>(f)]; }
std::string_view use_name(TypeUse u) { return uses[static_cast<std::size_t>(u)]; }
std::string_view hatch_name(Hatch h) { return hatches[static_cast<std::size_t>(h)]; }
std::string_view group_name(TypeGroup g) { return groups[static_cast<std::size_t>(g)]; }
std::optional<Family> find_family(std::string_view name) { return find_in<Family>(families, name); }
std::optional<TypeUse> find_use(std::string_view name) { return find_in<TypeUse>(uses, name); }
std::optional<Hatch> find_hatch(std::string_view name) { return find_in<Hatch>(hatches, name); }
std::optional<TypeGroup> find_group(std::string_view name) { return find_in<TypeGroup>(groups, name); }

}  // namespace yemvo
