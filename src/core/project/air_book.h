// SPDX-License-Identifier: GPL-3.0-or-later
// What is said once for the whole site about its air: the limits of rules, where radar was seen.
#pragma once
#include <map>
#include <string>
#include <vector>

namespace yemvo {

struct AirBook {
    /// Limits that are not as usual, by their rule's key.
    std::map<std::string, double> limits;
    std::vector<int> radar;  ///< 20 MHz channels at 5 GHz on which radar was seen, upwards
    friend bool operator==(const AirBook&, const AirBook&) = default;
};

}  // namespace yemvo
