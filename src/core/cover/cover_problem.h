// SPDX-License-Identifier: GPL-3.0-or-later
// Partial multi-cover: of each group of rows so many have to be covered, each so many times, by as few
// columns as can be. Knows nothing of radio, so that cases with a known optimum go through the same code.
//   min sum cost_i x_i,  #{r in g : sum over i that cover r of x_i >= times_g} >= need_g,  x in {0, 1}
#pragma once
#include <cstdint>
#include <utility>
#include <vector>

namespace yemvo {

struct CoverGroup {
    std::uint32_t first = 0, rows = 0;  ///< rows first .. first + rows - 1
    std::uint32_t need = 0;             ///< of them
    int times = 1;                      ///< 1 to 3
};

struct CoverColumn {
    double cost = 1;                   ///< above 0
    bool fixed = false;                ///< in every plan
    std::vector<std::uint32_t> rows;   ///< rising
    std::vector<std::uint32_t> apart;  ///< columns that are in no plan together with it
};

struct CoverProblem {
    std::vector<CoverGroup> groups;  ///< in the order of their rows, which are all rows
    std::vector<CoverColumn> columns;
    /// Of each row the block that a bound may take it together with, within its group; empty: none.
    std::vector<std::uint32_t> block = {};
    std::size_t rows() const { return groups.empty() ? 0 : groups.back().first + groups.back().rows; }
};

/// Columns in rising order.
using CoverPlan = std::vector<std::uint32_t>;

/// How many rows of each group are covered as often as they have to be.
std::vector<std::uint32_t> covered_rows(const CoverProblem&, const CoverPlan&);
/// Rows that groups lack of their need, together.
std::uint64_t rows_short(const CoverProblem&, const CoverPlan&);
double cost_of(const CoverProblem&, const CoverPlan&);
/// Groups that are met in every plan that meets the others: of two about the same things (equal `about`, one
/// value a group) the one whose rows are covered wherever the other's are, and that needs no more of them.
std::vector<char> implied_groups(const CoverProblem&, const std::vector<std::uint64_t>& about);
/// The problem without these groups; gives the index that each of the others had.
std::vector<std::size_t> take_away_groups(CoverProblem&, const std::vector<char>& away);
/// Needs taken down to what all columns together reach; gives by how much, a group.
std::vector<std::uint32_t> take_down_needs(CoverProblem&);

}  // namespace yemvo
