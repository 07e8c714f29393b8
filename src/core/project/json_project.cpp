#include "project/json_project.h"

#include "project/json_gear.h"
#include "project/json_lists.h"
#include "project/json_requirements.h"
#include "project/json_types.h"
#include "project/json_venue.h"
#include "project/library.h"
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

/// Finer ones would fill the memory, coarser ones miss rooms.
constexpr double finest_grid_m = 0.1, coarsest_grid_m = 5;

std::optional<LengthUnits> find_units(std::string_view name) {
    if (name == "metres") return LengthUnits::metres;
    if (name == "feet and inches") return LengthUnits::feet_inches;
    return std::nullopt;
}

SiteSettings read_settings(const Reader& r, int version) {
    return {r.at("units").word(find_units),
            r.at("country").text(2),
            r.at("client_height_m").number(0, 100),
            r.at("client_noise_figure_db").number(0, 30),
            version > 3 ? r.at("client").text(100) : "tablet",
            version > 5 ? r.at("heard_dbm").number(-120, 0) : SiteSettings().heard_dbm,
            version > 5 ? r.at("grid_m").number(finest_grid_m, coarsest_grid_m) : SiteSettings().grid_m};
}

Json write_variant(const Variant& v) {
    Json floors = Json::array();
    for (const auto& [floor, list] : v.access_points)
        floors.push_back({{"floor", floor.value}, {"access_points", write_list(*list, write_access_point)}});
    return {{"id", v.id.value}, {"name", v.name}, {"floors", floors}};
}

Variant read_variant(const Reader& r) {
    Variant v{r.at("id").id<VariantId>(), r.at("name").text(2000), {}};
    for (const Reader& floor : r.at("floors").items())
        v.access_points[floor.at("floor").id<FloorId>()] =
            read_list<AccessPoint>(floor.at("access_points"), read_access_point);
    return v;
}

Json write_waiver(const Waiver& w) { return {{"rule", w.rule}, {"subjects", w.subjects}, {"note", w.note}}; }

Waiver read_waiver(const Reader& r) {
    return {r.at("rule").text(100),
            read_list<std::uint32_t>(r.at("subjects"), [](const Reader& id) { return id.id_value(); }),
            r.at("note").text()};
}

Json write_probe(const Probe& p) {
    return {{"number", p.number}, {"floor", p.floor.value}, {"place_m", write_point(p.place)}};
}

Probe read_probe(const Reader& r) {
    return {r.at("number").integer(1, 1'000'000), r.at("floor").id<FloorId>(), read_point(r.at("place_m"))};
}

Json write_kinds(const std::vector<ItemKind>& kinds) {
    return write_list(kinds, [](ItemKind k) { return Json(item_kind_name(k)); });
}

std::vector<ItemKind> read_kinds(const Reader& r) {
    return read_list<ItemKind>(r, [](const Reader& k) { return k.word(find_item_kind); });
}

int check_version(const Reader& r) {
    if (r.at("format").text(60) != "yemvo-project") r.at("format").fail("is not 'yemvo-project'");
    const int version = r.at("version").integer(0, 1'000'000);
    if (version > format_version)
        throw Error("the file was written by a newer Yemvo (format " + std::to_string(version) +
                        ", this one reads up to " + std::to_string(format_version) + ")",
                    "project.json", "Open it with that version");
    if (version < 1) r.at("version").fail("is no version of the format");
    return version;
}

/// Format 1 had at most one drawing a floor, without an id.
void number_drawings(Project& p) {
    for (Building& building : p.buildings)
        for (Floor& floor : building.floors)
            if (!floor.drawings->empty())
                for (Drawing& d : floor.drawings.edit()) d.id = DrawingId{p.next_id++};
}

}  // namespace

std::string project_to_json(const Project& p) {
    const Json json{
        {"format", "yemvo-project"},
        {"version", format_version},
        {"name", p.name},
        {"settings", write_settings(p.settings)},
        {"next_id", p.next_id},
        {"buildings", write_list(p.buildings, write_building)},
        {"variant", p.variant.value},
        {"variants", write_list(p.variants, write_variant)},
        {"requirement_sets", write_list(*p.requirement_sets, write_requirement_set)},
        {"waivers", write_list(*p.waivers, write_waiver)},
        {"probes", write_list(*p.probes, write_probe)},
        {"display", {{"hidden", write_kinds(p.display.hidden)}, {"locked", write_kinds(p.display.locked)}}},
        {"wall_types", write_list(*p.wall_types, write_wall_type)},
        {"models", write_list(*p.models, write_model)},
        {"clients", write_list(*p.clients, write_client)}};
    return json.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

Project project_from_json(std::string_view text) {
    Json json;
    try {
        json = Json::parse(text);
    } catch (const Json::exception& fault) {
        throw Error("is not JSON: " + std::string(fault.what()).substr(0, 200), "project.json",
                    "The file is damaged; try the kept previous version (its name ends in ~)");
    }
    const Reader r(json, "project.json: ");
    const int version = check_version(r);
    Project p;
    p.name = r.at("name").text(2000);
    p.settings = read_settings(r.at("settings"), version);
    p.next_id = r.at("next_id").id_value();
    p.wall_types = read_list<WallType>(r.at("wall_types"), read_wall_type);
    p.models = read_list<AccessPointModel>(r.at("models"), read_model);
    p.buildings =
        read_list<Building>(r.at("buildings"), [&](const Reader& b) { return read_building(b, version); });
    p.variant = r.at("variant").id<VariantId>();
    p.variants = read_list<Variant>(r.at("variants"), read_variant);
    p.requirement_sets = version > 4
                             ? read_list<RequirementSet>(r.at("requirement_sets"), read_requirement_set)
                             : read_requirements_of_old(r.at("requirements"), version, p);
    if (version > 2) {
        p.waivers = read_list<Waiver>(r.at("waivers"), read_waiver);
        p.display = {read_kinds(r.at("display").at("hidden")), read_kinds(r.at("display").at("locked"))};
    }
    if (version > 3) p.probes = read_list<Probe>(r.at("probes"), read_probe);
    p.clients = version > 3 ? read_list<ClientProfile>(r.at("clients"), read_client) : standard_clients();
    if (version == 1) number_drawings(p);
    check_references(p);
    return p;
}

}  // namespace yemvo
