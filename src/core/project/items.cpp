#include "project/items.h"

#include <array>
#include <cmath>
#include <map>
#include <unordered_set>

#include "project/edits.h"
#include "project/parts.h"

namespace yemvo {
namespace {

constexpr std::array<std::string_view, item_kinds> kind_names{
    "wall",     "opening", "zone",      "slab void", "access point",
    "obstacle", "ceiling", "slab area", "note",      "ramp"};

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
    constexpr bool changing = !std::is_const_v<FloorType>;
    const auto in = [&](auto& shared, auto id) {
        if (!found_in(*shared, id)) return false;
        if constexpr (changing)
            use(*found_in(shared.edit(), id));
        else
            use(*found_in(*shared, id));
        return true;
    };
    const auto in_slab = [&](auto list, auto id) {
        if (!found_in((*f.slab).*list, id)) return false;
        if constexpr (changing)
            use(*found_in(f.slab.edit().*list, id));
        else
            use(*found_in((*f.slab).*list, id));
        return true;
    };
    switch (item.kind) {
        case ItemKind::wall:
            return in(f.walls, WallId{item.id});
        case ItemKind::zone:
            return in(f.zones, ZoneId{item.id});
        case ItemKind::obstacle:
            return in(f.obstacles, ObstacleId{item.id});
        case ItemKind::ceiling:
            return in(f.ceilings, CeilingId{item.id});
        case ItemKind::note:
            return in(f.notes, NoteId{item.id});
        case ItemKind::ramp:
            return in(f.ramps, RampId{item.id});
        case ItemKind::slab_void:
            return in_slab(&Slab::voids, VoidId{item.id});
        case ItemKind::slab_area:
            return in_slab(&Slab::areas, SlabAreaId{item.id});
        case ItemKind::opening:
        case ItemKind::access_point:
            break;
    }
    return false;
}

const Opening* opening_of(const Floor& f, const Item& item) {
    const Wall* wall = find_wall(f, WallId{item.wall});
    return wall ? find_opening(*wall, OpeningId{item.id}) : nullptr;
}

template <class Thing>
constexpr bool is_wall = std::is_same_v<std::remove_const_t<Thing>, Wall>;
template <class Thing>
constexpr bool is_note = std::is_same_v<std::remove_const_t<Thing>, Note>;

/// The points that shape a thing; a note's single place is taken out and put back.
template <class Thing>
std::vector<Point> points_of(const Thing& t) {
    if constexpr (is_wall<Thing>)
        return t.points;
    else if constexpr (is_note<Thing>)
        return {t.position};
    else
        return t.outline;
}

template <class Thing>
void set_points(Thing& t, const std::vector<Point>& points) {
    if constexpr (is_wall<Thing>) {
        if (points.size() != t.points.size()) throw std::logic_error("another number of corners");
        t.points = points;
    } else if constexpr (is_note<Thing>) {
        t.position = points.at(0);
    } else {
        if constexpr (std::is_same_v<std::remove_const_t<Thing>, Ramp>)
            if (points.size() != t.outline.size()) throw std::logic_error("a ramp has four corners");
        t.outline = points;
    }
}

template <class Thing>
void carry(Thing& t, const Motion& m) {
    auto points = points_of(t);
    for (Point& p : points) p = m.apply(p);
    set_points(t, points);
    if constexpr (is_wall<Thing>) {
        if (!m.mirrored) return;
        for (double& b : t.bulges) b = -b;
        for (Opening& o : t.openings) o.swings_left = !o.swings_left;
    }
}

double azimuth_after(double azimuth_deg, const Motion& m) {
    const double before = m.mirrored ? -azimuth_deg : azimuth_deg;
    return std::fmod(std::fmod(before - m.then.turn_deg, 360) + 360, 360);
}

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
    ap.azimuth_deg = azimuth_after(ap.azimuth_deg, m);
    if (ap.mount == Mount::ceiling) {
        const Floor& f = floor_of(project, at);
        const double change_m = hanging_m(f, ap.position) - hanging_m(f, found->position);
        ap.height_m = std::max(0.1, ap.height_m + change_m);
    }
    replace_access_point(project, at, ap);
}

}  // namespace

std::string_view item_kind_name(ItemKind k) { return kind_names[static_cast<std::size_t>(k)]; }

std::optional<ItemKind> find_item_kind(std::string_view name) {
    const auto found = std::find(kind_names.begin(), kind_names.end(), name);
    if (found == kind_names.end()) return std::nullopt;
    return static_cast<ItemKind>(found - kind_names.begin());
}

bool exists(const Project& project, const Floor& floor, const Item& item) {
    if (item.kind == ItemKind::opening) return opening_of(floor, item) != nullptr;
    if (item.kind == ItemKind::access_point)
        return find_access_point(project, floor.id, AccessPointId{item.id}) != nullptr;
    return with_thing(floor, item, [](const auto&) {});
}

std::vector<Item> all_items(const Project& project, const Floor& f) {
    std::vector<Item> out;
    const auto take = [&](ItemKind kind, const auto& list) {
        for (const auto& e : list) out.push_back({kind, e.id.value});
    };
    take(ItemKind::slab_area, f.slab->areas);
    take(ItemKind::slab_void, f.slab->voids);
    take(ItemKind::ramp, *f.ramps);
    take(ItemKind::ceiling, *f.ceilings);
    take(ItemKind::zone, *f.zones);
    take(ItemKind::obstacle, *f.obstacles);
    take(ItemKind::wall, *f.walls);
    take(ItemKind::note, *f.notes);
    take(ItemKind::access_point, access_points(project, f.id));
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
    with_thing(f, item, [&](const auto& t) { points = points_of(t); });
    return points;
}

void set_corners(Project& project, FloorId at, const Item& item, const std::vector<Point>& points) {
    if (item.kind == ItemKind::access_point) {
        const Point from = corners(project, floor_of(project, at), item).at(0);
        return move_items(project, at, {item}, shifted(points.at(0) - from));
    }
    if (!with_thing(floor_of(project, at), item, [&](auto& t) { set_points(t, points); })) unknown();
}

bool is_outline(const Item& item) {
    return item.kind == ItemKind::zone || item.kind == ItemKind::slab_void ||
           item.kind == ItemKind::obstacle || item.kind == ItemKind::ceiling ||
           item.kind == ItemKind::slab_area || item.kind == ItemKind::ramp;
}

std::vector<Point> shape_of(const Project& project, const Floor& f, const Item& item) {
    if (item.kind == ItemKind::wall)
        if (const Wall* w = find_wall(f, WallId{item.id})) return flattened(*w);
    if (item.kind == ItemKind::obstacle)
        if (const Obstacle* o = find_obstacle(f, ObstacleId{item.id})) return body(*o);
    if (item.kind == ItemKind::opening)
        if (const Opening* o = opening_of(f, item)) {
            const Segment s = span(*find_wall(f, WallId{item.wall}), *o);
            return {s.a, s.b};
        }
    return corners(project, f, item);
}

void remove_item(Project& project, FloorId at, const Item& item) {
    Floor& f = floor_of(project, at);
    switch (item.kind) {
        case ItemKind::wall:
            return remove_wall(project, at, WallId{item.id});
        case ItemKind::opening:
            return remove_opening(project, at, WallId{item.wall}, OpeningId{item.id});
        case ItemKind::zone:
            return remove_zone(project, at, ZoneId{item.id});
        case ItemKind::slab_void:
            return remove_void(project, at, VoidId{item.id});
        case ItemKind::access_point:
            return remove_access_point(project, at, AccessPointId{item.id});
        case ItemKind::obstacle:
            return erase_id(f.obstacles.edit(), ObstacleId{item.id});
        case ItemKind::ceiling:
            return erase_id(f.ceilings.edit(), CeilingId{item.id});
        case ItemKind::slab_area:
            return erase_id(f.slab.edit().areas, SlabAreaId{item.id});
        case ItemKind::note:
            return erase_id(f.notes.edit(), NoteId{item.id});
        case ItemKind::ramp:
            return erase_id(f.ramps.edit(), RampId{item.id});
    }
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
void carry_walls(Project& project, FloorId at, const std::unordered_set<std::uint32_t>& ids, const Motion& m) {
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
    switch (item.kind) {
        case ItemKind::wall:
            return TypeUse::wall;
        case ItemKind::opening: {
            const Opening* o = opening_of(f, item);
            if (!o) return std::nullopt;
            return o->kind == OpeningKind::door ? TypeUse::door : TypeUse::window;
        }
        case ItemKind::obstacle:
            return TypeUse::obstacle;
        case ItemKind::ceiling:
            return TypeUse::ceiling;
        case ItemKind::slab_area:
        case ItemKind::ramp:
            return TypeUse::slab;
        default:
            return std::nullopt;
    }
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
    const Zone* zone = find_zone(of, ZoneId{item.id});
    const AccessPoint* ap = find_access_point(project, of.id, AccessPointId{item.id});
    const auto type = type_of(project, of, item);
    for (const Item& other : all_items(project, on)) {
        if (other.kind != item.kind) continue;
        if (item.kind == ItemKind::zone && zone && find_zone(on, ZoneId{other.id})->kind != zone->kind)
            continue;
        if (item.kind == ItemKind::access_point && ap &&
            !(find_access_point(project, on.id, AccessPointId{other.id})->model == ap->model))
            continue;
        if (type_of(project, on, other) == type) out.push_back(other);
    }
    return out;
}

std::size_t Clipping::count() const {
    return walls.size() + zones.size() + voids.size() + slab_areas.size() + obstacles.size() +
           ceilings.size() + ramps.size() + notes.size() + access_points.size();
}

Clipping clip(const Project& project, const Floor& f, const std::vector<Item>& items) {
    Clipping c;
    const auto needs = [&](WallTypeId id) {
        if (!found_in(c.types, id)) c.types.push_back(wall_type(project, id));
    };
    for (const Item& item : items) {
        if (item.kind == ItemKind::access_point) {
            if (const AccessPoint* ap = find_access_point(project, f.id, AccessPointId{item.id})) {
                c.access_points.push_back(*ap);
                if (!found_in(c.models, ap->model)) c.models.push_back(model(project, ap->model));
            }
            continue;
        }
        with_thing(f, item, [&](const auto& t) {
            using Thing = std::remove_cvref_t<decltype(t)>;
            if constexpr (std::is_same_v<Thing, Wall>) {
                c.walls.push_back(t);
                for (const Opening& o : t.openings) needs(o.type);
            } else if constexpr (std::is_same_v<Thing, Zone>) {
                c.zones.push_back(t);
            } else if constexpr (std::is_same_v<Thing, SlabVoid>) {
                c.voids.push_back(t);
            } else if constexpr (std::is_same_v<Thing, SlabArea>) {
                c.slab_areas.push_back(t);
            } else if constexpr (std::is_same_v<Thing, Obstacle>) {
                c.obstacles.push_back(t);
            } else if constexpr (std::is_same_v<Thing, CeilingArea>) {
                c.ceilings.push_back(t);
                if (t.type) needs(*t.type);
            } else if constexpr (std::is_same_v<Thing, Ramp>) {
                c.ramps.push_back(t);
            } else {
                c.notes.push_back(t);
                c.notes.back().photo.clear();
            }
            if constexpr (std::is_same_v<decltype(Thing::id), WallId> || std::is_same_v<Thing, SlabArea> ||
                          std::is_same_v<Thing, Ramp> || std::is_same_v<Thing, Obstacle>)
                needs(t.type);
        });
    }
    return c;
}

namespace {

/// Finds or makes in the project what a clipping brought along.
class Paster {
public:
    Paster(Project& project, FloorId at, const Motion& motion)
        : project_(project), at_(at), motion_(motion) {}

    void bring(const Clipping& c) {
        for (const WallType& t : c.types) {
            const WallTypeId known = find_type(project_, t.key);
            const bool same = known && wall_type(project_, known).use == t.use;
            types_[t.id] = same ? known : add_wall_type(project_, t);
        }
        for (const AccessPointModel& m : c.models) {
            ModelId id;
            for (const AccessPointModel& known : *project_.models)
                if (known.key == m.key && known.radios.size() == m.radios.size()) id = known.id;
            if (!id) {
                AccessPointModel added = m;
                added.id = id = new_id<ModelId>(project_);
                project_.models.edit().push_back(added);
            }
            models_[m.id] = id;
        }
    }
    void put(Wall w) {
        w.type = types_.at(w.type);
        for (Opening& o : w.openings) o.type = types_.at(o.type);
        carry(w, motion_);
        w.group = group(w.group);
        made_.push_back({ItemKind::wall, add_wall(project_, at_, w).value});
    }
    void put(AccessPoint ap) {
        ap.model = models_.at(ap.model);
        ap.position = motion_.apply(ap.position);
        ap.azimuth_deg = azimuth_after(ap.azimuth_deg, motion_);
        const AccessPointId id = add_access_point(project_, at_, ap.model, ap.position);
        ap.id = id;
        ap.number = find_access_point(project_, at_, id)->number;
        replace_access_point(project_, at_, ap);
        made_.push_back({ItemKind::access_point, id.value});
    }
    template <class Thing, class Add>
    void put(ItemKind kind, Thing t, Add add) {
        if constexpr (std::is_same_v<decltype(t), CeilingArea>) {
            if (t.type) t.type = types_.at(*t.type);
        } else if constexpr (requires { t.type; }) {
            t.type = types_.at(t.type);
        }
        carry(t, motion_);
        t.group = group(t.group);
        made_.push_back({kind, add(project_, at_, t).value});
    }
    std::vector<Item> take() { return std::move(made_); }

private:
    GroupId group(GroupId old) {
        if (!old) return {};
        GroupId& made = groups_[old];
        if (!made) made = new_id<GroupId>(project_);
        return made;
    }
    Project& project_;
    FloorId at_;
    Motion motion_;
    std::map<WallTypeId, WallTypeId> types_;
    std::map<ModelId, ModelId> models_;
    std::map<GroupId, GroupId> groups_;
    std::vector<Item> made_;
};

}  // namespace

std::vector<Item> paste(Project& project, FloorId at, const Clipping& c, const Motion& m) {
    Paster paster(project, at, m);
    paster.bring(c);
    for (const auto& t : c.slab_areas) paster.put(ItemKind::slab_area, t, add_slab_area);
    for (const auto& t : c.voids) paster.put(ItemKind::slab_void, t, add_void);
    for (const auto& t : c.ceilings) paster.put(ItemKind::ceiling, t, add_ceiling);
    for (const auto& t : c.ramps) paster.put(ItemKind::ramp, t, add_ramp);
    for (const auto& t : c.zones) paster.put(ItemKind::zone, t, add_zone);
    for (const auto& t : c.obstacles) paster.put(ItemKind::obstacle, t, add_obstacle);
    for (const auto& t : c.walls) paster.put(t);
    for (const auto& t : c.notes) paster.put(ItemKind::note, t, add_note);
    for (const auto& t : c.access_points) paster.put(t);
    return paster.take();
}

std::optional<Point> middle(const Clipping& c) {
    std::vector<Point> all;
    const auto take = [&](const auto& list) {
        for (const auto& t : list) {
            const auto points = points_of(t);
            all.insert(all.end(), points.begin(), points.end());
        }
    };
    take(c.walls);
    take(c.zones);
    take(c.voids);
    take(c.slab_areas);
    take(c.obstacles);
    take(c.ceilings);
    take(c.ramps);
    take(c.notes);
    for (const AccessPoint& ap : c.access_points) all.push_back(ap.position);
    const auto box = bounds(all);
    return box ? std::optional(box->centre()) : std::nullopt;
}

}  // namespace yemvo
