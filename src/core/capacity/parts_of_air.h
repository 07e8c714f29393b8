// SPDX-License-Identifier: GPL-3.0-or-later
// A site's contenders fall into parts that do not hear each other: each is solved by itself, and only where
// something in it has changed.
#pragma once
#include <cstdint>
#include <unordered_map>
#include <vector>

#include "airtime/contention.h"

namespace yemvo {

class PartsOfAir {
public:
    /// `identity`: of each contender, equal for the same queue in two states of the site. Throws Cancelled.
    ContentionResult solve(const Contention&, const std::vector<std::uint64_t>& identity, const CancelToken&);
    std::size_t solved() const { return solved_; }

private:
    struct Part {
        std::vector<std::uint32_t> members;
        std::uint64_t key = 0;
        Contention own;
    };
    std::vector<Part> split(const Contention&, const std::vector<std::uint64_t>& identity) const;
    struct Known {
        ContentionResult result;
    };
    std::unordered_map<std::uint64_t, Known> known_;              ///< by a part's key
    std::unordered_map<std::uint64_t, ContenderShare> share_of_;  ///< by identity
    std::size_t solved_ = 0;
};

}  // namespace yemvo
