// SPDX-License-Identifier: GPL-3.0-or-later
// Verdicts of one site as it is varied, capacity counted: what a variation does not reach is remembered.
#pragma once
#include "capacity/site_capacity.h"
#include "coverage/floor_by_floor.h"

namespace yemvo {

struct SiteVerdict {
    Verdict verdict;                               ///< of the whole
    std::shared_ptr<const SiteCapacity> capacity;  ///< null where nobody asks for anything
};

/// Not safe from several threads.
class SiteVerdicts {
public:
    /// `predictor` must outlive it.
    explicit SiteVerdicts(Predictor& predictor, std::size_t passing_bytes = std::size_t{256} << 20)
        : floors_(predictor, passing_bytes) {}
    /// One floor's fields at a time in memory. Throws Cancelled.
    SiteVerdict of(const Project&, const CancelToken& = {});

private:
    FloorByFloor floors_;
    CapacitySolver solver_;
};

}  // namespace yemvo
