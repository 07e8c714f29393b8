#include "project/json_venue.h"

#include "project/json_drawing.h"
#include "project/json_lists.h"

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
            {"swings_left", o.swings_left},
            {"open", o.open}};
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
    if (const auto open = r.find("open")) o.open = open->boolean();
    return o;
}

void write_group(Json& json, GroupId group) {
    if (group) json["group"] = group.value;
}

GroupId read_group(const Reader& r) {
    const auto group = r.find("group");
    return group ? group->id<GroupId>() : GroupId{};
}

Json write_top(const std::optional<double>& top_m) { return top_m ? Json(*top_m) : Json(); }

std::optional<double> read_top(const Reader& r) {
    const auto top = r.find("top_m");
    return top ? std::optional(top->number(-100, 1000)) : std::nullopt;
}

}  // namespace

Json write_wall(const Wall& w) {
    Json json{{"id", w.id.value},
              {"type", w.type.value},
              {"points", write_points(w.points)},
              {"base_m", w.base_m},
              {"top_m", write_top(w.top_m)},
              {"to_ceiling", w.to_ceiling},
              {"openings", write_list(w.openings, write_opening)}};
    if (!w.bulges.empty()) json["bulges"] = w.bulges;
    write_group(json, w.group);
    return json;
}

Wall read_wall(const Reader& r) {
    Wall w;
    w.id = r.at("id").id<WallId>();
    w.type = r.at("type").id<WallTypeId>();
    w.points = read_points(r.at("points"), 2);
    w.base_m = r.at("base_m").number(-100, 1000);
    w.top_m = read_top(r);
    if (const auto flag = r.find("to_ceiling")) w.to_ceiling = flag->boolean();
    if (const auto bulges = r.find("bulges")) {
        for (const Reader& b : bulges->items(100'000)) w.bulges.push_back(b.number(-100, 100));
        if (static_cast<int>(w.bulges.size()) != w.pieces())
            bulges->fail("needs one number a piece, " + std::to_string(w.pieces()));
        for (int i = 0; i < w.pieces(); ++i)
            if (w.bulge(i) != 0 && w.piece(i).a == w.piece(i).b)
                bulges->fail("curves a piece that has no length");
    }
    w.group = read_group(r);
    for (const Reader& item : r.at("openings").items()) w.openings.push_back(read_opening(item, w));
    return w;
}

Json write_zone(const Zone& z) {
    Json json{{"id", z.id.value},
              {"name", z.name},
              {"kind", zone_kind_name(z.kind)},
              {"colour", z.colour},
              {"outline", write_points(z.outline)}};
    write_group(json, z.group);
    return json;
}

Zone read_zone(const Reader& r) {
    Zone z{r.at("id").id<ZoneId>(), r.at("name").text(2000), r.at("kind").word(find_zone_kind),
           read_points(r.at("outline"), 3)};
    if (const auto colour = r.find("colour")) z.colour = colour->integer(0, zone_colours - 1);
    z.group = read_group(r);
    return z;
}

Json write_void(const SlabVoid& v) {
    Json json{{"id", v.id.value}, {"name", v.name}, {"outline", write_points(v.outline)}};
    write_group(json, v.group);
    return json;
}

SlabVoid read_void(const Reader& r) {
    return {r.at("id").id<VoidId>(), r.at("name").text(2000), read_points(r.at("outline"), 3), read_group(r)};
}

Json write_slab_area(const SlabArea& a) {
    Json json{
        {"id", a.id.value}, {"name", a.name}, {"type", a.type.value}, {"outline", write_points(a.outline)}};
    write_group(json, a.group);
    return json;
}

SlabArea read_slab_area(const Reader& r) {
    return {r.at("id").id<SlabAreaId>(), r.at("name").text(2000), r.at("type").id<WallTypeId>(),
            read_points(r.at("outline"), 3), read_group(r)};
}

Json write_obstacle(const Obstacle& o) {
    Json json{{"id", o.id.value},
              {"name", o.name},
              {"kind", obstacle_kind_name(o.kind)},
              {"type", o.type.value},
              {"round", o.round},
              {"outline", write_points(o.outline)},
              {"base_m", o.base_m},
              {"top_m", write_top(o.top_m)}};
    write_group(json, o.group);
    return json;
}

Obstacle read_obstacle(const Reader& r) {
    Obstacle o;
    o.id = r.at("id").id<ObstacleId>();
    o.name = r.at("name").text(2000);
    o.kind = r.at("kind").word(find_obstacle_kind);
    o.type = r.at("type").id<WallTypeId>();
    o.round = r.at("round").boolean();
    o.outline = read_points(r.at("outline"), o.round ? 2 : 3);
    if (o.round && o.outline.size() != 2)
        r.at("outline").fail("a round one has its centre and a place on its rim");
    o.base_m = r.at("base_m").number(-100, 1000);
    o.top_m = read_top(r);
    o.group = read_group(r);
    return o;
}

Json write_ceiling(const CeilingArea& c) {
    Json json{{"id", c.id.value},
              {"name", c.name},
              {"height_m", c.height_m},
              {"type", c.type ? Json(c.type->value) : Json()},
              {"outline", write_points(c.outline)}};
    write_group(json, c.group);
    return json;
}

CeilingArea read_ceiling(const Reader& r) {
    CeilingArea c{r.at("id").id<CeilingId>(),
                  r.at("name").text(2000),
                  read_points(r.at("outline"), 3),
                  r.at("height_m").number(0.1, 1000),
                  std::nullopt,
                  read_group(r)};
    if (const auto type = r.find("type")) c.type = type->id<WallTypeId>();
    return c;
}

Json write_ramp(const Ramp& r) {
    Json json{{"id", r.id.value},     {"name", r.name},
              {"type", r.type.value}, {"outline", write_points(r.outline)},
              {"foot_m", r.foot_m},   {"rise_m", r.rise_m}};
    write_group(json, r.group);
    return json;
}

Ramp read_ramp(const Reader& r) {
    Ramp ramp{r.at("id").id<RampId>(),
              r.at("name").text(2000),
              r.at("type").id<WallTypeId>(),
              read_points(r.at("outline"), 4),
              r.at("foot_m").number(-100, 1000),
              r.at("rise_m").number(-100, 100),
              read_group(r)};
    if (ramp.outline.size() != 4) r.at("outline").fail("a ramp has four corners");
    return ramp;
}

Json write_note(const Note& n) {
    Json json{
        {"id", n.id.value}, {"text", n.text}, {"position", write_point(n.position)}, {"photo", n.photo}};
    write_group(json, n.group);
    return json;
}

Note read_note(const Reader& r) {
    return {r.at("id").id<NoteId>(), r.at("text").text(), read_point(r.at("position")),
            r.at("photo").text(500), read_group(r)};
}

namespace {

Json write_slab(const Slab& s) {
    return {{"type", s.type.value},
            {"thickness_m", s.thickness_m},
            {"voids", write_list(s.voids, write_void)},
            {"areas", write_list(s.areas, write_slab_area)}};
}

Slab read_slab(const Reader& r) {
    return {r.at("type").id<WallTypeId>(), r.at("thickness_m").number(0, 10),
            read_list_if_any<SlabVoid>(r, "voids", read_void),
            read_list_if_any<SlabArea>(r, "areas", read_slab_area)};
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
    Json json{{"id", f.id.value},
              {"name", f.name},
              {"elevation_m", f.elevation_m},
              {"height_m", f.height_m},
              {"mezzanine", f.mezzanine},
              {"slope", {{"x", f.slope.x}, {"y", f.slope.y}}},
              {"plate", write_points(f.plate)},
              {"slab", write_slab(*f.slab)},
              {"drawings", write_list(*f.drawings, write_drawing)}};
    if (f.alignment) json["alignment"] = write_alignment(*f.alignment);
    json["zones"] = write_list(*f.zones, write_zone);
    json["ceilings"] = write_list(*f.ceilings, write_ceiling);
    json["ramps"] = write_list(*f.ramps, write_ramp);
    json["obstacles"] = write_list(*f.obstacles, write_obstacle);
    json["notes"] = write_list(*f.notes, write_note);
    json["walls"] = write_list(*f.walls, write_wall);
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
    r.at("walls");  // these two must be there
    r.at("zones");
    f.walls = read_list_if_any<Wall>(r, "walls", read_wall);
    f.zones = read_list_if_any<Zone>(r, "zones", read_zone);
    f.ceilings = read_list_if_any<CeilingArea>(r, "ceilings", read_ceiling);
    f.ramps = read_list_if_any<Ramp>(r, "ramps", read_ramp);
    f.obstacles = read_list_if_any<Obstacle>(r, "obstacles", read_obstacle);
    f.notes = read_list_if_any<Note>(r, "notes", read_note);
    return f;
}

}  // namespace

Json write_point(Point p) { return Json::array({p.x, p.y}); }

Point read_point(const Reader& r) {
    const auto items = r.items(2);
    if (items.size() != 2) r.fail("must be [x, y]");
    return {items[0].number(-farthest_m, farthest_m), items[1].number(-farthest_m, farthest_m)};
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
