// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/branch.h"

#include <algorithm>
#include <limits>
#include <map>
#include <numeric>

namespace yemvo {
namespace {

/// Costs closer than this are one.
constexpr double tie = 1e-9;

class Dolls {
public:
    Dolls(const PairCosts& costs, const std::vector<std::uint32_t>& members,
          const std::vector<std::uint32_t>& known, std::uint64_t most_steps,
          std::chrono::steady_clock::time_point until, const CancelToken& cancel)
        : costs_(costs), members_(members), most_steps_(most_steps), until_(until), cancel_(cancel) {
        lay_out();
        best_.resize(size());
        for (std::size_t i = 0; i < size(); ++i) best_[i] = known[order_[i]];
        optimum_.assign(size() + 1, 0);
    }

    ProvenPart run() {
        std::size_t first = size();
        while (first > 0) {
            solve_from(first - 1);
            if (stopped_) break;
            --first;
        }
        ProvenPart out;
        out.proven = first == 0;
        out.out_of_time = out_of_time_;
        out.lower_bound = optimum_[first];
        for (std::size_t i = 0; i < first; ++i) out.lower_bound += least_own(i);
        out.chosen.resize(size());
        for (std::size_t i = 0; i < size(); ++i) out.chosen[order_[i]] = best_[i];
        return out;
    }

private:
    std::size_t size() const { return members_.size(); }
    std::size_t options(std::size_t i) const { return costs_.options(members_[order_[i]]); }
    double least_own(std::size_t i) const {
        double least = std::numeric_limits<double>::infinity();
        for (std::size_t o = 0; o < options(i); ++o)
            least = std::min(least, costs_.own(members_[order_[i]], o));
        return least;
    }

    /// The most entangled come last: their optimum is known first and bounds the others. Each next one is
    /// that with most ties to those behind it.
    void lay_out() {
        std::map<std::uint32_t, std::size_t> at;
        for (std::size_t i = 0; i < size(); ++i) at[members_[i]] = i;
        std::vector<double> ties(size(), 0), degree(size(), 0);
        std::vector<char> taken(size(), 0);
        for (std::size_t i = 0; i < size(); ++i)
            for (const PairCosts::Link& l : costs_.links(members_[i]))
                if (at.contains(l.other)) degree[i] += double{l.from_weight + l.to_weight};
        std::vector<std::size_t> backwards;
        for (std::size_t n = 0; n < size(); ++n) {
            std::size_t next = size();
            for (std::size_t i = 0; i < size(); ++i) {
                if (taken[i]) continue;
                if (next == size() || std::pair(ties[i], degree[i]) > std::pair(ties[next], degree[next]))
                    next = i;
            }
            taken[next] = 1;
            backwards.push_back(next);
            for (const PairCosts::Link& l : costs_.links(members_[next]))
                if (const auto other = at.find(l.other); other != at.end())
                    ties[other->second] += double{l.from_weight + l.to_weight};
        }
        order_.assign(backwards.rbegin(), backwards.rend());
        std::vector<std::size_t> place(size());
        for (std::size_t i = 0; i < size(); ++i) place[order_[i]] = i;
        later_.resize(size());
        for (std::size_t i = 0; i < size(); ++i)
            for (const PairCosts::Link& l : costs_.links(members_[order_[i]]))
                if (const auto other = at.find(l.other); other != at.end() && place[other->second] > i)
                    later_[i].push_back({place[other->second], &l});
        suffered_.resize(size());
    }

    void solve_from(std::size_t first) {
        first_ = first;
        chosen_.assign(size(), 0);
        for (std::size_t i = first; i < size(); ++i) suffered_[i].assign(options(i), 0.0);
        bound_ = cost_from(first);
        // the doll inside cannot get cheaper by what is added
        descend(first, 0);
        if (!stopped_) optimum_[first] = bound_;
    }

    double cost_from(std::size_t first) const {
        double sum = 0;
        for (std::size_t i = first; i < size(); ++i) {
            sum += costs_.own(members_[order_[i]], best_[i]);
            for (const auto& [j, link] : later_[i])
                sum += costs_.cost(members_[order_[i]], best_[i], *link, best_[j]);
        }
        return sum;
    }

    void descend(std::size_t i, double spent) {
        if (stopped_) return;
        if (i == size()) {
            if (spent < bound_ - tie) {
                bound_ = spent;
                std::copy(chosen_.begin() + static_cast<std::ptrdiff_t>(first_), chosen_.end(),
                          best_.begin() + static_cast<std::ptrdiff_t>(first_));
            }
            return;
        }
        if (++steps_ > most_steps_) {
            stopped_ = true;
            return;
        }
        if ((steps_ & 1023) == 0 && (cancel_.cancelled() || std::chrono::steady_clock::now() > until_)) {
            stopped_ = out_of_time_ = true;
            return;
        }
        std::vector<std::pair<double, std::uint32_t>> tries;
        for (std::uint32_t o = 0; o < options(i); ++o)
            tries.push_back({costs_.own(members_[order_[i]], o) + suffered_[i][o], o});
        std::ranges::sort(tries);
        for (const auto& [cost, o] : tries) {
            if (spent + cost + optimum_[i + 1] >= bound_ - tie) break;
            chosen_[i] = o;
            tell_later(i, o, +1);
            if (spent + cost + optimum_[i + 1] + suffering_after(i) < bound_ - tie)
                descend(i + 1, spent + cost);
            tell_later(i, o, -1);
            if (stopped_) return;
        }
    }

    void tell_later(std::size_t i, std::uint32_t o, int sign) {
        for (const auto& [j, link] : later_[i])
            for (std::size_t t = 0; t < options(j); ++t)
                suffered_[j][t] += sign * costs_.cost(members_[order_[i]], o, *link, t);
    }
    double suffering_after(std::size_t i) const {
        double sum = 0;
        for (std::size_t j = i + 1; j < size(); ++j) sum += *std::ranges::min_element(suffered_[j]);
        return std::max(0.0, sum);
    }

    const PairCosts& costs_;
    const std::vector<std::uint32_t>& members_;
    std::uint64_t most_steps_;
    std::chrono::steady_clock::time_point until_;
    const CancelToken& cancel_;
    std::vector<std::size_t> order_;  ///< of the members
    std::vector<std::vector<std::pair<std::size_t, const PairCosts::Link*>>> later_;
    std::vector<std::vector<double>> suffered_;  ///< from those decided, by option
    std::vector<std::uint32_t> chosen_, best_;   ///< in the order
    std::vector<double> optimum_;                ///< of the doll from there on
    std::size_t first_ = 0;
    double bound_ = 0;
    std::uint64_t steps_ = 0;
    bool stopped_ = false, out_of_time_ = false;
};

}  // namespace

ProvenPart branch_and_bound(const PairCosts& costs, const std::vector<std::uint32_t>& members,
                            const std::vector<std::uint32_t>& known, std::uint64_t most_steps,
                            std::chrono::steady_clock::time_point until, const CancelToken& cancel) {
    return Dolls(costs, members, known, most_steps, until, cancel).run();
}

}  // namespace yemvo
