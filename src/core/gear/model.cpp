// SPDX-License-Identifier: GPL-3.0-or-later
#include "gear/model.h"

#include <algorithm>
#include <array>

#include "base/said.h"

namespace yemvo {
namespace {
constexpr std::array<std::string_view, 4> mounts{mark("ceiling"), mark("wall"), mark("pole"), mark("desk")};
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

std::string_view mount_name(Mount m) { return mounts[static_cast<std::size_t>(m)]; }

std::optional<Mount> find_mount(std::string_view name) {
    const auto found = std::find(mounts.begin(), mounts.end(), name);
    if (found == mounts.end()) return std::nullopt;
    return static_cast<Mount>(found - mounts.begin());
}

}  // namespace yemvo
