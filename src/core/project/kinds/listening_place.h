// SPDX-License-Identifier: GPL-3.0-or-later
// Listening places.
#pragma once
#include "project/kinds/kind.h"

namespace yemvo {

namespace limits {
inline constexpr Range heard_level_dbm{-150, 30, "dBm"};
inline constexpr Range stations{0, 10'000};
inline constexpr Range names_on_a_radio{1, 100};
inline constexpr std::size_t heard_radios = 5000;  ///< at one place
}  // namespace limits

/// Throw RuleBroken.
void check(const ListeningPlace&);
void check(const Neighbour&);

template <>
struct KindOf<ListeningPlace>
    : InFloor<ListeningPlace, &Floor::listening_places>, ByPlace<ListeningPlace>, OfNoType, OneId {
    static constexpr ItemKind kind = ItemKind::listening_place;
    static constexpr const char *name = mark("listening place"), *plural = mark("listening places"),
                                *key = "listening_places", *clip_key = "listening_places";
    static constexpr bool comes_along(const FloorParts&) { return false; }  // it was heard on its floor
    static Said label(const ListeningPlace& p) {
        return p.name.empty() ? say("listening place") : say("listening place %1", p.name);
    }
    /// Elsewhere the ids are others'.
    static void was_clipped(ListeningPlace& p) {
        for (Neighbour& n : p.heard) n.own.reset();
    }
    static Json write(const ListeningPlace&);
    static ListeningPlace read(const Reader&);
};

}  // namespace yemvo
