// SPDX-License-Identifier: GPL-3.0-or-later
// What one kind of thing that stands on a floor is to everything that goes through all of them: where it is
// kept, what shapes it, what it refers to, how files hold it, what must hold of it. A kind is a struct
// KindOf<Thing> in a header of its own beside this one, its source, an entry in all.h and one in ItemKind;
// lists, ids, groups, moving, clipping, files, validation, differences, hiding and locking follow from that
// (each_kind in all.h).
//
// Openings stand in walls and belong to those; access points stand in variants. Both are items, and no kinds
// here.
#pragma once
#include "project/edits.h"
#include "project/json_reader.h"
#include "project/rules.h"

namespace yemvo {

/// The members that a KindOf has are those of the parts below, and:
///   kind             the ItemKind
///   name, plural     "slab void", "voids": as items and people call it
///   key              of its list in a file; of its list in a clipping: clip_key
///   comes_along      whether it is copied with a floor
///   label            "zone Lobby": how a refusal calls it (Said)
///   write, read      JSON; read asks the rules and throws Error
template <class Thing>
struct KindOf;

/// Kept in a list of the floor itself.
template <class Thing, Shared<std::vector<Thing>> Floor::*member>
struct InFloor {
    static constexpr const char* inside = "floors";  ///< where a file has its list
    static constexpr bool always_in_files = false;   ///< in those of every format
    static const std::vector<Thing>& list(const Floor& f) { return *(f.*member); }
    static std::vector<Thing>& edit(Floor& f) { return (f.*member).edit(); }
    static bool same(const Floor& a, const Floor& b) { return (a.*member).same(b.*member); }
};

/// Kept in the plate under the floor.
template <class Thing, std::vector<Thing> Slab::*member>
struct InSlab {
    static constexpr const char* inside = "slab";
    static constexpr bool always_in_files = false;
    static const std::vector<Thing>& list(const Floor& f) { return (*f.slab).*member; }
    static std::vector<Thing>& edit(Floor& f) { return f.slab.edit().*member; }
    static bool same(const Floor& a, const Floor& b) { return a.slab.same(b.slab); }
};

/// Shaped by an outline.
template <class Thing>
struct ByOutline {
    static constexpr bool is_outline = true;
    /// Where corners may come and go so many have to stay; 0 where they may not.
    static constexpr std::size_t least_corners = 3;
    static std::vector<Point> points(const Thing& t) { return t.outline; }
    /// Another number of points is a mistake of the caller where the shape does not allow it
    /// (std::logic_error).
    static void set_points(Thing& t, const std::vector<Point>& points) { t.outline = points; }
    static std::vector<Point> shape(const Thing& t) { return t.outline; }
    static void mirror(Thing&) {}         ///< what is not in the points turns round
    static void scale(Thing&, double) {}  ///< what is not in the points grows
    static void was_clipped(Thing&) {}    ///< what cannot come along in a clipping is left behind
    static void was_removed(Project&, const Thing&) {}  ///< what referred to it lets go
    static bool is_alike(const Thing& a, const Thing& b) {
        if constexpr (requires { a.type; })
            return a.type == b.type;
        else
            return true;
    }
};

/// Stands at one place.
template <class Thing>
struct ByPlace : ByOutline<Thing> {
    static constexpr bool is_outline = false;
    static constexpr std::size_t least_corners = 0;
    static std::vector<Point> points(const Thing& t) { return {t.position}; }
    static void set_points(Thing& t, const std::vector<Point>& points) { t.position = points.at(0); }
    static std::vector<Point> shape(const Thing& t) { return points(t); }
};

/// Built of nothing that the list of types has. `each_type` calls use(WallTypeId&, TypeUse, part), part being
/// the opening that the type belongs to, if any.
struct OfNoType {
    static constexpr std::optional<TypeUse> use = {};
    template <class Thing, class Use>
    static void each_type(Thing&, Use) {}
};
template <TypeUse of>
struct OfType {
    static constexpr std::optional<TypeUse> use = of;
    template <class Thing, class Use>
    static void each_type(Thing& t, Use tell) {
        tell(t.type, of, std::optional<Item>());
    }
};

/// Has an id of its own and no others.
struct OneId {
    template <class Thing, class Use>
    static void each_id(Thing& t, Use use) {
        use(t.id);
    }
};

}  // namespace yemvo
