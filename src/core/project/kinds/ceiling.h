// SPDX-License-Identifier: GPL-3.0-or-later
// Ceiling areas: another ceiling height, perhaps with something hung there.
#pragma once
#include "project/kinds/kind.h"

namespace yemvo {

template <>
struct KindOf<CeilingArea> : InFloor<CeilingArea, &Floor::ceilings>, ByOutline<CeilingArea>, OneId {
    static constexpr ItemKind kind = ItemKind::ceiling;
    static constexpr const char *name = mark("ceiling"), *plural = mark("ceiling areas"), *key = "ceilings",
                                *clip_key = "ceilings";
    static constexpr bool comes_along(const FloorParts& parts) { return parts.walls; }
    static Said label(const CeilingArea& c) { return say("ceiling area %1", c.name); }
    static Json write(const CeilingArea&);
    static CeilingArea read(const Reader&);
    static constexpr std::optional<TypeUse> use = TypeUse::ceiling;
    template <class Thing, class Use>
    static void each_type(Thing& c, Use tell) {
        if (c.type) tell(*c.type, TypeUse::ceiling, std::optional<Item>());
    }
};

}  // namespace yemvo
