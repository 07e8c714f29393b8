// SPDX-License-Identifier: GPL-3.0-or-later
#include "handover/walk.h"

#include <algorithm>

namespace yemvo {
namespace {

Point start_of(const Floor& floor, const std::vector<const AccessPoint*>& all) {
    if (!floor.closets->empty()) return floor.closets->front().position;
    if (!floor.risers->empty()) return floor.risers->front().position;
    Point low = all.front()->position;
    for (const AccessPoint* ap : all)
        low = {std::min(low.x, ap->position.x), std::min(low.y, ap->position.y)};
    return low;
}

void nearest_first(std::vector<const AccessPoint*>& all, Point at) {
    for (auto next = all.begin(); next != all.end(); ++next) {
        const auto nearest =
            std::min_element(next, all.end(), [&](const AccessPoint* a, const AccessPoint* b) {
                return std::pair(distance(a->position, at), a->number) <
                       std::pair(distance(b->position, at), b->number);
            });
        std::iter_swap(next, nearest);
        at = (*next)->position;
    }
}

/// Turns stretches of the way round while that makes it shorter.
void undo_crossings(std::vector<const AccessPoint*>& all, Point start) {
    const auto at = [&](std::size_t i) { return i == 0 ? start : all[i - 1]->position; };
    for (bool shorter = true; shorter;) {
        shorter = false;
        for (std::size_t i = 0; i + 1 < all.size(); ++i)
            for (std::size_t k = i + 2; k <= all.size(); ++k) {
                const double after_k =
                    k < all.size() ? distance(at(k), at(k + 1)) - distance(at(i + 1), at(k + 1)) : 0;
                if (distance(at(i), at(i + 1)) + after_k - distance(at(i), at(k)) > 1e-9) {
                    std::reverse(all.begin() + static_cast<std::ptrdiff_t>(i),
                                 all.begin() + static_cast<std::ptrdiff_t>(k));
                    shorter = true;
                }
            }
    }
}

}  // namespace

std::vector<WalkStop> walk(const Project& project, const Floor& floor) {
    std::vector<const AccessPoint*> all;
    for (const AccessPoint& ap : access_points(project, floor.id)) all.push_back(&ap);
    if (all.empty()) return {};
    const Point start = start_of(floor, all);
    nearest_first(all, start);
    undo_crossings(all, start);
    std::vector<WalkStop> stops;
    for (const AccessPoint* ap : all)
        stops.push_back(
            {ap, stops.empty() ? 0 : distance(stops.back().access_point->position, ap->position)});
    return stops;
}

}  // namespace yemvo
