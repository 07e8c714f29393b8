#include "project/json_venue.h"

#include "project/json_drawing.h"
#include "project/json_lists.h"

namespace yemvo {
namespace {

Json write_points(const std::vector<Point>& points) {
    Json list = Json::array();
    for (Point p : points) list.push_back(write_point(p));
    return list;
}

std::vector<Point> read_points(const Reader& r) {
    std::vector<Point> points;
    for (const Reader& item : r.items(limits::points)) points.push_back(read_point(item));
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
    o.piece = r.at("piece").integer();
    if (o.piece < 0 || o.piece >= wall.pieces()) r.at("piece").fail("names a piece that the wall does not have");
    o.start_m = r.at("start_m").number();
    o.width_m = r.at("width_m").number();
    o.sill_m = r.at("sill_m").number();
    o.head_m = r.at("head_m").number();
    o.hinge_at_end = r.at("hinge_at_end").boolean();
    o.swings_left = r.at("swings_left").boolean();
    if (const auto open = r.find("open")) o.open = open->boolean();
    return r.kept(o);
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
    return top ? std::optional(top->number()) : std::nullopt;
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
    w.points = read_points(r.at("points"));
    w.base_m = r.at("base_m").number();
    w.top_m = read_top(r);
    if (const auto flag = r.find("to_ceiling")) w.to_ceiling = flag->boolean();
    if (const auto bulges = r.find("bulges")) {
        for (const Reader& b : bulges->items(limits::points)) w.bulges.push_back(b.number());
    }
    w.group = read_group(r);
    w = r.kept(std::move(w));
    w.openings = read_list<Opening>(r.at("openings"), [&](const Reader& o) { return read_opening(o, w); });
    return w;
}

Json write_zone(const Zone& z) {
    Json json{{"id", z.id.value},
              {"name", z.name},
              {"kind", zone_kind_name(z.kind)},
              {"colour", z.colour},
              {"outline", write_points(z.outline)}};
    if (z.open_air) json["open_air"] = true;
    write_group(json, z.group);
    return json;
}

Zone read_zone(const Reader& r) {
    Zone z{r.at("id").id<ZoneId>(), r.at("name").text(), r.at("kind").word(find_zone_kind),
           read_points(r.at("outline"))};
    if (const auto colour = r.find("colour")) z.colour = colour->integer();
    if (const auto open = r.find("open_air")) z.open_air = open->boolean();
    z.group = read_group(r);
    return r.kept(std::move(z));
}

Json write_void(const SlabVoid& v) {
    Json json{{"id", v.id.value}, {"name", v.name}, {"outline", write_points(v.outline)}};
    write_group(json, v.group);
    return json;
}

SlabVoid read_void(const Reader& r) {
    return r.kept(SlabVoid{r.at("id").id<VoidId>(), r.at("name").text(), read_points(r.at("outline")), read_group(r)});
}

Json write_slab_area(const SlabArea& a) {
    Json json{
        {"id", a.id.value}, {"name", a.name}, {"type", a.type.value}, {"outline", write_points(a.outline)}};
    write_group(json, a.group);
    return json;
}

SlabArea read_slab_area(const Reader& r) {
    return r.kept(SlabArea{r.at("id").id<SlabAreaId>(), r.at("name").text(), r.at("type").id<WallTypeId>(),
                           read_points(r.at("outline")), read_group(r)});
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
    o.name = r.at("name").text();
    o.kind = r.at("kind").word(find_obstacle_kind);
    o.type = r.at("type").id<WallTypeId>();
    o.round = r.at("round").boolean();
    o.outline = read_points(r.at("outline"));
    o.base_m = r.at("base_m").number();
    o.top_m = read_top(r);
    o.group = read_group(r);
    return r.kept(std::move(o));
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
                  r.at("name").text(),
                  read_points(r.at("outline")),
                  r.at("height_m").number(),
                  std::nullopt,
                  read_group(r)};
    if (const auto type = r.find("type")) c.type = type->id<WallTypeId>();
    return r.kept(std::move(c));
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
              r.at("name").text(),
              r.at("type").id<WallTypeId>(),
              read_points(r.at("outline")),
              r.at("foot_m").number(),
              r.at("rise_m").number(),
              read_group(r)};
    return r.kept(std::move(ramp));
}

Json write_note(const Note& n) {
    Json json{
        {"id", n.id.value}, {"text", n.text}, {"position", write_point(n.position)}, {"photo", n.photo}};
    write_group(json, n.group);
    return json;
}

Note read_note(const Reader& r) {
    return r.kept(Note{r.at("id").id<NoteId>(), r.at("text").text(), read_point(r.at("position")),
                       r.at("photo").text(), read_group(r)});
}

namespace {

Json write_slab(const Slab& s, LargeLists& large) {
    return {{"type", s.type.value},
            {"thickness_m", s.thickness_m},
            {"voids", large.add(s.voids, write_void)},
            {"areas", large.add(s.areas, write_slab_area)}};
}

/// The type is needed; without it the floor gets another later (salvage.h).
Slab read_slab(const Reader& r) {
    Slab s;
    r.part([&] { s.type = r.at("type").id<WallTypeId>(); });
    r.part([&] {
        Slab plate;
        plate.thickness_m = r.at("thickness_m").number();
        s.thickness_m = r.kept(plate).thickness_m;
    });
    s.voids = read_list_if_any<SlabVoid>(r, "voids", read_void);
    s.areas = read_list_if_any<SlabArea>(r, "areas", read_slab_area);
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
    for (const Reader& p : r.at("pairs").items(limits::pairs))
        a.pairs.push_back({read_point(p.at("here")), read_point(p.at("there"))});
    return r.kept(std::move(a));
}

Json write_floor(const Floor& f, LargeLists& large) {
    Json json{{"id", f.id.value},
              {"name", f.name},
              {"elevation_m", f.elevation_m},
              {"height_m", f.height_m},
              {"mezzanine", f.mezzanine},
              {"slope", {{"x", f.slope.x}, {"y", f.slope.y}}},
              {"plate", write_points(f.plate)},
              {"slab", write_slab(*f.slab, large)},
              {"drawings", write_list(*f.drawings, write_drawing)}};
    if (f.alignment) json["alignment"] = write_alignment(*f.alignment);
    json["zones"] = large.add(*f.zones, write_zone);
    json["ceilings"] = large.add(*f.ceilings, write_ceiling);
    json["ramps"] = large.add(*f.ramps, write_ramp);
    json["obstacles"] = large.add(*f.obstacles, write_obstacle);
    json["notes"] = large.add(*f.notes, write_note);
    json["walls"] = large.add(*f.walls, write_wall);
    return json;
}

void read_drawings(Floor& f, const Reader& r, int version) {
    std::vector<Drawing> drawings;
    if (version == 1) {
        if (const auto drawing = r.find("drawing"))
            drawing->part([&] { drawings.push_back(read_drawing_1(*drawing)); });
    } else {
        drawings = read_list<Drawing>(r.at("drawings"), read_drawing);
    }
    f.drawings = std::move(drawings);
}

/// One field of a floor or building, tried on a value that is fine without it.
template <class T, class Set>
void field(const Reader& r, T& thing, Set set) {
    r.part([&] {
        T tried = thing;
        set(tried);
        thing = r.kept(std::move(tried));
    });
}

void read_outline(Floor& f, const Reader& r) {
    field(r, f, [&](Floor& x) { x.mezzanine = r.at("mezzanine").boolean(); });
    field(r, f, [&](Floor& x) {
        const Reader slope = r.at("slope");
        x.slope = {slope.at("x").number(), slope.at("y").number()};
    });
    field(r, f, [&](Floor& x) { x.plate = read_points(r.at("plate")); });
    if (const auto alignment = r.find("alignment"))
        alignment->part([&] { f.alignment = read_alignment(*alignment); });
}

Floor read_floor(const Reader& r, int version) {
    if (!r.value().is_object()) r.fail("must be an object");
    Floor f;
    r.part([&] { f.id = r.at("id").id<FloorId>(); });
    field(r, f, [&](Floor& x) { x.name = r.at("name").text(limits::name); });
    field(r, f, [&](Floor& x) { x.elevation_m = r.at("elevation_m").number(); });
    field(r, f, [&](Floor& x) { x.height_m = r.at("height_m").number(); });
    r.part([&] { f.slab = read_slab(r.at("slab")); });
    r.part([&] { read_drawings(f, r, version); });
    if (version > 1) read_outline(f, r);
    r.part([&] { f.walls = read_list<Wall>(r.at("walls"), read_wall); });
    r.part([&] { f.zones = read_list<Zone>(r.at("zones"), read_zone); });
    r.part([&] { f.ceilings = read_list_if_any<CeilingArea>(r, "ceilings", read_ceiling); });
    r.part([&] { f.ramps = read_list_if_any<Ramp>(r, "ramps", read_ramp); });
    r.part([&] { f.obstacles = read_list_if_any<Obstacle>(r, "obstacles", read_obstacle); });
    r.part([&] { f.notes = read_list_if_any<Note>(r, "notes", read_note); });
    return f;
}

}  // namespace

std::vector<LargeList> large_venue_lists() {
    return {large_list<Wall, read_wall>("floors", "walls"),
            large_list<Zone, read_zone>("floors", "zones"),
            large_list<CeilingArea, read_ceiling>("floors", "ceilings"),
            large_list<Ramp, read_ramp>("floors", "ramps"),
            large_list<Obstacle, read_obstacle>("floors", "obstacles"),
            large_list<Note, read_note>("floors", "notes"),
            large_list<SlabVoid, read_void>("slab", "voids"),
            large_list<SlabArea, read_slab_area>("slab", "areas")};
}

Json write_point(Point p) { return Json::array({p.x, p.y}); }

Point read_point(const Reader& r) {
    const Json& value = r.value();
    if (!value.is_array() || value.size() != 2) r.fail("must be [x, y]");
    const auto items = r.items(2);
    return {items[0].number(), items[1].number()};
}

Json write_building(const Building& b, LargeLists& large) {
    Json floors = Json::array();
    for (const Floor& f : b.floors) floors.push_back(write_floor(f, large));
    return {{"id", b.id.value},
            {"name", b.name},
            {"kind", building_kind_name(b.kind)},
            {"placement", {{"turn_deg", b.placement.turn_deg}, {"shift_m", write_point(b.placement.shift)}}},
            {"level_m", b.level_m},
            {"floors", std::move(floors)}};
}

Building read_building(const Reader& r, int version) {
    if (!r.value().is_object()) r.fail("must be an object");
    Building b;
    r.part([&] { b.id = r.at("id").id<BuildingId>(); });
    field(r, b, [&](Building& x) { x.name = r.at("name").text(limits::name); });
    if (version > 1) {
        field(r, b, [&](Building& x) { x.kind = r.at("kind").word(find_building_kind); });
        field(r, b, [&](Building& x) {
            const Reader placement = r.at("placement");
            x.placement.turn_deg = placement.at("turn_deg").number();
            x.placement.shift = read_point(placement.at("shift_m"));
        });
        field(r, b, [&](Building& x) { x.level_m = r.at("level_m").number(); });
    }
    r.part([&] {
        b.floors = read_list<Floor>(
            r.at("floors"), [&](const Reader& item) { return read_floor(item, version); }, limits::floors);
    });
    return b;
}

}  // namespace yemvo
