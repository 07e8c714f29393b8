// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/library.h"

#include <nlohmann/json.hpp>

#include "embedded/data.h"
#include "project/json_gear.h"
#include "project/json_requirements.h"
#include "project/json_types.h"

namespace yemvo {

static Json parse_built_in(const char* name) {
    const auto bytes = embedded_data(name);
    const char* text = reinterpret_cast<const char*>(bytes.data());
    return Json::parse(text, text + bytes.size());
}

std::vector<WallType> standard_wall_types() {
    const Json json = parse_built_in("wall_types.json");
    std::vector<WallType> types;
    for (const Reader& item : Reader(json, "wall_types.json").at("wall_types").items())
        types.push_back(read_wall_type(item));
    return types;
}

std::vector<Material> standard_materials() {
    const Json json = parse_built_in("materials.json");
    std::vector<Material> materials;
    for (const Reader& item : Reader(json, "materials.json").at("materials").items())
        materials.push_back(read_material(item));
    return materials;
}

std::vector<AccessPointModel> standard_models() {
    const Json json = parse_built_in("gear.json");
    std::vector<AccessPointModel> models;
    for (const Reader& item : Reader(json, "gear.json").at("models").items())
        models.push_back(read_model(item));
    return models;
}

std::vector<ClientProfile> standard_clients() {
    const Json json = parse_built_in("clients.json");
    std::vector<ClientProfile> clients;
    for (const Reader& item : Reader(json, "clients.json").at("clients").items())
        clients.push_back(read_client(item));
    return clients;
}

std::vector<RequirementSet> standard_requirement_sets() {
    const Json json = parse_built_in("requirement_sets.json");
    std::vector<RequirementSet> sets;
    for (const Reader& item : Reader(json, "requirement_sets.json").at("sets").items())
        sets.push_back(read_requirement_set(item));
    return sets;
}

std::string about_requirement_set(const std::string& name) {
    const Json json = parse_built_in("requirement_sets.json");
    for (const Reader& item : Reader(json, "requirement_sets.json").at("sets").items())
        if (item.at("name").text() == name) return item.at("about").text();
    return {};
}

}  // namespace yemvo
