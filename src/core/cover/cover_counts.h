// SPDX-License-Identifier: GPL-3.0-or-later
// What a set of columns covers, kept exactly while columns come and go.
#pragma once
#include <algorithm>

#include "cover/cover_problem.h"

namespace yemvo {

class CoverCounts {
public:
    explicit CoverCounts(const CoverProblem&);
    void add(std::uint32_t column) { move(column, true); }
    void remove(std::uint32_t column) { move(column, false); }
    bool has(std::uint32_t column) const { return in_[column]; }
    const CoverPlan& plan() const { return plan_; }  ///< in no order
    double cost() const { return cost_; }
    /// Rows that a group lacks; negative: what it has to spare.
    std::int64_t lacks(std::size_t group) const {
        return std::int64_t{problem_.groups[group].need} - std::int64_t{met_[group]};
    }
    bool is_whole() const { return short_groups_ == 0; }
    /// What a column that is not in would bring to groups that are short, by their weights.
    double gain(std::uint32_t column, const std::vector<double>& weight) const;
    /// What would be short without a column that is in, by the groups' weights.
    double loss(std::uint32_t column, const std::vector<double>& weight) const;
    /// None that is in excludes it.
    bool may_come(std::uint32_t column) const { return !in_[column] && kept_out_[column] == 0; }

private:
    /// The rows of a column in one group.
    struct Part {
        std::uint32_t group;
        std::int32_t below = 0;  ///< rows that are covered fewer times than they have to be
        std::int32_t just = 0;   ///< rows that are covered just as often
    };
    void move(std::uint32_t column, bool in);
    void change_met(std::uint32_t group, int by);
    const CoverProblem& problem_;
    std::vector<Part> parts_;
    std::vector<std::uint32_t> first_part_;  ///< of each column; one more at the end
    std::vector<std::uint32_t> parts_of_;    ///< of each row those that hold it
    std::vector<std::size_t> first_of_;      ///< into parts_of_; one more at the end
    std::vector<std::uint16_t> count_;
    std::vector<std::uint32_t> group_of_;
    std::vector<std::uint32_t> met_;
    std::vector<char> in_;
    std::vector<std::int32_t> kept_out_;
    CoverPlan plan_;
    double cost_ = 0;
    std::size_t short_groups_ = 0;
};

}  // namespace yemvo
