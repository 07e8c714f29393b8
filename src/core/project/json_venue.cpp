#include "project/json_venue.h"

#include <nlohmann/json.hpp>

#include "project/json_drawing.h"

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
        s.voids.push_back(
            {v.at("id").id<VoidId>(), v.at("name").text(2000), read_points(v.at("outline"), 3)});
    return s;
}

Json write_alignment(const Alignment& a) {
    Json pairs = Json::array();
    for (const PointPair& p : a.pairs)
        pairs.push_back({{"here", write_point(p.here)}, {"there", write_point(p.there)}});
    return {{"to", a.to.value}, {"pairs", pairs}};
}

Alignment read_alignment(const Reader& r) {
    Alignment a{r.at("to").id<FloorId>(), {}};
    for (const Reader& p : r.at("pairs").items(1000))
        a.pairs.push_back({read_point(p.at("here")), read_point(p.at("there"))});
    return a;
}

Json write_floor(const Floor& f) {
    Json walls = Json::array(), zones = Json::array(), drawings = Json::array();
    for (const Wall& w : *f.walls) walls.push_back(write_wall(w));
    for (const Zone& z : *f.zones) zones.push_back(write_zone(z));
    for (const Drawing& d : *f.drawings) drawings.push_back(write_drawing(d));
    Json json{{"id", f.id.value},
              {"name", f.name},
              {"elevation_m", f.elevation_m},
              {"height_m", f.height_m},
              {"mezzanine", f.mezzanine},
              {"slope", {{"x", f.slope.x}, {"y", f.slope.y}}},
              {"plate", write_points(f.plate)},
              {"slab", write_slab(*f.slab)},
              {"drawings", std::move(drawings)}};
    if (f.alignment) json["alignment"] = write_alignment(*f.alignment);
    json["zones"] = std::move(zones);
    json["walls"] = std::move(walls);
    return json;
}

void read_drawings(Floor& f, const Reader& r, int version) {
    std::vector<Drawing> drawings;
    if (version == 1) {
        if (const auto drawing = r.find("drawing")) drawings.push_back(read_drawing_1(*drawing));
    } else {
        for (const Reader& item : r.at("drawings").items(1000)) drawings.push_back(read_drawing(item));
    }
    f.drawings = std::move(drawings);
}

Floor read_floor(const Reader& r, int version) {
    Floor f;
    f.id = r.at("id").id<FloorId>();
    f.name = r.at("name").text(2000);
    f.elevation_m = r.at("elevation_m").number(-1000, 10000);
    f.height_m = r.at("height_m").number(0.1, 1000);
    f.slab = read_slab(r.at("slab"));
    read_drawings(f, r, version);
    if (version > 1) {
        f.mezzanine = r.at("mezzanine").boolean();
        const Reader slope = r.at("slope");
        f.slope = {slope.at("x").number(-10, 10), slope.at("y").number(-10, 10)};
        f.plate = read_points(r.at("plate"), 0);
        if (!f.plate.empty() && f.plate.size() < 3) r.at("plate").fail("needs at least 3 corners, or none");
        if (const auto alignment = r.find("alignment")) f.alignment = read_alignment(*alignment);
    }
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
    return {{"id", b.id.value},
            {"name", b.name},
            {"kind", building_kind_name(b.kind)},
            {"placement", {{"turn_deg", b.placement.turn_deg}, {"shift_m", write_point(b.placement.shift)}}},
            {"level_m", b.level_m},
            {"floors", std::move(floors)}};
}

Building read_building(const Reader& r, int version) {
    Building b;
    b.id = r.at("id").id<BuildingId>();
    b.name = r.at("name").text(2000);
    if (version > 1) {
        b.kind = r.at("kind").word(find_building_kind);
        const Reader placement = r.at("placement");
        b.placement.turn_deg = placement.at("turn_deg").number(-3600, 3600);
        b.placement.shift = read_point(placement.at("shift_m"));
        b.level_m = r.at("level_m").number(-1000, 10000);
    }
    for (const Reader& item : r.at("floors").items(500)) b.floors.push_back(read_floor(item, version));
    return b;
}

}  // namespace yemvo
