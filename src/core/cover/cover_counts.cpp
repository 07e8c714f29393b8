// SPDX-License-Identifier: GPL-3.0-or-later
#include "cover/cover_counts.h"

namespace yemvo {

CoverCounts::CoverCounts(const CoverProblem& problem)
    : problem_(problem),
      count_(problem.rows()),
      group_of_(problem.rows()),
      met_(problem.groups.size()),
      in_(problem.columns.size()),
      kept_out_(problem.columns.size()) {
    for (std::size_t g = 0; g < problem.groups.size(); ++g) {
        const CoverGroup& group = problem.groups[g];
        std::fill_n(group_of_.begin() + group.first, group.rows, static_cast<std::uint32_t>(g));
        if (group.need > 0) ++short_groups_;
    }
    first_of_.assign(problem.rows() + 1, 0);
    for (const CoverColumn& c : problem.columns) {
        first_part_.push_back(static_cast<std::uint32_t>(parts_.size()));
        for (const std::uint32_t row : c.rows) {
            if (parts_.size() == first_part_.back() || parts_.back().group != group_of_[row])
                parts_.push_back({group_of_[row]});
            ++parts_.back().below;
            ++first_of_[row + 1];
        }
    }
    first_part_.push_back(static_cast<std::uint32_t>(parts_.size()));
    for (std::size_t r = 1; r < first_of_.size(); ++r) first_of_[r] += first_of_[r - 1];
    parts_of_.resize(first_of_.back());
    std::vector<std::size_t> next(first_of_.begin(), first_of_.end() - 1);
    for (std::size_t c = 0; c < problem.columns.size(); ++c) {
        std::uint32_t part = first_part_[c];
        for (const std::uint32_t row : problem.columns[c].rows) {
            while (parts_[part].group != group_of_[row]) ++part;
            parts_of_[next[row]++] = part;
        }
    }
}

void CoverCounts::change_met(std::uint32_t group, int by) {
    const bool was_short = lacks(group) > 0;
    met_[group] = static_cast<std::uint32_t>(static_cast<int>(met_[group]) + by);
    const bool is_short = lacks(group) > 0;
    if (was_short && !is_short) --short_groups_;
    if (!was_short && is_short) ++short_groups_;
}

/// Only rows that come to their times, leave them, or pass them by one change what others would bring.
void CoverCounts::move(std::uint32_t column, bool in) {
    const CoverColumn& c = problem_.columns[column];
    for (const std::uint32_t row : c.rows) {
        const std::uint32_t group = group_of_[row];
        const int times = problem_.groups[group].times;
        const int before = count_[row], after = before + (in ? 1 : -1);
        count_[row] = static_cast<std::uint16_t>(after);
        const int low = std::min(before, after);  // the step lies between it and the next
        if (low != times - 1 && low != times) continue;
        if (low == times - 1) change_met(group, in ? 1 : -1);
        for (std::size_t i = first_of_[row]; i < first_of_[row + 1u]; ++i) {
            Part& part = parts_[parts_of_[i]];
            if (low == times - 1) {
                part.below += in ? -1 : 1;
                part.just += in ? 1 : -1;
            } else {
                part.just += in ? -1 : 1;
            }
        }
    }
    in_[column] = in;
    for (const std::uint32_t other : c.apart) kept_out_[other] += in ? 1 : -1;
    cost_ += in ? c.cost : -c.cost;
    if (in)
        plan_.push_back(column);
    else
        std::erase(plan_, column);
}

double CoverCounts::gain(std::uint32_t column, const std::vector<double>& weight) const {
    double sum = 0;
    for (std::uint32_t p = first_part_[column]; p < first_part_[column + 1]; ++p) {
        const Part& part = parts_[p];
        const std::int64_t lack = lacks(part.group);
        if (lack <= 0 || part.below == 0) continue;
        const double brings = double(part.below) / problem_.groups[part.group].times;
        sum += weight[part.group] * std::min(brings, double(lack));
    }
    return sum;
}

double CoverCounts::loss(std::uint32_t column, const std::vector<double>& weight) const {
    double sum = 0;
    for (std::uint32_t p = first_part_[column]; p < first_part_[column + 1]; ++p) {
        const Part& part = parts_[p];
        const std::int64_t lack = lacks(part.group);
        const double missed =
            lack > 0 ? double(part.just) : std::max<double>(0, double(part.just) + double(lack));
        // what is below its times counts by its part where the group is short of it
        const double parts = lack > 0 ? double(part.below) / problem_.groups[part.group].times : 0;
        sum += weight[part.group] * (missed + parts);
    }
    return sum;
}

}  // namespace yemvo
