// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/json_types.h"

#include <nlohmann/json.hpp>

#include "project/json_parse.h"
#include "project/json_write.h"
#include "project/library_file.h"

namespace yemvo {
namespace {

Json write_layer(const Layer& l) {
    Json json{{"material", write_material(l.material)}, {"thickness_m", l.thickness_m}};
    if (l.sheet_ohm > 0) json["sheet_ohm"] = l.sheet_ohm;
    return json;
}

Layer read_layer(const Reader& r) {
    Layer l{read_material(r.at("material")), r.at("thickness_m").number(), 0};
    if (const auto sheet = r.find("sheet_ohm")) l.sheet_ohm = sheet->number();
    return r.kept(std::move(l));
}

std::vector<LossPoint> read_losses(const Reader& losses) {
    std::vector<LossPoint> points;
    for (const Reader& p : losses.items(10'000)) {
        const LossPoint point{p.at("frequency_ghz").number(), p.at("loss_db").number(),
                              p.at("low_db").number(), p.at("high_db").number()};
        points.push_back(point);
    }
    return points;
}

}  // namespace

Json write_material(const Material& m) {
    return {{"name", m.name},        {"a", m.a}, {"b", m.b}, {"c", m.c}, {"d", m.d}, {"low_ghz", m.low_ghz},
            {"high_ghz", m.high_ghz}};
}

Material read_material(const Reader& r) {
    return r.kept(Material{r.at("name").text(), r.at("a").number(), r.at("b").number(), r.at("c").number(),
                           r.at("d").number(), r.at("low_ghz").number(), r.at("high_ghz").number()});
}

Json write_wall_type(const WallType& t) {
    Json losses = Json::array(), layers = Json::array();
    for (const LossPoint& p : t.losses)
        losses.push_back({{"frequency_ghz", p.frequency_ghz},
                          {"loss_db", p.loss_db},
                          {"low_db", p.low_db},
                          {"high_db", p.high_db}});
    for (const Layer& l : t.layers) layers.push_back(write_layer(l));
    return {{"id", t.id.value},
            {"key", t.key},
            {"name", t.name},
            {"use", use_name(t.use)},
            {"family", family_name(t.family)},
            {"group", group_name(t.group)},
            {"hatch", hatch_name(t.hatch)},
            {"thickness_m", t.thickness_m},
            {"losses", losses},
            {"layers", layers},
            {"spread", t.spread},
            {"most_db", t.most_db},
            {"saturates", t.saturates},
            {"source", t.source},
            {"note", t.note}};
}

WallType read_wall_type(const Reader& r) {
    WallType t;
    if (const auto id = r.find("id")) t.id = id->id<WallTypeId>();
    t.key = r.at("key").text();
    t.name = r.at("name").text();
    t.use = r.at("use").word(find_use);
    t.family = r.at("family").word(find_family);
    t.thickness_m = r.at("thickness_m").number();
    t.source = r.at("source").text();
    if (const auto group = r.find("group")) t.group = group->word(find_group);
    if (const auto hatch = r.find("hatch")) t.hatch = hatch->word(find_hatch);
    if (const auto spread = r.find("spread")) t.spread = spread->number();
    if (const auto most = r.find("most_db")) t.most_db = most->number();
    if (const auto saturates = r.find("saturates")) t.saturates = saturates->boolean();
    if (const auto note = r.find("note")) t.note = note->text();
    if (const auto losses = r.find("losses")) t.losses = read_losses(*losses);
    if (const auto layers = r.find("layers"))
        for (const Reader& item : layers->items(limits::layers)) t.layers.push_back(read_layer(item));
    return r.kept(std::move(t));
}

std::string types_to_json(const std::vector<WallType>& types) {
    Json list = Json::array();
    for (const WallType& t : types) {
        Json json = write_wall_type(t);
        json.erase("id");
        list.push_back(json);
    }
    const Json json{{"format", "yemvo-types"}, {"version", 1}, {"wall_types", list}};
    return json_text(json);
}

std::vector<WallType> types_from_json(std::string_view text, const std::string& name) {
    const Json json = parse_json(text, name, say("Choose a file of types that Yemvo wrote"));
    const Reader r(json, name + ": ");
    check_library_file(r, "yemvo-types", name);
    std::vector<WallType> types;
    for (const Reader& item : r.at("wall_types").items(10'000)) types.push_back(read_wall_type(item));
    return types;
}

}  // namespace yemvo
