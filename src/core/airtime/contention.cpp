// SPDX-License-Identifier: GPL-3.0-or-later
#include "airtime/contention.h"

#include <algorithm>
#include <cmath>

#include "airtime/neighbourhood.h"
#include "airtime/serving.h"

namespace yemvo {
namespace {

constexpr double slot_s = slot_us * 1e-6;
constexpr double us = 1e-6;
/// How far each sweep goes towards what it found.
constexpr double idle_step = 0.7, collision_step = 0.1, attempt_step = 0.2;
constexpr double least_idle = 1e-9, most_use = 1 - 1e-9;

/// One receiver's part in its queue.
struct Flow {
    double per_s, count, most;
    double bursts_per_s;
    const FrameCost* cost;
    double mpdus = 1, txops_per_s = 0;  ///< to one of `count`
};

/// What a contender's last visit left.
struct State {
    double idle = 0.5, use = 0, collision = 0, attempt = 0;
    double txops = 0, tries = 0, most_txops = 0;
    double spent_s = 0;  ///< a TXOP with the space before it, in the mean
    double risk_s = 0;   ///< what a collision takes
    double hidden_loss = 0, survives = 1;
    bool saturated = false;
};

/// log(1 - x) to ten digits; most chances are small, and this is asked for at every pair of every sweep.
double log_of_less(double x) {
    if (x > 0.02) return std::log1p(-std::min(x, 1.0));
    return -x * (1 + x * (1. / 2 + x * (1. / 3 + x * (1. / 4 + x * (1. / 5)))));
}

class Sweeps {
public:
    Sweeps(const Contention& c, const ContentionResult& before);
    void run(const SweepLimits&, const CancelToken&);
    ContentionResult result() const;

private:
    double heard_use(std::uint32_t k) const;
    void visit(std::uint32_t k);
    double idle_of(std::uint32_t k) const;
    void update_sets(std::uint32_t k);
    void share_out(std::uint32_t k);
    double collision_of(std::uint32_t k) const;
    void find_hidden(std::uint32_t k);
    void serve(std::uint32_t k);
    void serve_all(std::uint32_t k);  ///< saturated
    void serve_single(std::uint32_t k, Flow&);
    void serve_several(std::uint32_t k);
    void account(std::uint32_t k);
    std::span<Flow> flows(std::uint32_t k) {
        return std::span(flows_).subspan(first_flow_[k], first_flow_[k + 1] - first_flow_[k]);
    }
    std::span<const Flow> flows(std::uint32_t k) const {
        return std::span(flows_).subspan(first_flow_[k], first_flow_[k + 1] - first_flow_[k]);
    }
    /// The share of other's tries that meet the listener's: those that fall where the listener's rivals are
    /// still.
    double reach(const Neighbour& n) const {
        const Sets& s = sets_[n.who];
        return n.set_at_other >= 0 ? s.without[static_cast<std::size_t>(n.set_at_other)] : s.all;
    }

    const Contention& c_;
    Neighbourhood near_;
    std::vector<State> state_;
    std::vector<std::uint32_t> first_flow_;
    std::vector<Flow> flows_;
    std::vector<ReceiverGap> gaps_;
    std::vector<double> needed_;  ///< TXOPs a second with full aggregates
    struct Sets {
        double all = 1;
        std::vector<double> use;      ///< of each set
        std::vector<double> idle;     ///< the same as the contender sees it
        std::vector<double> without;  ///< product of the others' for each set
    };
    std::vector<Sets> sets_;
    std::vector<std::vector<HiddenSender>> hidden_;
    int sweeps_ = 0;
    double unrest_ = 0;
};

Sweeps::Sweeps(const Contention& c, const ContentionResult& before)
    : c_(c), near_(c), state_(c.contenders.size()), first_flow_{0}, sets_(c.contenders.size()) {
    if (!c.hidden.empty()) hidden_.resize(c.contenders.size());
    for (const HiddenSender& h : c.hidden) hidden_[h.victim].push_back(h);
    for (std::uint32_t k = 0; k < c.contenders.size(); ++k) {
        const Contender& who = c.contenders[k];
        double all_per_s = 0, needed = 0;
        for (const QueueTo& to : who.to) all_per_s += to.count * to.msdu_per_s;
        for (const QueueTo& to : who.to) {
            if (to.msdu_per_s <= 0 || to.count <= 0) continue;
            double most = to.cost.most;
            // a queue of few packets does not fill aggregates to each of many receivers
            if (to.msdu_per_s < always_full)
                most = std::min(
                    most, std::max(1.0, 2 * who.queue_msdus * to.msdu_per_s / (all_per_s + to.msdu_per_s)));
            flows_.push_back(
                {to.msdu_per_s, to.count, most, to.msdu_per_s / std::max(to.burst, 1.0), &to.cost});
            needed += to.count * to.msdu_per_s / most;
        }
        first_flow_.push_back(static_cast<std::uint32_t>(flows_.size()));
        needed_.push_back(needed);
        sets_[k].use.assign(near_.sets(k), 0);
        sets_[k].idle.assign(near_.sets(k), 1);
        sets_[k].without.assign(near_.sets(k), 1);
        State& s = state_[k];
        s.use = who.fixed_share;
        s.txops = who.fixed_per_s;
        if (before.of.size() == c.contenders.size() && who.fixed_share == 0) {
            const ContenderShare& b = before.of[k];
            s.idle = b.idle_share;
            s.use = b.use;
            s.collision = b.collision;
            s.attempt = b.attempt;
            s.tries = b.tries_per_s;
            s.txops = b.txops_per_s;
            for (Flow& f : flows(k)) f.mpdus = std::clamp(b.mpdus, 1.0, f.most);
        }
    }
    for (std::uint32_t k = 0; k < state_.size(); ++k) update_sets(k);
}

double Sweeps::idle_of(std::uint32_t k) const {
    const State& s = state_[k];
    double product = 1 - std::min(s.use, most_use);
    bool too_much = false;
    for (double idle : sets_[k].idle) {
        product *= std::abs(idle);
        too_much = too_much || idle <= 0;
    }
    // more than there is: how much more tells how far to go back
    return too_much ? std::min(-product, 0.8 * s.idle) : product;
}

void Sweeps::update_sets(std::uint32_t k) {
    Sets& s = sets_[k];
    std::fill(s.use.begin(), s.use.end(), 0.0);
    for (const Neighbour& n : near_.of(k)) s.use[n.set] += n.weight * state_[n.who].use;
    share_out(k);
}

/// What its sets leave of the time that it does not send in.
void Sweeps::share_out(std::uint32_t k) {
    Sets& s = sets_[k];
    const double rest = 1 - std::min(state_[k].use, most_use);
    s.all = 1;
    for (std::size_t a = 0; a < s.use.size(); ++a) {
        s.idle[a] = 1 - s.use[a] / rest;
        s.without[a] = s.all;  // of those before it
        s.all *= std::max(s.idle[a], 0.0);
    }
    double after = 1;
    for (std::size_t a = s.use.size(); a-- > 0;) {
        s.without[a] *= after;
        after *= std::max(s.idle[a], 0.0);
    }
}

double Sweeps::collision_of(std::uint32_t k) const {
    double log_alone = 0;
    for (const Neighbour& n : near_.of(k)) {
        const double tries = state_[n.who].attempt * reach(n);
        if (tries > 0) log_alone += double{n.weight} * log_of_less(tries);
    }
    return -std::expm1(log_alone);
}

void Sweeps::find_hidden(std::uint32_t k) {
    State& s = state_[k];
    if (hidden_.empty()) return;
    double mpdus = 0, ppdu_s = 0, txops = 0;
    for (const Flow& f : flows(k)) {
        const double x = f.count * std::max(f.txops_per_s, 1e-9);
        txops += x;
        mpdus += x * f.mpdus;
        ppdu_s += x * f.cost->ppdu_us(f.mpdus) * us;
    }
    if (txops <= 0) return;
    mpdus /= txops;
    ppdu_s /= txops;
    double through = 1, survives = 1;
    for (const HiddenSender& h : hidden_[k]) {
        const auto its = flows(h.sender);
        if (its.empty()) continue;
        const double its_ppdu_s = its.front().cost->ppdu_us(its.front().mpdus) * us;
        const double tries = state_[h.sender].tries * c_.contenders[h.sender].count;
        const double v = std::min(tries * its_ppdu_s, 0.98);
        through *= 1 - h.share * (1 - std::max(0.02, 1 - v));
        const double kept =
            its_ppdu_s > ppdu_s / 3 ? 0.5 : (1 - v) * std::exp(-tries * ppdu_s / (mpdus * (1 - v)));
        // of nothing sent nothing is lost
        const double met = 1 - std::exp(-tries * ppdu_s);
        survives *= 1 - h.share * (its_ppdu_s > ppdu_s / 3 ? met : 1) * (1 - kept);
    }
    s.hidden_loss += collision_step * (1 - through - s.hidden_loss);
    s.survives += collision_step * (survives - s.survives);
}

void Sweeps::visit(std::uint32_t k) {
    State& s = state_[k];
    const double idle_before = s.idle;
    const Contender& who = c_.contenders[k];
    const double alike = who.hear_each_other ? std::max(1.0, who.count) : 1;
    s.idle += idle_step * (idle_of(k) - s.idle) * s.idle / (s.idle + alike * s.use);
    s.idle = std::max({s.idle, 0.5 * idle_before, least_idle});
    unrest_ = std::max(unrest_, std::abs(s.idle - idle_before) / s.idle);
    s.collision += collision_step * (collision_of(k) - s.collision);
    if (first_flow_[k] == first_flow_[k + 1]) return;
    find_hidden(k);
    serve(k);
    account(k);
}

void Sweeps::serve(std::uint32_t k) {
    State& s = state_[k];
    const double fails = 1 - (1 - s.collision) * (1 - s.hidden_loss);
    const double full = attempt_chance(fails, c_.contenders[k].backoff);
    s.most_txops = full * s.idle / (slot_s * (1 - full)) * (1 - s.hidden_loss);
    s.saturated = s.most_txops <= needed_[k];
    const auto its = flows(k);
    if (s.saturated)
        serve_all(k);
    else if (its.size() == 1 && its.front().count == 1)
        serve_single(k, its.front());
    else
        serve_several(k);
    const double attempt = s.saturated ? full : s.txops * slot_s / (s.idle + s.txops * slot_s);
    s.attempt += attempt_step * (attempt - s.attempt);
    s.tries = s.txops / std::max(1 - fails, 1e-6);
}

void Sweeps::serve_all(std::uint32_t k) {
    State& s = state_[k];
    for (Flow& f : flows(k)) {
        f.mpdus = f.most;
        f.txops_per_s = s.most_txops * (f.per_s / f.most) / needed_[k];
    }
    s.txops = s.most_txops;
}

void Sweeps::serve_single(std::uint32_t k, Flow& f) {
    State& s = state_[k];
    double tries = 0, busy = 0;
    for (const Neighbour& n : near_.of(k)) {
        const double y = n.weight * state_[n.who].tries;
        tries += y;
        busy += y * state_[n.who].spent_s;
    }
    const OneQueue queue{f.bursts_per_s,
                         s.idle,
                         s.most_txops,
                         f.cost->txop_us(1) * us,
                         f.cost->txop_us(f.mpdus) * us,
                         tries / s.idle,
                         tries > 0 ? busy / tries : 0};
    f.txops_per_s = std::min(std::max(yemvo::serve_one(queue).txops_per_s, f.per_s / f.most), s.most_txops);
    f.mpdus = std::max(1.0, f.per_s / f.txops_per_s);
    s.txops = f.txops_per_s;
}

void Sweeps::serve_several(std::uint32_t k) {
    State& s = state_[k];
    const auto its = flows(k);
    gaps_.clear();
    for (const Flow& f : its)
        gaps_.push_back(
            {std::exp(-f.bursts_per_s * f.cost->txop_us(f.mpdus) * us) / f.bursts_per_s, f.count});
    const double wait_s = wait_of_many_s(gaps_, s.most_txops);
    double sum = 0;
    for (std::size_t i = 0; i < its.size(); ++i) {
        Flow& f = its[i];
        f.txops_per_s = std::max(std::min(1 / (gaps_[i].gap_s + wait_s), f.bursts_per_s), f.per_s / f.most);
        sum += f.count * f.txops_per_s;
    }
    const double scale = sum > s.most_txops ? s.most_txops / sum : 1;
    for (Flow& f : its) {
        f.txops_per_s *= scale;
        f.mpdus = std::clamp(f.per_s / f.txops_per_s, 1.0, f.most);
    }
    s.txops = sum * scale;
}

void Sweeps::account(std::uint32_t k) {
    State& s = state_[k];
    const double space_s = c_.contenders[k].space_s;
    double spent = 0, risk = 0;
    for (const Flow& f : flows(k)) {
        const double x = f.count * f.txops_per_s;
        spent += x * (f.cost->txop_us(f.mpdus) * us + space_s);
        risk += x * f.cost->risk_us(f.mpdus) * us;
    }
    s.spent_s = spent / s.txops;
    s.risk_s = risk / s.txops;
    double weight = 0, loss = 0;
    for (const Neighbour& n : near_.of(k)) {
        const double w = n.weight * state_[n.who].attempt * reach(n);
        weight += w;
        loss += w * std::max(s.risk_s, state_[n.who].risk_s);
    }
    const double loss_s = (weight > 0 ? loss / weight : s.risk_s) + space_s;
    const double failed = s.tries - s.txops;
    // two lose in a collision and share its cost; a hidden sender does not see that it lost any
    const double shared = s.hidden_loss > 0 ? 1 : 0.5;
    s.use = std::min(spent + shared * failed * loss_s, most_use);
    share_out(k);
}

void Sweeps::run(const SweepLimits& limits, const CancelToken& cancel) {
    const auto starves = [&] {
        for (std::uint32_t k = 0; k < state_.size(); ++k)
            if (state_[k].saturated && state_[k].most_txops < 0.05 * needed_[k]) return true;
        return false;
    };
    for (sweeps_ = 0; sweeps_ < limits.most_starved; ++sweeps_) {
        cancel.check();
        if (sweeps_ >= limits.most && !starves()) break;
        unrest_ = 0;
        for (std::uint32_t k = 0; k < state_.size(); ++k) {
            if (c_.contenders[k].fixed_share > 0) continue;
            update_sets(k);
            visit(k);
        }
        if (unrest_ < limits.unrest) break;
    }
}

double Sweeps::heard_use(std::uint32_t k) const {
    const auto used = [&](std::uint32_t i) {
        return std::max(0.0, state_[i].use - state_[i].txops * c_.contenders[i].space_s);
    };
    const double own = std::min(used(k), most_use);
    std::vector<double> sets(near_.sets(k), 0);
    for (const Neighbour& n : near_.of(k)) sets[n.set] += n.weight * used(n.who);
    double idle = 1 - own;
    for (double s : sets) idle *= std::max(0.0, 1 - s / (1 - own));
    return 1 - idle;
}

ContentionResult Sweeps::result() const {
    ContentionResult r;
    r.sweeps = sweeps_;
    r.unrest = unrest_;
    for (std::uint32_t k = 0; k < state_.size(); ++k) {
        const State& s = state_[k];
        ContenderShare share;
        share.idle_share = s.idle;
        share.use = s.use;
        share.collision = s.collision;
        share.attempt = s.attempt;
        share.txops_per_s = s.txops;
        share.tries_per_s = s.tries;
        share.most_txops_per_s = s.most_txops;
        share.needed_txops_per_s = needed_[k];
        share.saturated = s.saturated;
        double asked = 0, in_txop = 0;
        for (const Flow& f : flows(k)) {
            share.full_use +=
                f.count * f.per_s / f.most * (f.cost->txop_us(f.most) * us + c_.contenders[k].space_s);
            asked += f.count * f.per_s;
            in_txop += f.count * f.txops_per_s * f.mpdus;
        }
        share.mpdus = s.txops > 0 ? in_txop / s.txops : 1;
        share.delivered = asked > 0 ? std::min(1.0, in_txop / asked) * s.survives : 1;
        share.heard_use = heard_use(k);
        r.of.push_back(share);
    }
    return r;
}

}  // namespace

ContentionResult solve(const Contention& c, const ContentionResult& before, const SweepLimits& limits,
                       const CancelToken& cancel) {
    Sweeps sweeps(c, before);
    sweeps.run(limits, cancel);
    return sweeps.result();
}

}  // namespace yemvo
