// SPDX-License-Identifier: GPL-3.0-or-later
// What feeds an access point, and what a weaker source leaves of it.
// Source of the watts: IEEE 802.3-2022, clauses 33 (af, at) and 145 (bt): what reaches a device at the end of
// 100 m.
#pragma once
#include <array>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace yemvo {

/// Classes of power over Ethernet from weak to strong, and a supply of its own.
enum class PowerSource { af, at, bt3, bt4, dc };
inline constexpr std::array power_sources{PowerSource::af, PowerSource::at, PowerSource::bt3,
                                          PowerSource::bt4, PowerSource::dc};
std::string_view power_source_name(PowerSource);  ///< "802.3af"
std::string_view power_source_key(PowerSource);   ///< "af"
std::optional<PowerSource> find_power_source(std::string_view key);
/// That a device may draw [W]; none for a supply of its own, which the maker chooses.
std::optional<double> available_w(PowerSource);

/// What is left of one radio; whatever is not told stays as the model has it.
struct RadioLimit {
    int radio = 0;  ///< index into the model's radios
    bool on = true;
    std::optional<int> transmit_chains, receive_chains, streams;
    std::optional<double> power_high_dbm;  ///< all chains together
    friend bool operator==(const RadioLimit&, const RadioLimit&) = default;
};

/// One of the ways in which a source can be used.
struct PowerAlternative {
    std::string name;                ///< "two chains at 5 GHz, 6 GHz off"; empty where there is one alone
    std::vector<RadioLimit> limits;  ///< at most one a radio; none: nothing is lost
    friend bool operator==(const PowerAlternative&, const PowerAlternative&) = default;
};

/// A row of a model's power table.
struct PowerRow {
    PowerSource source = PowerSource::at;
    double watts = 0;                            ///< drawn at most
    std::vector<PowerAlternative> alternatives;  ///< one or more; the first is what it starts with
    friend bool operator==(const PowerRow&, const PowerRow&) = default;
};

}  // namespace yemvo
