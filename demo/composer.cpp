// SPDX-License-Identifier: GPL-3.0-or-later
#include "demo/composer.h"

#include <stdexcept>

#include "project/items.h"

namespace yemvo::demo {

WallTypeId Composer::type(const char* key) const {
    const WallTypeId id = find_type(project_, key);
    if (!id) throw std::logic_error(std::string("no wall type ") + key);
    return id;
}

void Composer::wall(const char* key, std::vector<Point> points, double base_m, double top_m) {
    Wall w;
    w.type = type(key);
    w.points = std::move(points);
    w.base_m = base_m;
    if (top_m > 0) w.top_m = top_m;
    add_wall(project_, floor_, w);
}

void Composer::ring(const char* key, std::vector<Point> points) {
    points.push_back(points.front());
    wall(key, std::move(points));
}

void Composer::opening(Opening o, Point at) {
    const Floor& floor = *find_floor(project_, floor_);
    WallId best;
    double nearest = 0.4;
    for (const Wall& w : *floor.walls)
        for (int i = 0; i < w.pieces(); ++i) {
            const Segment piece = w.piece(i);
            if (distance(piece, at) >= nearest) continue;
            nearest = distance(piece, at);
            best = w.id;
            o.piece = i;
            o.start_m = nearest_parameter(piece, at) * length(piece) - o.width_m / 2;
        }
    if (!best) throw std::logic_error("no wall where an opening should be");
    add_opening(project_, floor_, best, o);
}

void Composer::door(const char* key, Point at, double width_m, bool flip, bool other, double head_m) {
    Opening o;
    o.kind = OpeningKind::door;
    o.type = type(key);
    o.width_m = width_m;
    o.head_m = head_m;
    o.hinge_at_end = flip;
    o.swings_left = !other;
    opening(o, at);
}

void Composer::window(const char* key, Point at, double width_m, double sill_m, double head_m) {
    Opening o;
    o.kind = OpeningKind::window;
    o.type = type(key);
    o.width_m = width_m;
    o.sill_m = sill_m;
    o.head_m = head_m;
    opening(o, at);
}

void Composer::windows(const char* key, Point first, Point step, int count, double width_m, double sill_m,
                       double head_m) {
    for (int i = 0; i < count; ++i) window(key, first + step * i, width_m, sill_m, head_m);
}

ZoneId Composer::zone(const char* name, std::vector<Point> outline, ZoneKind kind) {
    const int colour = static_cast<int>(find_floor(project_, floor_)->zones->size()) % zone_colours;
    return add_zone(project_, floor_, {{}, name, kind, std::move(outline), colour});
}

void Composer::obstacle(const char* key, ObstacleKind kind, const char* name, std::vector<Point> outline,
                        double top_m) {
    add_obstacle(project_, floor_, {{}, name, kind, type(key), std::move(outline), false, 0, top_m});
}

void Composer::rows(const char* key, ObstacleKind kind, const char* name, Point low, Point high,
                    const RowsWanted& wanted, double top_m) {
    std::vector<Item> made;
    int number = 0;
    for (auto& row : row_outlines(low, {high.x, low.y}, {0, high.y - low.y}, wanted)) {
        const std::string row_name = std::string(name) + " " + std::to_string(++number);
        made.push_back(
            {ItemKind::obstacle,
             add_obstacle(project_, floor_, {{}, row_name, kind, type(key), std::move(row), false, 0, top_m})
                 .value});
    }
    group_items(project_, floor_, made);
}

void Composer::column(Point at, double side_m) {
    const double h = side_m / 2;
    add_obstacle(
        project_, floor_,
        {{}, "", ObstacleKind::column, type("column-concrete"), box(at.x - h, at.y - h, at.x + h, at.y + h)});
}

void Composer::ceiling(const char* name, const char* key, std::vector<Point> outline, double height_m) {
    add_ceiling(project_, floor_, {{}, name, std::move(outline), height_m, type(key)});
}

void Composer::slab_area(const char* name, const char* key, std::vector<Point> outline) {
    add_slab_area(project_, floor_, {{}, name, type(key), std::move(outline)});
}

void Composer::note(const char* text, Point at) { add_note(project_, floor_, {{}, text, at, ""}); }

void Composer::hole(const char* name, std::vector<Point> outline) {
    add_void(project_, floor_, {{}, name, std::move(outline)});
}

std::vector<Point> Composer::box(double x0, double y0, double x1, double y1) {
    return {{x0, y0}, {x1, y0}, {x1, y1}, {x0, y1}};
}

AccessPointId Composer::access_point(const char* key, Point at, double height_m, std::vector<Tuning> radios,
                                     double azimuth_deg, double downtilt_deg) {
    for (const AccessPointModel& m : *project_.models) {
        if (m.key != key) continue;
        const AccessPointId id = add_access_point(project_, floor_, m.id, at);
        AccessPoint ap = *find_access_point(project_, floor_, id);
        ap.height_m = height_m;
        ap.azimuth_deg = azimuth_deg;
        ap.downtilt_deg = downtilt_deg;
        for (std::size_t i = 0; i < ap.radios.size(); ++i) {
            Radio& radio = ap.radios[i];
            radio.on = i < radios.size() && radios[i].width_mhz > 0;
            if (!radio.on) continue;
            radio = retuned(radio, radio.channel.band, radios[i].primary, radios[i].width_mhz);
            radio.power_dbm = radios[i].power_dbm;
        }
        replace_access_point(project_, floor_, ap);
        return id;
    }
    throw std::logic_error(std::string("no model ") + key);
}

void Composer::antenna(AccessPointId id, std::size_t radio, const char* key, const char* cable,
                       double cable_m) {
    AccessPoint ap = *find_access_point(project_, floor_, id);
    for (const AntennaModel& a : *project_.antennas)
        if (a.key == key) ap.radios.at(radio).antenna = a.id;
    if (!ap.radios.at(radio).antenna) throw std::logic_error(std::string("no antenna ") + key);
    ap.radios[radio].cable = cable;
    ap.radios[radio].cable_m = cable_m;
    replace_access_point(project_, floor_, ap);
}

}  // namespace yemvo::demo
