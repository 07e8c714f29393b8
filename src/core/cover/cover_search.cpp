// SPDX-License-Identifier: GPL-3.0-or-later
#include "cover/cover_search.h"

#include <chrono>
#include <limits>
#include <random>

#include "cover/cover_anneal.h"
#include "cover/cover_counts.h"

namespace yemvo {
namespace {

constexpr std::uint32_t nobody = std::numeric_limits<std::uint32_t>::max();

CoverPlan sorted(CoverPlan plan) {
    std::ranges::sort(plan);
    return plan;
}

class Search {
public:
    Search(const CoverProblem& problem, const CoverWish& wish, const CancelToken& cancel)
        : problem_(problem), wish_(wish), cancel_(cancel), counts_(problem), random_(wish.seed) {
        // a group weighs by its share, however many rows it has
        for (const CoverGroup& g : problem.groups) usual_.push_back(1.0 / std::max(1u, g.need));
        for (std::uint32_t c = 0; c < problem.columns.size(); ++c)
            if (problem.columns[c].fixed) counts_.add(c);
    }

    void take(const CoverPlan& plan) {
        for (const std::uint32_t c : plan)
            if (counts_.may_come(c)) counts_.add(c);
    }
    /// False where nothing brings anything any more.
    bool fill() {
        while (!counts_.is_whole()) {
            const std::uint32_t c = best_to_add();
            if (c == nobody) return false;
            counts_.add(c);
        }
        return true;
    }
    /// The dearest of those that nobody misses first, and of equals the one that brings least.
    void prune() {
        for (;;) {
            std::uint32_t out = nobody;
            for (const std::uint32_t c : counts_.plan()) {
                if (problem_.columns[c].fixed || counts_.loss(c, usual_) > 0) continue;
                if (out == nobody || problem_.columns[c].cost > problem_.columns[out].cost ||
                    (problem_.columns[c].cost == problem_.columns[out].cost &&
                     problem_.columns[c].rows.size() < problem_.columns[out].rows.size()))
                    out = c;
            }
            if (out == nobody) return;
            counts_.remove(out);
        }
    }
    CoverPlan plan() const { return sorted(counts_.plan()); }

    /// One column fewer again and again, for as long as exchanges make up for it.
    CoverPlan run() {
        const auto begin = std::chrono::steady_clock::now();
        const auto time_is_up = [&] {
            const std::chrono::duration<double> gone = std::chrono::steady_clock::now() - begin;
            return cancel_.cancelled() || gone.count() > wish_.seconds;
        };
        CoverAnnealer annealer(problem_, wish_.seed);
        keep();
        for (int failed = 0; failed < wish_.failures && !is_good_enough() && !time_is_up();) {
            const std::uint32_t out = least_missed(failed > 0);
            if (out == nobody) break;
            counts_.remove(out);
            CoverPlan plan = counts_.plan();
            const bool whole = annealer.make_whole(plan, cost_ - 1e-9, wish_.tries, cancel_);
            set(whole ? plan : best_);
            prune();
            failed = keep() ? 0 : failed + 1;
        }
        return best_;
    }

private:
    bool keep() {
        if (!counts_.is_whole() || (!best_.empty() && counts_.cost() > cost_ - 1e-9)) return false;
        best_ = plan();
        cost_ = counts_.cost();
        if (wish_.better) wish_.better(best_);
        return true;
    }

    bool is_good_enough() const { return wish_.good_enough && cost_ <= wish_.good_enough() + 1e-9; }

    void set(const CoverPlan& plan) {
        for (const std::uint32_t c : CoverPlan(counts_.plan()))
            if (!std::ranges::binary_search(plan, c)) counts_.remove(c);
        take(plan);
    }

    /// Or any, where that has been tried.
    std::uint32_t least_missed(bool any) {
        std::uint32_t out = nobody;
        double least = 0;
        std::uint64_t alike = 0;
        for (const std::uint32_t c : counts_.plan()) {
            if (problem_.columns[c].fixed) continue;
            const double missed = any ? 0 : counts_.loss(c, usual_) / problem_.columns[c].cost;
            if (out != nobody && missed > least * (1 + 1e-9)) continue;
            alike = out != nobody && missed >= least * (1 - 1e-9) ? alike + 1 : 1;
            if (alike > 1 && random_() % alike != 0) continue;
            out = c;
            least = missed;
        }
        return out;
    }

    std::uint32_t best_to_add() {
        std::uint32_t in = nobody;
        double most = 0;
        int alike = 0;
        for (std::uint32_t c = 0; c < problem_.columns.size(); ++c) {
            if (!counts_.may_come(c)) continue;
            const double gain = counts_.gain(c, usual_) / problem_.columns[c].cost;
            if (gain <= 0 || gain < most * (1 - 1e-9)) continue;
            alike = gain <= most * (1 + 1e-9) ? alike + 1 : 1;
            if (alike > 1 && random_() % static_cast<unsigned>(alike) != 0) continue;
            in = c;
            most = gain;
        }
        return in;
    }

    const CoverProblem& problem_;
    const CoverWish& wish_;
    const CancelToken& cancel_;
    CoverCounts counts_;
    std::mt19937_64 random_;
    std::vector<double> usual_;
    CoverPlan best_;
    double cost_ = std::numeric_limits<double>::infinity();
};

}  // namespace

CoverPlan greedy_cover(const CoverProblem& problem) {
    const CoverWish wish;
    const CancelToken cancel;
    Search search(problem, wish, cancel);
    search.fill();
    search.prune();
    return search.plan();
}

CoverPlan search_cover(const CoverProblem& problem, const CoverWish& wish, const CancelToken& cancel,
                       const CoverPlan* start) {
    Search search(problem, wish, cancel);
    if (start) search.take(*start);
    if (!search.fill()) return search.plan();
    search.prune();
    return search.run();
}

}  // namespace yemvo
