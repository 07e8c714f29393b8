// SPDX-License-Identifier: GPL-3.0-or-later
// The PHY rate by level, at every hundredth of a dB.
#pragma once
#include <algorithm>
#include <cstdint>
#include <memory>
#include <vector>

#include "base/content_key.h"
#include "gear/client.h"

namespace yemvo {

/// A RateLadder looked up instead of climbed.
class RateTable {
public:
    explicit RateTable(const RateLadder&);
    /// For loops over many cells; the table must outlive it.
    struct View {
        const std::uint8_t* step;
        const float* mbps;
        /// [Mbit/s] at a level in hundredths of a dBm.
        float at(int cdbm) const { return mbps[step[std::clamp(cdbm, low_cdbm, high_cdbm) - low_cdbm]]; }
    };
    View view() const { return {step_.data(), mbps_.data()}; }
    std::size_t bytes() const { return step_.size() + mbps_.size() * sizeof(float); }

private:
    /// Below no rate holds, above nothing is left to gain.
    static constexpr int low_cdbm = -13000, high_cdbm = 3000;
    std::vector<std::uint8_t> step_;  ///< bytes, so that the table stays in the nearest cache
    std::vector<float> mbps_;         ///< of each step
};

/// Tables by what links are like, kept for the next map. Safe from several threads.
class RateTables {
public:
    /// `noise_figure_db`: of the receiver.
    std::shared_ptr<const RateTable> of(const RadioAbility&, const Channel&, const ClientProfile&,
                                        double noise_figure_db);

private:
    ContentCache<RateTable> kept_{std::size_t{4} << 20};
};

}  // namespace yemvo
