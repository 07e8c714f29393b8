// SPDX-License-Identifier: GPL-3.0-or-later
// The costs of an instance laid out for searching: what locked radios do to others is part of the others' own
// costs, and they have no links. For tuning's own use.
#pragma once
#include <span>

#include "tuning/instance.h"

namespace yemvo {

class PairCosts {
public:
    explicit PairCosts(const RetuneInstance&);
    std::size_t radios() const { return options_.size(); }
    std::size_t options(std::size_t radio) const { return options_[radio].size(); }
    double own(std::size_t radio, std::size_t option) const { return options_[radio][option].cost; }
    /// Of locked radios and their pairs.
    double constant() const { return constant_; }
    /// The objective of all, locked radios as they are.
    double total(const Assignment&) const;
    struct Link {
        std::uint32_t other;
        std::uint32_t back;              ///< index of the same pair among the other's links
        float from_weight, to_weight;    ///< what this one loses to the other, and the other to this
        float from_loss_db, to_loss_db;  ///< of the other's power here, and of this one's there
        bool losses;
    };
    std::span<const Link> links(std::size_t radio) const { return links_[radio]; }
    /// Of a pair in these settings.
    double cost(std::size_t radio, std::size_t option, const Link&, std::size_t other_option) const;

private:
    struct Option {
        std::uint32_t channel;
        float power_dbm, air;
        double cost;
    };
    float heard(float power_dbm, float loss_db) const;
    void fold_locked(const RetuneInstance&);
    void join_links();
    std::vector<std::vector<Option>> options_;
    std::vector<char> locked_;
    std::vector<std::vector<Link>> links_;
    std::size_t channels_ = 0;
    std::vector<float> share_;  ///< [own * channels_ + other]
    double heard_dbm_, constant_ = 0;
};

}  // namespace yemvo
