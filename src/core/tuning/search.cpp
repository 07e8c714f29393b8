// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/search.h"

#include <tbb/parallel_for.h>

#include <algorithm>
#include <atomic>
#include <chrono>
#include <mutex>
#include <numeric>

#include "tuning/branch.h"
#include "tuning/tabu.h"

namespace yemvo {
namespace {

using Clock = std::chrono::steady_clock;
Clock::time_point in_seconds(double s) {
    return Clock::now() + std::chrono::duration_cast<Clock::duration>(std::chrono::duration<double>(s));
}

/// Radios that may change, in sets that have nothing to do with each other.
std::vector<std::vector<std::uint32_t>> parts_of(const RetuneInstance& instance, const PairCosts& costs) {
    std::vector<std::int32_t> part(costs.radios(), -1);
    std::vector<std::vector<std::uint32_t>> parts;
    for (std::uint32_t r = 0; r < costs.radios(); ++r) {
        if (part[r] >= 0 || instance.radios[r].locked) continue;
        auto& own = parts.emplace_back();
        std::vector<std::uint32_t> open{r};
        part[r] = static_cast<std::int32_t>(parts.size() - 1);
        while (!open.empty()) {
            const std::uint32_t at = open.back();
            open.pop_back();
            own.push_back(at);
            for (const PairCosts::Link& l : costs.links(at))
                if (part[l.other] < 0 && !instance.radios[l.other].locked) {
                    part[l.other] = part[r];
                    open.push_back(l.other);
                }
        }
        std::ranges::sort(own);
    }
    return parts;
}

double least_own(const PairCosts& costs, std::uint32_t radio) {
    double least = costs.own(radio, 0);
    for (std::size_t o = 1; o < costs.options(radio); ++o) least = std::min(least, costs.own(radio, o));
    return least;
}

class Search {
public:
    Search(const RetuneInstance& instance, const SearchWish& wish, const CancelToken& cancel)
        : instance_(instance),
          wish_(wish),
          cancel_(cancel),
          costs_(instance),
          parts_(parts_of(instance, costs_)) {}

    SearchResult run() {
        const auto begun = Clock::now();
        until_ = in_seconds(wish_.seconds);
        begin();
        for (std::size_t p = 0; p < parts_.size(); ++p) search_part(p);
        if (wish_.exact_seconds > 0) prove();
        result_.parts = parts_.size();
        result_.objective = costs_.total(result_.chosen);
        result_.worst_start = result_.objective + spread_;
        result_.lower_bound = bound();
        if (result_.proven) result_.lower_bound = result_.objective;
        result_.out_of_time = out_of_time_;
        result_.seconds = std::chrono::duration<double>(Clock::now() - begun).count();
        return result_;
    }

private:
    /// As it is now; where that is none of the settings, the first.
    void begin() {
        for (const TunedRadio& r : instance_.radios)
            result_.chosen.push_back(r.now >= 0 ? static_cast<std::uint32_t>(r.now) : 0);
        part_bound_.assign(parts_.size(), 0);
        proven_.assign(parts_.size(), 0);
        for (std::size_t p = 0; p < parts_.size(); ++p)
            for (std::uint32_t r : parts_[p]) part_bound_[p] += least_own(costs_, r);
    }

    void search_part(std::size_t p) {
        const auto& members = parts_[p];
        const std::vector<std::uint32_t> from = result_.chosen;
        std::vector<double> costs(static_cast<std::size_t>(std::max(1, wish_.starts)), 1e300);
        std::vector<std::vector<std::uint32_t>> best(costs.size());
        tbb::parallel_for(std::size_t{0}, costs.size(), [&](std::size_t start) {
            Tabu tabu(costs_, members, from, wish_.seed * 1000003 + start * 7919 + p);
            if (start > 0) tabu.begin_greedily(start > 1);
            constexpr std::size_t small_part_moves = 600;  // of each radio: a small part needs no more
            const std::size_t moves = std::min(static_cast<std::size_t>(std::max(1, wish_.moves)),
                                               small_part_moves * members.size()) +
                                      static_cast<std::size_t>(wish_.moves_a_radio) * members.size();
            // in slices, so that time and better plans are told
            for (std::size_t done = 0; done < moves && !cancel_.cancelled();) {
                if (Clock::now() > until_) {
                    out_of_time_ = true;
                    break;
                }
                const std::size_t slice = std::min<std::size_t>(2000, moves - done);
                tabu.run(slice, part_bound_[p], cancel_);
                done += slice;
                offer(p, tabu);
                if (tabu.best_cost() <= part_bound_[p] + 1e-9) break;
            }
            costs[start] = tabu.best_cost();
            best[start] = tabu.best();
        });
        const auto at = std::ranges::min_element(costs);  // the first of the best, whoever was done first
        for (std::uint32_t r : members)
            result_.chosen[r] = best[static_cast<std::size_t>(at - costs.begin())][r];
        proven_[p] = *at <= part_bound_[p] + 1e-9;
        spread_ += *std::ranges::max_element(costs) - *at;
    }

    void offer(std::size_t p, const Tabu& tabu) {
        if (!wish_.better) return;
        const std::scoped_lock lock(telling_);
        // whoever is told works on it meanwhile, and nobody reads faster
        constexpr auto between = std::chrono::milliseconds(150);
        if (Clock::now() < told_at_ + between) return;
        if (told_.empty()) told_ = result_.chosen, told_objective_ = costs_.total(told_);
        Assignment with = told_;
        for (std::uint32_t r : parts_[p]) with[r] = tabu.best()[r];
        const double now = costs_.total(with);
        if (now >= told_objective_ - 1e-9) return;
        told_ = with;
        told_objective_ = now;
        told_at_ = Clock::now();
        wish_.better(told_, told_objective_);
    }

    /// The small parts first: time is shared by all that are left.
    void prove() {
        std::vector<std::size_t> order(parts_.size());
        std::iota(order.begin(), order.end(), std::size_t{0});
        std::ranges::stable_sort(order, {}, [&](std::size_t p) { return parts_[p].size(); });
        const auto end = in_seconds(wish_.exact_seconds);
        for (std::size_t k = 0; k < order.size() && !cancel_.cancelled(); ++k) {
            const std::size_t p = order[k];
            if (proven_[p] || parts_[p].size() > wish_.most_exact) continue;
            const auto left = end - Clock::now();
            if (left <= Clock::duration::zero()) break;
            std::vector<std::uint32_t> known;
            for (std::uint32_t r : parts_[p]) known.push_back(result_.chosen[r]);
            const ProvenPart found =
                branch_and_bound(costs_, parts_[p], known, wish_.exact_steps, end, cancel_);
            if (found.out_of_time) out_of_time_ = true;
            for (std::size_t i = 0; i < parts_[p].size(); ++i) result_.chosen[parts_[p][i]] = found.chosen[i];
            part_bound_[p] = std::max(part_bound_[p], found.lower_bound);
            proven_[p] = found.proven;
            if (!found.proven) polish(p);
        }
    }

    /// What a proof that was not ended came upon may be bettered by a single move.
    void polish(std::size_t p) {
        constexpr std::size_t moves_a_radio = 100;
        Tabu tabu(costs_, parts_[p], result_.chosen, wish_.seed + p);
        tabu.run(moves_a_radio * parts_[p].size(), part_bound_[p], cancel_);
        for (std::uint32_t r : parts_[p]) result_.chosen[r] = tabu.best()[r];
    }

    double bound() {
        double sum = costs_.constant();
        result_.proven = true;
        for (std::size_t p = 0; p < parts_.size(); ++p) {
            sum += part_bound_[p];
            result_.proven = result_.proven && proven_[p];
        }
        return sum;
    }

    const RetuneInstance& instance_;
    const SearchWish& wish_;
    const CancelToken& cancel_;
    PairCosts costs_;
    std::vector<std::vector<std::uint32_t>> parts_;
    std::vector<double> part_bound_;
    std::vector<char> proven_;
    SearchResult result_;
    Clock::time_point until_;
    std::atomic<bool> out_of_time_ = false;
    double spread_ = 0;
    std::mutex telling_;
    Assignment told_;
    Clock::time_point told_at_{};
    double told_objective_ = 0;
};

}  // namespace

SearchResult search(const RetuneInstance& instance, const SearchWish& wish, const CancelToken& cancel) {
    return Search(instance, wish, cancel).run();
}

}  // namespace yemvo
