// SPDX-License-Identifier: GPL-3.0-or-later
#include "cover/cover_branch.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <optional>

namespace yemvo {
namespace {

class Brancher {
public:
    Brancher(const CoverProblem& problem, const std::vector<CoverBlock>& blocks, const BranchWish& wish,
             const CancelToken& cancel)
        : problem_(problem), blocks_(blocks), wish_(wish), cancel_(cancel), dual_(problem, blocks) {
        for (const CoverColumn& c : problem.columns) least_cost_ = std::min(least_cost_, c.cost);
    }

    Branched search(const std::vector<double>& worth) {
        std::vector<Node> open;
        open.push_back({dual_.state(), worth});
        while (!open.empty()) {
            if (is_over()) return Branched::unknown;
            Node node = std::move(open.back());
            open.pop_back();
            state_ = std::move(node.state);
            dual_.set_worth(std::move(node.worth));
            if (is_closed()) continue;
            const std::optional<std::uint32_t> on = column_to_branch_on();
            if (!on) return Branched::possible;
            Node without{state_, dual_.worth()}, with = without;
            without.state[*on] = ColumnState::out;
            hold_in(with.state, *on);
            open.push_back(std::move(without));
            open.push_back(std::move(with));  // first: plans with it are few
        }
        return Branched::none;
    }

private:
    struct Node {
        std::vector<ColumnState> state;
        std::vector<double> worth;
    };
    static constexpr double grain = 1e-6;

    bool is_over() const {
        return cancel_.cancelled() ||
               std::chrono::duration<double>(std::chrono::steady_clock::now() - begin_).count() >
                   wish_.seconds;
    }

    void hold_in(std::vector<ColumnState>& state, std::uint32_t c) const {
        state[c] = ColumnState::in;
        for (const std::uint32_t other : problem_.columns[c].apart)
            if (state[other] == ColumnState::free) state[other] = ColumnState::out;
    }

    /// No plan of this branch costs so little; else the dual is left at its best.
    bool is_closed() {
        // what a branch costs in steps it saves many times over in branches
        constexpr int most_steps = 400, patience = 80;
        for (bool again = true; again;) {
            again = false;
            if (!may_be_whole()) return true;
            dual_.set_state(state_);
            double best = -1e18, pace = 0.9;
            std::vector<double> best_worth = dual_.worth();
            share_.assign(problem_.columns.size(), 0.0);
            int idle = 0, steps = 0;
            for (; steps < most_steps && idle < patience; ++steps) {
                const double value = dual_.value();
                if (value > wish_.at_most + grain) return true;
                for (std::size_t c = 0; c < share_.size(); ++c) share_[c] += dual_.takes(c);
                again = hold_by_cost(value) || again;
                if (value > best + 1e-3) {
                    idle = 0;
                } else {
                    ++idle;
                    pace *= 0.96;
                }
                if (value > best) {
                    best = value;
                    best_worth = dual_.worth();
                }
                if (!dual_.step(wish_.at_most + 1, value, pace)) break;
            }
            for (double& s : share_) s /= steps + 1;
            dual_.set_worth(std::move(best_worth));
        }
        return false;
    }

    /// Columns that a plan of this branch, costing no more than it may, cannot have or cannot lack.
    bool hold_by_cost(double value) {
        bool any = false;
        const auto& reduced = dual_.reduced();
        for (std::uint32_t c = 0; c < state_.size(); ++c) {
            if (state_[c] != ColumnState::free || value + std::abs(reduced[c]) <= wish_.at_most + grain)
                continue;
            if (reduced[c] > 0)
                state_[c] = ColumnState::out;
            else
                hold_in(state_, c);
            any = true;
        }
        return any;
    }

    /// With all that is free every group could be met, and what is in does not cost too much.
    bool may_be_whole() {
        double cost = 0;
        for (std::size_t c = 0; c < state_.size(); ++c)
            if (state_[c] == ColumnState::in) cost += problem_.columns[c].cost;
        if (cost > wish_.at_most + grain) return false;
        if (cost + least_cost_ > wish_.at_most + grain)
            for (ColumnState& s : state_)
                if (s == ColumnState::free) s = ColumnState::out;
        std::vector<double> met(problem_.groups.size(), 0.0);
        for (const CoverBlock& b : blocks_) {
            int can = 0;
            for (const std::uint32_t c : b.columns) can += state_[c] != ColumnState::out;
            if (can >= problem_.groups[b.group].times) met[b.group] += b.rows;
        }
        for (std::size_t g = 0; g < met.size(); ++g)
            if (problem_.groups[g].need > 0 && met[g] < problem_.groups[g].need - 1e-9) return false;
        return true;
    }

    /// Taken more often than not while the dual was stepped; none where all are held.
    std::optional<std::uint32_t> column_to_branch_on() const {
        std::optional<std::uint32_t> best;
        double least = 1e9;
        for (std::uint32_t c = 0; c < state_.size(); ++c) {
            if (state_[c] != ColumnState::free) continue;
            const double off = std::abs(share_[c] - 0.8);
            if (off >= least) continue;
            least = off;
            best = c;
        }
        return best;
    }

    const CoverProblem& problem_;
    const std::vector<CoverBlock>& blocks_;
    const BranchWish& wish_;
    const CancelToken& cancel_;
    CoverDual dual_;
    std::vector<ColumnState> state_;  ///< of the branch in hand; the dual learns of it at its next turn
    double least_cost_ = 1e18;
    std::vector<double> share_;
    std::chrono::steady_clock::time_point begin_ = std::chrono::steady_clock::now();
};

}  // namespace

Branched branch_cover(const CoverProblem& problem, const std::vector<CoverBlock>& blocks,
                      const std::vector<double>& worth, const BranchWish& wish, const CancelToken& cancel) {
    return Brancher(problem, blocks, wish, cancel).search(worth);
}

}  // namespace yemvo
