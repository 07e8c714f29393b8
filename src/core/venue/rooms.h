// SPDX-License-Identifier: GPL-3.0-or-later
// Rooms: what walls close round, doors taken as closed.
#pragma once
#include <optional>
#include <vector>

#include "geometry/polygon.h"
#include "geometry/segment.h"

namespace yemvo {

/// A straight part of a wall's centre line with half its thickness.
struct RoomEdge {
    Segment line;
    double half_m = 0;
};

/// A gap that was taken as closed, between the faces.
struct BridgedGap {
    Segment line;
    double gap_m;
};

struct Room {
    std::vector<Point> outline;  ///< along the faces of the walls, counter-clockwise
    std::vector<Point> centre_line;
    std::vector<BridgedGap> gaps;  ///< bridged on the way round
};

/// Rooms of a set of walls. Ends that stop short of another wall by at most `gap_m` beyond its face are taken
/// as joined; stubs that stand in a room do not shape it; a room's outline leaves out the islands in it.
class RoomFinder {
public:
    explicit RoomFinder(const std::vector<RoomEdge>&, double gap_m = 0.3);

    /// The smallest room round a place; none in the open.
    std::optional<Room> at(Point) const;
    /// Every closed outline, the smallest first.
    const std::vector<Room>& all() const { return rooms_; }
    /// Ends that nothing joins, after bridging.
    const std::vector<Point>& loose_ends() const { return loose_; }
    const std::vector<BridgedGap>& gaps() const { return gaps_; }

private:
    std::vector<Room> rooms_;
    std::vector<Point> loose_;
    std::vector<BridgedGap> gaps_;
};

}  // namespace yemvo
