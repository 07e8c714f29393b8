// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/kinds/wall.h"

#include "project/json_shapes.h"
#include "project/rule_parts.h"

namespace yemvo {

using namespace rule;

void check(const Opening& o) {
    number("start_m", mark("place along the wall"), o.start_m, limits::opening_start_m);
    number("width_m", mark("width"), o.width_m, limits::opening_width_m);
    number("sill_m", mark("sill height"), o.sill_m, limits::above_floor_m);
    number("head_m", mark("head height"), o.head_m, limits::above_floor_m);
}

void check(const Wall& w) {
    corners("points", w.points, 2);
    number("base_m", mark("base height"), w.base_m, limits::above_floor_m);
    top(w.top_m);
    if (!w.bulges.empty() && static_cast<int>(w.bulges.size()) != w.pieces())
        broken("bulges", say("curves"), say("need one number a piece, %1", w.pieces()));
    for (std::size_t i = 0; i < w.bulges.size(); ++i) {
        if (!limits::bulge.holds(w.bulges[i]))
            broken(indexed("bulges", i), say("arc"), say("must leave at least 2.3° of its circle open"));
        const Segment piece = w.piece(static_cast<int>(i));
        if (w.bulges[i] != 0 && piece.a == piece.b)
            broken(indexed("bulges", i), say("arc"),
                   say("curves a piece that has no length: its ends are in one place"));
    }
    for (std::size_t i = 0; i < w.openings.size(); ++i) {
        if (w.openings[i].piece < 0 || w.openings[i].piece >= w.pieces())
            broken(indexed("openings", i) + ".piece", say("opening"),
                   say("is in a piece that the wall does not have"));
        try {
            check(w.openings[i]);
        } catch (RuleBroken& rule) {
            rule.field = indexed("openings", i) + "." + rule.field;
            rule.words = say("%1 of opening %2", rule.words, i + 1);
            throw;
        }
    }
}

void KindOf<Wall>::set_points(Wall& w, const std::vector<Point>& points) {
    if (points.size() != w.points.size()) throw std::logic_error("another number of corners");
    w.points = points;
}

void KindOf<Wall>::mirror(Wall& w) {
    for (double& b : w.bulges) b = -b;
    for (Opening& o : w.openings) o.swings_left = !o.swings_left;
}

void KindOf<Wall>::scale(Wall& w, double by) {
    for (Opening& o : w.openings) {
        o.start_m *= by;
        o.width_m *= by;
    }
}

namespace {

Json write_opening(const Opening& o) {
    return {{"id", o.id.value},
            {"kind", o.kind == OpeningKind::door ? "door" : "window"},
            {"type", o.type.value},
            {"piece", o.piece},
            {"start_m", o.start_m},
            {"width_m", o.width_m},
            {"sill_m", o.sill_m},
            {"head_m", o.head_m},
            {"hinge_at_end", o.hinge_at_end},
            {"swings_left", o.swings_left},
            {"open", o.open}};
}

std::optional<OpeningKind> find_opening_kind(std::string_view name) {
    if (name == "door") return OpeningKind::door;
    if (name == "window") return OpeningKind::window;
    return std::nullopt;
}

Opening read_opening(const Reader& r, const Wall& wall) {
    Opening o;
    o.id = r.at("id").id<OpeningId>();
    o.kind = r.at("kind").word(find_opening_kind);
    o.type = r.at("type").id<WallTypeId>();
    o.piece = r.at("piece").integer();
    if (o.piece < 0 || o.piece >= wall.pieces())
        r.at("piece").fail(say("names a piece that the wall does not have"));
    o.start_m = r.at("start_m").number();
    o.width_m = r.at("width_m").number();
    o.sill_m = r.at("sill_m").number();
    o.head_m = r.at("head_m").number();
    o.hinge_at_end = r.at("hinge_at_end").boolean();
    o.swings_left = r.at("swings_left").boolean();
    if (const auto open = r.find("open")) o.open = open->boolean();
    return r.kept(o);
}

}  // namespace

Json KindOf<Wall>::write(const Wall& w) {
    Json json{{"id", w.id.value},
              {"type", w.type.value},
              {"points", write_points(w.points)},
              {"base_m", w.base_m},
              {"top_m", write_top(w.top_m)},
              {"to_ceiling", w.to_ceiling},
              {"openings", write_list(w.openings, write_opening)}};
    if (!w.bulges.empty()) json["bulges"] = w.bulges;
    write_group(json, w.group);
    return json;
}

Wall KindOf<Wall>::read(const Reader& r) {
    Wall w;
    w.id = r.at("id").id<WallId>();
    w.type = r.at("type").id<WallTypeId>();
    w.points = read_points(r.at("points"));
    w.base_m = r.at("base_m").number();
    w.top_m = read_top(r);
    if (const auto flag = r.find("to_ceiling")) w.to_ceiling = flag->boolean();
    if (const auto bulges = r.find("bulges")) {
        for (const Reader& b : bulges->items(limits::points)) w.bulges.push_back(b.number());
    }
    w.group = read_group(r);
    w = r.kept(std::move(w));
    w.openings = read_list<Opening>(r.at("openings"), [&](const Reader& o) { return read_opening(o, w); });
    return w;
}

}  // namespace yemvo
