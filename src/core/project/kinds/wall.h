// SPDX-License-Identifier: GPL-3.0-or-later
// Walls: runs of straight and arc pieces, with their openings.
#pragma once
#include "project/kinds/kind.h"

namespace yemvo {

template <>
struct KindOf<Wall> : InFloor<Wall, &Floor::walls>, ByOutline<Wall> {
    static constexpr bool always_in_files = true;
    static constexpr ItemKind kind = ItemKind::wall;
    static constexpr const char *name = mark("wall"), *plural = mark("walls"), *key = "walls",
                                *clip_key = "walls";
    static constexpr bool comes_along(const FloorParts& parts) { return parts.walls; }
    static Said label(const Wall&) { return say("wall"); }
    static Json write(const Wall&);
    static Wall read(const Reader&);
    static constexpr bool is_outline = false;
    static constexpr std::size_t least_corners = 0;
    static constexpr std::optional<TypeUse> use = TypeUse::wall;
    static std::vector<Point> points(const Wall& w) { return w.points; }
    static void set_points(Wall& w, const std::vector<Point>& points);
    static std::vector<Point> shape(const Wall& w) { return flattened(w); }
    static void mirror(Wall& w);
    static void scale(Wall& w, double by);
    template <class Thing, class Use>
    static void each_type(Thing& w, Use tell) {
        tell(w.type, TypeUse::wall, std::optional<Item>());
        for (auto& o : w.openings)
            tell(o.type, o.kind == OpeningKind::door ? TypeUse::door : TypeUse::window,
                 std::optional(Item{ItemKind::opening, o.id.value, w.id.value}));
    }
    template <class Thing, class Use>
    static void each_id(Thing& w, Use tell) {
        tell(w.id);
        for (auto& o : w.openings) tell(o.id);
    }
};

}  // namespace yemvo
