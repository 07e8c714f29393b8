// SPDX-License-Identifier: GPL-3.0-or-later
// Exchanges in a plan that is short of something, until nothing is: simulated annealing over exact counts
// (Kirkpatrick, Gelatt & Vecchi 1983). A try costs the rows of two columns and nothing else.
#pragma once
#include <random>

#include "base/progress.h"
#include "cover/cover_problem.h"

namespace yemvo {

class CoverAnnealer {
public:
    CoverAnnealer(const CoverProblem&, std::uint64_t seed);
    /// Tries exchanges of one column for another that keep the cost below `most_cost`; true, and the plan,
    /// once nothing is short. The plan is left as it came out in any case.
    bool make_whole(CoverPlan&, double most_cost, std::uint64_t tries, const CancelToken&);

private:
    /// The rows of a column in one group.
    struct Part {
        std::uint32_t group, begin, end;  ///< into CoverColumn::rows
    };
    void take(const CoverPlan&);
    bool try_exchange(double temperature, double most_cost);
    double change_met(std::uint32_t column, const std::vector<std::int32_t>& of_part, int sign);
    std::uint32_t other_for(std::uint32_t out);
    void count_rows(std::uint32_t column, int by);
    /// Rows of each part of a column that are covered just so many times less than they have to be.
    void rows_at(std::uint32_t column, int below, std::vector<std::int32_t>& of_part) const;
    double short_of(std::size_t group, std::int64_t met) const {
        const CoverGroup& g = problem_.groups[group];
        return met >= g.need ? 0 : double(g.need - met) / g.need;
    }
    bool is_kept_out(std::uint32_t column, std::uint32_t but) const;

    const CoverProblem& problem_;
    std::mt19937_64 random_;
    std::vector<std::vector<Part>> parts_;
    std::vector<std::uint32_t> columns_of_;  ///< of each row those that cover it
    std::vector<std::size_t> first_of_;
    std::vector<std::uint32_t> group_of_;
    std::vector<std::uint16_t> count_;
    std::vector<std::int64_t> met_;
    std::vector<char> in_;
    CoverPlan movable_;  ///< those that are in and not fixed
    double cost_ = 0, energy_ = 0;
    std::vector<std::int32_t> lost_, won_;
};

}  // namespace yemvo
