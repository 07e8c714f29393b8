// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/file/old_formats.h"

#include <algorithm>
#include <array>
#include <nlohmann/json.hpp>

#include "project/file/json_walk.h"
#include "project/file/part_kind.h"
#include "project/json_gear.h"
#include "project/json_lists.h"
#include "project/library.h"
#include "venue/floor.h"

namespace yemvo {
namespace {

template <class Use>
void each_floor(Json& whole, Use use) {
    each_json(whole, "buildings", [&](Json& building) { each_json(building, "floors", use); });
}

void set_if_absent(Json& object, const char* key, const Json& value) {
    if (object.is_object() && !object.contains(key)) object[key] = value;
}

void rename(Json& object, const char* from, const char* to) {
    if (Json* value = json_field(object, from)) {
        object[to] = std::move(*value);
        object.erase(from);
    }
}

/// The next free id; 0 where the file does not say which that is.
std::uint32_t take_id(Json& whole) {
    Json* next = json_field(whole, "next_id");
    if (!next || !next->is_number_unsigned() || next->get<std::uint64_t>() > 3'900'000'000u) return 0;
    const auto id = next->get<std::uint32_t>();
    *next = id + 1;
    return id;
}

Json value_or_null(Json& object, const char* key) {
    const Json* value = json_field(object, key);
    return value ? *value : Json();
}

/// Format 1 had at most one drawing a floor, a picture, without an id.
Json drawing_of_1(Json& old, std::uint32_t id) {
    Json placement = value_or_null(old, "placement");
    rename(placement, "metres_per_px", "metres_per_unit");
    const Json* to_scale = json_field(old, "to_scale");
    const Json asset = value_or_null(old, "asset");
    return {{"id", id},
            {"name", asset},
            {"source",
             {{"asset", asset},
              {"kind", "picture"},
              {"page", 0},
              {"sheet", Json::array({Json::array({0, 0}), Json::array({value_or_null(old, "width_px"),
                                                                       value_or_null(old, "height_px")})})},
              {"hidden_layers", Json::array()}}},
            {"crop", Json::array()},
            {"placement", placement},
            {"scale_by", to_scale && *to_scale == true ? "lengths" : "none"},
            {"lengths", Json::array()},
            {"opacity", value_or_null(old, "opacity")},
            {"lighten", 0},
            {"inverted", false},
            {"shown", true}};
}

/// Several drawings a floor; several buildings, each with a place on the site; mezzanines and slopes.
void from_1(Json& whole, const Reading&) {
    each_json(whole, "buildings", [](Json& building) {
        set_if_absent(building, "kind", "building");
        set_if_absent(building, "placement", {{"turn_deg", 0}, {"shift_m", Json::array({0, 0})}});
        set_if_absent(building, "level_m", 0);
    });
    each_floor(whole, [&](Json& floor) {
        if (!floor.is_object()) return;
        Json drawings = Json::array();
        if (Json* old = json_field(floor, "drawing"); old && old->is_object())
            drawings.push_back(drawing_of_1(*old, take_id(whole)));
        floor.erase("drawing");
        set_if_absent(floor, "drawings", drawings);
        set_if_absent(floor, "mezzanine", false);
        set_if_absent(floor, "slope", {{"x", 0}, {"y", 0}});
        set_if_absent(floor, "plate", Json::array());
    });
}

/// Findings can be waived; kinds of things can be hidden and locked.
void from_2(Json& whole, const Reading&) {
    set_if_absent(whole, "waivers", Json::array());
    set_if_absent(whole, "display", {{"hidden", Json::array()}, {"locked", Json::array()}});
}

/// Client profiles and probes; a requirement is over several bands.
void from_3(Json& whole, const Reading&) {
    set_if_absent(whole, "probes", Json::array());
    set_if_absent(whole, "clients", write_list(standard_clients(), write_client));
    if (Json* settings = json_field(whole, "settings")) set_if_absent(*settings, "client", "tablet");
    each_json(whole, "requirements", [](Json& r) {
        if (Json* band = json_field(r, "band_ghz")) set_if_absent(r, "bands_ghz", Json::array({*band}));
        set_if_absent(r, "any_band", false);
        set_if_absent(r, "set", "");
    });
}

/// Null where no floor has a zone of that id.
const Zone* find_zone(Json& whole, const Json& id, const Reading& reading) {
    const Zone* found = nullptr;
    each_floor(whole, [&](Json& floor) {
        Json* zones = json_field(floor, "zones");
        if (found || !zones || !zones->is_binary()) return;
        const auto index = zones->get_binary().subtype();
        if (index >= reading.lists.size()) return;
        const auto* list = std::any_cast<std::vector<Zone>>(&reading.lists[index]);
        if (!list) return;
        for (const Zone& zone : *list)
            if (id == zone.id.value) found = &zone;
    });
    return found;
}

std::string set_name(Json& whole, const Json& name, const Json& zones, const Reading& reading) {
    std::string text = name.is_string() ? name.get<std::string>() : std::string();
    if (text.empty()) text = "Requirements";
    if (!zones.is_array() || zones.empty()) return text;
    const Zone* zone = find_zone(whole, zones.front(), reading);
    return zone ? text + ", " + zone->name : text;
}

/// Requirements stand in sets: those of the same name and zones become one.
void from_4(Json& whole, const Reading& reading) {
    struct Set {
        Json name, zones, requirements = Json::array();
    };
    std::vector<Set> sets;
    each_json(whole, "requirements", [&](Json& r) {
        Json name = value_or_null(r, "set"), zones = value_or_null(r, "zones");
        auto set = std::find_if(sets.begin(), sets.end(),
                                [&](const Set& s) { return s.name == name && s.zones == zones; });
        if (set == sets.end()) set = sets.insert(sets.end(), {name, zones});
        set->requirements.push_back(r);
    });
    if (!json_field(whole, "requirements")) return;  // the reader tells that they are missing
    Json list = Json::array();
    for (Set& set : sets) {
        Json json{{"name", set_name(whole, set.name, set.zones, reading)},
                  {"on", true},
                  {"zones", set.zones},
                  {"kinds", Json::array()},
                  {"requirements", std::move(set.requirements)}};
        if (const std::uint32_t id = take_id(whole)) json["id"] = id;
        list.push_back(std::move(json));
    }
    set_if_absent(whole, "requirement_sets", list);
}

/// The grid of maps, and from where on a radio is heard.
void from_5(Json& whole, const Reading&) {
    if (Json* settings = json_field(whole, "settings")) {
        set_if_absent(*settings, "heard_dbm", -82);
        set_if_absent(*settings, "grid_m", 0.5);
    }
}

constexpr std::array<JsonStep, 5> steps{from_1, from_2, from_3, from_4, from_5};

}  // namespace

void bring_up_to_date(Json& whole, int version, const Reading& reading) {
    for (std::size_t i = static_cast<std::size_t>(version) - 1; i < steps.size(); ++i)
        steps[i](whole, reading);
}

}  // namespace yemvo
