// SPDX-License-Identifier: GPL-3.0-or-later
#include "handover/wall_distances.h"

#include <cmath>
#include <functional>
#include <optional>

namespace yemvo {
namespace {

struct Found {
    WallDistance distance;
    Point along;  ///< of the wall, a unit vector
};

/// Square from the place to the chord's face; none where the foot lies beyond the chord.
std::optional<Found> square_to(const Segment& line, Point p, double thickness_m) {
    const Point d = line.b - line.a;
    const double l = length(d);
    if (l < 0.3) return {};  // nobody holds a tape to so short a piece
    const Point along = d * (1 / l);
    const double at = dot(p - line.a, along);
    if (at < 0 || at > l) return {};
    const Point axis = line.a + along * at;
    const double to_axis = distance(p, axis);
    if (to_axis < thickness_m / 2) return {};
    const Point towards = (p - axis) * (1 / to_axis);
    return Found{{axis + towards * (thickness_m / 2), to_axis - thickness_m / 2}, along};
}

}  // namespace

std::vector<WallDistance> wall_distances(const Floor& floor, Point p,
                                         const std::function<double(const Wall&)>& thickness_m) {
    constexpr double most_m = 100, about_square = 0.5;  // cosine: 60 to 120 degrees
    std::vector<Found> all;
    for (const Wall& w : *floor.walls) {
        const double thick = thickness_m(w);
        for_each_chord(w, [&](const Chord& c) {
            if (const auto found = square_to(c.line, p, thick); found && found->distance.distance_m <= most_m)
                all.push_back(*found);
        });
    }
    const auto nearer = [](const Found& a, const Found& b) {
        return a.distance.distance_m < b.distance.distance_m;
    };
    std::sort(all.begin(), all.end(), nearer);
    std::vector<WallDistance> out;
    if (all.empty()) return out;
    out.push_back(all.front().distance);
    for (const Found& f : all)
        if (std::abs(dot(f.along, all.front().along)) < about_square) {
            out.push_back(f.distance);
            break;
        }
    return out;
}

}  // namespace yemvo
