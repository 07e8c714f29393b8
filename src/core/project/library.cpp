// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/library.h"

#include "embedded/data.h"
#include "project/json_antenna.h"
#include "project/json_demand.h"
#include "project/json_gear.h"
#include "project/json_lists.h"
#include "project/json_requirements.h"
#include "project/json_types.h"

namespace yemvo {

static Json parse_built_in(const char* name) {
    const auto bytes = embedded_data(name);
    const char* text = reinterpret_cast<const char*>(bytes.data());
    return Json::parse(text, text + bytes.size());
}

template <class T, class Read>
static std::vector<T> built_in(const char* file, const char* key, Read read) {
    const Json json = parse_built_in(file);
    return read_list<T>(Reader(json, std::string(file) + ": ").at(key), read);
}

std::vector<WallType> standard_wall_types() {
    return built_in<WallType>("wall_types.json", "wall_types", read_wall_type);
}
std::vector<Material> standard_materials() {
    return built_in<Material>("materials.json", "materials", read_material);
}
std::vector<AccessPointModel> standard_models() {
    return built_in<AccessPointModel>("gear.json", "models", read_model);
}
std::vector<AntennaModel> standard_antennas() {
    return built_in<AntennaModel>("gear.json", "antennas", read_antenna_model);
}
std::vector<CableType> standard_cables() { return built_in<CableType>("gear.json", "cables", read_cable); }
std::vector<ClientProfile> standard_clients() {
    return built_in<ClientProfile>("clients.json", "clients", read_client);
}
DemandBook standard_demand() {
    DemandBook book;
    book.applications = built_in<Application>("demand.json", "applications", read_application);
    return book;
}
static ZoneUse read_use(const Reader& r) {
    return {r.at("key").text(), r.at("name").text(), read_zone_demand(r.at("demand"))};
}
std::vector<ZoneUse> standard_uses() { return built_in<ZoneUse>("demand.json", "uses", read_use); }
std::vector<ZoneUse> standard_devices() { return built_in<ZoneUse>("demand.json", "devices", read_use); }
std::vector<RequirementSet> standard_requirement_sets() {
    return built_in<RequirementSet>("requirement_sets.json", "sets", read_requirement_set);
}

std::string about_requirement_set(const std::string& name) {
    const Json json = parse_built_in("requirement_sets.json");
    for (const Reader& item : Reader(json, "requirement_sets.json").at("sets").items())
        if (item.at("name").text() == name) return item.at("about").text();
    return {};
}

}  // namespace yemvo
