// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposal/hanging_ground.h"

#include <algorithm>

#include "cabling/cable_reach.h"

namespace yemvo {

/// What ends lower is passed under; what hangs is so near to the ceiling.
static constexpr double below_the_ceiling_m = 1;

HangingGround::HangingGround(const Project& project, const Scene& scene, const Floor& floor,
                             const ProposalAsk& ask)
    : floor_(floor),
      mask_(scene.mask(floor.id)),
      ask_(ask),
      open_ground_(scene.floor(floor.id).kind == BuildingKind::yard) {
    for (const Wall& w : *floor.walls)
        if (w.top_m.value_or(floor.height_m) > floor.height_m - below_the_ceiling_m)
            for_each_chord(w, [&](const Chord& c) {
                walls_.push_back({c.line, wall_type(project, w.type).thickness_m / 2});
            });
    for (const Zone& z : *floor.zones) (z.kind == ZoneKind::served ? served_ : barred_).push_back(&z);
}

bool HangingGround::may_hang(Point p) const {
    if (!open_ground_ && mask_.enclosed() && !mask_.inside(p) && !is_open_air(p)) return false;
    for (const Zone* z : barred_)
        if (contains(z->outline, p)) return false;
    if (!ask_.zones.empty() && std::ranges::none_of(served_, [&](const Zone* z) {
            return std::ranges::count(ask_.zones, z->id) > 0 && contains(z->outline, p);
        }))
        return false;
    for (const KeepOut& k : ask_.keep_out)
        if (k.floor == floor_.id && contains(k.outline, p)) return false;
    for (const SlabVoid& v : floor_.slab->voids)
        if (contains(v.outline, p)) return false;
    for (const Obstacle& o : *floor_.obstacles)
        if (o.top_m.value_or(floor_.height_m) > floor_.height_m - below_the_ceiling_m && contains(body(o), p))
            return false;
    return from_walls_m(p) >= ask_.from_walls_m && (!ask_.cabled || ask_.cabled->reaches(floor_, p));
}

double HangingGround::from_walls_m(Point p) const {
    double least = 1e9;
    for (const RoomEdge& wall : walls_) least = std::min(least, distance(wall.line, p) - wall.half_m);
    return least;
}

bool HangingGround::is_open_air(Point p) const {
    return std::ranges::any_of(served_,
                               [&](const Zone* z) { return z->open_air && contains(z->outline, p); });
}

}  // namespace yemvo
