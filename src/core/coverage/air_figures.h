// SPDX-License-Identifier: GPL-3.0-or-later
// What is known of each radio's air at a busy hour, for lenses. It is worked out from all floors together
// (capacity), and comes after the fields.
#pragma once
#include <cstdint>
#include <map>
#include <utility>

#include "base/id.h"

namespace yemvo {

struct AirFigures {
    struct OfRadio {
        double mbps_a_client = 0;  ///< down, that each client could get if all asked alike for more
        double use = 0;            ///< share of time that its channel is in use as it hears it
        double own_use = 0;        ///< share of time that it and its clients send
        double satisfied = 1;      ///< share of its clients
        double clients = 0;
        double headroom = 0;  ///< see RadioCapacity
    };
    std::uint64_t key = 0;  ///< equal for equal content
    std::map<std::pair<AccessPointId, std::size_t>, OfRadio> radios;
    const OfRadio* find(AccessPointId id, std::size_t radio) const {
        const auto at = radios.find({id, radio});
        return at == radios.end() ? nullptr : &at->second;
    }
};

}  // namespace yemvo
