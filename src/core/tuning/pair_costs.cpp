// SPDX-License-Identifier: GPL-3.0-or-later
#include "tuning/pair_costs.h"

#include <map>

#include "tuning/air_share.h"

namespace yemvo {

PairCosts::PairCosts(const RetuneInstance& instance) : heard_dbm_(instance.heard_dbm) {
    std::map<std::pair<Channel, int>, std::uint32_t> ids;
    for (const TunedRadio& r : instance.radios) {
        auto& options = options_.emplace_back();
        for (std::size_t i = 0; i < r.allowed.size(); ++i) {
            const TunedSetting& s = r.allowed[i];
            const auto id =
                ids.try_emplace({s.channel, s.primary}, static_cast<std::uint32_t>(ids.size())).first->second;
            const double changed = r.now == static_cast<int>(i) ? 0 : instance.change_cost;
            options.push_back(
                {id, static_cast<float>(s.power_dbm), static_cast<float>(s.air), s.cost + changed});
        }
    }
    channels_ = ids.size();
    share_.resize(channels_ * channels_);
    for (const auto& [own, i] : ids)
        for (const auto& [other, k] : ids)
            share_[i * channels_ + k] =
                static_cast<float>(air_share(own.first, own.second, other.first, other.second));
    links_.resize(instance.radios.size());
    for (const TunedPair& p : instance.pairs) {
        const auto half = [&](std::uint32_t radio) {
            return static_cast<float>(p.weight * instance.radios[radio].weight / 2);
        };
        const bool losses = p.loss_ab_db.has_value() || p.loss_ba_db.has_value();
        const auto ab = static_cast<float>(p.loss_ab_db.value_or(p.loss_ba_db.value_or(0)));
        const auto ba = static_cast<float>(p.loss_ba_db.value_or(p.loss_ab_db.value_or(0)));
        links_[p.a].push_back({p.b, 0, half(p.a), half(p.b), ba, ab, losses});
        links_[p.b].push_back({p.a, 0, half(p.b), half(p.a), ab, ba, losses});
    }
    fold_locked(instance);
}

void PairCosts::fold_locked(const RetuneInstance& instance) {
    for (const TunedRadio& r : instance.radios) locked_.push_back(r.locked);
    const auto now = [&](std::uint32_t r) { return static_cast<std::size_t>(instance.radios[r].now); };
    for (std::uint32_t r = 0; r < radios(); ++r) {
        if (locked_[r]) constant_ += own(r, now(r));
        for (const Link& l : links_[r]) {
            if (!locked_[l.other]) continue;
            if (!locked_[r])
                for (std::size_t o = 0; o < options_[r].size(); ++o)
                    options_[r][o].cost += cost(r, o, l, now(l.other));
            else if (l.other > r)
                constant_ += cost(r, now(r), l, now(l.other));
        }
    }
    for (std::uint32_t r = 0; r < radios(); ++r) {
        if (locked_[r]) links_[r].clear();
        std::erase_if(links_[r], [&](const Link& l) { return locked_[l.other]; });
    }
    join_links();
}

void PairCosts::join_links() {
    std::vector<std::map<std::uint32_t, std::uint32_t>> at(radios());
    for (std::uint32_t r = 0; r < radios(); ++r)
        for (std::uint32_t k = 0; k < links_[r].size(); ++k) at[r][links_[r][k].other] = k;
    for (std::uint32_t r = 0; r < radios(); ++r)
        for (Link& l : links_[r]) l.back = at[l.other].at(r);
}

double PairCosts::total(const Assignment& chosen) const {
    double sum = constant_;
    for (std::size_t r = 0; r < radios(); ++r) {
        if (locked_[r]) continue;
        sum += own(r, chosen[r]);
        for (const Link& l : links_[r])
            if (l.other > r) sum += cost(r, chosen[r], l, chosen[l.other]);
    }
    return sum;
}

float PairCosts::heard(float power_dbm, float loss_db) const {
    return static_cast<float>(heard_share(double{power_dbm - loss_db} - heard_dbm_));
}

double PairCosts::cost(std::size_t radio, std::size_t option, const Link& link,
                       std::size_t other_option) const {
    const Option& own = options_[radio][option];
    const Option& other = options_[link.other][other_option];
    float from = share_[own.channel * channels_ + other.channel],
          to = share_[other.channel * channels_ + own.channel];
    if (from == 0 && to == 0) return 0;
    if (link.losses) {
        from *= heard(other.power_dbm, link.from_loss_db);
        to *= heard(own.power_dbm, link.to_loss_db);
    }
    return double{link.from_weight * from * other.air + link.to_weight * to * own.air};
}

double objective(const RetuneInstance& instance, const Assignment& chosen) {
    return PairCosts(instance).total(chosen);
}

}  // namespace yemvo
