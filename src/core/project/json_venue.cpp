#include "project/json_venue.h"

#include <nlohmann/json.hpp>

namespace yemvo {
namespace {

constexpr double farthest_m = 1e5;  // a coordinate beyond 100 km is a mistake

Json write_points(const std::vector<Point>& points) {
    Json list = Json::array();
    for (Point p : points) list.push_back(write_point(p));
    return list;
}

std::vector<Point> read_points(const Reader& r, std::size_t least) {
    std::vector<Point> points;
    for (const Reader& item : r.items(100'000)) points.push_back(read_point(item));
    if (points.size() < least) r.fail("needs at least " + std::to_string(least) + " points");
    return points;
}

Json write_opening(const Opening& o) {
    return {{"id", o.id.value},
            {"kind", o.kind == OpeningKind::door ? "door" : "window"},
            {"type", o.type.value},
            {"piece", o.piece},
            {"start_m", o.start_m},
            {"width_m", o.width_m},
            {"sill_m", o.sill_m},
            {"head_m", o.head_m},
            {"hinge_at_end", o.hinge_at_end},
            {"swings_left", o.swings_left}};
}

std::optional<OpeningKind> find_opening_kind(std::string_view name) {
    if (name == "door") return OpeningKind::door;
    if (name == "window") return OpeningKind::window;
    return std::nullopt;
}

Opening read_opening(const Reader& r, const Wall& wall) {
    Opening o;
    o.id = r.at("id").id<OpeningId>();
    o.kind = r.at("kind").word(find_opening_kind);
    o.type = r.at("type").id<WallTypeId>();
    o.piece = r.at("piece").integer(0, wall.pieces() - 1);
    o.start_m = r.at("start_m").number(-1000, farthest_m);
    o.width_m = r.at("width_m").number(0.01, 1000);
    o.sill_m = r.at("sill_m").number(-100, 1000);
    o.head_m = r.at("head_m").number(-100, 1000);
    o.hinge_at_end = r.at("hinge_at_end").boolean();
    o.swings_left = r.at("swings_left").boolean();
    return o;
}

Json write_wall(const Wall& w) {
    Json openings = Json::array();
    for (const Opening& o : w.openings) openings.push_back(write_opening(o));
    return {{"id", w.id.value},
            {"type", w.type.value},
            {"points", write_points(w.points)},
            {"base_m", w.base_m},
            {"top_m", w.top_m ? Json(*w.top_m) : Json()},
            {"openings", openings}};
}

Wall read_wall(const Reader& r) {
    Wall w;
    w.id = r.at("id").id<WallId>();
    w.type = r.at("type").id<WallTypeId>();
    w.points = read_points(r.at("points"), 2);
    w.base_m = r.at("base_m").number(-100, 1000);
    if (const auto top = r.find("top_m")) w.top_m = top->number(-100, 1000);
    for (const Reader& item : r.at("openings").items()) w.openings.push_back(read_opening(item, w));
    return w;
}

Json write_zone(const Zone& z) {
    return {{"id", z.id.value},
            {"name", z.name},
            {"kind", zone_kind_name(z.kind)},
            {"outline", write_points(z.outline)}};
}

Zone read_zone(const Reader& r) {
    return {r.at("id").id<ZoneId>(), r.at("name").text(2000), r.at("kind").word(find_zone_kind),
            read_points(r.at("outline"), 3)};
}

Json write_slab(const Slab& s) {
    Json voids = Json::array();
    for (const SlabVoid& v : s.voids)
        voids.push_back({{"id", v.id.value}, {"name", v.name}, {"outline", write_points(v.outline)}});
    return {{"type", s.type.value}, {"thickness_m", s.thickness_m}, {"voids", voids}};
}

Slab read_slab(const Reader& r) {
    Slab s{r.at("type").id<WallTypeId>(), r.at("thickness_m").number(0, 10), {}};
    for (const Reader& v : r.at("voids").items())
        s.voids.push_back({v.at("id").id<VoidId>(), v.at("name").text(2000), read_points(v.at("outline"), 3)});
    return s;
}

Json write_drawing(const Drawing& d) {
    return {{"asset", d.asset},
            {"width_px", d.width_px},
            {"height_px", d.height_px},
            {"placement",
             {{"metres_per_px", d.placement.scale},
              {"turn_deg", d.placement.turn_deg},
              {"shift_m", write_point(d.placement.shift)}}},
            {"to_scale", d.to_scale},
            {"opacity", d.opacity}};
}

Drawing read_drawing(const Reader& r) {
    Drawing d;
    d.asset = r.at("asset").text(2000);
    d.width_px = r.at("width_px").integer(1, 1'000'000);
    d.height_px = r.at("height_px").integer(1, 1'000'000);
    const Reader placement = r.at("placement");
    d.placement.scale = placement.at("metres_per_px").number(1e-9, 1e6);
    d.placement.turn_deg = placement.at("turn_deg").number(-3600, 3600);
    d.placement.shift = read_point(placement.at("shift_m"));
    d.to_scale = r.at("to_scale").boolean();
    d.opacity = r.at("opacity").number(0, 1);
    return d;
}

Json write_floor(const Floor& f) {
    Json walls = Json::array(), zones = Json::array();
    for (const Wall& w : *f.walls) walls.push_back(write_wall(w));
    for (const Zone& z : *f.zones) zones.push_back(write_zone(z));
    Json json{{"id", f.id.value},
              {"name", f.name},
              {"elevation_m", f.elevation_m},
              {"height_m", f.height_m},
              {"slab", write_slab(*f.slab)}};
    if (*f.drawing) json["drawing"] = write_drawing(*f.drawing);
    json["zones"] = std::move(zones);
    json["walls"] = std::move(walls);
    return json;
}

Floor read_floor(const Reader& r) {
    Floor f;
    f.id = r.at("id").id<FloorId>();
    f.name = r.at("name").text(2000);
    f.elevation_m = r.at("elevation_m").number(-1000, 10000);
    f.height_m = r.at("height_m").number(0.1, 1000);
    f.slab = read_slab(r.at("slab"));
    if (const auto drawing = r.find("drawing")) f.drawing = read_drawing(*drawing);
    std::vector<Wall> walls;
    for (const Reader& item : r.at("walls").items()) walls.push_back(read_wall(item));
    std::vector<Zone> zones;
    for (const Reader& item : r.at("zones").items()) zones.push_back(read_zone(item));
    f.walls = std::move(walls);
    f.zones = std::move(zones);
    return f;
}

}  // namespace

Json write_point(Point p) { return Json::array({p.x, p.y}); }

Point read_point(const Reader& r) {
    const auto items = r.items(2);
    if (items.size() != 2) r.fail("must be [x, y]");
    return {items[0].number(-farthest_m, farthest_m), items[1].number(-farthest_m, farthest_m)};
}

Json write_wall_type(const WallType& t) {
    Json losses = Json::array();
    for (const LossPoint& p : t.losses)
        losses.push_back({{"frequency_ghz", p.frequency_ghz},
                          {"loss_db", p.loss_db},
                          {"low_db", p.low_db},
                          {"high_db", p.high_db}});
    return {{"id", t.id.value},
            {"key", t.key},
            {"name", t.name},
            {"use", use_name(t.use)},
            {"family", family_name(t.family)},
            {"thickness_m", t.thickness_m},
            {"losses", losses},
            {"source", t.source}};
}

WallType read_wall_type(const Reader& r) {
    WallType t;
    if (const auto id = r.find("id")) t.id = id->id<WallTypeId>();
    t.key = r.at("key").text(100);
    t.name = r.at("name").text(2000);
    t.use = r.at("use").word(find_use);
    t.family = r.at("family").word(find_family);
    t.thickness_m = r.at("thickness_m").number(0.001, 10);
    t.source = r.at("source").text(1000);
    const Reader losses = r.at("losses");
    for (const Reader& p : losses.items(10'000)) {
        const LossPoint point{p.at("frequency_ghz").number(0.1, 300), p.at("loss_db").number(0, 300),
                              p.at("low_db").number(0, 300), p.at("high_db").number(0, 300)};
        if (!t.losses.empty() && point.frequency_ghz <= t.losses.back().frequency_ghz)
            p.fail("must have a higher frequency than the one before");
        t.losses.push_back(point);
    }
    if (t.losses.empty()) losses.fail("needs at least one point");
    return t;
}

Json write_building(const Building& b) {
    Json floors = Json::array();
    for (const Floor& f : b.floors) floors.push_back(write_floor(f));
    return {{"id", b.id.value}, {"name", b.name}, {"floors", floors}};
}

Building read_building(const Reader& r) {
    Building b{r.at("id").id<BuildingId>(), r.at("name").text(2000), {}};
    for (const Reader& item : r.at("floors").items(500)) b.floors.push_back(read_floor(item));
    return b;
}

}  // namespace yemvo
