// SPDX-License-Identifier: GPL-3.0-or-later
#include "gear/model.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "base/said.h"

namespace yemvo {
namespace {
constexpr std::array<std::string_view, 4> mounts{mark("ceiling"), mark("wall"), mark("pole"), mark("desk")};
}

double PowerRange::nearest_dbm(double wanted_dbm, double most_dbm) const {
    // a hair above: limits and settings went through files and sums
    const double most = std::max(std::min(most_dbm, high_dbm), low_dbm) + 1e-9;
    const double wanted = std::clamp(wanted_dbm, low_dbm, most);
    if (!levels_dbm.empty()) {
        double nearest = levels_dbm.front();
        for (double level : levels_dbm)
            if (level <= most && std::abs(level - wanted) < std::abs(nearest - wanted)) nearest = level;
        return nearest;
    }
    const double steps =
        std::min(std::round((wanted - low_dbm) / step_db), std::floor((most - low_dbm) / step_db));
    return low_dbm + steps * step_db;
}

std::string chains_text(const Chains& c) {
    return std::to_string(c.transmit) + "×" + std::to_string(c.receive) + ":" + std::to_string(c.streams);
}

const PowerRow* power_row(const AccessPointModel& model, PowerSource source) {
    for (const PowerRow& row : model.power)
        if (row.source == source) return &row;
    return nullptr;
}

std::optional<PowerSource> usual_source(const AccessPointModel& model) {
    std::optional<PowerSource> strongest;
    for (PowerSource source : power_sources) {
        const PowerRow* row = power_row(model, source);
        if (!row) continue;
        if (!row->alternatives.empty() && row->alternatives.front().limits.empty()) return source;
        strongest = source;
    }
    return strongest;
}

const RadioBand* radio_band(const AccessPointModel& model, std::size_t radio, BandId id) {
    if (radio >= model.radios.size()) return nullptr;
    for (const RadioBand& b : model.radios[radio].bands)
        if (b.band == id) return &b;
    return nullptr;
}

Turn body_turn(PatternFrame frame, Mount mount, double azimuth_deg, double downtilt_deg) {
    if (frame == PatternFrame::ceiling) {
        if (mount == Mount::wall || mount == Mount::pole) return {azimuth_deg, downtilt_deg - 90, 0};
        if (mount == Mount::desk) return {azimuth_deg, downtilt_deg, 180};
        return {azimuth_deg, downtilt_deg, 0};
    }
    if (mount == Mount::ceiling) return {azimuth_deg, downtilt_deg + 90, 0};
    return {azimuth_deg, downtilt_deg, 0};
}

Point3 look_direction(PatternFrame frame, const Turn& turn) {
    const BodyAxes axes = Orientation(turn).axes();
    return frame == PatternFrame::ceiling ? axes.up * -1 : axes.front;
}

double downtilt_towards(PatternFrame frame, Mount mount, double azimuth_deg, Point3 along, Point toward) {
    const Point wanted = unit(toward);
    double best_deg = 0, nearest = -2;
    for (int tilt_deg = -90; tilt_deg <= 90; ++tilt_deg) {
        const Point3 looks = look_direction(frame, body_turn(frame, mount, azimuth_deg, tilt_deg));
        const Point seen{dot(looks, along), looks.z};
        if (length(seen) < 0.05) continue;  // it looks at the one who sees it from the side
        if (const double near = dot(unit(seen), wanted); near > nearest) {
            nearest = near;
            best_deg = tilt_deg;
        }
    }
    return best_deg;
}

std::string_view mount_name(Mount m) { return mounts[static_cast<std::size_t>(m)]; }

std::optional<Mount> find_mount(std::string_view name) {
    const auto found = std::find(mounts.begin(), mounts.end(), name);
    if (found == mounts.end()) return std::nullopt;
    return static_cast<Mount>(found - mounts.begin());
}

}  // namespace yemvo
