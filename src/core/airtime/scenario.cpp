// SPDX-License-Identifier: GPL-3.0-or-later
#include "airtime/scenario.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <map>

#include "airtime/fall_back.h"

namespace yemvo {
namespace {

class Builder {
public:
    explicit Builder(const AirScenario& s) : s_(s) {
        find_fall_backs();
        add_queues();
        add_beacons();
        join();
    }
    const Contention& contention() const { return c_; }
    /// Of a flow: its queue and its place in it.
    struct Place {
        std::uint32_t contender = 0, to = 0;
    };
    const std::vector<Place>& places() const { return places_; }
    /// What stands for a BSS's access point: a queue of it, its beacons where it sends nothing else.
    std::uint32_t listener(std::size_t bss) const {
        for (AccessCategory c : {AccessCategory::best_effort, AccessCategory::voice})
            if (const auto at = queues_.find({static_cast<int>(bss), c}); at != queues_.end())
                return at->second;
        return first_beacon_ + static_cast<std::uint32_t>(bss);
    }

private:
    int node_of_client(int client) const { return static_cast<int>(s_.bss.size()) + client; }
    bool hears(int a, int b) const {
        if (a == b || !s_.hearing) return true;
        const auto is = [&](const std::pair<int, int>& p) {
            return (p.first == a && p.second == b) || (p.first == b && p.second == a);
        };
        return std::any_of(s_.hearing->begin(), s_.hearing->end(), is);
    }
    /// Lies inside the other's channel, beside its primary.
    bool beside_primary(int narrow, int wide) const {
        const ScenarioBss &n = s_.bss[static_cast<std::size_t>(narrow)],
                          &w = s_.bss[static_cast<std::size_t>(wide)];
        return relation(w.channel, w.primary, n.channel, n.primary) == ChannelRelation::beside;
    }
    double asked_of(int bss) const;
    double msdu_rate_of(int bss) const;
    void find_fall_backs();
    FrameCost cost(const ScenarioFlow&) const;
    void add_queues();
    void add_beacons();
    void join();
    std::uint32_t queue_of(int node, AccessCategory);
    Contender empty_queue(AccessCategory) const;

    const AirScenario& s_;
    Contention c_;
    std::vector<int> node_, bss_;  ///< of each contender
    std::map<std::pair<int, AccessCategory>, std::uint32_t> queues_;
    std::vector<Place> places_;
    struct FallBack {
        double full_share = 1;
        int width_mhz = 20;
    };
    std::vector<FallBack> fall_back_;  ///< of each BSS
    std::uint32_t first_beacon_ = 0;
};

/// Share of the air that a BSS asks for, with full aggregates.
double Builder::asked_of(int bss) const {
    double asked = 0;
    for (const ScenarioFlow& f : s_.flows) {
        if (s_.clients[static_cast<std::size_t>(f.client)].bss != bss) continue;
        if (f.saturated) return 1;
        const FrameCost c = cost(f);
        asked += f.load_mbps * 1e6 / (8.0 * f.msdu_bytes) / c.most * c.txop_us(c.most) * 1e-6;
    }
    return std::min(asked, 1.0);
}

double Builder::msdu_rate_of(int bss) const {
    double rate = 0;
    for (const ScenarioFlow& f : s_.flows)
        if (s_.clients[static_cast<std::size_t>(f.client)].bss == bss)
            rate += f.saturated ? always_full : f.load_mbps * 1e6 / (8.0 * f.msdu_bytes);
    return rate;
}

void Builder::find_fall_backs() {
    fall_back_.assign(s_.bss.size(), {});
    for (int wide = 0; wide < static_cast<int>(s_.bss.size()); ++wide)
        for (int narrow = 0; narrow < static_cast<int>(s_.bss.size()); ++narrow) {
            if (!beside_primary(narrow, wide) || !hears(narrow, wide)) continue;
            const double share = full_width_share(asked_of(narrow), msdu_rate_of(narrow));
            FallBack& f = fall_back_[static_cast<std::size_t>(wide)];
            if (share >= f.full_share) continue;
            const ScenarioBss& w = s_.bss[static_cast<std::size_t>(wide)];
            const ScenarioBss& n = s_.bss[static_cast<std::size_t>(narrow)];
            f = {share, width_left_mhz(w.channel, w.primary, n.channel)};
        }
}

FrameCost Builder::cost(const ScenarioFlow& f) const {
    const ScenarioClient& client = s_.clients[static_cast<std::size_t>(f.client)];
    const ScenarioBss& bss = s_.bss[static_cast<std::size_t>(client.bss)];
    FrameWish wish;
    wish.form = {s_.standard, bss.channel.width_mhz, client.streams, client.mcs, s_.guard_us};
    wish.band = s_.band;
    wish.msdu_bytes = f.msdu_bytes;
    wish.aggregates = f.category == AccessCategory::best_effort && s_.longest_ampdu_bytes > 0;
    wish.protects = s_.protects;
    wish.longest_bytes = s_.longest_ampdu_bytes;
    wish.window = s_.window;
    const FrameCost full = frame_cost(wish);
    const FallBack& fall = fall_back_[static_cast<std::size_t>(client.bss)];
    if (fall.full_share >= 1) return full;
    wish.form.width_mhz = fall.width_mhz;
    return mixed(full, frame_cost(wish), fall.full_share);
}

Contender Builder::empty_queue(AccessCategory category) const {
    const bool voice = category == AccessCategory::voice;
    Contender c;
    c.backoff = voice ? s_.voice : s_.best_effort;
    c.space_s = (sifs_us(s_.band) + (voice ? s_.voice_aifs : s_.best_effort_aifs) * slot_us) * 1e-6;
    c.queue_msdus = s_.queue_msdus;
    return c;
}

std::uint32_t Builder::queue_of(int node, AccessCategory category) {
    const auto [at, added] =
        queues_.try_emplace({node, category}, static_cast<std::uint32_t>(c_.contenders.size()));
    if (added) {
        c_.contenders.push_back(empty_queue(category));
        const int aps = static_cast<int>(s_.bss.size());
        node_.push_back(node);
        bss_.push_back(node < aps ? node : s_.clients[static_cast<std::size_t>(node - aps)].bss);
    }
    return at->second;
}

void Builder::add_queues() {
    for (const ScenarioFlow& f : s_.flows) {
        const int bss = s_.clients[static_cast<std::size_t>(f.client)].bss;
        const std::uint32_t k = queue_of(f.down ? bss : node_of_client(f.client), f.category);
        QueueTo to;
        to.msdu_per_s = f.saturated ? always_full : f.load_mbps * 1e6 / (8.0 * f.msdu_bytes);
        to.cost = cost(f);
        c_.contenders[k].to.push_back(to);
        places_.push_back({k, static_cast<std::uint32_t>(c_.contenders[k].to.size() - 1)});
    }
}

void Builder::add_beacons() {
    first_beacon_ = static_cast<std::uint32_t>(c_.contenders.size());
    const double interval_us = s_.beacon_interval_tu * 1024;
    for (int b = 0; b < static_cast<int>(s_.bss.size()); ++b) {
        Contender c;
        c.space_s = (sifs_us(s_.band) + 2 * slot_us) * 1e-6;
        c.fixed_per_s = 1e6 / interval_us;
        c.fixed_share = basic_frame_us(s_.beacon_bytes, s_.beacon_mbps, s_.band) / interval_us +
                        c.fixed_per_s * c.space_s;
        c_.contenders.push_back(c);
        node_.push_back(b);
        bss_.push_back(b);
    }
}

void Builder::join() {
    const auto count = static_cast<std::uint32_t>(c_.contenders.size());
    const int aps = static_cast<int>(s_.bss.size());
    for (std::uint32_t k = 0; k < count; ++k)
        for (std::uint32_t j = 0; j < count; ++j) {
            if (k == j) continue;
            const auto kb = static_cast<std::size_t>(bss_[k]);
            // what lies beside the primary does not stop the wide one, which falls back; it is stopped itself
            // by what the wide one sends at full width
            if (beside_primary(bss_[j], bss_[k])) continue;
            if (beside_primary(bss_[k], bss_[j])) {
                c_.hearing.push_back({k, j, fall_back_[static_cast<std::size_t>(bss_[j])].full_share});
                continue;
            }
            const auto jb = static_cast<std::size_t>(bss_[j]);
            const ScenarioBss &own = s_.bss[kb], &other = s_.bss[jb];
            if (kb != jb &&
                relation(own.channel, own.primary, other.channel, other.primary) == ChannelRelation::apart)
                continue;
            const bool answered = s_.protects && kb == jb && node_[k] >= aps && node_[j] >= aps;
            if (answered || hears(node_[k], node_[j])) c_.hearing.push_back({k, j, 1});
        }
    // a sender that one does not hear, and one's receiver does
    for (const ScenarioFlow& f : s_.flows) {
        const std::size_t index = static_cast<std::size_t>(&f - s_.flows.data());
        const std::uint32_t k = places_[index].contender;
        const int bss = s_.clients[static_cast<std::size_t>(f.client)].bss;
        const int receiver = f.down ? node_of_client(f.client) : bss;
        for (std::uint32_t j = 0; j < first_beacon_; ++j) {
            if (j == k || hears(node_[k], node_[j]) || !hears(receiver, node_[j]) || node_[j] == receiver)
                continue;
            if (s_.protects && bss_[j] == bss_[k]) continue;
            c_.hidden.push_back({k, j, 1.0 / static_cast<double>(c_.contenders[k].to.size())});
        }
    }
}

}  // namespace

ScenarioResult run(const AirScenario& s, const CancelToken& cancel) {
    const Builder built(s);
    const ContentionResult solved = solve(built.contention(), {}, {}, cancel);
    ScenarioResult result;
    result.sweeps = solved.sweeps;
    for (std::size_t i = 0; i < s.flows.size(); ++i) {
        const ScenarioFlow& f = s.flows[i];
        const auto [contender, to] = built.places()[i];
        const ContenderShare& share = solved.of[contender];
        const double asked = built.contention().contenders[contender].to[to].msdu_per_s;
        StationResult station{f.client, f.down, f.category};
        station.asked_mbps = f.saturated ? std::numeric_limits<double>::infinity() : f.load_mbps;
        station.delivered_mbps = share.delivered * asked * 8 * f.msdu_bytes / 1e6;
        station.share = f.saturated ? 0 : share.delivered;
        station.headroom = f.saturated ? -1 : share.headroom();
        result.stations.push_back(station);
    }
    for (std::size_t b = 0; b < s.bss.size(); ++b)
        result.radios.push_back({solved.of[built.listener(b)].heard_use});
    return result;
}

}  // namespace yemvo
