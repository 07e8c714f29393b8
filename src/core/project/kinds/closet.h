// SPDX-License-Identifier: GPL-3.0-or-later
// Closets: where switches stand and cables end.
#pragma once
#include "project/kinds/kind.h"

namespace yemvo {

namespace limits {
inline constexpr Range racks{1, 100};  ///< of a closet
inline constexpr std::size_t switches = 200;
inline constexpr Range ports{1, 1000};
inline constexpr Range switch_w{0, 100'000, "W"};
}  // namespace limits

/// Throws RuleBroken.
void check(const Closet&);

/// The first of "TR-1", "TR-2", … that no closet of the project has.
std::string free_closet_name(const Project&);

template <>
struct KindOf<Closet> : InFloor<Closet, &Floor::closets>, ByPlace<Closet>, OfNoType, OneId {
    static constexpr ItemKind kind = ItemKind::closet;
    static constexpr const char *name = mark("closet"), *plural = mark("closets"), *key = "closets",
                                *clip_key = "closets";
    static constexpr bool comes_along(const FloorParts& parts) { return parts.walls; }
    static Said label(const Closet& c) { return c.name.empty() ? say("closet") : say("closet %1", c.name); }
    static Json write(const Closet&);
    static Closet read(const Reader&);
};

}  // namespace yemvo
