#include <nlohmann/json.hpp>

#include "project/items.h"
#include "project/json_gear.h"
#include "project/json_types.h"
#include "project/json_venue.h"

namespace yemvo {
namespace {

template <class List, class Write>
Json write_all(const List& list, Write write) {
    Json out = Json::array();
    for (const auto& e : list) out.push_back(write(e));
    return out;
}

template <class List, class Read>
void read_all(List& out, const Reader& r, const char* key, Read read) {
    for (const Reader& item : r.at(key).items(100'000)) out.push_back(read(item));
}

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
                    {"walls", write_all(c.walls, write_wall)},
                    {"zones", write_all(c.zones, write_zone)},
                    {"voids", write_all(c.voids, write_void)},
                    {"slab_areas", write_all(c.slab_areas, write_slab_area)},
                    {"obstacles", write_all(c.obstacles, write_obstacle)},
                    {"ceilings", write_all(c.ceilings, write_ceiling)},
                    {"ramps", write_all(c.ramps, write_ramp)},
                    {"notes", write_all(c.notes, write_note)},
                    {"access_points", write_all(c.access_points, write_access_point)},
                    {"wall_types", write_all(c.types, write_wall_type)},
                    {"models", write_all(c.models, write_model)}};
    return json.dump(-1, ' ', false, Json::error_handler_t::replace);
}

Clipping clipping_from_json(std::string_view text) {
    Json json;
    try {
        json = Json::parse(text);
    } catch (const Json::exception&) {
        throw Error("what was copied is no part of a plan", "clipboard", "Copy things from a plan first");
    }
    const Reader r(json, "clipboard: ");
    if (r.at("format").text(60) != "yemvo-clipping") r.at("format").fail("is not 'yemvo-clipping'");
    Clipping c;
    read_all(c.walls, r, "walls", read_wall);
    read_all(c.zones, r, "zones", read_zone);
    read_all(c.voids, r, "voids", read_void);
    read_all(c.slab_areas, r, "slab_areas", read_slab_area);
    read_all(c.obstacles, r, "obstacles", read_obstacle);
    read_all(c.ceilings, r, "ceilings", read_ceiling);
    read_all(c.ramps, r, "ramps", read_ramp);
    read_all(c.notes, r, "notes", read_note);
    read_all(c.access_points, r, "access_points", read_access_point);
    read_all(c.types, r, "wall_types", read_wall_type);
    read_all(c.models, r, "models", read_model);
    check(c, r);
    return c;
}

}  // namespace yemvo
