// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/json_gear.h"

#include <algorithm>
#include <nlohmann/json.hpp>

#include "project/json_shapes.h"
#include "wireless/rates.h"

namespace yemvo {
namespace {

struct LobeWriter {
    Json operator()(const DomeLobe& l) const {
        return {{"shape", "dome"}, {"beamwidth_deg", l.beamwidth_deg}, {"floor_db", l.floor_db}};
    }
    Json operator()(const SectorLobe& l) const {
        return {{"shape", "sector"},
                {"horizontal_deg", l.horizontal_deg},
                {"vertical_deg", l.vertical_deg},
                {"tilt_deg", l.tilt_deg},
                {"front_back_db", l.front_back_db},
                {"side_limit_db", l.side_limit_db}};
    }
    Json operator()(const PatchLobe& l) const {
        return {{"shape", "patch"}, {"exponent", l.exponent}, {"floor_db", l.floor_db}};
    }
    Json operator()(const DipoleLobe&) const { return {{"shape", "dipole"}}; }
};

Lobe read_lobe(const Reader& r) {
    const std::string shape = r.at("shape").text();
    if (shape == "dome") return DomeLobe{r.at("beamwidth_deg").number(), r.at("floor_db").number()};
    if (shape == "sector")
        return SectorLobe{r.at("horizontal_deg").number(), r.at("vertical_deg").number(),
                          r.at("tilt_deg").number(), r.at("front_back_db").number(),
                          r.at("side_limit_db").number()};
    if (shape == "patch") return PatchLobe{r.at("exponent").number(), r.at("floor_db").number()};
    if (shape == "dipole") return DipoleLobe{};
    r.at("shape").fail(say("does not know '%1'", shape));
}

Json write_antenna(const Antenna& a) {
    Json json{{"gain_dbi", a.gain_dbi}};
    json.update(std::visit(LobeWriter{}, a.lobe));
    return json;
}

Antenna read_antenna(const Reader& r) { return {r.at("gain_dbi").number(), read_lobe(r)}; }

Json write_radio_model(const RadioModel& m) {
    Json list = Json::array();
    for (const RadioBand& b : m.bands)
        list.push_back({{"band_ghz", band(b.band).name},
                        {"widest_mhz", b.widest_mhz},
                        {"power_low_dbm", b.power_low_dbm},
                        {"power_high_dbm", b.power_high_dbm},
                        {"power_step_db", b.power_step_db},
                        {"antenna", write_antenna(b.antenna)}});
    return {{"chains", m.chains}, {"standard", m.standard}, {"bands", list}};
}

RadioModel read_radio_model(const Reader& r) {
    RadioModel m{r.at("chains").integer(), r.at("standard").text(), {}};
    const Reader list = r.at("bands");
    for (const Reader& b : list.items(20)) {
        RadioBand can;
        can.band = b.at("band_ghz").word(find_band);
        can.widest_mhz = b.at("widest_mhz").integer();
        can.power_low_dbm = b.at("power_low_dbm").number();
        can.power_high_dbm = b.at("power_high_dbm").number();
        can.power_step_db = b.at("power_step_db").number();
        can.antenna = read_antenna(b.at("antenna"));
        m.bands.push_back(can);
    }
    return m;
}

Json write_radio(const Radio& r) {
    return {{"band_ghz", band(r.channel.band).name},
            {"channel", r.channel.number},
            {"width_mhz", r.channel.width_mhz},
            {"primary", r.primary},
            {"power_dbm", r.power_dbm},
            {"on", r.on}};
}

Radio read_radio(const Reader& r) {
    Radio radio;
    radio.channel = {r.at("band_ghz").word(find_band), r.at("channel").integer(),
                     r.at("width_mhz").integer()};
    radio.primary = r.at("primary").integer();
    radio.power_dbm = r.at("power_dbm").number();
    radio.on = r.at("on").boolean();
    return radio;
}

}  // namespace

Json write_model(const AccessPointModel& m) {
    Json radios = Json::array();
    for (const RadioModel& r : m.radios) radios.push_back(write_radio_model(r));
    return {{"id", m.id.value},
            {"key", m.key},
            {"name", m.name},
            {"mount", mount_name(m.mount)},
            {"mount_height_m", m.mount_height_m},
            {"radios", radios}};
}

AccessPointModel read_model(const Reader& r) {
    AccessPointModel m;
    if (const auto id = r.find("id")) m.id = id->id<ModelId>();
    m.key = r.at("key").text();
    m.name = r.at("name").text();
    m.mount = r.at("mount").word(find_mount);
    m.mount_height_m = r.at("mount_height_m").number();
    const Reader radios = r.at("radios");
    for (const Reader& item : radios.items(limits::radios)) m.radios.push_back(read_radio_model(item));
    return r.kept(std::move(m));
}

Json write_access_point(const AccessPoint& ap) {
    Json radios = Json::array();
    for (const Radio& r : ap.radios) radios.push_back(write_radio(r));
    return {{"id", ap.id.value},
            {"number", ap.number},
            {"model", ap.model.value},
            {"mount", mount_name(ap.mount)},
            {"position_m", write_point(ap.position)},
            {"height_m", ap.height_m},
            {"azimuth_deg", ap.azimuth_deg},
            {"downtilt_deg", ap.downtilt_deg},
            {"radios", radios}};
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
    return r.kept(std::move(ap));
}

Json write_client(const ClientProfile& c) {
    Json widest = Json::object();
    for (const auto& [id, width_mhz] : c.widest_mhz) widest[band(id).name] = width_mhz;
    return {{"key", c.key},
            {"name", c.name},
            {"standard", c.standard},
            {"streams", c.streams},
            {"widest_mhz", widest},
            {"power_dbm", c.power_dbm},
            {"noise_figure_db", c.noise_figure_db}};
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
    return r.kept(std::move(c));
}

}  // namespace yemvo
