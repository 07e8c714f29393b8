// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/tabu.h"

#include <algorithm>

namespace yemvo {
namespace {

constexpr double gain_worth = 1e-9;
constexpr std::size_t longest_tenure = 64;
/// So many moves without a better plan, and some radios are thrown somewhere else.
constexpr std::uint64_t idle_before_kick = 200;

}  // namespace

Tabu::Tabu(const PairCosts& costs, std::vector<std::uint32_t> members, std::vector<std::uint32_t> start,
           std::uint64_t seed)
    : costs_(costs),
      members_(std::move(members)),
      now_(std::move(start)),
      best_(now_),
      is_member_(costs.radios(), 0),
      table_(costs.radios()),
      until_(costs.radios()),
      move_(costs.radios()),
      expiring_(longest_tenure + 1),
      random_(seed) {
    for (std::uint32_t r : members_) {
        is_member_[r] = 1;
        until_[r].assign(costs_.options(r), 0);
    }
    fill_table();
    note_best();
}

void Tabu::fill_table() {
    for (std::uint32_t r : members_) {
        table_[r].assign(costs_.options(r), 0);
        for (std::size_t o = 0; o < table_[r].size(); ++o) table_[r][o] = costs_.own(r, o);
        for (const PairCosts::Link& l : costs_.links(r))
            for (std::size_t o = 0; o < table_[r].size(); ++o)
                table_[r][o] += costs_.cost(r, o, l, now_[l.other]);
    }
    for (std::uint32_t r : members_) look_again(r);
    cost_ = cost_now();
}

/// Pairs with radios that stay count whole, pairs of members once.
double Tabu::cost_now() const {
    double sum = 0;
    for (std::uint32_t r : members_) {
        sum += costs_.own(r, now_[r]);
        for (const PairCosts::Link& l : costs_.links(r))
            if (!is_member_[l.other] || l.other > r) sum += costs_.cost(r, now_[r], l, now_[l.other]);
    }
    return sum;
}

void Tabu::note_best() {
    if (cost_ >= best_cost_ - gain_worth) return;
    best_cost_ = cost_;
    best_ = now_;
}

void Tabu::look_again(std::uint32_t radio) {
    Move best;
    for (std::uint32_t o = 0; o < table_[radio].size(); ++o) {
        if (o == now_[radio]) continue;
        const double d = delta(radio, o);
        if (until_[radio][o] > step_ && cost_ + d >= best_cost_ - gain_worth) continue;
        if (d < best.gain) best = {d, o};
    }
    move_[radio] = best;
}

void Tabu::set(std::uint32_t radio, std::uint32_t option) {
    const std::uint32_t before = now_[radio];
    cost_ += delta(radio, option);
    now_[radio] = option;
    for (const PairCosts::Link& l : costs_.links(radio)) {
        if (!is_member_[l.other]) continue;
        const PairCosts::Link& back = costs_.links(l.other)[l.back];
        auto& row = table_[l.other];
        for (std::size_t o = 0; o < row.size(); ++o)
            row[o] += costs_.cost(l.other, o, back, option) - costs_.cost(l.other, o, back, before);
        look_again(l.other);
    }
    look_again(radio);
}

void Tabu::forbid(std::uint32_t radio, std::uint32_t option) {
    const std::size_t spread = std::clamp<std::size_t>(members_.size() / 2, 1, longest_tenure - 8);
    const std::uint64_t tenure = std::min<std::uint64_t>(3 + members_.size() / 4, 7) + random_() % spread;
    until_[radio][option] = step_ + tenure;
    expiring_[(step_ + tenure) % expiring_.size()].push_back(radio);
}

void Tabu::expire() {
    auto& due = expiring_[step_ % expiring_.size()];
    for (std::uint32_t r : due) look_again(r);
    due.clear();
}

void Tabu::kick() {
    // mostly a few, now and then a third of them: some plans are only reached by moving many at once
    const std::size_t count =
        1 + random_() % std::max<std::size_t>(2, members_.size() / (random_() % 4 == 0 ? 3 : 10));
    for (std::size_t k = 0; k < count; ++k) {
        const std::uint32_t r = members_[random_() % members_.size()];
        const std::size_t options = costs_.options(r);
        if (options > 1) set(r, static_cast<std::uint32_t>(random_() % options));
    }
}

void Tabu::begin_greedily(bool shuffled) {
    // weights of decided neighbours; who has most of them is next
    std::vector<double> bound(costs_.radios(), 0);
    std::vector<char> decided(costs_.radios(), 0);
    std::vector<std::uint32_t> left = members_;
    if (shuffled) std::shuffle(left.begin(), left.end(), random_);
    for (std::size_t r = 0; r < costs_.radios(); ++r) decided[r] = !is_member_[r];
    while (!left.empty()) {
        const auto next = std::ranges::max_element(left, {}, [&](std::uint32_t r) { return bound[r]; });
        const std::uint32_t r = *next;
        left.erase(next);
        std::uint32_t best = 0;
        double least = 1e300;
        for (std::uint32_t o = 0; o < costs_.options(r); ++o) {
            double cost = costs_.own(r, o);
            for (const PairCosts::Link& l : costs_.links(r))
                if (decided[l.other]) cost += costs_.cost(r, o, l, now_[l.other]);
            if (cost < least - gain_worth) least = cost, best = o;
        }
        now_[r] = best;
        decided[r] = 1;
        for (const PairCosts::Link& l : costs_.links(r))
            bound[l.other] += double{l.from_weight + l.to_weight};
    }
    fill_table();
    note_best();
}

bool Tabu::run(std::size_t moves, double least_possible, const CancelToken& cancel) {
    std::uint64_t improved = step_;
    for (std::size_t k = 0; k < moves; ++k) {
        if ((k & 63) == 0 && cancel.cancelled()) return false;
        if (best_cost_ <= least_possible + gain_worth) return true;
        ++step_;
        expire();
        Move best;
        std::uint32_t radio = 0, alike = 0;
        for (std::uint32_t r : members_) {
            const Move& m = move_[r];
            if (m.gain > best.gain + gain_worth || m.gain > 1e299) continue;
            if (m.gain > best.gain - gain_worth) {
                if (random_() % ++alike != 0) continue;
            } else {
                alike = 1;
            }
            best = m;
            radio = r;
        }
        if (best.gain > 1e299) continue;  // everything is forbidden for a moment
        const std::uint32_t from = now_[radio];
        forbid(radio, from);
        set(radio, best.option);
        const double before = best_cost_;
        note_best();
        if (best_cost_ < before) improved = step_;
        if (step_ - improved >= idle_before_kick) {
            now_ = best_;
            fill_table();
            kick();
            note_best();
            improved = step_;
        }
    }
    // increments leave rounding behind: from here on it is exact again
    const std::vector<std::uint32_t> now = now_;
    now_ = best_;
    best_cost_ = cost_now();
    now_ = now;
    fill_table();
    return true;
}

}  // namespace yemvo
