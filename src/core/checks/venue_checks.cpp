// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <set>

#include "checks/collector.h"
#include "geometry/polygon_sets.h"
#include "project/working_radio.h"
#include "tuning/permits.h"

namespace yemvo {
namespace {

constexpr double hair_m = 0.005;

/// The nearest start at which the opening is on its piece and clear of the others; none when it fits nowhere.
std::optional<double> free_start_m(const Wall& wall, const Opening& o) {
    const double room_m = piece_length_m(wall, o.piece) - o.width_m;
    if (room_m < 0) return std::nullopt;
    std::vector<double> tries{std::clamp(o.start_m, 0.0, room_m)};
    for (const Opening& other : wall.openings)
        if (other.piece == o.piece && !(other.id == o.id))
            tries.insert(tries.end(), {other.start_m - o.width_m, other.start_m + other.width_m});
    std::optional<double> best;
    for (double start : tries) {
        if (start < -1e-9 || start > room_m + 1e-9) continue;
        start = std::clamp(start, 0.0, room_m);
        const bool clear =
            std::none_of(wall.openings.begin(), wall.openings.end(), [&](const Opening& other) {
                return other.piece == o.piece && !(other.id == o.id) &&
                       start < other.start_m + other.width_m - 1e-9 &&
                       other.start_m < start + o.width_m - 1e-9;
            });
        if (clear && (!best || std::abs(start - o.start_m) < std::abs(*best - o.start_m))) best = start;
    }
    return best;
}

bool is_door(const Opening& o) { return o.kind == OpeningKind::door; }

Point middle(const Wall& w, const Opening& o) {
    const Segment s = span(w, o);
    return lerp(s.a, s.b, 0.5);
}

void mend_by(Finding& f, const Said& label, FloorId floor, WallId wall, const Opening& better) {
    f.mends.push_back(
        {label, [floor, wall, better](Project& p) { replace_opening(p, floor, wall, better); }});
}

void check_opening(const Check& c, const Wall& w, const Opening& o) {
    const Item item{ItemKind::opening, o.id.value, w.id.value};
    const double room_m = piece_length_m(w, o.piece);
    const double beyond_m = std::max(-o.start_m, o.start_m + o.width_m - room_m);
    if (beyond_m > hair_m) {
        Finding& f = c.add(Rule::opening_outside, middle(w, o),
                           is_door(o) ? say("A door reaches %1 beyond its wall", c.length(beyond_m))
                                      : say("A window reaches %1 beyond its wall", c.length(beyond_m)),
                           {item});
        Opening better = o;
        better.width_m = std::min(o.width_m, room_m);
        if (const auto start = free_start_m(w, better)) {
            better.start_m = *start;
            mend_by(f,
                    better.width_m < o.width_m ? say("Narrow it to the wall") : say("Slide it into the wall"),
                    c.floor.id, w.id, better);
        }
    }
    const double top_m = w.top_m.value_or(c.floor.height_m);
    if (o.head_m > top_m + hair_m || o.sill_m < w.base_m - hair_m) {
        Finding& f = c.add(Rule::opening_outside, middle(w, o),
                           o.head_m > top_m + hair_m ? (is_door(o) ? say("A door is higher than its wall")
                                                                   : say("A window is higher than its wall"))
                                                     : (is_door(o) ? say("A door begins below its wall")
                                                                   : say("A window begins below its wall")),
                           {item});
        f.subjects.push_back(1);
        Opening better = o;
        better.head_m = std::min(o.head_m, top_m);
        better.sill_m = std::max(o.sill_m, w.base_m);
        if (better.head_m > better.sill_m + 0.05)
            mend_by(f, say("Fit it to the wall's height"), c.floor.id, w.id, better);
    }
}

void check_pairs(const Check& c, const Wall& w) {
    for (std::size_t i = 0; i < w.openings.size(); ++i)
        for (std::size_t k = i + 1; k < w.openings.size(); ++k) {
            const Opening &a = w.openings[i], &b = w.openings[k];
            if (a.piece != b.piece) continue;
            const double shared_m =
                std::min(a.start_m + a.width_m, b.start_m + b.width_m) - std::max(a.start_m, b.start_m);
            if (shared_m <= hair_m) continue;
            Finding& f = c.add(
                Rule::opening_over, middle(w, b),
                say(is_door(b) ? (is_door(a) ? mark("A door overlaps a door by %1")
                                             : mark("A door overlaps a window by %1"))
                               : (is_door(a) ? mark("A window overlaps a door by %1")
                                             : mark("A window overlaps a window by %1")),
                    c.length(shared_m)),
                {{ItemKind::opening, a.id.value, w.id.value}, {ItemKind::opening, b.id.value, w.id.value}});
            Opening moved = b;
            if (const auto start = free_start_m(w, b)) {
                moved.start_m = *start;
                mend_by(f, say("Slide it beside the other"), c.floor.id, w.id, moved);
            }
            f.mends.push_back({say("Remove it"), [floor = c.floor.id, wall = w.id, id = b.id](Project& p) {
                                   remove_opening(p, floor, wall, id);
                               }});
        }
}

}  // namespace

void check_openings(const Check& c) {
    for (const Wall& w : *c.floor.walls) {
        for (const Opening& o : w.openings) check_opening(c, w, o);
        check_pairs(c, w);
    }
}

void check_zones(const Check& c) {
    constexpr double least_m2 = 0.5;
    const auto& zones = *c.floor.zones;
    const auto counts = [](const Zone& z) {
        return z.kind == ZoneKind::served || z.kind == ZoneKind::not_needed;
    };
    for (std::size_t i = 0; i < zones.size(); ++i)
        for (std::size_t k = i + 1; k < zones.size(); ++k) {
            const Zone &a = zones[i], &b = zones[k];
            if (!counts(a) || !counts(b)) continue;
            const Box p = *bounds(a.outline), q = *bounds(b.outline);
            if (p.low.x > q.high.x || q.low.x > p.high.x || p.low.y > q.high.y || q.low.y > p.high.y)
                continue;
            const double shared = shared_area_m2(a.outline, b.outline);
            if (shared < least_m2) continue;
            // the larger one gives way: a room cut out of a hall
            const bool a_larger = area_m2(a.outline) >= area_m2(b.outline);
            const Zone &large = a_larger ? a : b, &small = a_larger ? b : a;
            Finding& f = c.add(Rule::zone_overlap, centroid(small.outline),
                               say("%1 and %2 share %3", large.name, small.name, c.area(shared)),
                               {{ItemKind::zone, a.id.value}, {ItemKind::zone, b.id.value}});
            const Remainder rest = without(large.outline, small.outline);
            if (rest.parts.empty() || rest.has_holes) continue;
            f.mends.push_back({say("Cut it out of %1", large.name),
                               [floor = c.floor.id, id = large.id, parts = rest.parts](Project& pr) {
                                   Zone z = *find_zone(*find_floor(pr, floor), id);
                                   z.outline = parts.front();
                                   replace_zone(pr, floor, z);
                                   for (std::size_t n = 1; n < parts.size(); ++n) {
                                       if (area_m2(parts[n]) < 0.1) continue;
                                       Zone more = z;
                                       more.outline = parts[n];
                                       add_zone(pr, floor, more);
                                   }
                               }});
        }
}

void check_floor(const Check& c) {
    const Building& building = building_with(c.project, c.floor.id);
    const auto at_middle = [&] {
        const auto box = extent(c.floor);
        return box ? box->centre() : Point{};
    };
    const auto add = [&](Rule rule, Said what, std::uint32_t which) -> Finding& {
        Finding& f = c.add(rule, at_middle(), std::move(what), {});
        f.subjects = {c.floor.id.value, which};
        return f;
    };
    if (needs_scale(c.floor))
        add(Rule::no_scale, say("No drawing of this floor has a scale"), 0).remedy = Remedy::scale_tool;
    if (building.kind == BuildingKind::yard) return;
    const Floor* below = floor_below(c.project, c.floor.id);
    if (!below) return;
    if (!c.floor.drawings->empty() && !below->drawings->empty() && !c.floor.alignment && !below->alignment)
        add(Rule::not_aligned, say("Never laid on another floor by pairs of places"), 0).remedy =
            Remedy::align_tool;
    if (c.floor.slab->thickness_m < 0.01) {
        Finding& f = add(Rule::slab_missing, say("The slab under it has no thickness"), 0);
        f.mends.push_back({say("Make it 0.3 m thick"), [id = c.floor.id](Project& p) {
                               Slab slab = *find_floor(p, id)->slab;
                               slab.thickness_m = 0.3;
                               set_slab(p, id, slab);
                           }});
    }
    if (c.floor.mezzanine) return;
    const Floor* storey = below;
    while (storey && storey->mezzanine) storey = floor_below(c.project, storey->id);
    if (storey && c.floor.elevation_m - storey->top_m() > 0.02) {
        const double gap_m = c.floor.elevation_m - storey->top_m();
        Finding& f = add(Rule::slab_missing,
                         say("It stands %1 above the top of %2", c.length(gap_m), storey->name), 1);
        f.mends.push_back(
            {say("Lower it onto %1", storey->name), [id = c.floor.id, to_m = storey->top_m()](Project& p) {
                 const Floor& floor = *find_floor(p, id);
                 set_floor(p, id, floor.name, to_m, floor.height_m);
             }});
    }
    double plate_m2 = c.floor.plate.empty() ? 0 : area_m2(c.floor.plate), holes_m2 = 0;
    if (plate_m2 == 0)
        if (const auto box = extent(c.floor)) plate_m2 = box->width() * box->height();
    for (const SlabVoid& v : c.floor.slab->voids) holes_m2 += area_m2(v.outline);
    if (plate_m2 > 1 && holes_m2 > 0.8 * plate_m2)
        add(Rule::slab_missing,
            say("Nearly all that its walls enclose is void: draw its outer walls or its plate"), 2);
}

void check_access_points(const Check& c) {
    const SceneFloor& at = c.scene.floor(c.floor.id);
    for (const AccessPoint& ap : access_points(c.project, c.floor.id)) {
        const Item item{ItemKind::access_point, ap.id.value};
        const Said name = say("Access point %1", ap.number);
        const auto put = [&](auto change) { return change_of(c.floor.id, ap.id, change); };
        for (const Wall& w : *c.floor.walls) {
            const double half_m = wall_type(c.project, w.type).thickness_m / 2;
            if (ap.height_m < w.base_m || ap.height_m > w.top_m.value_or(c.floor.height_m)) continue;
            bool inside = false;
            for_each_chord(w, [&](const Chord& chord) {
                if (inside || distance(chord.line, ap.position) >= half_m - 1e-6) return;
                inside = true;
                const Point across = left_of(unit(chord.line.b - chord.line.a));
                const double side =
                    cross(chord.line.b - chord.line.a, ap.position - chord.line.a) >= 0 ? 1 : -1;
                const Point foot = nearest_point(chord.line, ap.position);
                const Point clear = foot + across * (side * (half_m + 0.1));
                Finding& f = c.add(Rule::inside_wall, ap.position, say("%1 is inside a wall", name),
                                   {item, item_of(w)});
                f.mends.push_back({say("Move it 10 cm off the wall"),
                                   put([clear](AccessPoint& a) { a.position = clear; })});
            });
        }
        for (const Obstacle& o : *c.floor.obstacles) {
            const auto outline = body(o);
            if (o.kind == ObstacleKind::crowd || o.kind == ObstacleKind::foliage) continue;
            if (!contains(outline, ap.position) || ap.height_m < o.base_m ||
                ap.height_m > o.top_m.value_or(c.floor.height_m))
                continue;
            Finding& f = c.add(Rule::inside_wall, ap.position,
                               say("%1 is inside %2", name,
                                   o.name.empty() ? said_mark(obstacle_kind_name(o.kind)) : Said(o.name)),
                               {item, {ItemKind::obstacle, o.id.value}});
            Point nearest = outline[0];
            for (std::size_t i = 0; i < outline.size(); ++i) {
                const Point q = nearest_point({outline[i], outline[(i + 1) % outline.size()]}, ap.position);
                if (distance(q, ap.position) < distance(nearest, ap.position)) nearest = q;
            }
            const Point clear = nearest + unit(nearest - ap.position) * 0.2;
            f.mends.push_back({say("Move it beside"), put([clear](AccessPoint& a) { a.position = clear; })});
        }
        const double top_m = at.kind == BuildingKind::yard ? 1e9 : c.floor.height_m;
        const double room_m = ceiling_m(c.floor, ap.position, top_m);
        if (ap.height_m > room_m - hair_m) {
            const double hang_m = room_m < top_m ? room_m - below_ceiling_m : room_m - 0.3;
            Finding& f =
                c.add(Rule::above_ceiling, ap.position,
                      say("%1 is %2 above where the ceiling lets it hang", name,
                          c.length(ap.height_m - (room_m < top_m ? room_m - below_ceiling_m : room_m))),
                      {item});
            f.mends.push_back({say("Hang it at %1", c.length(hang_m)),
                               put([hang_m](AccessPoint& a) { a.height_m = hang_m; })});
        }
        const bool out =
            at.kind == BuildingKind::building && place_of(c.scene, c.floor, ap) == yemvo::Place::outdoors;
        if (out) c.add(Rule::outside_venue, ap.position, say("%1 is outside the building", name), {item});
    }
}

void check_types(const Project& project, std::vector<Finding>& out) {
    std::set<std::size_t> bands_in_use;
    for (const RadioAt& r : radios_at_work(project)) bands_in_use.insert(r.set().channel.band.index);
    for (const Requirement* r : requirements_in_force(project))
        for (BandId id : r->bands.list()) bands_in_use.insert(id.index);
    for (const WallType& t : *project.wall_types) {
        std::string lacks;
        for (std::size_t b : bands_in_use)
            if (!has_loss_at(t, bands()[b].reference_mhz / 1000))
                lacks += (lacks.empty() ? "" : ", ") + bands()[b].name + " GHz";
        if (lacks.empty()) continue;
        const auto uses = uses_of_type(project, t.id);
        if (uses.empty()) continue;
        Finding f;
        f.rule = Rule::type_without_loss;
        f.floor = uses.front().floor;
        f.what = say("%1 has no figures for %2", t.name, lacks);
        for (const TypeSite& u : uses)
            if (u.item && u.floor == f.floor) f.items.push_back(*u.item);
        f.subjects = {t.id.value};
        f.remedy = Remedy::types_page;
        f.type = t.id;
        out.push_back(std::move(f));
    }
}

}  // namespace yemvo
