// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/items.h"

#include <cmath>
#include <map>
#include <unordered_set>

#include "project/kinds/thing_edits.h"

namespace yemvo {
namespace {

template <class List, class IdType>
auto found_in(List& list, IdType id) -> decltype(&*list.begin()) {
    const auto at = std::find_if(list.begin(), list.end(), [&](const auto& e) { return e.id == id; });
    return at == list.end() ? nullptr : &*at;
}

[[noreturn]] void unknown() { throw std::logic_error("an item that the floor does not have"); }

/// Calls `use(thing)` with the value that the item names; false when it is gone or of a kind that floors do
/// not hold themselves (openings, access points).
template <class FloorType, class Use>
bool with_thing(FloorType& f, const Item& item, Use use) {
    bool found = false;
    of_kind(item.kind, [&]<class Thing>() {
        const auto* thing = found_in(KindOf<Thing>::list(f), decltype(Thing::id){item.id});
        if (!thing) return;
        found = true;
        if constexpr (std::is_const_v<FloorType>)
            use(*thing);
        else
            use(*found_in(KindOf<Thing>::edit(f), decltype(Thing::id){item.id}));
    });
    return found;
}

const Opening* opening_of(const Floor& f, const Item& item) {
    const Wall* wall = find_wall(f, WallId{item.wall});
    return wall ? find_opening(*wall, OpeningId{item.id}) : nullptr;
}

template <class Thing>
using Kind = KindOf<std::remove_cvref_t<Thing>>;

bool contains_item(const std::vector<Item>& list, const Item& item) {
    return std::find(list.begin(), list.end(), item) != list.end();
}

void slide(Project& project, FloorId at, const Item& item, const Motion& m) {
    const Wall* wall = find_wall(floor_of(project, at), WallId{item.wall});
    const Opening* found = wall ? find_opening(*wall, OpeningId{item.id}) : nullptr;
    if (!found) unknown();
    Opening o = *found;
    const Segment s = span(*wall, o);
    const Point middle = lerp(s.a, s.b, 0.5);
    const double room_m = std::max(0.0, piece_length_m(*wall, o.piece) - o.width_m);
    const double to_m = o.start_m + dot(m.apply(middle) - middle, unit(s.b - s.a));
    o.start_m = std::clamp(std::round(to_m * 100) / 100, 0.0, room_m);
    replace_opening(project, at, wall->id, o);
}

void carry_access_point(Project& project, FloorId at, const Item& item, const Motion& m) {
    const AccessPoint* found = find_access_point(project, at, AccessPointId{item.id});
    if (!found) unknown();
    AccessPoint ap = *found;
    ap.position = m.apply(ap.position);
    ap.azimuth_deg = azimuth_carried(ap.azimuth_deg, m);
    if (ap.mount == Mount::ceiling) {
        const Floor& f = floor_of(project, at);
        const double change_m = hanging_m(f, ap.position) - hanging_m(f, found->position);
        ap.height_m = std::max(0.1, ap.height_m + change_m);
    }
    replace_access_point(project, at, ap);
}

}  // namespace

std::string_view item_kind_name(ItemKind kind) {
    std::string_view name = kind == ItemKind::opening ? mark("opening") : mark("access point");
    of_kind(kind, [&]<class Thing>() { name = KindOf<Thing>::name; });
    return name;
}

std::optional<ItemKind> find_item_kind(std::string_view name) {
    for (int k = 0; k < item_kinds; ++k)
        if (item_kind_name(static_cast<ItemKind>(k)) == name) return static_cast<ItemKind>(k);
    return std::nullopt;
}

bool exists(const Project& project, const Floor& floor, const Item& item) {
    if (item.kind == ItemKind::opening) return opening_of(floor, item) != nullptr;
    if (item.kind == ItemKind::access_point)
        return find_access_point(project, floor.id, AccessPointId{item.id}) != nullptr;
    return with_thing(floor, item, [](const auto&) {});
}

std::vector<Item> all_items(const Project& project, const Floor& f) {
    std::vector<Item> out;
    each_kind([&]<class Thing>() {
        for (const Thing& t : KindOf<Thing>::list(f)) out.push_back({KindOf<Thing>::kind, t.id.value});
    });
    for (const AccessPoint& ap : access_points(project, f.id))
        out.push_back({ItemKind::access_point, ap.id.value});
    return out;
}

std::vector<Point> corners(const Project& project, const Floor& f, const Item& item) {
    if (item.kind == ItemKind::opening) return {};
    std::vector<Point> points;
    if (item.kind == ItemKind::access_point) {
        const AccessPoint* ap = find_access_point(project, f.id, AccessPointId{item.id});
        if (ap) points = {ap->position};
        return points;
    }
    with_thing(f, item, [&](const auto& t) { points = Kind<decltype(t)>::points(t); });
    return points;
}

void set_corners(Project& project, FloorId at, const Item& item, const std::vector<Point>& points) {
    if (item.kind == ItemKind::access_point) {
        const Point from = corners(project, floor_of(project, at), item).at(0);
        return move_items(project, at, {item}, shifted(points.at(0) - from));
    }
    if (!with_thing(floor_of(project, at), item, [&](auto& t) { Kind<decltype(t)>::set_points(t, points); }))
        unknown();
}

bool is_outline(const Item& item) {
    bool outline = false;
    of_kind(item.kind, [&]<class Thing>() { outline = KindOf<Thing>::is_outline; });
    return outline;
}

std::size_t least_corners(const Item& item) {
    std::size_t least = 0;
    of_kind(item.kind, [&]<class Thing>() { least = KindOf<Thing>::least_corners; });
    return least;
}

std::vector<Point> shape_of(const Project& project, const Floor& f, const Item& item) {
    if (item.kind == ItemKind::opening)
        if (const Opening* o = opening_of(f, item)) {
            const Segment s = span(*find_wall(f, WallId{item.wall}), *o);
            return {s.a, s.b};
        }
    std::vector<Point> shape;
    if (with_thing(f, item, [&](const auto& t) { shape = Kind<decltype(t)>::shape(t); })) return shape;
    return corners(project, f, item);
}

void remove_item(Project& project, FloorId at, const Item& item) {
    if (item.kind == ItemKind::opening)
        return remove_opening(project, at, WallId{item.wall}, OpeningId{item.id});
    if (item.kind == ItemKind::access_point) return remove_access_point(project, at, AccessPointId{item.id});
    of_kind(item.kind,
            [&]<class Thing>() { remove_thing<Thing>(project, at, decltype(Thing::id){item.id}); });
}

Motion shifted(Point by) { return {false, {1, 0, by}}; }

Motion turned(Point about_point, double turn_deg) { return {false, about(about_point, turn_deg, 1)}; }

Motion mirrored(Point a, Point b) {
    // mirrored across north, north then turned to the line's direction and a put back
    const double from_north_deg = std::atan2(b.y - a.y, b.x - a.x) * 180 / 3.14159265358979323846 - 90;
    Motion m{true, {1, 2 * from_north_deg, {0, 0}}};
    m.then.shift = a - m.apply(a);
    return m;
}

namespace {

/// Carries the walls among the items in one pass over the floor's list.
void carry_walls(Project& project, FloorId at, const std::unordered_set<std::uint32_t>& ids,
                 const Motion& m) {
    std::size_t carried = 0;
    for (Wall& w : floor_of(project, at).walls.edit())
        if (ids.contains(w.id.value)) {
            carry(w, m);
            ++carried;
        }
    if (carried != ids.size()) unknown();
}

}  // namespace

void move_items(Project& project, FloorId at, const std::vector<Item>& items, const Motion& m) {
    std::unordered_set<std::uint32_t> walls;
    for (const Item& item : items)
        if (item.kind == ItemKind::wall) walls.insert(item.id);
    if (!walls.empty()) carry_walls(project, at, walls, m);
    for (const Item& item : items) {
        if (item.kind == ItemKind::wall) continue;
        if (item.kind == ItemKind::opening) {
            if (!walls.contains(item.wall)) slide(project, at, item, m);
        } else if (item.kind == ItemKind::access_point) {
            carry_access_point(project, at, item, m);
        } else if (!with_thing(floor_of(project, at), item, [&](auto& t) { carry(t, m); })) {
            unknown();
        }
    }
}

GroupId group_of(const Floor& f, const Item& item) {
    GroupId group;
    with_thing(f, item, [&](const auto& t) { group = t.group; });
    return group;
}

void group_items(Project& project, FloorId at, const std::vector<Item>& items) {
    const GroupId group = new_id<GroupId>(project);
    for (const Item& item : items) with_thing(floor_of(project, at), item, [&](auto& t) { t.group = group; });
}

void ungroup_items(Project& project, FloorId at, const std::vector<Item>& items) {
    for (const Item& item : with_groups(project, floor_of(project, at), items))
        with_thing(floor_of(project, at), item, [&](auto& t) { t.group = {}; });
}

std::vector<Item> with_groups(const Project& project, const Floor& f, const std::vector<Item>& items) {
    std::vector<GroupId> groups;
    for (const Item& item : items)
        if (const GroupId g = group_of(f, item)) groups.push_back(g);
    if (groups.empty()) return items;
    std::vector<Item> out = items;
    for (const Item& item : all_items(project, f)) {
        const GroupId g = group_of(f, item);
        if (g && std::find(groups.begin(), groups.end(), g) != groups.end() && !contains_item(out, item))
            out.push_back(item);
    }
    return out;
}

std::optional<WallTypeId> type_of(const Project&, const Floor& f, const Item& item) {
    if (item.kind == ItemKind::opening) {
        const Opening* o = opening_of(f, item);
        return o ? std::optional(o->type) : std::nullopt;
    }
    std::optional<WallTypeId> type;
    with_thing(f, item, [&](const auto& t) {
        if constexpr (requires { t.type; }) type = t.type;
    });
    return type;
}

void set_type(Project& project, FloorId at, const Item& item, WallTypeId type) {
    if (item.kind == ItemKind::opening) {
        const Opening* found = opening_of(floor_of(project, at), item);
        if (!found) unknown();
        Opening o = *found;
        o.type = type;
        return replace_opening(project, at, WallId{item.wall}, o);
    }
    with_thing(floor_of(project, at), item, [&](auto& t) {
        if constexpr (requires { t.type; }) t.type = type;
    });
}

std::optional<TypeUse> use_of(const Floor& f, const Item& item) {
    if (item.kind == ItemKind::opening) {
        const Opening* o = opening_of(f, item);
        if (!o) return std::nullopt;
        return o->kind == OpeningKind::door ? TypeUse::door : TypeUse::window;
    }
    std::optional<TypeUse> use;
    of_kind(item.kind, [&]<class Thing>() { use = KindOf<Thing>::use; });
    return use;
}

std::vector<Item> alike(const Project& project, const Floor& of, const Item& item, const Floor& on) {
    std::vector<Item> out;
    if (item.kind == ItemKind::opening) {
        const Opening* wanted = opening_of(of, item);
        if (!wanted) return out;
        for (const Wall& w : *on.walls)
            for (const Opening& o : w.openings)
                if (o.kind == wanted->kind && o.type == wanted->type)
                    out.push_back({ItemKind::opening, o.id.value, w.id.value});
        return out;
    }
    if (const AccessPoint* ap = find_access_point(project, of.id, AccessPointId{item.id});
        ap && item.kind == ItemKind::access_point)
        for (const AccessPoint& other : access_points(project, on.id))
            if (other.model == ap->model) out.push_back({ItemKind::access_point, other.id.value});
    with_thing(of, item, [&](const auto& t) {
        for (const auto& other : Kind<decltype(t)>::list(on))
            if (Kind<decltype(t)>::is_alike(t, other)) out.push_back({item.kind, other.id.value});
    });
    return out;
}

}  // namespace yemvo
