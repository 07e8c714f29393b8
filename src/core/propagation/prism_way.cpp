// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/prism_way.h"

#include <algorithm>
#include <vector>

namespace yemvo {
namespace {

struct Shares {
    double low, high;
};

/// Where the ray's height lies between base and top.
Shares at_height(const ScenePrism& prism, double source_z, double receiver_z) {
    const double rise = receiver_z - source_z;
    if (rise == 0) return source_z >= prism.base_m && source_z < prism.top_m ? Shares{0, 1} : Shares{1, 0};
    const double a = (prism.base_m - source_z) / rise, b = (prism.top_m - source_z) / rise;
    return {std::max(0.0, std::min(a, b)), std::min(1.0, std::max(a, b))};
}

}  // namespace

PrismWay prism_way(const ScenePrism& prism, Point3 source, Point3 receiver) {
    const Shares within = at_height(prism, source.z, receiver.z);
    PrismWay way;
    if (within.low >= within.high) return way;
    const Point from = source.flat(), ray = receiver.flat() - from;
    if (ray == Point{}) {
        if (contains(prism.outline, from))
            way = {(within.high - within.low) * length(receiver - source), within.low};
        return way;
    }
    static thread_local std::vector<double> shares;  // kept: this runs once a cell
    shares.clear();
    const std::size_t n = prism.outline.size();
    Point a = prism.outline[n - 1] - from;
    bool a_left = cross(ray, a) >= 0;
    for (std::size_t i = 0; i < n; ++i) {
        const Point b = prism.outline[i] - from;
        const bool b_left = cross(ray, b) >= 0;
        // each end's side is judged by that end alone, so a ray through a corner crosses the outline evenly
        if (a_left != b_left) shares.push_back(cross(a, b - a) / cross(ray, b - a));
        a = b;
        a_left = b_left;
    }
    std::sort(shares.begin(), shares.end());
    double sum = 0;
    bool entered = false;
    for (std::size_t i = 0; i + 1 < shares.size(); i += 2) {
        const double low = std::max(shares[i], within.low), high = std::min(shares[i + 1], within.high);
        if (low >= high) continue;
        if (!entered) way.enters = low;
        entered = true;
        sum += high - low;
    }
    way.length_m = sum * length(receiver - source);
    return way;
}

}  // namespace yemvo
