// SPDX-License-Identifier: GPL-3.0-or-later
#include "wireless/band.h"

#include <algorithm>
#include <cmath>

#include "base/error.h"

namespace yemvo {

const std::vector<Band>& bands() {
    static const std::vector<Band> list{
        {band_24, "2.4", 2407, 2400, 2483.5, 2442},
        {band_5, "5", 5000, 5150, 5895, 5500},
        {band_6, "6", 5950, 5925, 7125, 6500},
    };
    return list;
}

const Band& band(BandId id) { return bands().at(id.index); }

BandId band_near(double frequency_mhz) {
    const auto off = [&](const Band& b) { return std::abs(b.reference_mhz - frequency_mhz); };
    return std::ranges::min_element(bands(), {}, off)->id;
}

std::optional<BandId> find_band(std::string_view name) {
    for (std::string_view unit : {" GHz", "GHz"})
        if (name.ends_with(unit)) {
            name.remove_suffix(unit.size());
            break;
        }
    for (const Band& b : bands())
        if (b.name == name) return b.id;
    return std::nullopt;
}

std::vector<BandId> BandSet::list() const {
    std::vector<BandId> ids;
    for (const Band& b : bands())
        if (contains(b.id)) ids.push_back(b.id);
    return ids;
}

BandSet all_bands() {
    BandSet all;
    for (const Band& b : bands()) all = all.with(b.id);
    return all;
}

/// `last_two`: a pattern for all but the last, and the last.
static Said bands_joined(BandSet set, const char* last_two) {
    const auto ids = set.list();
    std::string before;
    for (std::size_t i = 0; i + 1 < ids.size(); ++i) before += (i ? ", " : "") + band(ids[i]).name;
    if (ids.empty()) return {};
    if (before.empty()) return band(ids.back()).name + " GHz";
    return say(last_two, before, band(ids.back()).name);
}

Said bands_text(BandSet set) { return bands_joined(set, mark("%1 and %2 GHz")); }

Said bands_text_any(BandSet set) { return bands_joined(set, mark("%1 or %2 GHz")); }

}  // namespace yemvo
