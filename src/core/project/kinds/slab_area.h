// SPDX-License-Identifier: GPL-3.0-or-later
// Slab areas: parts of the slab that are built of something else.
#pragma once
#include "project/kinds/kind.h"

namespace yemvo {

template <>
struct KindOf<SlabArea> : InSlab<SlabArea, &Slab::areas>, ByOutline<SlabArea>, OfType<TypeUse::slab>, OneId {
    static constexpr ItemKind kind = ItemKind::slab_area;
    static constexpr const char *name = mark("slab area"), *plural = mark("slab areas"), *key = "areas",
                                *clip_key = "slab_areas";
    static constexpr bool comes_along(const FloorParts&) { return true; }
    static Said label(const SlabArea& a) { return say("slab area %1", a.name); }
    static Json write(const SlabArea&);
    static SlabArea read(const Reader&);
};

}  // namespace yemvo
