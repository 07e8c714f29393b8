// SPDX-License-Identifier: GPL-3.0-or-later
// The floor in view laid on another one: pairs of places picked by the align tool, here and where they
// belong.
#pragma once
#include <QObject>
#include <optional>
#include <vector>

#include "geometry/similarity_fit.h"

namespace yemvo::app {

class Aligning : public QObject {
    Q_OBJECT
public:
    const std::vector<PointPair>& pairs() const { return pairs_; }
    Freedom freedom() const { return freedom_; }
    void add(const PointPair& pair) {
        change([&] { pairs_.push_back(pair); });
    }
    void remove(std::size_t index) {
        if (index < pairs_.size())
            change([&] { pairs_.erase(pairs_.begin() + static_cast<std::ptrdiff_t>(index)); });
    }
    void clear() {
        change([&] { pairs_.clear(); });
    }
    void allow(Freedom freedom) {
        change([&] { freedom_ = freedom; });
    }
    bool enough_pairs() const { return pairs_.size() >= least_pairs(freedom_); }
    /// None while there are too few pairs, or these fit nothing.
    std::optional<SimilarityFit> fit() const;

signals:
    void changed();

private:
    template <class Do>
    void change(Do what) {
        what();
        emit changed();
    }
    std::vector<PointPair> pairs_;
    Freedom freedom_ = Freedom::shift_turn;
};

}  // namespace yemvo::app
