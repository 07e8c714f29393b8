// SPDX-License-Identifier: GPL-3.0-or-later
#include "power/ethernet_power.h"

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

constexpr std::array<PowerClass, 8> classes{{{1, PowerSource::af, 4, 3.84, 44, 20},
                                             {2, PowerSource::af, 7, 6.49, 44, 20},
                                             {3, PowerSource::af, 15.4, 12.95, 44, 20},
                                             {4, PowerSource::at, 30, 25.5, 50, 12.5},
                                             {5, PowerSource::bt3, 45, 40, 50, 6.25},
                                             {6, PowerSource::bt3, 60, 51, 50, 6.25},
                                             {7, PowerSource::bt4, 75, 62, 52, 6.25},
                                             {8, PowerSource::bt4, 90, 71.3, 52, 6.25}}};

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

std::span<const PowerClass> power_classes() { return classes; }

const PowerClass* class_that_feeds(double device_w) {
    for (const PowerClass& c : classes)
        if (device_w <= c.device_w + 1e-9) return &c;
    return nullptr;
}

double device_w(const PowerClass& c, double cable_m) {
    const double amperes = c.port_w / c.least_v;
    return c.port_w - amperes * amperes * c.loop_ohm * cable_m / 100;
}

}  // namespace yemvo
