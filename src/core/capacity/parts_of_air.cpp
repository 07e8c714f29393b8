// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/parts_of_air.h"

#include <tbb/parallel_for.h>

#include <numeric>

#include "base/content_key.h"

namespace yemvo {
namespace {

class Joining {
public:
    explicit Joining(std::size_t n) : up_(n) { std::iota(up_.begin(), up_.end(), 0u); }
    std::uint32_t root(std::uint32_t k) {
        while (up_[k] != k) k = up_[k] = up_[up_[k]];
        return k;
    }
    void join(std::uint32_t a, std::uint32_t b) { up_[root(a)] = root(b); }

private:
    std::vector<std::uint32_t> up_;
};

std::uint64_t key_of(const Contender& c, std::uint64_t identity) {
    ContentKey key;
    key.add(identity).add(c.count).add(c.fixed_share).add(c.space_s).add(c.backoff.window);
    for (const QueueTo& to : c.to)
        key.add(to.msdu_per_s)
            .add(to.count)
            .add(to.burst)
            .add(to.cost.bits_per_symbol)
            .add(to.cost.one_bytes)
            .add(to.cost.preamble_us)
            .add(to.cost.answer_us)
            .add(to.cost.most);
    return key.value();
}

/// Solutions that no state of late had are let go of beyond this many.
constexpr std::size_t most_known = 4000;

}  // namespace

std::vector<PartsOfAir::Part> PartsOfAir::split(const Contention& c,
                                                const std::vector<std::uint64_t>& identity) const {
    const std::size_t count = c.contenders.size();
    Joining joining(count);
    for (const Hearing& h : c.hearing) joining.join(h.listener, h.heard);
    std::vector<std::int32_t> part_of_root(count, -1);
    std::vector<std::uint32_t> part_of(count), place(count);
    std::vector<Part> parts;
    std::vector<ContentKey> keys;
    for (std::uint32_t k = 0; k < count; ++k) {
        std::int32_t& p = part_of_root[joining.root(k)];
        if (p < 0) {
            p = static_cast<std::int32_t>(parts.size());
            parts.emplace_back();
            keys.emplace_back();
        }
        Part& part = parts[static_cast<std::size_t>(p)];
        part_of[k] = static_cast<std::uint32_t>(p);
        place[k] = static_cast<std::uint32_t>(part.members.size());
        part.members.push_back(k);
        part.own.contenders.push_back(c.contenders[k]);
        keys[part_of[k]].add(key_of(c.contenders[k], identity[k]));
    }
    for (const Hearing& h : c.hearing) {
        const std::uint32_t p = part_of[h.listener];
        parts[p].own.hearing.push_back({place[h.listener], place[h.heard], h.share});
        keys[p].add(std::uint64_t{place[h.listener]} << 32 | place[h.heard]).add(h.share);
    }
    for (std::size_t p = 0; p < parts.size(); ++p) parts[p].key = keys[p].value();
    return parts;
}

ContentionResult PartsOfAir::solve(const Contention& c, const std::vector<std::uint64_t>& identity,
                                   const CancelToken& cancel) {
    const std::vector<Part> parts = split(c, identity);
    ContentionResult all;
    all.of.resize(c.contenders.size());
    std::vector<ContentionResult> made(parts.size());
    std::vector<std::size_t> missing;
    for (std::size_t p = 0; p < parts.size(); ++p) {
        const auto known = known_.find(parts[p].key);
        if (known == known_.end())
            missing.push_back(p);
        else
            made[p] = known->second.result;
    }
    solved_ = missing.size();
    tbb::parallel_for(std::size_t{0}, missing.size(), [&](std::size_t i) {
        const Part& part = parts[missing[i]];
        ContentionResult before;
        bool any = false;
        for (std::uint32_t k : part.members) {
            const auto share = share_of_.find(identity[k]);
            before.of.push_back(share == share_of_.end() ? ContenderShare{} : share->second);
            any = any || share != share_of_.end();
        }
        if (!any) before.of.clear();
        // where many starve the sweeps never come to rest; what is delivered has long been clear
        SweepLimits limits;
        limits.most = 250;
        limits.most_starved = 400;
        // a part in which thousands hear each other is told roughly, not waited for
        constexpr double most_visits = 4e7;
        const double visits = std::max(1.0, static_cast<double>(part.own.hearing.size()));
        const int most = std::max(40, static_cast<int>(std::min(400.0, most_visits / visits)));
        limits.most = std::min(limits.most, most);
        limits.most_starved = std::min(limits.most_starved, most);
        limits.unrest = 3e-4;
        made[missing[i]] = yemvo::solve(part.own, before, limits, cancel);
    });
    if (known_.size() > most_known) known_.clear();
    for (std::size_t p = 0; p < parts.size(); ++p) {
        for (std::size_t i = 0; i < parts[p].members.size(); ++i) {
            const std::uint32_t k = parts[p].members[i];
            all.of[k] = made[p].of[i];
            share_of_[identity[k]] = made[p].of[i];
        }
        all.sweeps = std::max(all.sweeps, made[p].sweeps);
        all.unrest = std::max(all.unrest, made[p].unrest);
        known_[parts[p].key].result = std::move(made[p]);
    }
    return all;
}

}  // namespace yemvo
