// SPDX-License-Identifier: GPL-3.0-or-later
// Ramps: sloping plates from the floor upwards.
#pragma once
#include "project/kinds/kind.h"

namespace yemvo {

template <>
struct KindOf<Ramp> : InFloor<Ramp, &Floor::ramps>, ByOutline<Ramp>, OfType<TypeUse::slab>, OneId {
    static constexpr ItemKind kind = ItemKind::ramp;
    static constexpr const char *name = mark("ramp"), *plural = mark("ramps"), *key = "ramps",
                                *clip_key = "ramps";
    static constexpr bool comes_along(const FloorParts& parts) { return parts.walls; }
    static Said label(const Ramp& r) { return say("ramp %1", r.name); }
    static Json write(const Ramp&);
    static Ramp read(const Reader&);
    static void set_points(Ramp& r, const std::vector<Point>& points);
};

}  // namespace yemvo
