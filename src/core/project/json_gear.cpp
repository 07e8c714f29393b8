// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/json_gear.h"

#include "project/json_antenna.h"
#include "project/json_handover.h"
#include "project/json_lists.h"
#include "project/json_shapes.h"

namespace yemvo {
namespace {

Json write_power(const PowerRange& p) {
    if (!p.levels_dbm.empty()) return {{"levels_dbm", p.levels_dbm}};
    return {{"low_dbm", p.low_dbm}, {"high_dbm", p.high_dbm}, {"step_db", p.step_db}};
}

PowerRange read_power(const Reader& r) {
    PowerRange p;
    if (const auto levels = r.find("levels_dbm")) {
        for (const Reader& level : levels->items(limits::power_levels))
            p.levels_dbm.push_back(level.number());
        if (p.levels_dbm.empty()) levels->fail(say("needs at least one level"));
        p.low_dbm = p.levels_dbm.front();
        p.high_dbm = p.levels_dbm.back();
        return p;
    }
    p.low_dbm = r.at("low_dbm").number();
    p.high_dbm = r.at("high_dbm").number();
    p.step_db = r.at("step_db").number();
    return p;
}

Json write_chains(const Chains& c) {
    return {{"transmit", c.transmit}, {"receive", c.receive}, {"streams", c.streams}};
}

Chains read_chains(const Reader& r) {
    return {r.at("transmit").integer(), r.at("receive").integer(), r.at("streams").integer()};
}

Json write_radio_band(const RadioBand& b) {
    Json json{{"band_ghz", band(b.band).name},        {"widest_mhz", b.widest_mhz},
              {"power", write_power(b.power)},        {"chains", write_chains(b.chains)},
              {"noise_figure_db", b.noise_figure_db}, {"antenna", write_antenna(b.antenna)}};
    if (!b.connector.empty()) json["connector"] = b.connector;
    return json;
}

RadioBand read_radio_band(const Reader& r) {
    RadioBand b;
    b.band = r.at("band_ghz").word(find_band);
    b.widest_mhz = r.at("widest_mhz").integer();
    b.power = read_power(r.at("power"));
    b.chains = read_chains(r.at("chains"));
    if (const auto figure = r.find("noise_figure_db")) b.noise_figure_db = figure->number();
    b.antenna = read_antenna(r.at("antenna"));
    if (const auto connector = r.find("connector")) b.connector = connector->text();
    return b;
}

Json write_radio_model(const RadioModel& m) {
    Json json{{"standard", m.standard}, {"bands", write_list(m.bands, write_radio_band)}};
    if (m.most_clients) json["most_clients"] = m.most_clients;
    return json;
}

RadioModel read_radio_model(const Reader& r) {
    RadioModel m;
    m.standard = r.at("standard").text();
    const Reader list = r.at("bands");
    for (const Reader& b : list.items(limits::bands)) m.bands.push_back(read_radio_band(b));
    if (const auto most = r.find("most_clients")) m.most_clients = most->integer();
    return m;
}

Json write_radio_limit(const RadioLimit& l) {
    Json json{{"radio", l.radio}};
    if (!l.on) json["on"] = false;
    if (l.transmit_chains) json["transmit_chains"] = *l.transmit_chains;
    if (l.receive_chains) json["receive_chains"] = *l.receive_chains;
    if (l.streams) json["streams"] = *l.streams;
    if (l.power_high_dbm) json["power_high_dbm"] = *l.power_high_dbm;
    return json;
}

RadioLimit read_radio_limit(const Reader& r) {
    RadioLimit l;
    l.radio = r.at("radio").integer();
    if (const auto on = r.find("on")) l.on = on->boolean();
    if (const auto n = r.find("transmit_chains")) l.transmit_chains = n->integer();
    if (const auto n = r.find("receive_chains")) l.receive_chains = n->integer();
    if (const auto n = r.find("streams")) l.streams = n->integer();
    if (const auto high = r.find("power_high_dbm")) l.power_high_dbm = high->number();
    return l;
}

Json write_alternative(const PowerAlternative& a) {
    return {{"name", a.name}, {"limits", write_list(a.limits, write_radio_limit)}};
}

PowerAlternative read_alternative(const Reader& r) {
    PowerAlternative a{r.at("name").text(), {}};
    const Reader list = r.at("limits");
    for (const Reader& l : list.items(limits::radios)) a.limits.push_back(read_radio_limit(l));
    return a;
}

Json write_power_row(const PowerRow& row) {
    return {{"source", power_source_key(row.source)},
            {"watts", row.watts},
            {"alternatives", write_list(row.alternatives, write_alternative)}};
}

PowerRow read_power_row(const Reader& r) {
    PowerRow row{r.at("source").word(find_power_source), r.at("watts").number(), {}};
    const Reader list = r.at("alternatives");
    for (const Reader& a : list.items(limits::power_alternatives))
        row.alternatives.push_back(read_alternative(a));
    return row;
}

Json write_radio(const Radio& r) {
    Json json{{"band_ghz", band(r.channel.band).name},
              {"channel", r.channel.number},
              {"width_mhz", r.channel.width_mhz},
              {"primary", r.primary},
              {"power_dbm", r.power_dbm},
              {"on", r.on}};
    if (r.antenna) json["antenna"] = r.antenna.value;
    if (!r.cable.empty()) json["cable"] = r.cable;
    if (r.cable_m != 0) json["cable_m"] = r.cable_m;
    if (!r.without.empty()) json["without_networks"] = r.without;
    if (r.channel_open) json["channel_open"] = true;
    if (r.locked) json["locked"] = true;
    if (r.automatic) json["automatic"] = true;
    return json;
}

Radio read_radio(const Reader& r) {
    Radio radio;
    radio.channel = {r.at("band_ghz").word(find_band), r.at("channel").integer(),
                     r.at("width_mhz").integer()};
    radio.primary = r.at("primary").integer();
    radio.power_dbm = r.at("power_dbm").number();
    radio.on = r.at("on").boolean();
    if (const auto antenna = r.find("antenna")) radio.antenna = antenna->id<AntennaId>();
    if (const auto cable = r.find("cable")) radio.cable = cable->text(limits::key);
    if (const auto metres = r.find("cable_m")) radio.cable_m = metres->number();
    if (const auto open = r.find("channel_open")) radio.channel_open = open->boolean();
    if (const auto locked = r.find("locked")) radio.locked = locked->boolean();
    if (const auto automatic = r.find("automatic")) radio.automatic = automatic->boolean();
    if (const auto without = r.find("without_networks"))
        for (const Reader& key : without->items(limits::networks))
            radio.without.push_back(key.text(limits::key));
    return radio;
}

}  // namespace

Json write_model(const AccessPointModel& m) {
    Json json{{"id", m.id.value},
              {"key", m.key},
              {"name", m.name},
              {"mount", mount_name(m.mount)},
              {"mount_height_m", m.mount_height_m}};
    if (!m.mounts.empty())
        json["mounts"] = write_list(m.mounts, [](Mount mount) { return Json(mount_name(mount)); });
    write_body(m.body, json);
    json["radios"] = write_list(m.radios, write_radio_model);
    if (!m.power.empty()) json["power"] = write_list(m.power, write_power_row);
    return json;
}

AccessPointModel read_model(const Reader& r) {
    AccessPointModel m;
    if (const auto id = r.find("id")) m.id = id->id<ModelId>();
    m.key = r.at("key").text();
    m.name = r.at("name").text();
    m.mount = r.at("mount").word(find_mount);
    m.mount_height_m = r.at("mount_height_m").number();
    if (const auto mounts = r.find("mounts"))
        for (const Reader& mount : mounts->items(4)) m.mounts.push_back(mount.word(find_mount));
    m.body = read_body(r);
    const Reader radios = r.at("radios");
    for (const Reader& item : radios.items(limits::radios)) m.radios.push_back(read_radio_model(item));
    if (const auto rows = r.find("power"))
        for (const Reader& row : rows->items(power_sources.size())) m.power.push_back(read_power_row(row));
    return r.kept(std::move(m));
}

Json write_access_point(const AccessPoint& ap) {
    Json json{{"id", ap.id.value},
              {"number", ap.number},
              {"model", ap.model.value},
              {"mount", mount_name(ap.mount)},
              {"position_m", write_point(ap.position)},
              {"height_m", ap.height_m},
              {"azimuth_deg", ap.azimuth_deg},
              {"downtilt_deg", ap.downtilt_deg},
              {"radios", write_list(ap.radios, write_radio)}};
    if (ap.source) json["power_source"] = power_source_key(*ap.source);
    if (ap.alternative != 0) json["power_alternative"] = ap.alternative;
    if (ap.device_class) json["device_class"] = device_class_key(*ap.device_class);
    if (ap.closet) json["closet"] = ap.closet.value;
    if (!ap.name.empty()) json["name"] = ap.name;
    if (!(ap.on_site == OnSite{})) json["on_site"] = write_on_site(ap.on_site);
    return json;
}

AccessPoint read_access_point(const Reader& r) {
    AccessPoint ap;
    ap.id = r.at("id").id<AccessPointId>();
    ap.number = r.at("number").integer();
    ap.model = r.at("model").id<ModelId>();
    ap.mount = r.at("mount").word(find_mount);
    ap.position = read_point(r.at("position_m"));
    ap.height_m = r.at("height_m").number();
    ap.azimuth_deg = r.at("azimuth_deg").number();
    ap.downtilt_deg = r.at("downtilt_deg").number();
    for (const Reader& item : r.at("radios").items(limits::radios)) ap.radios.push_back(read_radio(item));
    if (const auto source = r.find("power_source")) ap.source = source->word(find_power_source);
    if (const auto index = r.find("power_alternative")) ap.alternative = index->integer();
    if (const auto device = r.find("device_class")) ap.device_class = device->word(find_device_class);
    if (const auto closet = r.find("closet")) ap.closet = closet->id<ClosetId>();
    if (const auto name = r.find("name")) ap.name = name->text(limits::access_point_name);
    if (const auto on_site = r.find("on_site")) ap.on_site = read_on_site(*on_site);
    return r.kept(std::move(ap));
}

Json write_client(const ClientProfile& c) {
    Json widest = Json::object();
    for (const auto& [id, width_mhz] : c.widest_mhz) widest[band(id).name] = width_mhz;
    const ClientProfile usual;
    Json json{{"key", c.key},
              {"name", c.name},
              {"standard", c.standard},
              {"streams", c.streams},
              {"widest_mhz", widest},
              {"power_dbm", c.power_dbm},
              {"noise_figure_db", c.noise_figure_db}};
    for (const auto& [id, own_dbm] : c.own_power_dbm) json["own_power_dbm"][band(id).name] = own_dbm;
    if (c.gain_dbi != usual.gain_dbi) json["gain_dbi"] = c.gain_dbi;
    if (c.refuses_40_at_24) json["refuses_40_at_24"] = true;
    if (c.leaves_dbm != usual.leaves_dbm) json["leaves_dbm"] = c.leaves_dbm;
    if (!c.prefers_higher) json["prefers_higher"] = false;
    if (c.well_enough_dbm != usual.well_enough_dbm) json["well_enough_dbm"] = c.well_enough_dbm;
    return json;
}

ClientProfile read_client(const Reader& r) {
    ClientProfile c;
    c.key = r.at("key").text();
    c.name = r.at("name").text();
    c.standard = r.at("standard").text();
    c.streams = r.at("streams").integer();
    const Reader widest = r.at("widest_mhz");
    for (const Band& b : bands())
        if (const auto width = widest.find(b.name.c_str())) c.widest_mhz.emplace_back(b.id, width->integer());
    c.power_dbm = r.at("power_dbm").number();
    c.noise_figure_db = r.at("noise_figure_db").number();
    if (const auto own = r.find("own_power_dbm"))
        for (const Band& b : bands())
            if (const auto power = own->find(b.name.c_str()))
                c.own_power_dbm.emplace_back(b.id, power->number());
    if (const auto gain = r.find("gain_dbi")) c.gain_dbi = gain->number();
    if (const auto refuses = r.find("refuses_40_at_24")) c.refuses_40_at_24 = refuses->boolean();
    if (const auto leaves = r.find("leaves_dbm")) c.leaves_dbm = leaves->number();
    if (const auto prefers = r.find("prefers_higher")) c.prefers_higher = prefers->boolean();
    if (const auto enough = r.find("well_enough_dbm")) c.well_enough_dbm = enough->number();
    return r.kept(std::move(c));
}

}  // namespace yemvo
