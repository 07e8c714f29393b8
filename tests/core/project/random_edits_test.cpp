// SPDX-License-Identifier: GPL-3.0-or-later
// Long random histories: the project stays valid, writes and reads back the same, and every value can be
// returned to.
#include <cmath>
#include <limits>
#include <random>

#include "core/support.h"
#include "project/clipping.h"
#include "project/demand_edits.h"
#include "project/json_project.h"
#include "project/kinds/thing_edits.h"
#include "project/library.h"
#include "project/rules.h"
#include "project/storage.h"
#include "project/validation.h"
#include "venue/wall_shaping.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

class History {
public:
    /// `wild`: now and then a value that no venue has.
    explicit History(unsigned seed, bool wild = false) : engine_(seed), wild_(wild) {}

    void step(Project& p) {
        const FloorId floor = pick(all_floors(p))->id;
        switch (static_cast<int>(any(0, kinds_of_edit - 0.001))) {
            case 0:
            case 1:
                add_wall(p, floor, random_wall(p));
                break;
            case 2:
                change_wall(p, floor);
                break;
            case 3:
                add_random_opening(p, floor);
                break;
            case 4:
                if (const Wall* w = some(*find_floor(p, floor)->walls)) remove_wall(p, floor, w->id);
                break;
            case 5:
                add_zone(
                    p, floor,
                    {{}, text("Zone"), static_cast<ZoneKind>(static_cast<int>(any(0, 3.99))), triangle()});
                break;
            case 6:
                if (const Zone* z = some(*find_floor(p, floor)->zones)) remove_zone(p, floor, z->id);
                break;
            case 7:
                add_void(p, floor, {{}, text("Void"), triangle()});
                break;
            case 8:
                add_access_point(p, floor, pick(*p.models).id, place());
                break;
            case 9:
                change_access_point(p, floor);
                break;
            case 10:
                if (const AccessPoint* ap = some(access_points(p, floor)))
                    remove_access_point(p, floor, ap->id);
                break;
            case 11:
                if (all_floors(p).size() < 5) add_floor(p, p.buildings.front().id);
                break;
            case 12:
                if (all_floors(p).size() > 2) remove_floor(p, floor);
                break;
            case 13:
                change_requirements(p, floor);
                break;
            case 14:
                add_drawing(p, floor, random_drawing());
                break;
            case 15:
                if (const Drawing* d = some(*find_floor(p, floor)->drawings)) change_drawing(p, floor, d->id);
                break;
            case 16:
                if (all_floors(p).size() < 6)
                    duplicate_floor(p, floor, {true, any(0, 1) < 0.5, true, true, any(0, 1) < 0.5});
                break;
            case 17:
                if (all_floors(p).size() < 6) insert_floor_above(p, floor);
                break;
            case 18:
                move_floor(p, floor, any(0, 1) < 0.5 ? 1 : -1);
                break;
            case 19:
                align_floor(p, floor, {value(0.9, 1.1), value(-180, 180), place()},
                            {pick(all_floors(p))->id, {{place(), place()}, {place(), place()}}});
                break;
            case 20:
                if (p.buildings.size() < 3)
                    add_building(p, text("B"), any(0, 1) < 0.5 ? BuildingKind::yard : BuildingKind::building,
                                 {1, value(-180, 180), place()});
                else if (const Building& b = pick(p.buildings); b.floors.size() < all_floors(p).size())
                    remove_building(p, b.id);
                break;
            case 21:
                if (all_floors(p).size() < 6) add_mezzanine(p, floor);
                set_plate(p, floor, triangle());
                set_slope(p, floor, {value(-0.1, 0.1), value(-0.1, 0.1)});
                break;
            case 22:
                add_obstacle(p, floor, random_obstacle(p));
                break;
            case 23:
                add_ceiling(p, floor,
                            {{}, text("C"), triangle(), value(2, 4), maybe(typed(p, TypeUse::ceiling))});
                break;
            case 24:
                add_slab_area(p, floor, {{}, text("A"), typed(p, TypeUse::slab), triangle()});
                break;
            case 37:
                add_ramp(p, floor,
                         {{},
                          text("R"),
                          typed(p, TypeUse::slab),
                          {place(), place(), place(), place()},
                          value(0, 1),
                          value(-4, 4)});
                break;
            case 25:
                add_note(p, floor, {{}, text("n"), place(), ""});
                break;
            case 26:
                curve_a_wall(p, floor);
                break;
            case 27:
                with_items(p, floor, [&](const auto& items) { move_items(p, floor, items, motion()); });
                break;
            case 28:
                with_items(p, floor, [&](const auto& items) {
                    paste(p, pick(all_floors(p))->id, clip(p, *find_floor(p, floor), items), motion());
                });
                break;
            case 29:
                with_items(p, floor, [&](const auto& items) { group_items(p, floor, items); });
                break;
            case 30:
                with_items(p, floor, [&](const auto& items) { ungroup_items(p, floor, items); });
                break;
            case 31:
                with_items(p, floor, [&](const auto& items) { remove_item(p, floor, items.front()); });
                break;
            case 32:
                change_types(p);
                break;
            case 33:
                shape_a_wall(p, floor);
                break;
            case 34:
                set_waivers(p, {{"gap", {static_cast<std::uint32_t>(any(0, 1000)), 2}, text("so")}});
                p.display.hidden = {static_cast<ItemKind>(static_cast<int>(any(0, item_kinds - 0.001)))};
                break;
            case 35:
                if (all_floors(p).size() > 1)
                    add_shaft(p, building_with(p, floor).floors.front().id,
                              building_with(p, floor).floors.back().id, text("S"), typed(p, TypeUse::wall),
                              triangle());
                break;
            case 36:
                change_openings(p, floor);
                break;
            case 38:
                change_heights(p, floor);
                break;
            case 39:
                change_building(p, floor);
                break;
            case 40:
                change_variants(p);
                break;
            case 41:
                change_probes(p, floor);
                break;
            case 42:
                change_settings(p);
                break;
            case 43:
                replace_things(p, floor);
                break;
            case 44:
                reshape_things(p, floor);
                break;
            case 45:
                if (const Drawing* d = some(*find_floor(p, floor)->drawings)) {
                    Drawing scaled = *d;
                    scaled.placement.scale *= value(0.5, 2);
                    scaled.opacity = value(0, 1);
                    scaled.name = text("d");
                    set_drawing_scale(p, floor, scaled, place(), any(0, 1) < 0.3);
                }
                break;
            case 46:
                change_demand(p, floor);
                break;
            case 47:
                change_cabling(p, floor);
                break;
        }
    }

    static constexpr int kinds_of_edit = 48;

private:
    void change_cabling(Project& p, FloorId floor) {
        std::vector<Switch> switches;
        if (any(0, 1) < 0.5)
            switches.push_back({text("S"), static_cast<int>(value(1, 48)), maybe(PowerSource::bt3),
                                value(0, 900), value(0, 10'000)});
        const ClosetId closet = add_thing(p, floor, Closet{{}, text("TR"), place(), 1, {}, switches});
        add_thing(p, floor, Outlet{{}, text("D"), place(), value(0, 3)});
        add_thing(p, floor, Tray{{}, text("T"), triangle(), value(2, 4)});
        add_thing(p, floor, Riser{{}, text("R"), place(), static_cast<int>(value(1, 4))});
        p.cabling.slack_m = value(0, 10);
        if (access_points(p, floor).empty()) return;
        AccessPoint ap = access_points(p, floor).front();
        ap.closet = closet;
        ap.name = text("AP");
        ap.on_site = {SiteState::hung, "2026-03-01", text("SN"), "02:1e:5a:07:10:24", "", text("n")};
        p.handover.report.customer = text("C");
        p.handover.report.sections = {{"cover", any(0, 1) < 0.5}};
        p.handover.report.maps = {{"signal", {"5"}}};
        p.handover.naming.first = static_cast<int>(value(1, 90));
        p.handover.anchor = GeoAnchor{place(), value(-90, 90), value(-180, 180), value(0, 360)};
        replace_access_point(p, floor, ap);
    }
    WallTypeId typed(const Project& p, TypeUse use) {
        std::vector<WallTypeId> of_use;
        for (const WallType& t : *p.wall_types)
            if (t.use == use) of_use.push_back(t.id);
        return pick(of_use);
    }
    template <class T>
    std::optional<T> maybe(T value) {
        return any(0, 1) < 0.5 ? std::optional<T>(value) : std::nullopt;
    }
    Motion motion() {
        Motion m = turned(place(), value(-180, 180));
        m.mirrored = any(0, 1) < 0.3;
        return m;
    }
    Obstacle random_obstacle(const Project& p) {
        Obstacle o{{},
                   text("O"),
                   static_cast<ObstacleKind>(static_cast<int>(any(0, 8.99))),
                   typed(p, TypeUse::obstacle),
                   triangle()};
        o.round = any(0, 1) < 0.3;
        if (o.round) o.outline.resize(2);
        o.top_m = maybe(value(1, 3));
        return o;
    }
    template <class Use>
    void with_items(const Project& p, FloorId floor, Use use) {
        std::vector<Item> items;
        for (const Item& i : all_items(p, *find_floor(p, floor)))
            if (items.size() < 5 && any(0, 1) < 0.3) items.push_back(i);
        if (!items.empty()) use(items);
    }
    void curve_a_wall(Project& p, FloorId floor) {
        if (const Wall* found = some(*find_floor(p, floor)->walls)) {
            Wall w = *found;
            w.bulges.clear();
            for (int i = 0; i < w.pieces(); ++i) w.bulges.push_back(value(-2, 2));
            w.to_ceiling = any(0, 1) < 0.5;
            replace_wall(p, floor, w);
        }
    }
    void shape_a_wall(Project& p, FloorId floor) {
        const Wall* found = some(*find_floor(p, floor)->walls);
        if (!found) return;
        const Wall w = *found;
        const int piece = static_cast<int>(any(0, w.pieces() - 0.001));
        const double what = any(0, 4), along_m = piece_length_m(w, piece) * value(0.1, 0.9);
        if (what < 1) return replace_wall(p, floor, with_corner(w, piece, along_m));
        if (what < 2) return replace_wall(p, floor, reversed(offset(w, value(-1, 1))));
        if (what < 3) {
            if (const auto shorter = without_corner(w, piece)) replace_wall(p, floor, *shorter);
            return;
        }
        const auto parts = split(w, piece, along_m);
        replace_wall(p, floor, parts[0]);
        if (parts.size() > 1) add_wall(p, floor, parts[1]);
    }
    void change_types(Project& p) {
        const WallTypeId from = typed(p, TypeUse::wall), to = typed(p, TypeUse::wall);
        if (!(from == to)) use_other_type(p, from, to);
        WallType more = wall_type(p, to);
        more.layers = {{{text("Stone"), value(2, 8), 0, 0.01, 1, 1, 100}, value(0.01, 0.4), 0}};
        if (any(0, 1) < 0.5) more.losses.clear();
        p.wall_types->size() < 80 ? void(add_wall_type(p, more)) : replace_wall_type(p, more);
        if (any(0, 1) < 0.2 && uses_of_type(p, from).empty() && !(from == to)) remove_wall_type(p, from);
    }
    void change_openings(Project& p, FloorId floor) {
        for (const Wall& w : *find_floor(p, floor)->walls)
            if (!w.openings.empty()) {
                Opening o = w.openings.front();
                o.open = !o.open;
                return replace_opening(p, floor, WallId{w.id}, o);
            }
    }
    void change_heights(Project& p, FloorId floor) {
        const Floor f = *find_floor(p, floor);
        const double what = any(0, 5);
        if (what < 1) return set_floor(p, floor, text(f.name), f.elevation_m + value(-1, 1), value(2.5, 5));
        if (what < 2 && all_floors(p).size() < 6) return void(add_floor_below(p, building_with(p, floor).id));
        if (what < 3)
            return void(add_outer_walls(p, floor, typed(p, TypeUse::wall), value(5, 50), value(5, 50)));
        if (what < 4) return transform_floor(p, floor, {value(0.9, 1.1), value(-180, 180), place()});
        Slab slab = *f.slab;
        slab.thickness_m = value(0.1, 0.5);
        set_slab(p, floor, slab);
    }
    void change_building(Project& p, FloorId floor) {
        Building b = building_with(p, floor);
        b.name = text("Block");
        b.placement = {1, value(-180, 180), place()};
        b.level_m = value(-5, 5);
        b.axes = {place(), value(-180, 180), {value(1, 9), value(1, 9)}, {value(1, 9)}};
        if (any(0, 1) < 0.5) b.axes = {};
        set_building(p, b);
    }
    void change_variants(Project& p) {
        if (p.variants.size() < 4) copy_variant(p, text("Variant"));
        rename_variant(p, pick(p.variants).id, text("Other"));
        choose_variant(p, pick(p.variants).id);
        if (any(0, 1) < 0.3 && p.variants.size() > 1) remove_variant(p, pick(p.variants).id);
    }
    void change_probes(Project& p, FloorId floor) {
        const int made = add_probe(p, floor, place());
        move_probe(p, made, place());
        if (p.probes->size() > 4) remove_probe(p, pick(*p.probes).number);
    }
    void change_settings(Project& p) {
        p.settings.client_height_m = value(0.5, 2);
        p.settings.heard_dbm = value(-90, -70);
        p.settings.grid_m = value(0.25, 2);
        p.settings.array_gain_in_eirp = value(0, 1) > 0.5;
        p.settings.client_noise_figure_db = value(3, 12);
        p.settings.units = any(0, 1) < 0.5 ? LengthUnits::metres : LengthUnits::feet_inches;
        p.settings.country = any(0, 1) < 0.8 ? "DE" : text("GB");
        p.name = text("P");
    }
    /// One thing of each kind given new values, as its form does.
    void replace_things(Project& p, FloorId floor) {
        const Floor f = *find_floor(p, floor);
        if (const Zone* z = some(*f.zones)) {
            Zone n = *z;
            n.name = text("Z");
            n.open_air = !n.open_air;
            replace_zone(p, floor, n);
        }
        if (!f.slab->voids.empty()) {
            SlabVoid v = pick(f.slab->voids);
            v.outline = triangle();
            replace_void(p, floor, v);
        }
        if (const Obstacle* o = some(*f.obstacles)) {
            Obstacle n = *o;
            n.base_m = value(0, 1);
            n.top_m = maybe(value(1, 3));
            replace_obstacle(p, floor, n);
        }
        if (const CeilingArea* c = some(*f.ceilings)) {
            CeilingArea n = *c;
            n.height_m = value(2, 4);
            replace_ceiling(p, floor, n);
        }
        if (const Ramp* r = some(*f.ramps)) {
            Ramp n = *r;
            n.rise_m = value(-4, 4);
            n.foot_m = value(-1, 1);
            replace_ramp(p, floor, n);
        }
        if (const Note* m = some(*f.notes)) {
            Note n = *m;
            n.text = text("said");
            replace_note(p, floor, n);
        }
        if (const Wall* w = some(*f.walls)) {
            Wall n = *w;
            n.base_m = value(0, 1);
            n.top_m = maybe(value(1, 4));
            replace_wall(p, floor, n);
        }
    }
    /// Corners dragged, a type given, copies through the clipboard's text.
    void reshape_things(Project& p, FloorId floor) {
        with_items(p, floor, [&](const std::vector<Item>& items) {
            const Floor before = *find_floor(p, floor);
            std::vector<Point> shape = corners(p, before, items.front());
            if (!shape.empty()) {
                shape[static_cast<std::size_t>(any(0, static_cast<double>(shape.size()) - 0.001))] = place();
                set_corners(p, floor, items.front(), shape);
            }
            if (const auto use = use_of(before, items.back()))
                set_type(p, floor, items.back(), typed(p, *use));
            paste(p, floor, clipping_from_json(clipping_to_json(clip(p, *find_floor(p, floor), items))),
                  motion());
        });
    }
    double any(double low, double high) { return std::uniform_real_distribution<>(low, high)(engine_); }
    /// What a field may be given: now and then beyond all reason.
    double value(double low, double high) {
        if (!wild_ || any(0, 1) > 0.04) return any(low, high);
        constexpr double inf = std::numeric_limits<double>::infinity();
        static const std::vector<double> odd{0,      -0.0,   1e-12,  -1e-9, 100,  -100,        1000,
                                             1e4,    99'999, -1e5,   1e5,   3e5,  -1e7,        1e12,
                                             -1e300, 1e308,  -1e308, inf,   -inf, std::nan("")};
        return pick(odd);
    }
    std::string text(const std::string& usual) {
        if (!wild_ || any(0, 1) > 0.1) return usual;
        static const std::vector<std::string> odd{"",
                                                  std::string(2000, 'x'),
                                                  std::string(10'001, 'y'),
                                                  "\xE5\x9B\xB3\xE9\x9D\xA2",
                                                  "cut off: \xE5\x9B",
                                                  "\xED\xA0\x80",
                                                  std::string("nul\0nul", 7),
                                                  "</w:t>\"\\\n\r\t\x01",
                                                  "\xF0\x9F\x8F\xA2"};
        return pick(odd);
    }
    Point place() { return {value(-50, 50), value(-50, 50)}; }
    std::vector<Point> triangle() { return {place(), place(), place()}; }
    template <class List>
    const typename List::value_type& pick(const List& list) {
        return list[static_cast<std::size_t>(any(0, static_cast<double>(list.size()) - 0.001))];
    }
    template <class List>
    const typename List::value_type* some(const List& list) {
        return list.empty() ? nullptr : &pick(list);
    }
    Wall random_wall(const Project& p) {
        Wall w;
        w.type = pick(*p.wall_types).id;
        w.points = {place(), place(), place()};
        if (any(0, 1) < 0.5) w.top_m = value(0.5, 3);
        return w;
    }
    void change_wall(Project& p, FloorId floor) {
        const Wall* found = some(*find_floor(p, floor)->walls);
        if (!found) return;
        Wall w = *found;
        w.points.back() = place();
        w.type = pick(*p.wall_types).id;
        replace_wall(p, floor, w);
    }
    void add_random_opening(Project& p, FloorId floor) {
        const Wall* w = some(*find_floor(p, floor)->walls);
        if (!w) return;
        Opening o;
        o.kind = any(0, 1) < 0.5 ? OpeningKind::door : OpeningKind::window;
        o.type = pick(*p.wall_types).id;
        o.piece = static_cast<int>(any(0, w->pieces() - 0.001));
        o.start_m = value(0, 5);
        o.width_m = value(0.5, 2);
        o.head_m = value(1, 3);
        const WallId wall_id = w->id;  // the edit makes the list of walls anew
        const OpeningId id = add_opening(p, floor, wall_id, o);
        if (any(0, 1) < 0.3) remove_opening(p, floor, wall_id, id);
    }
    Drawing random_drawing() {
        Drawing d;
        d.name = d.source.asset = "d.png";
        d.source.sheet = {{value(-1e7, 0), 0}, {value(1, 1e4), value(1, 1e4)}};
        d.placement = {value(0.001, 1), value(-180, 180), place()};
        if (any(0, 1) < 0.5) d.crop = triangle();
        if (any(0, 1) < 0.5) d.source.hidden_layers = {"A", "B"};
        return d;
    }
    void change_drawing(Project& p, FloorId floor, DrawingId id) {
        Drawing d = *find_drawing(*find_floor(p, floor), id);
        const double what = any(0, 4);
        if (what < 1) return remove_drawing(p, floor, id);
        if (what < 2) return move_drawing(p, floor, id, 1);
        if (what < 3)
            d = revised(d, random_drawing().source, "newer");
        else
            d.lengths.push_back({place(), place(), value(1, 20)}), d = scaled_by_lengths(d);
        replace_drawing(p, floor, d);
    }
    void change_access_point(Project& p, FloorId floor) {
        const AccessPoint* found = some(access_points(p, floor));
        if (!found) return;
        AccessPoint ap = *found;
        ap.position = place();
        ap.height_m = value(2, 4);
        ap.azimuth_deg = value(0, 360);
        ap.downtilt_deg = value(-90, 90);
        const bool renumbered = any(0, 1) > 0.9;
        const double number = any(-5, 2e6);
        if (renumbered && (wild_ || (number >= 0 && number < 1e6))) ap.number = static_cast<int>(number);
        Radio& radio = ap.radios[0];
        const auto widths = channels(radio.channel.band, 20);
        radio = retuned(radio, radio.channel.band, pick(widths).number, 20);
        radio.power_dbm = value(0, 20);
        replace_access_point(p, floor, ap);
    }
    void change_demand(Project& p, FloorId floor) {
        switch (engine_() % 12) {
            case 11:
                p.air.limits["rule-" + text("r")] = value(0, 100);
                p.air.radar = {pick(channels(band_5, 20)).number};
                break;
            case 7: {
                DeviceRow row{{}, text("D"), place(), place(), pick(standard_devices()).demand};
                row.demand.amount = value(0, 40);
                row.demand.presence = {{pick(p.demand.hours).key, value(0, 2)}};
                add_thing(p, floor, row);
                break;
            }
            case 9:
                if (const AccessPoint* ap = some(access_points(p, floor))) {
                    AccessPoint open = *ap;
                    for (Radio& r : open.radios) {
                        r.channel_open = any(0, 1) < 0.5;
                        r.locked = any(0, 1) < 0.3;
                        r.automatic = any(0, 1) < 0.3;
                    }
                    if (any(0, 1) < 0.3) open.device_class = DeviceClass::very_low_power;
                    replace_access_point(p, floor, open);
                }
                break;
            case 8:
                if (!p.requirement_sets->empty())
                    p.requirement_sets.edit()[0].hour = pick(p.demand.hours).key;
                break;
            case 0:
                if (p.demand.hours.size() < 4) add_busy_hour(p, "Hour " + text("h"));
                break;
            case 1:
                if (p.demand.hours.size() > 2) remove_busy_hour(p, pick(p.demand.hours).key);
                break;
            case 2: {
                Network n;
                n.name = "N " + text("n");
                n.beacon_bytes = value(100, 500);
                n.steer_to = band_5;
                if (p.demand.networks->size() < 5) add_network(p, n);
                break;
            }
            case 3:
                if (const Network* n = some(*p.demand.networks)) remove_network(p, std::string(n->key));
                break;
            case 4:
                p.demand.uplink = {value(0, 1000), value(0, 1000), value(0, 1), 0, value(0, 100)};
                break;
            case 5: {
                Application a = pick(*p.demand.applications);
                a.up_mbps = value(0, 50);
                replace_application(p, a);
                break;
            }
            case 6: {
                ClientProfile c = pick(*p.clients);
                c.gain_dbi = value(-3, 3);
                c.own_power_dbm = {{band_5, value(5, 20)}};
                replace_client(p, c);
                break;
            }
            default:
                if (const Zone* found = some(*find_floor(p, floor)->zones)) {
                    Zone z = *found;
                    z.demand = pick(standard_uses()).demand;
                    z.demand->devices = value(0.1, 3);
                    z.demand->presence = {{pick(p.demand.hours).key, value(0, 2)}};
                    if (const Network* n = some(*p.demand.networks)) z.demand->network = n->key;
                    replace_zone(p, floor, z);
                }
        }
    }
    void change_requirements(Project& p, FloorId floor) {
        const auto& sets = *p.requirement_sets;
        switch (engine_() % 5) {
            case 0: {
                auto library = standard_requirement_sets();
                RequirementSet set = pick(library);
                if (const Zone* z = some(*find_floor(p, floor)->zones)) set.zones.push_back(z->id);
                add_requirement_set(p, set);
                break;
            }
            case 1:
                if (sets.size() > 4) remove_requirement_set(p, sets.front().id);
                break;
            case 2:
                if (!sets.empty()) {
                    Requirement r{{}, "snr", band_6, value(0, 50), value(0, 1)};
                    r.band_limits = {{band_6, value(0, 40)}};
                    add_requirement(p, pick(sets).id, r);
                }
                break;
            case 3:
                for (const RequirementSet& set : sets)
                    if (set.requirements.size() > 1) return remove_requirement(p, set.requirements.back().id);
                break;
            default:
                if (!sets.empty()) {
                    RequirementSet set = pick(sets);
                    set.on = !set.on;
                    set.kinds = {ZoneKind::keep_out};
                    replace_requirement_set(p, set);
                }
        }
    }
    std::mt19937 engine_;
    bool wild_;
};

}  // namespace

TEST_CASE("after any history of edits the project is valid and reads back the same") {
    for (unsigned seed = 1; seed <= 6; ++seed) {
        History history(seed);
        Project p = new_project("P", {LengthUnits::metres, "GB", 1.2, 7}, 2, 3.5);
        std::vector<std::pair<Project, std::string>> values;
        for (int i = 0; i < 150; ++i) {
            history.step(p);
            INFO("seed " << seed << ", step " << i);
            REQUIRE_NOTHROW(check_references(p));
            if (i % 25) continue;
            const std::string text = project_to_json(p);
            const Project read = project_from_json(text);
            REQUIRE(read == p);
            REQUIRE(project_to_json(read) == text);
            values.emplace_back(p, text);
        }
        // values kept on the way are untouched by what came after: that is what undo goes back to
        for (const auto& [value, text] : values) REQUIRE(project_to_json(value) == text);
    }
}

TEST_CASE("whatever values a history is given, what is not refused is saved and opened the same") {
    TemporaryFolder folder;
    int refused = 0, made = 0;
    for (unsigned seed = 21; seed <= 32; ++seed) {
        History history(seed, true);
        Project p = new_project("P", {LengthUnits::metres, "GB", 1.2, 7}, 2, 3.5);
        for (int i = 0; i < 400; ++i) {
            INFO("seed " << seed << ", step " << i);
            Project after = p;
            try {
                history.step(after);
                check_edit(p, after);
            } catch (const Error& fault) {  // as Document::edit does: told, and nothing changed
                CHECK(std::string(fault.what()).size() > 10);
                ++refused;
                continue;
            }
            ++made;
            p = std::move(after);
            REQUIRE_NOTHROW(check_references(p));
            REQUIRE_NOTHROW(check_all(p));
            if (i % 20 == 0) REQUIRE(project_from_json(project_to_json(p)) == p);
        }
        save_project(p, folder / "wild.yemvo");
        const Loaded read = load_project(folder / "wild.yemvo");
        CHECK(read.project.aside->empty());
        CHECK(read.project == p);
    }
    CHECK(refused > 250);
    CHECK(made > 3000);
}

TEST_CASE("removing a floor also clears requirements that held only in its zones") {
    Project p = new_project("P", {}, 2, 3);
    const FloorId upper = floor_at(p, 1);
    const ZoneId zone = add_zone(p, upper, {{}, "Z", ZoneKind::served, {{0, 0}, {1, 0}, {1, 1}}});
    set_requirements(p, {{{}, "signal", band_5, -67, 0.9}}, {zone});
    remove_floor(p, upper);
    CHECK_NOTHROW(check_references(p));
    CHECK_NOTHROW(project_from_json(project_to_json(p)));
}

TEST_CASE("500 edits of every kind, undone and redone, return to byte-equal files") {
    TemporaryFolder folder;
    for (unsigned seed = 11; seed <= 13; ++seed) {
        History history(seed);
        std::vector<Project> values{new_project("P", {LengthUnits::metres, "GB", 1.2, 7}, 2, 3.5)};
        std::vector<std::string> texts{project_to_json(values.back())};
        for (int i = 0; i < 500; ++i) {
            values.push_back(values.back());
            history.step(values.back());
            texts.push_back(project_to_json(values.back()));
        }
        CHECK(texts.back().size() > 20'000);
        // back and forth as a stack of values goes, at random
        std::mt19937 engine(seed);
        std::size_t at = values.size() - 1, wrong = 0;
        for (int i = 0; i < 1500; ++i) {
            const bool undo = at == values.size() - 1 || (at > 0 && engine() % 2);
            at += undo ? -1ull : 1ull;
            if (i % 50 == 0) wrong += project_to_json(values[at]) != texts[at];
        }
        for (std::size_t i = 0; i < values.size(); i += 25) wrong += project_to_json(values[i]) != texts[i];
        CHECK(wrong == 0);
        // saved, opened and saved again the file is the same, byte for byte
        const auto bytes = [](const std::filesystem::path& f) {
            std::ifstream in(f, std::ios::binary);
            return std::string(std::istreambuf_iterator<char>(in), {});
        };
        save_project(values.back(), folder / "a.yemvo");
        save_project(load_project(folder / "a.yemvo").project, folder / "b.yemvo");
        CHECK(bytes(folder / "a.yemvo") == bytes(folder / "b.yemvo"));
        if (const char* keep = std::getenv("YEMVO_KEEP_RANDOM")) {  // for the schema's test
            for (std::size_t i = 100; i <= 500; i += 100)
                save_project(values[i], std::string(keep) + "/" + std::to_string(seed) + "-" +
                                            std::to_string(i) + ".yemvo");
        }
    }
}
