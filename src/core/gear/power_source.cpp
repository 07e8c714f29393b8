// SPDX-License-Identifier: GPL-3.0-or-later
#include "gear/power_source.h"

#include "base/said.h"

namespace yemvo {
namespace {

struct Source {
    std::string_view key, name;
    double watts;  ///< 0: not told
};
constexpr std::array<Source, power_sources.size()> known{{{"af", "802.3af", 12.95},
                                                          {"at", "802.3at", 25.5},
                                                          {"bt3", mark("802.3bt type 3"), 51},
                                                          {"bt4", mark("802.3bt type 4"), 71.3},
                                                          {"dc", mark("DC supply"), 0}}};

const Source& of(PowerSource s) { return known[static_cast<std::size_t>(s)]; }

}  // namespace

std::string_view power_source_name(PowerSource s) { return of(s).name; }
std::string_view power_source_key(PowerSource s) { return of(s).key; }

std::optional<PowerSource> find_power_source(std::string_view key) {
    for (PowerSource s : power_sources)
        if (of(s).key == key) return s;
    return std::nullopt;
}

std::optional<double> available_w(PowerSource s) {
    if (of(s).watts == 0) return std::nullopt;
    return of(s).watts;
}

}  // namespace yemvo
