// SPDX-License-Identifier: GPL-3.0-or-later
// The ways that cables can take on one floor, as a network of exact places.
//
// Free cables run square to the building, at one height, along lines through everything that they have to
// reach (Hanan 1966: a shortest right-angled way lies on those), and every few metres besides. Trays are ways
// of their own, at their height, joined to the lines where they cross. A way has a length, which is counted,
// and a cost, by which it is chosen: trays are followed before corridors, those before rooms; walls cost as
// metres do, doors less; stairs, shafts and the open air are gone through only where nothing else leads.
#pragma once
#include <algorithm>
#include <cmath>
#include <cstdint>
#include <span>

#include "geometry/similarity.h"
#include "project/project.h"

namespace yemvo {

/// Metres of tray that each is worth.
struct CableCosts {
    static constexpr double corridor = 1.15, room = 1.5, shunned = 6;  ///< a metre
    static constexpr double wall = 1.5, door = 0.5;                    ///< through it
    static constexpr double outside = 30;                              ///< from a building into a yard
};

class FloorWays {
public:
    using Node = std::uint32_t;
    /// `ends`: places that are met exactly, besides trays, closets, outlets and risers of the floor itself.
    FloorWays(const Project&, const Floor&, std::span<const Point> ends);

    /// Height above the floor of cables that lie in no tray.
    double run_m() const { return run_m_; }
    std::size_t nodes() const { return xs_.size() * ys_.size() + tray_.size(); }
    /// The nearest one in no tray; the place itself where it is one of the ends.
    Node at(Point) const;
    Point place(Node) const;
    /// Stairs, shafts, keep-outs, corridors and the open air: no place for a closet.
    bool may_hold_closet(Node) const;
    /// Calls use(node, cost, length_m) for the ways out of a node.
    template <class Use>
    void each_way(Node from, Use use) const;
    /// Calls use(node, length_m) for the corners of the mesh round a place, with the way to them.
    template <class Use>
    void each_near(Point, Use use) const;

private:
    struct Link {
        Node from, to;
        float cost, length_m;
    };
    struct TrayNode {
        Point at;  ///< turned
        double height_m;
    };
    bool is_free(Node n) const { return n < xs_.size() * ys_.size(); }
    Node node(std::size_t i, std::size_t j) const { return static_cast<Node>(i * ys_.size() + j); }
    Point turned(Point p) const { return turn_.apply(p); }
    void lay_lines(const Floor&, std::span<const Point> ends,
                   const std::vector<std::vector<Point>>& corridors);
    void price_lines(const Project&, const Floor&, const std::vector<std::vector<Point>>& corridors);
    void price_walls(const Project&, const Floor&);
    void through_wall(const Segment& turned, double cost);
    void lay_trays(const Floor&);
    void lay_tray(const Tray&);
    Node add_tray_node(Point turned, double height_m);
    void join(Node a, Node b, double cost, double length_m);
    void sort_links();

    double run_m_ = 3;
    PointMap turn_;
    std::vector<double> xs_, ys_;    ///< of the lines, turned
    std::vector<float> right_, up_;  ///< cost of the way to the next in x, in y; of each node
    std::vector<char> no_closet_;    ///< of each node
    std::vector<TrayNode> tray_;
    std::vector<Link> links_;           ///< by `from`
    std::vector<std::uint32_t> first_;  ///< of each node
};

template <class Use>
void FloorWays::each_way(Node from, Use use) const {
    if (is_free(from)) {
        const std::size_t i = from / ys_.size(), j = from % ys_.size();
        if (i + 1 < xs_.size()) use(node(i + 1, j), right_[from], xs_[i + 1] - xs_[i]);
        if (i > 0) use(node(i - 1, j), right_[node(i - 1, j)], xs_[i] - xs_[i - 1]);
        if (j + 1 < ys_.size()) use(node(i, j + 1), up_[from], ys_[j + 1] - ys_[j]);
        if (j > 0) use(node(i, j - 1), up_[from - 1], ys_[j] - ys_[j - 1]);
    }
    for (std::uint32_t k = first_[from]; k < first_[from + 1]; ++k)
        use(links_[k].to, links_[k].cost, links_[k].length_m);
}

template <class Use>
void FloorWays::each_near(Point place, Use use) const {
    const Point p = turned(place);
    const auto side = [](const std::vector<double>& lines, double v) {
        const auto after = std::lower_bound(lines.begin(), lines.end(), v);
        const std::size_t i = static_cast<std::size_t>(after - lines.begin());
        return std::pair(i > 0 ? i - 1 : 0, i < lines.size() ? i : lines.size() - 1);
    };
    const auto [i0, i1] = side(xs_, p.x);
    const auto [j0, j1] = side(ys_, p.y);
    for (const std::size_t i : {i0, i1})
        for (const std::size_t j : {j0, j1}) use(node(i, j), std::abs(xs_[i] - p.x) + std::abs(ys_[j] - p.y));
}

}  // namespace yemvo
