#include "project/json_venue.h"

#include "project/json_drawing.h"
#include "project/json_shapes.h"
#include "project/kinds/all.h"

namespace yemvo {
namespace {

template <class Thing>
constexpr bool is_in_slab = std::string_view(KindOf<Thing>::inside) == "slab";

template <class Thing>
void read_things(Floor& f, const Reader& r) {
    const bool needed = KindOf<Thing>::always_in_files;
    r.part([&] {
        if (const auto list = needed ? std::optional(r.at(KindOf<Thing>::key)) : r.find(KindOf<Thing>::key))
            KindOf<Thing>::edit(f) = read_list<Thing>(*list, KindOf<Thing>::read);
    });
}

Json write_slab(const Floor& f, LargeLists& large) {
    Json json{{"type", f.slab->type.value}, {"thickness_m", f.slab->thickness_m}};
    each_kind([&]<class Thing>() {
        if constexpr (is_in_slab<Thing>)
            json[KindOf<Thing>::key] = large.add(KindOf<Thing>::list(f), KindOf<Thing>::write);
    });
    return json;
}

/// The type is needed; without it the floor gets another later (salvage.h).
void read_slab(Floor& f, const Reader& r) {
    Slab& slab = f.slab.edit();
    r.part([&] { slab.type = r.at("type").id<WallTypeId>(); });
    r.part([&] {
        Slab plate;
        plate.thickness_m = r.at("thickness_m").number();
        slab.thickness_m = r.kept(plate).thickness_m;
    });
    each_kind([&]<class Thing>() {
        if constexpr (is_in_slab<Thing>) read_things<Thing>(f, r);
    });
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
              {"slab", write_slab(f, large)},
              {"drawings", write_list(*f.drawings, write_drawing)}};
    if (f.alignment) json["alignment"] = write_alignment(*f.alignment);
    each_kind([&]<class Thing>() {
        if constexpr (!is_in_slab<Thing>)
            json[KindOf<Thing>::key] = large.add(KindOf<Thing>::list(f), KindOf<Thing>::write);
    });
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
    r.part([&] { read_slab(f, r.at("slab")); });
    r.part([&] { read_drawings(f, r, version); });
    if (version > 1) read_outline(f, r);
    each_kind([&]<class Thing>() {
        if constexpr (!is_in_slab<Thing>) read_things<Thing>(f, r);
    });
    return f;
}

}  // namespace

std::vector<LargeList> large_venue_lists() {
    std::vector<LargeList> lists;
    each_kind([&]<class Thing>() {
        lists.push_back(large_list<Thing, KindOf<Thing>::read>(KindOf<Thing>::inside, KindOf<Thing>::key));
    });
    return lists;
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
