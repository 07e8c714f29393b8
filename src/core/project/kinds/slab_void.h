// SPDX-License-Identifier: GPL-3.0-or-later
// Voids: openings through the slab under a floor.
#pragma once
#include "project/kinds/kind.h"

namespace yemvo {

template <>
struct KindOf<SlabVoid> : InSlab<SlabVoid, &Slab::voids>, ByOutline<SlabVoid>, OfNoType, OneId {
    static constexpr ItemKind kind = ItemKind::slab_void;
    static constexpr const char *name = mark("slab void"), *plural = mark("voids"), *key = "voids",
                                *clip_key = "voids";
    static constexpr bool comes_along(const FloorParts& parts) { return parts.voids; }
    static Said label(const SlabVoid& v) { return say("void %1", v.name); }
    static Json write(const SlabVoid&);
    static SlabVoid read(const Reader&);
};

}  // namespace yemvo
