// SPDX-License-Identifier: GPL-3.0-or-later
// Made-up venues at size, the same from run to run.
#pragma once
#include <cmath>
#include <random>

#include "project/edits.h"

namespace yemvo::bench {

inline void add_walls(Project& p, FloorId floor, const std::vector<Wall>& walls) {
    Project& project = p;
    for (Building& building : project.buildings)
        for (Floor& f : building.floors)
            if (f.id == floor) {
                auto& list = f.walls.edit();
                for (Wall w : walls) {
                    w.id = new_id<WallId>(project);
                    list.push_back(std::move(w));
                }
            }
}

/// Rooms in rows over a rectangle until there are about `pieces` straight pieces, of mixed types, some lower
/// than the storey; walls off the lattice by a random amount.
inline std::vector<Wall> rooms(const Project& p, double width_m, double depth_m, int pieces, unsigned seed) {
    std::mt19937 random(seed);
    const auto any = [&](double low, double high) {
        return std::uniform_real_distribution<>(low, high)(random);
    };
    const char* types[] = {"plasterboard", "plasterboard", "glass-partition", "brick-half", "concrete-100"};
    std::vector<Wall> walls;
    const auto add = [&](Point a, Point b, const char* type) {
        Wall w;
        w.type = find_type(p, type);
        w.points = {a, b};
        if (any(0, 1) < 0.08) w.top_m = 2.0;
        walls.push_back(w);
    };
    const Point c[] = {{0, 0}, {width_m, 0}, {width_m, depth_m}, {0, depth_m}};
    for (int i = 0; i < 4; ++i) add(c[i], c[(i + 1) % 4], "brick-half");
    for (Wall& w : walls) w.top_m.reset();
    const int across = static_cast<int>(std::lround(std::sqrt(pieces * width_m / depth_m / 2)));
    const int along = std::max(1, pieces / (2 * across));
    const double dx = width_m / across, dy = depth_m / along;
    for (int i = 0; i < across; ++i)
        for (int k = 0; k < along; ++k) {
            const Point at{(i + any(0.2, 0.8)) * dx, (k + any(0.2, 0.8)) * dy};
            const char* type = types[std::uniform_int_distribution<>(0, 4)(random)];
            add({std::max(0.1, at.x - dx * any(0.3, 0.5)), at.y},
                {std::min(width_m - 0.1, at.x + dx * any(0.3, 0.5)), at.y}, type);
            add({at.x, std::max(0.1, at.y - dy * any(0.3, 0.5))},
                {at.x, std::min(depth_m - 0.1, at.y + dy * any(0.3, 0.5))}, type);
        }
    return walls;
}

inline void add_access_points(Project& p, FloorId floor, double width_m, double depth_m, int count) {
    const int across = static_cast<int>(std::ceil(std::sqrt(count * width_m / depth_m)));
    const int along = (count + across - 1) / across;
    for (int i = 0; i < count; ++i)
        add_access_point(p, floor, (*p.models)[1].id,
                         {(i % across + 0.53) * width_m / across, (i / across + 0.47) * depth_m / along});
}

/// Storeys of 100 m x 50 m with 600 pieces, ten rows of racking and a stair void each; 14 access points a
/// storey.
inline Project office(int storeys = 4, int pieces = 600, int access_points = 56) {
    Project p = new_project("Office", {LengthUnits::metres, "GB", 1.2, 7}, storeys, 3.6);
    int s = 0;
    for (const Floor* f : all_floors(p)) {
        const FloorId id = f->id;
        add_walls(p, id, rooms(p, 100, 50, pieces, static_cast<unsigned>(++s)));
        for (int i = 0; i < 10; ++i) {
            Obstacle o;
            o.type = find_type(p, "racking-dry");
            const double x = 8 + 9 * i;
            o.outline = {{x, 20}, {x + 1, 20}, {x + 1, 28}, {x, 28}};
            o.base_m = 1.4;  // goods on the upper shelves, over the receivers
            o.top_m = 2.2;
            add_obstacle(p, id, o);
        }
        if (s > 1) add_void(p, id, {{}, "", {{50, 30}, {56, 30}, {56, 36}, {50, 36}}});
        add_access_points(p, id, 100, 50, access_points / storeys);
    }
    return p;
}

/// One floor of 300 m x 200 m.
inline Project hall(int pieces = 10000, int access_points = 200, double width_m = 300, double depth_m = 200) {
    Project p = new_project("Hall", {LengthUnits::metres, "GB", 1.2, 7}, 1, 6);
    const FloorId id = all_floors(p)[0]->id;
    add_walls(p, id, rooms(p, width_m, depth_m, pieces, 7));
    add_access_points(p, id, width_m, depth_m, access_points);
    return p;
}

inline Project tower(int storeys, double width_m, double depth_m, int pieces, int access_points) {
    Project p = new_project("Tower", {LengthUnits::metres, "GB", 1.2, 7}, storeys, 3.6);
    unsigned seed = 0;
    for (const Floor* f : all_floors(p)) {
        const FloorId id = f->id;
        add_walls(p, id, rooms(p, width_m, depth_m, pieces, ++seed));
        add_access_points(p, id, width_m, depth_m, access_points);
    }
    return p;
}

}  // namespace yemvo::bench
