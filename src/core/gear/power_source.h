// SPDX-License-Identifier: GPL-3.0-or-later
// What a weaker source leaves of an access point.
#pragma once
#include <optional>
#include <string>
#include <vector>

#include "power/ethernet_power.h"

namespace yemvo {

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
