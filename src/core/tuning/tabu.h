// SPDX-License-Identifier: GPL-3.0-or-later
// Tabu search over the settings of one part of an instance. For tuning's own use.
#pragma once
#include <random>
#include <vector>

#include "base/progress.h"
#include "tuning/pair_costs.h"

namespace yemvo {

class Tabu {
public:
    /// `members`: radios that may change; the others of `start` stay. Keeps a reference to the costs.
    Tabu(const PairCosts&, std::vector<std::uint32_t> members, std::vector<std::uint32_t> start,
         std::uint64_t seed);
    /// In the order of who has least choice left; random where equal.
    void begin_greedily(bool shuffled);
    /// So many moves, or fewer where nothing is left to gain; false when cancelled.
    bool run(std::size_t moves, double least_possible, const CancelToken&);
    /// Objective of the members and their pairs.
    double best_cost() const { return best_cost_; }
    const std::vector<std::uint32_t>& best() const { return best_; }

private:
    struct Move {
        double gain = 1e300;  ///< change of the objective
        std::uint32_t option = 0;
    };
    double delta(std::uint32_t radio, std::size_t option) const {
        return table_[radio][option] - table_[radio][now_[radio]];
    }
    void fill_table();
    void set(std::uint32_t radio, std::uint32_t option);
    void look_again(std::uint32_t radio);
    void forbid(std::uint32_t radio, std::uint32_t option);
    void expire();
    void kick();
    double cost_now() const;
    void note_best();

    const PairCosts& costs_;
    std::vector<std::uint32_t> members_, now_, best_;
    std::vector<char> is_member_;
    std::vector<std::vector<double>> table_;  ///< what a radio costs with each option, as the others are
    std::vector<std::vector<std::uint64_t>> until_;
    std::vector<Move> move_;  ///< the best of each radio that is not forbidden
    std::vector<std::vector<std::uint32_t>> expiring_;
    std::mt19937_64 random_;
    std::uint64_t step_ = 0;
    double cost_ = 0, best_cost_ = 1e300;
};

}  // namespace yemvo
