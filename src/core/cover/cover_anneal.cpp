// SPDX-License-Identifier: GPL-3.0-or-later
#include "cover/cover_anneal.h"

#include <algorithm>
#include <cmath>

namespace yemvo {

CoverAnnealer::CoverAnnealer(const CoverProblem& problem, std::uint64_t seed)
    : problem_(problem),
      random_(seed),
      parts_(problem.columns.size()),
      first_of_(problem.rows() + 1),
      group_of_(problem.rows()),
      count_(problem.rows()),
      met_(problem.groups.size()),
      in_(problem.columns.size()) {
    for (std::size_t g = 0; g < problem.groups.size(); ++g)
        std::fill_n(group_of_.begin() + problem.groups[g].first, problem.groups[g].rows,
                    static_cast<std::uint32_t>(g));
    for (std::size_t c = 0; c < problem.columns.size(); ++c) {
        const auto& rows = problem.columns[c].rows;
        for (std::uint32_t i = 0; i < rows.size(); ++i) {
            if (parts_[c].empty() || parts_[c].back().group != group_of_[rows[i]])
                parts_[c].push_back({group_of_[rows[i]], i, i});
            parts_[c].back().end = i + 1;
            ++first_of_[rows[i] + 1u];
        }
    }
    for (std::size_t r = 1; r < first_of_.size(); ++r) first_of_[r] += first_of_[r - 1];
    columns_of_.resize(first_of_.back());
    std::vector<std::size_t> next(first_of_.begin(), first_of_.end() - 1);
    for (std::uint32_t c = 0; c < problem.columns.size(); ++c)
        for (const std::uint32_t row : problem.columns[c].rows) columns_of_[next[row]++] = c;
}

void CoverAnnealer::take(const CoverPlan& plan) {
    std::ranges::fill(count_, std::uint16_t{0});
    std::ranges::fill(in_, char{0});
    movable_.clear();
    cost_ = cost_of(problem_, plan);
    for (const std::uint32_t c : plan) {
        in_[c] = 1;
        if (!problem_.columns[c].fixed) movable_.push_back(c);
        count_rows(c, 1);
    }
    const std::vector<std::uint32_t> met = covered_rows(problem_, plan);
    met_.assign(met.begin(), met.end());
    energy_ = 0;
    for (std::size_t g = 0; g < met_.size(); ++g) energy_ += short_of(g, met_[g]);
}

void CoverAnnealer::count_rows(std::uint32_t column, int by) {
    for (const std::uint32_t row : problem_.columns[column].rows)
        count_[row] = static_cast<std::uint16_t>(count_[row] + by);
}

void CoverAnnealer::rows_at(std::uint32_t column, int below, std::vector<std::int32_t>& of_part) const {
    const auto& rows = problem_.columns[column].rows;
    of_part.clear();
    for (const Part& p : parts_[column]) {
        const int at = problem_.groups[p.group].times - below;
        std::int32_t n = 0;
        for (std::uint32_t i = p.begin; i < p.end; ++i) n += count_[rows[i]] == at;
        of_part.push_back(n);
    }
}

bool CoverAnnealer::is_kept_out(std::uint32_t column, std::uint32_t but) const {
    return std::ranges::any_of(problem_.columns[column].apart,
                               [&](std::uint32_t other) { return in_[other] && other != but; });
}

/// One that covers a row which is short somewhere, or one that covers what the other does.
std::uint32_t CoverAnnealer::other_for(std::uint32_t out) {
    std::uint32_t row = static_cast<std::uint32_t>(random_() % problem_.rows());
    bool is_short = false;
    for (int k = 0; k < 6 && !is_short; ++k) {
        row = static_cast<std::uint32_t>(random_() % problem_.rows());
        const std::size_t g = group_of_[row];
        is_short = count_[row] < problem_.groups[g].times && met_[g] < problem_.groups[g].need;
    }
    const auto& own = problem_.columns[out].rows;
    if (!is_short || random_() % 2 == 0) row = own.empty() ? row : own[random_() % own.size()];
    const std::size_t n = first_of_[row + 1u] - first_of_[row];
    return n == 0 ? out : columns_of_[first_of_[row] + random_() % n];
}

/// One out, one in, or only one of the two: where costs differ, two may stand for one.
bool CoverAnnealer::try_exchange(double temperature, double most_cost) {
    const std::uint64_t kind = random_() % 16;
    const std::size_t at = random_() % movable_.size();
    const std::uint32_t any = movable_[at];
    const bool goes = kind != 0, comes = kind != 1;
    if (!comes && movable_.size() == 1) return false;
    const std::uint32_t in = comes ? other_for(any) : any;
    if (comes && (in_[in] || is_kept_out(in, goes ? any : in))) return false;
    const double cost =
        cost_ - (goes ? problem_.columns[any].cost : 0) + (comes ? problem_.columns[in].cost : 0);
    if (cost > most_cost) return false;
    double energy = energy_;
    lost_.clear();
    won_.clear();
    if (goes) {
        rows_at(any, 0, lost_);
        count_rows(any, -1);
        energy += change_met(any, lost_, -1);
    }
    if (comes) {
        rows_at(in, 1, won_);
        energy += change_met(in, won_, 1);
    }
    const double worse = energy - energy_;
    const double luck = std::generate_canonical<double, 53>(random_);
    if (worse > 0 && luck >= std::exp(-worse / temperature)) {
        if (comes) change_met(in, won_, -1);
        if (goes) {
            change_met(any, lost_, 1);
            count_rows(any, 1);
        }
        return false;
    }
    if (comes) {
        count_rows(in, 1);
        in_[in] = 1;
    }
    if (goes) in_[any] = 0;
    if (goes && comes) {
        movable_[at] = in;
    } else if (comes) {
        movable_.push_back(in);
    } else {
        movable_[at] = movable_.back();
        movable_.pop_back();
    }
    cost_ = cost;
    energy_ = energy;
    return true;
}

/// Gives what that does to the energy.
double CoverAnnealer::change_met(std::uint32_t column, const std::vector<std::int32_t>& of_part, int sign) {
    double change = 0;
    for (std::size_t i = 0; i < of_part.size(); ++i) {
        const std::size_t g = parts_[column][i].group;
        change -= short_of(g, met_[g]);
        met_[g] += sign * of_part[i];
        change += short_of(g, met_[g]);
    }
    return change;
}

bool CoverAnnealer::make_whole(CoverPlan& plan, double most_cost, std::uint64_t tries,
                               const CancelToken& cancel) {
    take(plan);
    if (movable_.empty()) return energy_ <= 1e-12;
    // a hundredth of a group's need at first, at last not even a row
    constexpr double hot = 0.02, cold = 0.0002;
    const auto whole = [&] {
        for (std::size_t g = 0; g < met_.size(); ++g)
            if (met_[g] < problem_.groups[g].need) return false;
        return true;
    };
    bool done = whole();
    for (std::uint64_t t = 0; t < tries && !done; ++t) {
        if (t % 4096 == 0 && cancel.cancelled()) break;
        const double temperature = hot * std::pow(cold / hot, double(t) / double(tries));
        done = try_exchange(temperature, most_cost) && energy_ < 1e-9 && whole();
    }
    CoverPlan out = movable_;
    for (const std::uint32_t c : plan)
        if (problem_.columns[c].fixed) out.push_back(c);
    std::ranges::sort(out);
    plan = std::move(out);
    return done;
}

}  // namespace yemvo
