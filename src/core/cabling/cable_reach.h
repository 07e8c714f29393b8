// SPDX-License-Identifier: GPL-3.0-or-later
// How long a cable from any place to the nearest closet would be, whether or not a unit hangs there.
#pragma once
#include "cabling/cable_network.h"
#include "propagation/surface.h"

namespace yemvo {

class CableReach {
public:
    /// Throws Cancelled.
    explicit CableReach(const Project&, const CancelToken& = {});
    CableReach(const CableReach&) = delete;
    CableReach& operator=(const CableReach&) = delete;

    /// Nothing that cables depend on has changed since.
    bool holds_for(const Project&) const;
    bool has_closets() const { return !closets_.empty(); }
    /// Metres of permanent link (link_m) to the closet with the best way, for a unit at the height at which
    /// cables run there; NaN where no way leads to a closet.
    double link_m(FloorId, Point) const;
    /// For a unit at that height instead.
    double link_m(FloorId, Point, double height_m) const;
    /// A unit that hangs there as things do (hanging_m) would keep to the longest link and channel.
    bool reaches(const Floor&, Point) const;
    /// The same for each cell of a floor's surface.
    std::vector<float> links_m(const Surface&) const;

private:
    Project site_;  ///< without its access points: they bend no way
    CableNetwork network_;
    std::vector<CableNode> closets_;
    CableTree tree_;
};

}  // namespace yemvo
