// SPDX-License-Identifier: GPL-3.0-or-later
// Obstacles: columns, racking, machinery, crowds, foliage.
#pragma once
#include "project/kinds/kind.h"

namespace yemvo {

template <>
struct KindOf<Obstacle>
    : InFloor<Obstacle, &Floor::obstacles>, ByOutline<Obstacle>, OfType<TypeUse::obstacle>, OneId {
    static constexpr ItemKind kind = ItemKind::obstacle;
    static constexpr const char *name = mark("obstacle"), *plural = mark("obstacles"), *key = "obstacles",
                                *clip_key = "obstacles";
    static constexpr bool comes_along(const FloorParts& parts) { return parts.walls; }
    static Said label(const Obstacle& o) {
        return o.name.empty() ? say("obstacle") : say("obstacle %1", o.name);
    }
    static Json write(const Obstacle&);
    static Obstacle read(const Reader&);
    static std::vector<Point> shape(const Obstacle& o) { return body(o); }
};

}  // namespace yemvo
