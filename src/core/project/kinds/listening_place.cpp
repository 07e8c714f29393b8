// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/kinds/listening_place.h"

#include <algorithm>

#include "project/json_lists.h"
#include "project/json_shapes.h"
#include "project/rule_parts.h"

namespace yemvo {

using namespace rule;

namespace {

/// Six pairs of hexadecimal digits, in small letters.
bool is_address(const std::string& text) {
    if (text.size() != 17) return false;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        if (i % 3 == 2 ? c != ':' : !((c >= '0' && c <= '9') || (c >= 'a' && c <= 'f'))) return false;
    }
    return true;
}

Json write_neighbour(const Neighbour& n) {
    Json json{{"name", n.name},
              {"band_ghz", band(n.channel.band).name},
              {"channel", n.channel.number},
              {"width_mhz", n.channel.width_mhz},
              {"primary", n.primary},
              {"level_dbm", n.level_dbm},
              {"use", n.use}};
    if (!n.address.empty()) json["address"] = n.address;
    if (n.stations != 0) json["stations"] = n.stations;
    if (n.names != 1) json["names"] = n.names;
    if (!n.standard.empty()) json["standard"] = n.standard;
    if (n.told_dbm) json["told_dbm"] = *n.told_dbm;
    if (n.retries) json["retries"] = *n.retries;
    if (n.own) json["own"] = n.own->value;
    return json;
}

Neighbour read_neighbour(const Reader& r) {
    Neighbour n;
    n.name = r.at("name").text(limits::name);
    n.channel = {r.at("band_ghz").word(find_band), r.at("channel").integer(), r.at("width_mhz").integer()};
    n.primary = r.at("primary").integer();
    n.level_dbm = r.at("level_dbm").number();
    n.use = r.at("use").number();
    if (const auto address = r.find("address")) n.address = address->text();
    if (const auto stations = r.find("stations")) n.stations = stations->integer();
    if (const auto names = r.find("names")) n.names = names->integer();
    if (const auto standard = r.find("standard")) n.standard = standard->text(limits::standard);
    if (const auto told = r.find("told_dbm")) n.told_dbm = told->number();
    if (const auto retries = r.find("retries")) n.retries = retries->number();
    if (const auto own = r.find("own")) n.own = own->id<AccessPointId>();
    return r.kept(std::move(n));
}

}  // namespace

void check(const Neighbour& n) {
    text("name", mark("network"), n.name, limits::name);
    text("standard", mark("standard"), n.standard, limits::standard);
    if (!n.address.empty() && !is_address(n.address))
        broken("address", say("address"), say("is none: it is written as 02:1e:5a:07:10:24"));
    if (!is_valid(n.channel)) broken("channel", say("channel"), say("is no channel of that band and width"));
    if (std::ranges::count(primaries(n.channel), n.primary) == 0)
        broken("primary", say("primary channel"), say("lies outside the channel"));
    number("level_dbm", mark("level"), n.level_dbm, limits::heard_level_dbm);
    number("use", mark("use"), n.use, limits::share);
    number("stations", mark("stations"), n.stations, limits::stations);
    number("names", mark("number of networks"), n.names, limits::names_on_a_radio);
    if (n.told_dbm) number("told_dbm", mark("power"), *n.told_dbm, limits::power_dbm);
    if (n.retries) number("retries", mark("retries"), *n.retries, limits::share);
}

void check(const ListeningPlace& p) {
    text("name", mark("name"), p.name, limits::name);
    place("position", mark("place"), p.position, limits::coordinate_m);
    if (p.heard.size() > limits::heard_radios)
        broken("heard", say("radios heard"), say("may be at most %1", limits::heard_radios));
    for (std::size_t i = 0; i < p.heard.size(); ++i) {
        try {
            check(p.heard[i]);
        } catch (RuleBroken& rule) {
            rule.field = indexed("heard", i) + "." + rule.field;
            rule.words = say("%1 of neighbour %2", rule.words, i + 1);
            throw;
        }
    }
}

Json KindOf<ListeningPlace>::write(const ListeningPlace& p) {
    Json json{{"id", p.id.value},
              {"name", p.name},
              {"position", write_point(p.position)},
              {"heard", write_list(p.heard, write_neighbour)}};
    write_group(json, p.group);
    return json;
}

ListeningPlace KindOf<ListeningPlace>::read(const Reader& r) {
    ListeningPlace p{r.at("id").id<ListeningPlaceId>(),
                     r.at("name").text(limits::name),
                     read_point(r.at("position")),
                     {},
                     read_group(r)};
    p.heard = read_list<Neighbour>(r.at("heard"), read_neighbour, limits::heard_radios);
    return r.kept(std::move(p));
}

}  // namespace yemvo
