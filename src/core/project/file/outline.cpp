// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/file/all_parts.h"
#include "project/json_shapes.h"

namespace yemvo {
namespace {

Json write_settings(const SiteSettings& s) {
    Json json{{"units", s.units == LengthUnits::metres ? "metres" : "feet and inches"},
              {"country", s.country},
              {"client_height_m", s.client_height_m},
              {"client_noise_figure_db", s.client_noise_figure_db},
              {"client", s.client},
              {"heard_dbm", s.heard_dbm},
              {"grid_m", s.grid_m}};
    if (s.array_gain_in_eirp) json["array_gain_in_eirp"] = true;
    return json;
}

std::optional<LengthUnits> find_units(std::string_view name) {
    if (name == "metres") return LengthUnits::metres;
    if (name == "feet and inches") return LengthUnits::feet_inches;
    return std::nullopt;
}

/// One field of a thing, tried on a value that is fine without it.
template <class T, class Set>
void field(const Reader& r, T& thing, Set set) {
    r.part([&] {
        T tried = thing;
        set(tried);
        thing = r.kept(std::move(tried));
    });
}

SiteSettings read_settings(const Reader& r) {
    SiteSettings s;
    field(r, s, [&](SiteSettings& x) { x.units = r.at("units").word(find_units); });
    field(r, s, [&](SiteSettings& x) { x.country = r.at("country").text(limits::country); });
    field(r, s, [&](SiteSettings& x) { x.client_height_m = r.at("client_height_m").number(); });
    field(r, s, [&](SiteSettings& x) { x.client_noise_figure_db = r.at("client_noise_figure_db").number(); });
    field(r, s, [&](SiteSettings& x) { x.client = r.at("client").text(limits::key); });
    field(r, s, [&](SiteSettings& x) { x.heard_dbm = r.at("heard_dbm").number(); });
    field(r, s, [&](SiteSettings& x) { x.grid_m = r.at("grid_m").number(); });
    if (const auto array = r.find("array_gain_in_eirp"))
        field(r, s, [&](SiteSettings& x) { x.array_gain_in_eirp = array->boolean(); });
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

Json write_floor(const Floor& f) {
    Json json{{"id", f.id.value},
              {"name", f.name},
              {"elevation_m", f.elevation_m},
              {"height_m", f.height_m},
              {"mezzanine", f.mezzanine},
              {"slope", {{"x", f.slope.x}, {"y", f.slope.y}}},
              {"plate", write_points(f.plate)}};
    if (f.alignment) json["alignment"] = write_alignment(*f.alignment);
    return json;
}

Floor read_floor(const Reader& r, const Contents& contents) {
    if (!r.value().is_object()) r.fail(say("must be an object"));
    Floor f;
    r.part([&] { f.id = r.at("id").id<FloorId>(); });
    field(r, f, [&](Floor& x) { x.name = r.at("name").text(limits::name); });
    field(r, f, [&](Floor& x) { x.elevation_m = r.at("elevation_m").number(); });
    field(r, f, [&](Floor& x) { x.height_m = r.at("height_m").number(); });
    field(r, f, [&](Floor& x) { x.mezzanine = r.at("mezzanine").boolean(); });
    field(r, f, [&](Floor& x) {
        const Reader slope = r.at("slope");
        x.slope = {slope.at("x").number(), slope.at("y").number()};
    });
    field(r, f, [&](Floor& x) { x.plate = read_points(r.at("plate")); });
    if (const auto alignment = r.find("alignment"))
        alignment->part([&] { f.alignment = read_alignment(*alignment); });
    contents.floor(r, f);
    return f;
}

Json write_axes(const AxisGrid& axes) {
    return {{"origin_m", write_point(axes.origin)},
            {"turn_deg", axes.turn_deg},
            {"letters_m", axes.letters_m},
            {"numbers_m", axes.numbers_m}};
}

AxisGrid read_axes(const Reader& r) {
    const auto spacings = [&](const char* key) {
        return read_list<double>(
            r.at(key), [](const Reader& s) { return s.number(); }, limits::axes);
    };
    return {read_point(r.at("origin_m")), r.at("turn_deg").number(), spacings("letters_m"),
            spacings("numbers_m")};
}

Json write_building(const Building& b) {
    Json json{
        {"id", b.id.value},
        {"name", b.name},
        {"kind", building_kind_name(b.kind)},
        {"placement", {{"turn_deg", b.placement.turn_deg}, {"shift_m", write_point(b.placement.shift)}}},
        {"level_m", b.level_m},
        {"floors", write_list(b.floors, write_floor)}};
    if (!(b.axes == AxisGrid())) json["axes"] = write_axes(b.axes);
    return json;
}

Building read_building(const Reader& r, const Contents& contents) {
    if (!r.value().is_object()) r.fail(say("must be an object"));
    Building b;
    r.part([&] { b.id = r.at("id").id<BuildingId>(); });
    field(r, b, [&](Building& x) { x.name = r.at("name").text(limits::name); });
    field(r, b, [&](Building& x) { x.kind = r.at("kind").word(find_building_kind); });
    field(r, b, [&](Building& x) {
        const Reader placement = r.at("placement");
        x.placement.turn_deg = placement.at("turn_deg").number();
        x.placement.shift = read_point(placement.at("shift_m"));
    });
    field(r, b, [&](Building& x) { x.level_m = r.at("level_m").number(); });
    if (const auto axes = r.find("axes")) field(r, b, [&](Building& x) { x.axes = read_axes(*axes); });
    r.part([&] {
        b.floors = read_list<Floor>(
            r.at("floors"), [&](const Reader& item) { return read_floor(item, contents); }, limits::floors);
    });
    return b;
}

Json write_variant(const Variant& v) {
    Json floors = Json::array();
    for (const auto& entry : v.access_points) floors.push_back({{"floor", entry.first.value}});
    return {{"id", v.id.value}, {"name", v.name}, {"floors", std::move(floors)}};
}

Variant read_variant(const Reader& r, const Contents& contents) {
    if (!r.value().is_object()) r.fail(say("must be an object"));
    Variant v;
    r.part([&] { v.id = r.at("id").id<VariantId>(); });
    v.name = "Variant";
    r.part([&] { v.name = r.kept(Variant{v.id, r.at("name").text(limits::name), {}}).name; });
    r.part([&] {
        for (const Reader& told : r.at("floors").items())
            told.part([&] {
                const auto floor = told.at("floor").id<FloorId>();
                contents.access_points(told, v.id, floor, v.access_points[floor]);
            });
    });
    return v;
}

}  // namespace

Json write_outline(const Project& p) {
    return {{"name", p.name},
            {"settings", write_settings(p.settings)},
            {"next_id", p.next_id},
            {"buildings", write_list(p.buildings, write_building)},
            {"variant", p.variant.value},
            {"variants", write_list(p.variants, write_variant)}};
}

void read_outline(const Reader& r, Project& p, const Contents& contents) {
    p.name = "Project";
    r.part([&] { p.name = r.at("name").text(limits::name); });
    r.part([&] { p.settings = read_settings(r.at("settings")); });
    r.part([&] { p.next_id = r.at("next_id").id_value(); });
    p.buildings = read_list<Building>(
        r.at("buildings"), [&](const Reader& b) { return read_building(b, contents); }, limits::buildings);
    r.part([&] { p.variant = r.at("variant").id<VariantId>(); });
    r.part([&] {
        p.variants =
            read_list<Variant>(r.at("variants"), [&](const Reader& v) { return read_variant(v, contents); });
    });
}

}  // namespace yemvo
