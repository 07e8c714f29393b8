// SPDX-License-Identifier: GPL-3.0-or-later
#include "cabling/corridors.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "project/room_walls.h"

namespace yemvo {
namespace {

std::vector<Point> door_places(const Floor& floor) {
    std::vector<Point> out;
    for (const Wall& w : *floor.walls)
        for (const Opening& o : w.openings)
            if (o.kind == OpeningKind::door) {
                const Segment s = span(w, o);
                out.push_back(lerp(s.a, s.b, 0.5));
            }
    return out;
}

bool is_narrow(const std::vector<Point>& outline) {
    constexpr double widest_m = 5, least_ratio = 5;
    double around_m = 0;
    for (std::size_t i = 0; i < outline.size(); ++i)
        around_m += distance(outline[i], outline[(i + 1) % outline.size()]);
    // of a long strip: twice its area over its outline is its width, half of its outline its length
    const double wide_m = around_m > 0 ? 2 * area_m2(outline) / around_m : 0;
    return wide_m > 0.5 && wide_m <= widest_m && around_m / 2 >= least_ratio * wide_m;
}

}  // namespace

std::vector<std::vector<Point>> corridors(const Project& project, const Floor& floor) {
    constexpr std::size_t fewest_doors = 3;
    constexpr double at_wall_m = 0.4;
    const std::vector<Point> doors = door_places(floor);
    std::vector<std::vector<Point>> out;
    if (doors.size() < fewest_doors) return out;
    const RoomFinder rooms(room_edges(project, floor));
    for (const Room& room : rooms.all()) {
        if (!is_narrow(room.outline)) continue;
        std::size_t own = 0;
        for (const Point& door : doors)
            for (std::size_t i = 0; i < room.outline.size(); ++i)
                if (distance(Segment{room.outline[i], room.outline[(i + 1) % room.outline.size()]}, door) <
                    at_wall_m) {
                    ++own;
                    break;
                }
        if (own >= fewest_doors) out.push_back(room.outline);
    }
    return out;
}

double main_axis_deg(const Floor& floor) {
    // directions that differ by a quarter turn are the same: they are added up at four times their angle
    double east = 0, north = 0;
    for (const Wall& w : *floor.walls)
        for (int i = 0; i < w.pieces(); ++i) {
            const Point way = w.piece(i).b - w.piece(i).a;
            const double metres = std::hypot(way.x, way.y), turn = 4 * std::atan2(way.y, way.x);
            east += metres * std::cos(turn);
            north += metres * std::sin(turn);
        }
    if (std::hypot(east, north) < 1e-9) return 0;
    const double deg = std::atan2(north, east) / 4 * 180 / std::numbers::pi;
    return std::abs(deg) < 1e-6 ? 0 : deg;
}

}  // namespace yemvo
