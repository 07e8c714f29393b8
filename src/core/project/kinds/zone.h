// SPDX-License-Identifier: GPL-3.0-or-later
// Zones: areas with a purpose.
#pragma once
#include "project/kinds/kind.h"

namespace yemvo {

template <>
struct KindOf<Zone> : InFloor<Zone, &Floor::zones>, ByOutline<Zone>, OfNoType, OneId {
    static constexpr bool always_in_files = true;
    static constexpr ItemKind kind = ItemKind::zone;
    static constexpr const char *name = mark("zone"), *plural = mark("zones"), *key = "zones",
                                *clip_key = "zones";
    static constexpr bool comes_along(const FloorParts& parts) { return parts.zones; }
    static Said label(const Zone& z) { return say("zone %1", z.name); }
    static Json write(const Zone&);
    static Zone read(const Reader&);
    static bool is_alike(const Zone& a, const Zone& b);
    /// Requirement sets that name it; one that held only there goes with it.
    static void was_removed(Project&, const Zone&);
};

}  // namespace yemvo
