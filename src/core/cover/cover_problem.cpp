// SPDX-License-Identifier: GPL-3.0-or-later
#include "cover/cover_problem.h"

#include <algorithm>
#include <span>

namespace yemvo {

std::vector<std::uint32_t> covered_rows(const CoverProblem& problem, const CoverPlan& plan) {
    std::vector<std::uint16_t> count(problem.rows());
    for (const std::uint32_t c : plan)
        for (const std::uint32_t row : problem.columns[c].rows) ++count[row];
    std::vector<std::uint32_t> met;
    for (const CoverGroup& g : problem.groups)
        met.push_back(static_cast<std::uint32_t>(std::count_if(
            count.begin() + g.first, count.begin() + g.first + g.rows, [&](int n) { return n >= g.times; })));
    return met;
}

std::uint64_t rows_short(const CoverProblem& problem, const CoverPlan& plan) {
    const std::vector<std::uint32_t> met = covered_rows(problem, plan);
    std::uint64_t sum = 0;
    for (std::size_t g = 0; g < met.size(); ++g)
        sum += problem.groups[g].need > met[g] ? problem.groups[g].need - met[g] : 0;
    return sum;
}

double cost_of(const CoverProblem& problem, const CoverPlan& plan) {
    double sum = 0;
    for (const std::uint32_t c : plan) sum += problem.columns[c].cost;
    return sum;
}

namespace {

/// Of each column the rows of each group.
class GroupRows {
public:
    explicit GroupRows(const CoverProblem& problem) : problem_(problem) {
        for (const CoverColumn& c : problem.columns) {
            auto at = c.rows.begin();
            for (const CoverGroup& g : problem.groups) {
                starts_.push_back(static_cast<std::uint32_t>(at - c.rows.begin()));
                at = std::lower_bound(at, c.rows.end(), g.first + g.rows);
            }
            starts_.push_back(static_cast<std::uint32_t>(at - c.rows.begin()));
        }
    }
    std::span<const std::uint32_t> of(std::size_t column, std::size_t group) const {
        const std::size_t at = column * (problem_.groups.size() + 1) + group;
        return std::span(problem_.columns[column].rows).subspan(starts_[at], starts_[at + 1] - starts_[at]);
    }
    /// Where a column covers a row of `strict`, it covers the same one of `lax`.
    bool covers_too(std::size_t strict, std::size_t lax) const {
        const std::uint32_t from = problem_.groups[strict].first, to = problem_.groups[lax].first;
        for (std::size_t c = 0; c < problem_.columns.size(); ++c) {
            const auto hard = of(c, strict), easy = of(c, lax);
            if (hard.size() > easy.size()) return false;
            auto at = easy.begin();
            for (const std::uint32_t row : hard) {
                at = std::lower_bound(at, easy.end(), row - from + to);
                if (at == easy.end() || *at != row - from + to) return false;
            }
        }
        return true;
    }

private:
    const CoverProblem& problem_;
    std::vector<std::uint32_t> starts_;
};

}  // namespace

std::vector<char> implied_groups(const CoverProblem& problem, const std::vector<std::uint64_t>& about) {
    const GroupRows rows(problem);
    std::vector<char> implied(problem.groups.size(), 0);
    for (std::size_t lax = 0; lax < implied.size(); ++lax)
        for (std::size_t strict = 0; strict < implied.size() && !implied[lax]; ++strict) {
            const CoverGroup &l = problem.groups[lax], &s = problem.groups[strict];
            if (lax == strict || implied[strict] || about[lax] != about[strict]) continue;
            implied[lax] = l.times <= s.times && l.need <= s.need && rows.covers_too(strict, lax);
        }
    return implied;
}

std::vector<std::size_t> take_away_groups(CoverProblem& problem, const std::vector<char>& away) {
    constexpr std::uint32_t gone = 0xFFFFFFFF;
    std::vector<std::uint32_t> to(problem.rows(), gone);
    std::vector<std::uint32_t> block;
    std::vector<CoverGroup> groups;
    std::vector<std::size_t> kept;
    std::uint32_t next = 0;
    for (std::size_t g = 0; g < problem.groups.size(); ++g) {
        if (away[g]) continue;
        CoverGroup group = problem.groups[g];
        for (std::uint32_t k = 0; k < group.rows; ++k) {
            to[group.first + k] = next + k;
            if (!problem.block.empty()) block.push_back(problem.block[group.first + k]);
        }
        group.first = next;
        next += group.rows;
        groups.push_back(group);
        kept.push_back(g);
    }
    for (CoverColumn& c : problem.columns) {
        std::erase_if(c.rows, [&](std::uint32_t row) { return to[row] == gone; });
        for (std::uint32_t& row : c.rows) row = to[row];
        c.rows.shrink_to_fit();
    }
    problem.groups = std::move(groups);
    problem.block = std::move(block);
    return kept;
}

std::vector<std::uint32_t> take_down_needs(CoverProblem& problem) {
    CoverPlan all;
    for (std::uint32_t c = 0; c < problem.columns.size(); ++c) all.push_back(c);
    const std::vector<std::uint32_t> most = covered_rows(problem, all);
    std::vector<std::uint32_t> by;
    for (std::size_t g = 0; g < most.size(); ++g) {
        CoverGroup& group = problem.groups[g];
        by.push_back(group.need > most[g] ? group.need - most[g] : 0);
        group.need = std::min(group.need, most[g]);
    }
    return by;
}

}  // namespace yemvo
