#include "project/json_types.h"

#include <nlohmann/json.hpp>

namespace yemvo {
namespace {

Json write_layer(const Layer& l) {
    Json json{{"material", write_material(l.material)}, {"thickness_m", l.thickness_m}};
    if (l.sheet_ohm > 0) json["sheet_ohm"] = l.sheet_ohm;
    return json;
}

Layer read_layer(const Reader& r) {
    Layer l{read_material(r.at("material")), r.at("thickness_m").number(0, 10), 0};
    if (const auto sheet = r.find("sheet_ohm")) l.sheet_ohm = sheet->number(0.01, 1e6);
    return l;
}

std::vector<LossPoint> read_losses(const Reader& losses) {
    std::vector<LossPoint> points;
    for (const Reader& p : losses.items(10'000)) {
        const LossPoint point{p.at("frequency_ghz").number(0.1, 300), p.at("loss_db").number(0, 2000),
                              p.at("low_db").number(0, 2000), p.at("high_db").number(0, 2000)};
        if (!points.empty() && point.frequency_ghz <= points.back().frequency_ghz)
            p.fail("must have a higher frequency than the one before");
        if (point.low_db > point.loss_db || point.high_db < point.loss_db)
            p.fail("must have low_db at most and high_db at least loss_db");
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
    return {r.at("name").text(200),          r.at("a").number(0.5, 200), r.at("b").number(-5, 5),
            r.at("c").number(0, 1e9),        r.at("d").number(-5, 5),    r.at("low_ghz").number(0, 1000),
            r.at("high_ghz").number(0, 1000)};
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
    t.key = r.at("key").text(100);
    t.name = r.at("name").text(2000);
    t.use = r.at("use").word(find_use);
    t.family = r.at("family").word(find_family);
    t.thickness_m = r.at("thickness_m").number(0.001, 10);
    t.source = r.at("source").text(1000);
    if (const auto group = r.find("group")) t.group = group->word(find_group);
    if (const auto hatch = r.find("hatch")) t.hatch = hatch->word(find_hatch);
    if (const auto spread = r.find("spread")) t.spread = spread->number(0, 1);
    if (const auto most = r.find("most_db")) t.most_db = most->number(0, 300);
    if (const auto saturates = r.find("saturates")) t.saturates = saturates->boolean();
    if (const auto note = r.find("note")) t.note = note->text();
    if (const auto losses = r.find("losses")) t.losses = read_losses(*losses);
    if (const auto layers = r.find("layers"))
        for (const Reader& item : layers->items(50)) t.layers.push_back(read_layer(item));
    if (t.losses.empty() && t.layers.empty()) r.fail("needs losses, or layers to compute them from");
    return t;
}

std::string types_to_json(const std::vector<WallType>& types) {
    Json list = Json::array();
    for (const WallType& t : types) {
        Json json = write_wall_type(t);
        json.erase("id");
        list.push_back(json);
    }
    const Json json{{"format", "yemvo-types"}, {"version", 1}, {"wall_types", list}};
    return json.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

std::vector<WallType> types_from_json(std::string_view text, const std::string& name) {
    Json json;
    try {
        json = Json::parse(text);
    } catch (const Json::exception& fault) {
        throw Error("is not JSON: " + std::string(fault.what()).substr(0, 200), name,
                    "Choose a file of types that Yemvo wrote");
    }
    const Reader r(json, name + ": ");
    if (r.at("format").text(60) != "yemvo-types") r.at("format").fail("is not 'yemvo-types'");
    if (r.at("version").integer(1, 1'000'000) > 1)
        throw Error("was written by a newer Yemvo", name, "Open it with that version");
    std::vector<WallType> types;
    for (const Reader& item : r.at("wall_types").items(10'000)) types.push_back(read_wall_type(item));
    return types;
}

}  // namespace yemvo
