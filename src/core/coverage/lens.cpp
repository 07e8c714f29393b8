// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/lens.h"

#include <algorithm>
#include <array>
#include <stdexcept>

#include "base/said.h"
#include "coverage/lenses/lens_entries.h"

namespace yemvo {

/// In the order of their ids.
static const std::vector<LensEntry>& entries() {
    static const std::vector<LensEntry> table = [] {
        std::vector<LensEntry> all;
        for (const auto& some :
             {reach_lenses(), air_lenses(), service_lenses(), capacity_lenses(), cable_lenses()})
            all.insert(all.end(), some.begin(), some.end());
        std::ranges::sort(all, {}, [](const LensEntry& e) { return e.info.id; });
        for (std::size_t i = 0; i < all.size(); ++i)
            if (all[i].info.id != static_cast<LensId>(i)) throw std::logic_error("a lens without its entry");
        return all;
    }();
    return table;
}

const std::vector<LensInfo>& lenses() {
    static const std::vector<LensInfo> infos = [] {
        std::vector<LensInfo> all;
        for (const LensEntry& e : entries()) all.push_back(e.info);
        return all;
    }();
    return infos;
}

const LensInfo& lens(LensId id) { return lenses()[static_cast<std::size_t>(id)]; }
const LensEntry& lens_entry(LensId id) { return entries()[static_cast<std::size_t>(id)]; }

std::optional<LensId> find_lens(std::string_view key) {
    for (const LensInfo& info : lenses())
        if (info.key == key) return info.id;
    return std::nullopt;
}

std::string_view lens_group_name(LensGroup group) {
    static constexpr std::array<std::string_view, 4> names{mark("reach"), mark("air"), mark("service"),
                                                           mark("cabling")};
    return names[static_cast<std::size_t>(group)];
}

}  // namespace yemvo
