#include "project/json_project.h"

#include "project/json_gear.h"
#include "project/json_requirements.h"
#include "project/json_shapes.h"
#include "project/json_types.h"
#include "project/json_venue.h"
#include "project/json_write.h"
#include "project/library.h"
#include "project/salvage.h"
#include "project/validation.h"

namespace yemvo {
namespace {

Json write_settings(const SiteSettings& s) {
    return {{"units", s.units == LengthUnits::metres ? "metres" : "feet and inches"},
            {"country", s.country},
            {"client_height_m", s.client_height_m},
            {"client_noise_figure_db", s.client_noise_figure_db},
            {"client", s.client},
            {"heard_dbm", s.heard_dbm},
            {"grid_m", s.grid_m}};
}

std::optional<LengthUnits> find_units(std::string_view name) {
    if (name == "metres") return LengthUnits::metres;
    if (name == "feet and inches") return LengthUnits::feet_inches;
    return std::nullopt;
}

SiteSettings read_settings(const Reader& r, int version) {
    SiteSettings s;
    const auto field = [&](int since, auto set) {
        if (version < since) return;
        r.part([&] {
            SiteSettings tried = s;
            set(tried);
            s = r.kept(std::move(tried));
        });
    };
    field(1, [&](SiteSettings& x) { x.units = r.at("units").word(find_units); });
    field(1, [&](SiteSettings& x) { x.country = r.at("country").text(limits::country); });
    field(1, [&](SiteSettings& x) { x.client_height_m = r.at("client_height_m").number(); });
    field(1, [&](SiteSettings& x) { x.client_noise_figure_db = r.at("client_noise_figure_db").number(); });
    field(4, [&](SiteSettings& x) { x.client = r.at("client").text(limits::key); });
    field(6, [&](SiteSettings& x) { x.heard_dbm = r.at("heard_dbm").number(); });
    field(6, [&](SiteSettings& x) { x.grid_m = r.at("grid_m").number(); });
    return s;
}

Json write_variant(const Variant& v, LargeLists& large) {
    Json floors = Json::array();
    for (const auto& [floor, list] : v.access_points)
        floors.push_back({{"floor", floor.value}, {"access_points", large.add(*list, write_access_point)}});
    return {{"id", v.id.value}, {"name", v.name}, {"floors", floors}};
}

Variant read_variant(const Reader& r) {
    if (!r.value().is_object()) r.fail("must be an object");
    Variant v;
    r.part([&] { v.id = r.at("id").id<VariantId>(); });
    v.name = "Variant";
    r.part([&] { v.name = r.kept(Variant{v.id, r.at("name").text(limits::name), {}}).name; });
    r.part([&] {
        for (const Reader& floor : r.at("floors").items())
            floor.part([&] {
                v.access_points[floor.at("floor").id<FloorId>()] =
                    read_list<AccessPoint>(floor.at("access_points"), read_access_point);
            });
    });
    return v;
}

Json write_waiver(const Waiver& w) { return {{"rule", w.rule}, {"subjects", w.subjects}, {"note", w.note}}; }

Waiver read_waiver(const Reader& r) {
    return r.kept(
        Waiver{r.at("rule").text(),
               read_list<std::uint32_t>(r.at("subjects"), [](const Reader& id) { return id.id_value(); }),
               r.at("note").text()});
}

Json write_probe(const Probe& p) {
    return {{"number", p.number}, {"floor", p.floor.value}, {"place_m", write_point(p.place)}};
}

Probe read_probe(const Reader& r) {
    return r.kept(Probe{r.at("number").integer(), r.at("floor").id<FloorId>(), read_point(r.at("place_m"))});
}

Json write_colours(const LensColours& c) {
    return {{"lens", c.lens}, {"low", c.low}, {"step", c.step}, {"palette", c.palette}};
}

LensColours read_colours(const Reader& r) {
    return r.kept(LensColours{r.at("lens").text(limits::key), r.at("low").number(), r.at("step").number(),
                              r.at("palette").text(limits::key)});
}

Json write_kinds(const std::vector<ItemKind>& kinds) {
    return write_list(kinds, [](ItemKind k) { return Json(item_kind_name(k)); });
}

std::vector<ItemKind> read_kinds(const Reader& r) {
    return read_list<ItemKind>(r, [](const Reader& k) { return k.word(find_item_kind); });
}

int check_version(const Reader& r) {
    if (r.at("format").text() != "yemvo-project") r.at("format").fail("is not 'yemvo-project'");
    const int version = r.at("version").integer();
    if (version > format_version)
        throw Error("the file was written by a newer Yemvo (format " + std::to_string(version) +
                        ", this one reads up to " + std::to_string(format_version) + ")",
                    "project.json", "Open it with that version");
    if (version < 1) r.at("version").fail("is no version of the format");
    return version;
}

Json write_aside(const SetAside& a) { return {{"place", a.place}, {"reason", a.reason}, {"json", a.json}}; }

SetAside read_aside(const Reader& r) {
    constexpr TextLimit any{10'000'000};
    return {r.at("place").text(), r.at("reason").text(), r.at("json").text(any)};
}

/// Format 1 had at most one drawing a floor, without an id.
void number_drawings(Project& p) {
    for (Building& building : p.buildings)
        for (Floor& floor : building.floors)
            if (!floor.drawings->empty())
                for (Drawing& d : floor.drawings.edit()) d.id = DrawingId{p.next_id++};
}

void read_lists(Project& p, const Reader& r, int version) {
    r.part([&] { p.wall_types = read_list<WallType>(r.at("wall_types"), read_wall_type); });
    r.part([&] { p.models = read_list<AccessPointModel>(r.at("models"), read_model); });
    p.buildings = read_list<Building>(
        r.at("buildings"), [&](const Reader& b) { return read_building(b, version); }, limits::buildings);
    r.part([&] { p.variant = r.at("variant").id<VariantId>(); });
    r.part([&] { p.variants = read_list<Variant>(r.at("variants"), read_variant); });
    r.part([&] {
        p.requirement_sets = version > 4
                                 ? read_list<RequirementSet>(r.at("requirement_sets"), read_requirement_set)
                                 : read_requirements_of_old(r.at("requirements"), version, p);
    });
    if (version > 2) {
        r.part([&] { p.waivers = read_list<Waiver>(r.at("waivers"), read_waiver); });
        r.part([&] {
            p.display.hidden = read_kinds(r.at("display").at("hidden"));
            p.display.locked = read_kinds(r.at("display").at("locked"));
            p.display.colours = read_list_if_any<LensColours>(r.at("display"), "colours", read_colours);
        });
    }
    if (version > 3) r.part([&] { p.probes = read_list<Probe>(r.at("probes"), read_probe); });
    p.clients = standard_clients();
    if (version > 3) r.part([&] { p.clients = read_list<ClientProfile>(r.at("clients"), read_client); });
    p.aside = read_list_if_any<SetAside>(r, "aside", read_aside);
}

Project read_project(const Reader& r, Reading& reading) {
    const int version = check_version(r);
    Project p;
    p.name = "Project";
    r.part([&] { p.name = r.at("name").text(limits::name); });
    r.part([&] { p.settings = read_settings(r.at("settings"), version); });
    r.part([&] { p.next_id = r.at("next_id").id_value(); });
    read_lists(p, r, version);
    if (version == 1) number_drawings(p);
    try {
        check_references(p);
    } catch (const Error&) {
        if (!reading.tolerant) throw;
        mend_references(p, reading.aside);
        check_references(p);
    }
    return p;
}

}  // namespace

std::string project_to_json(const Project& p) {
    LargeLists large;
    Json buildings = Json::array(), variants = Json::array();
    for (const Building& b : p.buildings) buildings.push_back(write_building(b, large));
    for (const Variant& v : p.variants) variants.push_back(write_variant(v, large));
    Json json{{"format", "yemvo-project"},
              {"version", format_version},
              {"name", p.name},
              {"settings", write_settings(p.settings)},
              {"next_id", p.next_id},
              {"buildings", std::move(buildings)},
              {"variant", p.variant.value},
              {"variants", std::move(variants)},
              {"requirement_sets", write_list(*p.requirement_sets, write_requirement_set)},
              {"waivers", write_list(*p.waivers, write_waiver)},
              {"probes", write_list(*p.probes, write_probe)},
              {"display",
               {{"hidden", write_kinds(p.display.hidden)},
                {"locked", write_kinds(p.display.locked)},
                {"colours", write_list(p.display.colours, write_colours)}}},
              {"wall_types", write_list(*p.wall_types, write_wall_type)},
              {"models", write_list(*p.models, write_model)},
              {"clients", write_list(*p.clients, write_client)}};
    if (!p.aside->empty()) json["aside"] = write_list(*p.aside, write_aside);
    return json_text(json, large);
}

ReadProject read_project(std::istream& text, bool tolerant) {
    std::vector<LargeList> large = large_venue_lists();
    large.push_back(large_list<AccessPoint, read_access_point>("floors", "access_points"));
    const std::string place = "project.json: ";
    Reading reading;
    reading.tolerant = tolerant;
    const Json json = parse_json(text, place, "Try an earlier version of the file", &reading, large);
    ReadProject read;
    read.project = read_project(Reader(json, place, &reading), reading);
    read.aside = std::move(reading.aside);
    return read;
}

Project project_from_json(std::string_view text) {
    ViewBuffer buffer(text);
    std::istream in(&buffer);
    return read_project(in, false).project;
}

}  // namespace yemvo
