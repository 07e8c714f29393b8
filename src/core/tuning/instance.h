// SPDX-License-Identifier: GPL-3.0-or-later
// What a retuning is worked out from, bare of venue and gear: radios with the settings that each may take,
// and pairs that hear each other.
//
// The objective is the sum over radios of the cost of its setting (and of having been changed), and over
// pairs
//   weight * 1/2 * [ w_a * air_share(b on a) * air_b * heard(b at a) + the same the other way round ],
// where w is a radio's weight, air the share of time that it sends in its setting, and heard() is
// heard_share() of its power less the way's loss, over `heard_dbm`; 1 where no loss is told. With everything
// left at 1 that is the sum of the weights of pairs on the same channel: weighted graph colouring.
#pragma once
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "wireless/channel.h"

namespace yemvo {

struct TunedSetting {
    Channel channel;
    int primary = 36;
    double power_dbm = 14;
    double cost = 0;
    double air = 1;
};

struct TunedRadio {
    std::string name;
    std::vector<TunedSetting> allowed;  ///< at least one
    int now = -1;                       ///< index into `allowed`; -1: in none of them
    bool locked = false;                ///< stays as it is; needs `now`
    double weight = 1;
};

struct TunedPair {
    std::uint32_t a, b;
    double weight = 1;
    std::optional<double> loss_ab_db, loss_ba_db;  ///< level at b when a sends is its power less the first
};

struct RetuneInstance {
    std::vector<TunedRadio> radios;
    std::vector<TunedPair> pairs;  ///< no pair twice
    double heard_dbm = -82;
    double change_cost = 0;  ///< of each radio that does not stay as it is
};

/// As docs/format/retune-instance.md describes it. Throws Error naming the place.
RetuneInstance read_instance(std::string_view json);

/// Index into each radio's allowed settings.
using Assignment = std::vector<std::uint32_t>;
double objective(const RetuneInstance&, const Assignment&);

}  // namespace yemvo
