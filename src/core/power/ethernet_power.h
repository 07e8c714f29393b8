// SPDX-License-Identifier: GPL-3.0-or-later
// Power over Ethernet: what a port gives and what is left of it at the end of a cable.
// Source: IEEE 802.3-2022, clauses 33 (types 1 and 2: af, at) and 145 (types 3 and 4: bt): power and least
// voltage of the port, resistance of a channel of 100 m.
#pragma once
#include <array>
#include <optional>
#include <span>
#include <string_view>

namespace yemvo {

/// Kinds of power over Ethernet from weak to strong, and a supply of its own.
enum class PowerSource { af, at, bt3, bt4, dc };
inline constexpr std::array power_sources{PowerSource::af, PowerSource::at, PowerSource::bt3,
                                          PowerSource::bt4, PowerSource::dc};
std::string_view power_source_name(PowerSource);  ///< "802.3af"
std::string_view power_source_key(PowerSource);   ///< "af"
std::optional<PowerSource> find_power_source(std::string_view key);
/// That a device may draw [W] at the end of 100 m; none for a supply of its own, which the maker chooses.
std::optional<double> available_w(PowerSource);

struct PowerClass {
    int number;          ///< 1 to 8
    PowerSource source;  ///< the weakest kind of port that gives it
    double port_w;       ///< that the port sets aside
    double device_w;     ///< that the device may draw, as the standard has it
    double least_v;      ///< of the port
    double loop_ohm;     ///< of a channel of 100 m: 20 (type 1), 12.5 (type 2), 6.25 (four pairs)
};
/// From weak to strong; class 0 is class 3.
std::span<const PowerClass> power_classes();
/// The weakest class whose device may draw so much; none beyond class 8.
const PowerClass* class_that_feeds(double device_w);
/// What is left [W] of a class's power at the end of a cable of that length: port_w - (port_w / least_v)^2 R.
double device_w(const PowerClass&, double cable_m);

}  // namespace yemvo
