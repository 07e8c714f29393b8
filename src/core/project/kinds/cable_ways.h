// SPDX-License-Identifier: GPL-3.0-or-later
// Outlets, trays and risers: what cables end at and lie in.
#pragma once
#include "project/kinds/kind.h"

namespace yemvo {

namespace limits {
inline constexpr Range riser_storeys{1, 200};
}

/// Throw RuleBroken.
void check(const Outlet&);
void check(const Tray&);
void check(const Riser&);

template <>
struct KindOf<Outlet> : InFloor<Outlet, &Floor::outlets>, ByPlace<Outlet>, OfNoType, OneId {
    static constexpr ItemKind kind = ItemKind::outlet;
    static constexpr const char *name = mark("outlet"), *plural = mark("outlets"), *key = "outlets",
                                *clip_key = "outlets";
    static constexpr bool comes_along(const FloorParts& parts) { return parts.walls; }
    static Said label(const Outlet& o) { return o.name.empty() ? say("outlet") : say("outlet %1", o.name); }
    static Json write(const Outlet&);
    static Outlet read(const Reader&);
};

template <>
struct KindOf<Tray> : InFloor<Tray, &Floor::trays>, ByOutline<Tray>, OfNoType, OneId {
    static constexpr bool is_outline = false;
    static constexpr std::size_t least_corners = 2;
    static constexpr ItemKind kind = ItemKind::tray;
    static constexpr const char *name = mark("cable tray"), *plural = mark("cable trays"), *key = "trays",
                                *clip_key = "trays";
    static constexpr bool comes_along(const FloorParts& parts) { return parts.walls; }
    static Said label(const Tray& t) {
        return t.name.empty() ? say("cable tray") : say("cable tray %1", t.name);
    }
    static std::vector<Point> points(const Tray& t) { return t.points; }
    static void set_points(Tray& t, const std::vector<Point>& points) { t.points = points; }
    static std::vector<Point> shape(const Tray& t) { return t.points; }
    static Json write(const Tray&);
    static Tray read(const Reader&);
};

template <>
struct KindOf<Riser> : InFloor<Riser, &Floor::risers>, ByPlace<Riser>, OfNoType, OneId {
    static constexpr ItemKind kind = ItemKind::riser;
    static constexpr const char *name = mark("riser"), *plural = mark("risers"), *key = "risers",
                                *clip_key = "risers";
    static constexpr bool comes_along(const FloorParts&) { return false; }  // it reaches the others already
    static Said label(const Riser& r) { return r.name.empty() ? say("riser") : say("riser %1", r.name); }
    static Json write(const Riser&);
    static Riser read(const Reader&);
};

}  // namespace yemvo
