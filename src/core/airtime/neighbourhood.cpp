// SPDX-License-Identifier: GPL-3.0-or-later
#include "airtime/neighbourhood.h"

#include <algorithm>
#include <numeric>

namespace yemvo {
namespace {

/// Less than this and somebody counts as not heard where sets are made.
constexpr float heard_share = 0.5f;

class Graph {
public:
    explicit Graph(const Contention& c) : begin_(c.contenders.size() + 1, 0) {
        for (const Hearing& h : c.hearing) ++begin_[h.listener + 1];
        for (std::size_t k = 0; k < c.contenders.size(); ++k)
            if (own(c.contenders[k])) ++begin_[k + 1];
        std::partial_sum(begin_.begin(), begin_.end(), begin_.begin());
        edges_.resize(begin_.back());
        std::vector<std::uint32_t> next(begin_.begin(), begin_.end() - 1);
        for (const Hearing& h : c.hearing)
            edges_[next[h.listener]++] = {h.heard, static_cast<float>(h.share * c.contenders[h.heard].count),
                                          h.share >= heard_share};
        for (std::uint32_t k = 0; k < c.contenders.size(); ++k)
            if (own(c.contenders[k]))
                edges_[next[k]++] = {k, static_cast<float>(c.contenders[k].count - 1), true};
        for (std::size_t k = 0; k + 1 < begin_.size(); ++k)
            std::sort(edges_.begin() + begin_[k], edges_.begin() + begin_[k + 1],
                      [](const Edge& a, const Edge& b) { return a.who < b.who; });
    }
    struct Edge {
        std::uint32_t who;
        float weight;
        bool heard;
    };
    std::span<const Edge> of(std::uint32_t k) const {
        return std::span(edges_).subspan(begin_[k], begin_[k + 1] - begin_[k]);
    }
    bool hears(std::uint32_t k, std::uint32_t other) const {
        const auto edges = of(k);
        const auto at = std::lower_bound(edges.begin(), edges.end(), other,
                                         [](const Edge& e, std::uint32_t who) { return e.who < who; });
        return at != edges.end() && at->who == other && at->heard;
    }
    bool each_other(std::uint32_t a, std::uint32_t b) const { return hears(a, b) && hears(b, a); }
    const std::vector<std::uint32_t>& begins() const { return begin_; }

private:
    static bool own(const Contender& c) { return c.count > 1 && c.hear_each_other; }
    std::vector<std::uint32_t> begin_;
    std::vector<Edge> edges_;
};

/// The sets of one listener's neighbours, the best connected first.
class SetsOf {
public:
    SetsOf(const Graph& graph, std::uint32_t listener) : edges_(graph.of(listener)), set_(edges_.size()) {
        std::vector<std::size_t> order(edges_.size());
        std::iota(order.begin(), order.end(), std::size_t{0});
        std::vector<int> known(edges_.size(), 0);
        for (std::size_t a = 0; a < edges_.size(); ++a)
            for (std::size_t b = 0; b < a; ++b)
                if (graph.each_other(edges_[a].who, edges_[b].who)) ++known[a], ++known[b];
        std::stable_sort(order.begin(), order.end(),
                         [&](std::size_t a, std::size_t b) { return known[a] > known[b]; });
        for (std::size_t e : order) set_[e] = place(graph, edges_[e].who);
    }
    std::uint16_t set_of(std::size_t edge) const { return set_[edge]; }
    std::size_t count() const { return members_.size(); }

private:
    std::uint16_t place(const Graph& graph, std::uint32_t who) {
        const auto fits = [&](const std::vector<std::uint32_t>& set) {
            return std::all_of(set.begin(), set.end(),
                               [&](std::uint32_t other) { return graph.each_other(who, other); });
        };
        auto set = std::find_if(members_.begin(), members_.end(), fits);
        if (set == members_.end()) set = members_.insert(members_.end(), std::vector<std::uint32_t>{});
        set->push_back(who);
        return static_cast<std::uint16_t>(set - members_.begin());
    }
    std::span<const Graph::Edge> edges_;
    std::vector<std::uint16_t> set_;
    std::vector<std::vector<std::uint32_t>> members_;
};

}  // namespace

Neighbourhood::Neighbourhood(const Contention& c) {
    const Graph graph(c);
    begin_ = graph.begins();
    first_set_.assign(begin_.size(), 0);
    all_.reserve(begin_.back());
    for (std::uint32_t k = 0; k + 1 < begin_.size(); ++k) {
        const SetsOf sets(graph, k);
        const auto edges = graph.of(k);
        for (std::size_t e = 0; e < edges.size(); ++e)
            all_.push_back({edges[e].who, edges[e].weight, sets.set_of(e), -1});
        first_set_[k + 1] = first_set_[k] + static_cast<std::uint32_t>(sets.count());
    }
    for (std::uint32_t k = 0; k + 1 < begin_.size(); ++k)
        for (std::uint32_t e = begin_[k]; e < begin_[k + 1]; ++e) {
            const auto back = of(all_[e].who);
            const auto at =
                std::lower_bound(back.begin(), back.end(), k,
                                 [](const Neighbour& n, std::uint32_t who) { return n.who < who; });
            if (at != back.end() && at->who == k) all_[e].set_at_other = static_cast<std::int16_t>(at->set);
        }
}

}  // namespace yemvo
