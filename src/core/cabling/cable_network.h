// SPDX-License-Identifier: GPL-3.0-or-later
// Shortest ways for cables through a site: the ways of its floors, joined by risers; yards are joined to
// buildings at their outer doors.
#pragma once
#include <limits>
#include <map>
#include <memory>

#include "base/progress.h"
#include "cabling/floor_ways.h"

namespace yemvo {

/// A place of the network.
struct CableNode {
    std::uint32_t floor = 0;  ///< index into CableNetwork::floors()
    FloorWays::Node node = 0;
    friend bool operator==(const CableNode&, const CableNode&) = default;
};

/// The part of a cable's way on one floor: corners, from the access point's end on.
struct CableLeg {
    FloorId floor;
    std::vector<Point> points;
    friend bool operator==(const CableLeg&, const CableLeg&) = default;
};

/// Ways from some places to all others.
class CableTree {
public:
    static constexpr double nowhere = std::numeric_limits<double>::infinity();
    /// Metres along the way that costs least; `nowhere` where none leads there.
    double length_m(CableNode) const;
    double cost(CableNode) const;

private:
    friend class CableNetwork;
    struct Reached {
        float cost = std::numeric_limits<float>::infinity(), length_m = 0;
        std::uint32_t before = 0;  ///< in one row with all floors' nodes
        std::uint32_t from = 0;    ///< which of the places it began at
    };
    std::vector<std::uint32_t> first_;  ///< of each floor's nodes
    std::vector<Reached> reached_;
};

class CableNetwork {
public:
    /// The access points of the current variant are met exactly. The project must outlive it. Throws
    /// Cancelled.
    explicit CableNetwork(const Project&, const CancelToken& = {});
    const std::vector<const Floor*>& floors() const { return floors_; }
    const FloorWays& ways(std::size_t floor) const { return *ways_[floor]; }
    CableNode at(FloorId, Point) const;
    std::uint32_t index_of(FloorId) const;
    /// No riser is drawn in the floor's building: cables go up and down where closets stand.
    bool closets_are_risers(std::uint32_t floor) const { return closets_are_risers_[floor] != 0; }
    /// Both are floors of one building.
    bool are_stacked(std::uint32_t a, std::uint32_t b) const { return building_[a] == building_[b]; }

    /// As far as `most_m` of way. Throws Cancelled.
    CableTree from(const std::vector<CableNode>&, double most_m = 1e9, const CancelToken& = {}) const;
    /// Which of the places a tree began at is nearest to a node that it reaches.
    std::size_t begin_of(const CableTree&, CableNode) const;
    /// From a node to where the tree began.
    std::vector<CableLeg> way(const CableTree&, CableNode) const;
    /// Where a place between nodes comes to the tree.
    struct Near {
        CableNode node;
        double length_m = CableTree::nowhere;  ///< of the tree's way there, with what is left to the place
    };
    Near nearest(const CableTree&, FloorId, Point) const;
    double length_m(const CableTree& tree, FloorId floor, Point place) const {
        return nearest(tree, floor, place).length_m;
    }

private:
    using Ends = std::map<FloorId, std::vector<Point>>;
    /// Where a cable comes into a building from a yard: one place on both.
    struct Entry {
        FloorId yard, floor;
        Point outside, inside;  ///< each in its own building's metres
        double rise_m;
    };
    std::vector<Entry> entries(const Project&) const;
    void add_floors(const Project&, const Building&, const Ends&, const CancelToken&);
    void add_risers(const Building&);
    void add_riser(const Building&, const Floor& lowest, Point, int storeys);
    struct Rise {
        CableNode to;
        double length_m, cost;
    };
    void join(CableNode, CableNode, double length_m, double cost);
    std::uint32_t row(CableNode n) const { return first_[n.floor] + n.node; }
    CableNode of_row(std::uint32_t) const;

    std::vector<const Floor*> floors_;
    std::vector<std::unique_ptr<FloorWays>> ways_;
    std::vector<std::uint32_t> first_;          ///< one more at the end
    std::multimap<std::uint32_t, Rise> rises_;  ///< by row
    std::vector<char> closets_are_risers_;      ///< of each floor
    std::vector<std::size_t> building_;         ///< of each floor
};

}  // namespace yemvo
