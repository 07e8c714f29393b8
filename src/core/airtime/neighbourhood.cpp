// SPDX-License-Identifier: GPL-3.0-or-later
#include "airtime/neighbourhood.h"

#include <algorithm>
#include <bit>
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
        find_mutual();
    }
    struct Edge {
        std::uint32_t who;
        float weight;
        bool heard;
    };
    std::span<const Edge> of(std::uint32_t k) const {
        return std::span(edges_).subspan(begin_[k], begin_[k + 1] - begin_[k]);
    }
    /// A bit for each that hears it and is heard by it.
    const std::uint64_t* mutual(std::uint32_t k) const { return mutual_.data() + k * words_; }
    std::size_t words() const { return words_; }
    const std::vector<std::uint32_t>& begins() const { return begin_; }

private:
    static bool own(const Contender& c) { return c.count > 1 && c.hear_each_other; }
    void find_mutual() {
        const std::size_t count = begin_.size() - 1;
        words_ = (count + 63) / 64;
        std::vector<std::uint64_t> hears(count * words_, 0);
        for (std::uint32_t k = 0; k < count; ++k)
            for (const Edge& e : of(k))
                if (e.heard) hears[k * words_ + e.who / 64] |= std::uint64_t{1} << (e.who % 64);
        mutual_.assign(count * words_, 0);
        for (std::uint32_t k = 0; k < count; ++k)
            for (const Edge& e : of(k))
                if (e.heard && (hears[e.who * words_ + k / 64] >> (k % 64) & 1))
                    mutual_[k * words_ + e.who / 64] |= std::uint64_t{1} << (e.who % 64);
    }
    std::vector<std::uint32_t> begin_;
    std::vector<Edge> edges_;
    std::size_t words_ = 0;
    std::vector<std::uint64_t> mutual_;
};

/// The sets of one listener's neighbours, the best connected first.
class SetsOf {
public:
    SetsOf(const Graph& graph, std::uint32_t listener)
        : graph_(graph), edges_(graph.of(listener)), set_(edges_.size()) {
        std::vector<std::uint64_t> near(graph.words(), 0);
        for (const Graph::Edge& e : edges_) near[e.who / 64] |= std::uint64_t{1} << (e.who % 64);
        std::vector<int> known(edges_.size(), 0);
        for (std::size_t e = 0; e < edges_.size(); ++e) {
            const std::uint64_t* row = graph.mutual(edges_[e].who);
            for (std::size_t w = 0; w < near.size(); ++w) known[e] += std::popcount(row[w] & near[w]);
        }
        std::vector<std::size_t> order(edges_.size());
        std::iota(order.begin(), order.end(), std::size_t{0});
        std::stable_sort(order.begin(), order.end(),
                         [&](std::size_t a, std::size_t b) { return known[a] > known[b]; });
        for (std::size_t e : order) set_[e] = place(edges_[e].who);
    }
    std::uint16_t set_of(std::size_t edge) const { return set_[edge]; }
    std::size_t count() const { return common_.size(); }

private:
    std::uint16_t place(std::uint32_t who) {
        const auto fits = [&](const std::vector<std::uint64_t>& common) {
            return (common[who / 64] >> (who % 64) & 1) != 0;
        };
        const std::uint64_t* row = graph_.mutual(who);
        auto set = std::find_if(common_.begin(), common_.end(), fits);
        if (set == common_.end())
            set = common_.insert(common_.end(), std::vector<std::uint64_t>(row, row + graph_.words()));
        else
            for (std::size_t w = 0; w < graph_.words(); ++w) (*set)[w] &= row[w];
        return static_cast<std::uint16_t>(set - common_.begin());
    }
    const Graph& graph_;
    std::span<const Graph::Edge> edges_;
    std::vector<std::uint16_t> set_;
    /// Of each set: whom all of its members hear, and are heard by.
    std::vector<std::vector<std::uint64_t>> common_;
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
