// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/json_demand.h"

#include "project/json_lists.h"

namespace yemvo {
namespace {

Json write_mix(const Mix& mix) {
    return write_list(mix, [](const MixPart& p) { return Json{{"key", p.key}, {"share", p.share}}; });
}
Mix read_mix(const Reader& r) {
    Mix mix;
    for (const Reader& part : r.items(limits::mix_parts))
        mix.push_back({part.at("key").text(limits::key), part.at("share").number()});
    return mix;
}

/// Written where it is not what a new one has.
template <class Value>
void unless_usual(Json& json, const char* key, const Value& value, const Value& usual) {
    if (value != usual) json[key] = value;
}
void number_if_any(const Reader& r, const char* key, double& value) {
    if (const auto found = r.find(key)) value = found->number();
}

BandSet read_bands_of(const Reader& r) {
    BandSet set;
    for (const Reader& b : r.items(limits::bands)) set = set.with(b.word(find_band));
    return set;
}
Json write_bands_of(BandSet set) {
    return write_list(set.list(), [](BandId id) { return Json(band(id).name); });
}

Json write_network(const Network& n) {
    const Network usual;
    Json json{{"key", n.key},
              {"name", n.name},
              {"bands_ghz", write_bands_of(n.bands)},
              {"lowest_rate_mbps", n.lowest_rate_mbps},
              {"beacon_bytes", n.beacon_bytes}};
    unless_usual(json, "limit_down_mbps", n.limit_down_mbps, usual.limit_down_mbps);
    unless_usual(json, "limit_up_mbps", n.limit_up_mbps, usual.limit_up_mbps);
    unless_usual(json, "addresses", n.addresses, usual.addresses);
    if (!n.steer_to.empty()) json["steer_to_ghz"] = write_bands_of(n.steer_to);
    return json;
}
Network read_network(const Reader& r) {
    Network n;
    n.key = r.at("key").text();
    n.name = r.at("name").text();
    n.bands = read_bands_of(r.at("bands_ghz"));
    n.lowest_rate_mbps = r.at("lowest_rate_mbps").number();
    n.beacon_bytes = r.at("beacon_bytes").number();
    number_if_any(r, "limit_down_mbps", n.limit_down_mbps);
    number_if_any(r, "limit_up_mbps", n.limit_up_mbps);
    number_if_any(r, "addresses", n.addresses);
    if (const auto steer = r.find("steer_to_ghz")) n.steer_to = read_bands_of(*steer);
    return r.kept(std::move(n));
}

Json write_uplink(const Uplink& u) {
    return {{"down_mbps", u.down_mbps},
            {"up_mbps", u.up_mbps},
            {"allowed", u.allowed},
            {"connections", u.connections},
            {"connections_per_client", u.connections_per_client}};
}
Uplink read_uplink(const Reader& r) {
    return r.kept(Uplink{r.at("down_mbps").number(), r.at("up_mbps").number(), r.at("allowed").number(),
                         r.at("connections").number(), r.at("connections_per_client").number()});
}

}  // namespace

Json write_zone_demand(const ZoneDemand& d) {
    const ZoneDemand usual;
    Json json{{"by", people_by_name(d.by)}, {"amount", d.amount}, {"devices", d.devices}};
    unless_usual(json, "taken", d.taken, usual.taken);
    unless_usual(json, "connected", d.connected, usual.connected);
    unless_usual(json, "growth", d.growth, usual.growth);
    unless_usual(json, "limit_down_mbps", d.limit_down_mbps, usual.limit_down_mbps);
    unless_usual(json, "limit_up_mbps", d.limit_up_mbps, usual.limit_up_mbps);
    unless_usual(json, "network", d.network, usual.network);
    json["profiles"] = write_mix(d.profiles);
    json["applications"] = write_mix(d.applications);
    if (!d.presence.empty())
        json["presence"] = write_list(d.presence, [](const Presence& p) {
            return Json{{"hour", p.hour}, {"share", p.share}};
        });
    return json;
}

ZoneDemand read_zone_demand(const Reader& r) {
    ZoneDemand d;
    d.by = r.at("by").word(find_people_by);
    d.amount = r.at("amount").number();
    d.devices = r.at("devices").number();
    number_if_any(r, "taken", d.taken);
    number_if_any(r, "connected", d.connected);
    number_if_any(r, "growth", d.growth);
    number_if_any(r, "limit_down_mbps", d.limit_down_mbps);
    number_if_any(r, "limit_up_mbps", d.limit_up_mbps);
    if (const auto network = r.find("network")) d.network = network->text(limits::key);
    d.profiles = read_mix(r.at("profiles"));
    d.applications = read_mix(r.at("applications"));
    d.presence = read_list_if_any<Presence>(r, "presence", [](const Reader& p) {
        return Presence{p.at("hour").text(limits::key), p.at("share").number()};
    });
    return r.kept(std::move(d));
}

Json write_application(const Application& a) {
    const Application usual;
    Json json{{"key", a.key},
              {"name", a.name},
              {"down_mbps", a.down_mbps},
              {"up_mbps", a.up_mbps},
              {"active", a.active},
              {"packet_down_bytes", a.packet_down_bytes},
              {"packet_up_bytes", a.packet_up_bytes},
              {"delay", delay_class_name(a.delay)}};
    unless_usual(json, "burst_down", a.burst_down, usual.burst_down);
    unless_usual(json, "burst_up", a.burst_up, usual.burst_up);
    unless_usual(json, "least_signal_dbm", a.least_signal_dbm, usual.least_signal_dbm);
    unless_usual(json, "least_rate_mbps", a.least_rate_mbps, usual.least_rate_mbps);
    return json;
}

Application read_application(const Reader& r) {
    Application a;
    a.key = r.at("key").text();
    a.name = r.at("name").text();
    a.down_mbps = r.at("down_mbps").number();
    a.up_mbps = r.at("up_mbps").number();
    a.active = r.at("active").number();
    a.packet_down_bytes = r.at("packet_down_bytes").integer();
    a.packet_up_bytes = r.at("packet_up_bytes").integer();
    a.delay = r.at("delay").word(find_delay_class);
    number_if_any(r, "burst_down", a.burst_down);
    number_if_any(r, "burst_up", a.burst_up);
    number_if_any(r, "least_signal_dbm", a.least_signal_dbm);
    number_if_any(r, "least_rate_mbps", a.least_rate_mbps);
    return r.kept(std::move(a));
}

Json write_demand_book(const DemandBook& b) {
    return {{"hours", write_list(b.hours,
                                 [](const BusyHour& h) {
                                     return Json{{"key", h.key}, {"name", h.name}};
                                 })},
            {"hour", b.hour},
            {"applications", write_list(*b.applications, write_application)},
            {"networks", write_list(*b.networks, write_network)},
            {"uplink", write_uplink(b.uplink)}};
}

DemandBook read_demand_book(const Reader& r) {
    DemandBook b;
    r.part([&] {
        b.hours = read_list<BusyHour>(
            r.at("hours"),
            [](const Reader& h) {
                return h.kept(BusyHour{h.at("key").text(), h.at("name").text()});
            },
            limits::busy_hours);
    });
    r.part([&] { b.hour = r.at("hour").text(limits::key); });
    r.part([&] {
        b.applications = read_list<Application>(r.at("applications"), read_application, limits::applications);
    });
    r.part([&] { b.networks = read_list<Network>(r.at("networks"), read_network, limits::networks); });
    r.part([&] { b.uplink = read_uplink(r.at("uplink")); });
    // nobody could be there without one
    if (b.hours.empty()) b.hours = DemandBook().hours;
    if (!find_hour(b, b.hour)) b.hour = b.hours.front().key;
    return b;
}

}  // namespace yemvo
