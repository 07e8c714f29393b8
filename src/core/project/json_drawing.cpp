// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/json_drawing.h"

#include <nlohmann/json.hpp>

#include "project/rules.h"

namespace yemvo {
namespace {

Json write_wide(Point p) { return Json::array({p.x, p.y}); }

Point read_wide(const Reader& r) {
    const auto items = r.items(2);
    if (items.size() != 2) r.fail(say("must be [x, y]"));
    return {items[0].number(), items[1].number()};
}

Json write_corners(const std::vector<Point>& points) {
    Json list = Json::array();
    for (Point p : points) list.push_back(write_wide(p));
    return list;
}

std::vector<Point> read_corners(const Reader& r) {
    std::vector<Point> points;
    for (const Reader& item : r.items(limits::points)) points.push_back(read_wide(item));
    return points;
}

Json write_placement(const Similarity& s) {
    return {{"metres_per_unit", s.scale}, {"turn_deg", s.turn_deg}, {"shift_m", write_wide(s.shift)}};
}

Similarity read_placement(const Reader& r) {
    return {r.at("metres_per_unit").number(), r.at("turn_deg").number(), read_wide(r.at("shift_m"))};
}

Json write_source(const DrawingSource& s) {
    return {{"asset", s.asset},
            {"kind", drawing_kind_name(s.kind)},
            {"page", s.page},
            {"sheet", write_corners({s.sheet.low, s.sheet.high})},
            {"hidden_layers", s.hidden_layers}};
}

DrawingSource read_source(const Reader& r) {
    DrawingSource s;
    s.asset = r.at("asset").text();
    s.kind = r.at("kind").word(find_drawing_kind);
    s.page = r.at("page").integer();
    const Reader sheet = r.at("sheet");
    const auto corners = sheet.items(2);
    if (corners.size() != 2) sheet.fail(say("must be [[x, y], [x, y]]"));
    s.sheet = {read_wide(corners[0]), read_wide(corners[1])};
    for (const Reader& name : r.at("hidden_layers").items(limits::hidden_layers))
        s.hidden_layers.push_back(name.text());
    return s;
}

}  // namespace

Json write_drawing(const Drawing& d) {
    Json lengths = Json::array();
    for (const KnownLength& k : d.lengths)
        lengths.push_back({{"a", write_wide(k.a)}, {"b", write_wide(k.b)}, {"length_m", k.length_m}});
    Json json{{"id", d.id.value},
              {"name", d.name},
              {"source", write_source(d.source)},
              {"crop", write_corners(d.crop)},
              {"placement", write_placement(d.placement)},
              {"scale_by", scale_by_name(d.scale_by)},
              {"lengths", lengths},
              {"opacity", d.opacity},
              {"lighten", d.lighten},
              {"inverted", d.inverted},
              {"shown", d.shown}};
    if (d.earlier)
        json["earlier"] = {{"source", write_source(d.earlier->source)},
                           {"crop", write_corners(d.earlier->crop)},
                           {"placement", write_placement(d.earlier->placement)}};
    return json;
}

Drawing read_drawing(const Reader& r) {
    Drawing d;
    d.id = r.at("id").id<DrawingId>();
    d.name = r.at("name").text();
    d.source = read_source(r.at("source"));
    d.crop = read_corners(r.at("crop"));
    d.placement = read_placement(r.at("placement"));
    d.scale_by = r.at("scale_by").word(find_scale_by);
    for (const Reader& k : r.at("lengths").items(limits::pairs))
        d.lengths.push_back({read_wide(k.at("a")), read_wide(k.at("b")), k.at("length_m").number()});
    d.opacity = r.at("opacity").number();
    d.lighten = r.at("lighten").number();
    d.inverted = r.at("inverted").boolean();
    d.shown = r.at("shown").boolean();
    if (const auto e = r.find("earlier"))
        d.earlier = EarlierRevision{read_source(e->at("source")), read_corners(e->at("crop")),
                                    read_placement(e->at("placement"))};
    return r.kept(std::move(d));
}

}  // namespace yemvo
