// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "project/clipping.h"
#include "project/json_antenna.h"
#include "project/json_gear.h"
#include "project/json_lists.h"
#include "project/json_parse.h"
#include "project/json_types.h"

namespace yemvo {
namespace {

/// What a thing refers to must have come along.
void check(const Clipping& c, const Reader& r) {
    const auto has = [](const auto& list, auto id) {
        return std::any_of(list.begin(), list.end(), [&](const auto& e) { return e.id == id; });
    };
    const auto type = [&](WallTypeId id) {
        if (!has(c.types, id)) r.fail(say("lacks wall type %1", id.value));
    };
    each_kind([&]<class Thing>() {
        for (const Thing& t : c.things.of<Thing>())
            KindOf<Thing>::each_type(t, [&](WallTypeId id, TypeUse, const auto&) { type(id); });
    });
    for (const AccessPoint& ap : c.access_points) {
        const auto m = std::find_if(c.models.begin(), c.models.end(),
                                    [&](const AccessPointModel& e) { return e.id == ap.model; });
        if (m == c.models.end()) r.fail(say("lacks model %1", ap.model.value));
        if (m->radios.size() != ap.radios.size())
            r.fail(say("has an access point with other radios than its model"));
        for (std::size_t i = 0; i < ap.radios.size(); ++i)
            if (!radio_band(*m, i, ap.radios[i].channel.band))
                r.fail(say("has a radio in a band its model lacks"));
        for (const Radio& radio : ap.radios)
            if (radio.antenna && !has(c.antennas, radio.antenna))
                r.fail(say("lacks antenna %1", radio.antenna.value));
    }
}

}  // namespace

std::string clipping_to_json(const Clipping& c) {
    Json json{{"format", "yemvo-clipping"}, {"version", 2}};
    each_kind([&]<class Thing>() {
        json[KindOf<Thing>::clip_key] = write_list(c.things.of<Thing>(), KindOf<Thing>::write);
    });
    json["access_points"] = write_list(c.access_points, write_access_point);
    json["wall_types"] = write_list(c.types, write_wall_type);
    json["models"] = write_list(c.models, write_model);
    json["antennas"] = write_list(c.antennas, write_antenna_model);
    json["cables"] = write_list(c.cables, write_cable);
    return json.dump(-1, ' ', false, Json::error_handler_t::replace);
}

Clipping clipping_from_json(std::string_view text) {
    Json json;
    try {
        json = parse_json(text, std::string("clipboard"), say("Copy things from a plan first"));
    } catch (const Error&) {
        throw Error(say("what was copied is no part of a plan"), say("clipboard"),
                    say("Copy things from a plan first"));
    }
    const Reader r(json, "clipboard: ");
    if (r.at("format").text() != "yemvo-clipping") r.at("format").fail(say("is not 'yemvo-clipping'"));
    Clipping c;
    each_kind([&]<class Thing>() {
        c.things.of<Thing>() = read_list_if_any<Thing>(r, KindOf<Thing>::clip_key, KindOf<Thing>::read);
    });
    c.access_points = read_list<AccessPoint>(r.at("access_points"), read_access_point);
    c.types = read_list<WallType>(r.at("wall_types"), read_wall_type);
    c.models = read_list<AccessPointModel>(r.at("models"), read_model);
    c.antennas = read_list_if_any<AntennaModel>(r, "antennas", read_antenna_model);
    c.cables = read_list_if_any<CableType>(r, "cables", read_cable);
    check(c, r);
    return c;
}

}  // namespace yemvo
