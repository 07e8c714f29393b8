#include <algorithm>

#include "project/items.h"
#include "project/json_gear.h"
#include "project/json_lists.h"
#include "project/json_types.h"
#include "project/json_venue.h"

namespace yemvo {
namespace {

/// What a thing refers to must have come along.
void check(const Clipping& c, const Reader& r) {
    const auto has = [](const auto& list, auto id) {
        return std::any_of(list.begin(), list.end(), [&](const auto& e) { return e.id == id; });
    };
    const auto type = [&](WallTypeId id) {
        if (!has(c.types, id)) r.fail("lacks wall type " + std::to_string(id.value));
    };
    for (const Wall& w : c.walls) {
        type(w.type);
        for (const Opening& o : w.openings) type(o.type);
    }
    for (const SlabArea& a : c.slab_areas) type(a.type);
    for (const Ramp& ramp : c.ramps) type(ramp.type);
    for (const Obstacle& o : c.obstacles) type(o.type);
    for (const CeilingArea& a : c.ceilings)
        if (a.type) type(*a.type);
    for (const AccessPoint& ap : c.access_points) {
        const auto m = std::find_if(c.models.begin(), c.models.end(),
                                    [&](const AccessPointModel& e) { return e.id == ap.model; });
        if (m == c.models.end()) r.fail("lacks model " + std::to_string(ap.model.value));
        if (m->radios.size() != ap.radios.size())
            r.fail("has an access point with other radios than its model");
        for (std::size_t i = 0; i < ap.radios.size(); ++i)
            if (!radio_band(*m, i, ap.radios[i].channel.band))
                r.fail("has a radio in a band its model lacks");
    }
}

}  // namespace

std::string clipping_to_json(const Clipping& c) {
    const Json json{{"format", "yemvo-clipping"},
                    {"version", 1},
                    {"walls", write_list(c.walls, write_wall)},
                    {"zones", write_list(c.zones, write_zone)},
                    {"voids", write_list(c.voids, write_void)},
                    {"slab_areas", write_list(c.slab_areas, write_slab_area)},
                    {"obstacles", write_list(c.obstacles, write_obstacle)},
                    {"ceilings", write_list(c.ceilings, write_ceiling)},
                    {"ramps", write_list(c.ramps, write_ramp)},
                    {"notes", write_list(c.notes, write_note)},
                    {"access_points", write_list(c.access_points, write_access_point)},
                    {"wall_types", write_list(c.types, write_wall_type)},
                    {"models", write_list(c.models, write_model)}};
    return json.dump(-1, ' ', false, Json::error_handler_t::replace);
}

Clipping clipping_from_json(std::string_view text) {
    Json json;
    try {
        json = parse_json(text, "clipboard", "Copy things from a plan first");
    } catch (const Error&) {
        throw Error("what was copied is no part of a plan", "clipboard", "Copy things from a plan first");
    }
    const Reader r(json, "clipboard: ");
    if (r.at("format").text() != "yemvo-clipping") r.at("format").fail("is not 'yemvo-clipping'");
    Clipping c;
    c.walls = read_list<Wall>(r.at("walls"), read_wall);
    c.zones = read_list<Zone>(r.at("zones"), read_zone);
    c.voids = read_list<SlabVoid>(r.at("voids"), read_void);
    c.slab_areas = read_list<SlabArea>(r.at("slab_areas"), read_slab_area);
    c.obstacles = read_list<Obstacle>(r.at("obstacles"), read_obstacle);
    c.ceilings = read_list<CeilingArea>(r.at("ceilings"), read_ceiling);
    c.ramps = read_list<Ramp>(r.at("ramps"), read_ramp);
    c.notes = read_list<Note>(r.at("notes"), read_note);
    c.access_points = read_list<AccessPoint>(r.at("access_points"), read_access_point);
    c.types = read_list<WallType>(r.at("wall_types"), read_wall_type);
    c.models = read_list<AccessPointModel>(r.at("models"), read_model);
    check(c, r);
    return c;
}

}  // namespace yemvo
