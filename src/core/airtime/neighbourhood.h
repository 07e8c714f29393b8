// SPDX-License-Identifier: GPL-3.0-or-later
// Who hears whom, laid out for sweeps: each contender's neighbours one after the other, split into sets whose
// members all hear each other.
#pragma once
#include <cstdint>
#include <span>
#include <vector>

#include "airtime/contention.h"

namespace yemvo {

struct Neighbour {
    std::uint32_t who;
    float weight;               ///< how many of it are heard, with the share of time
    std::uint16_t set;          ///< of the listener's sets
    std::int16_t set_at_other;  ///< in which of its sets it has the listener; -1: in none
};

class Neighbourhood {
public:
    explicit Neighbourhood(const Contention&);
    std::span<const Neighbour> of(std::uint32_t listener) const {
        return std::span(all_).subspan(begin_[listener], begin_[listener + 1] - begin_[listener]);
    }
    /// Sets of a listener are numbered from first_set(listener) on.
    std::uint32_t first_set(std::uint32_t listener) const { return first_set_[listener]; }
    std::uint32_t sets(std::uint32_t listener) const {
        return first_set_[listener + 1] - first_set_[listener];
    }

private:
    std::vector<std::uint32_t> begin_, first_set_;
    std::vector<Neighbour> all_;
};

}  // namespace yemvo
