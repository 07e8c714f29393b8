// SPDX-License-Identifier: GPL-3.0-or-later
#include "venue/wall.h"

#include <algorithm>

namespace yemvo {

std::vector<Chord> chords(const Wall& wall) {
    std::vector<Chord> out;
    for_each_chord(wall, [&](const Chord& c) { out.push_back(c); });
    return out;
}

std::vector<Point> flattened(const Wall& wall) {
    if (wall.bulges.empty()) return wall.points;
    std::vector<Point> out{wall.points.front()};
    for_each_chord(wall, [&](const Chord& c) { out.push_back(c.line.b); });
    return out;
}

double piece_length_m(const Wall& wall, int piece) {
    const Segment straight = wall.piece(piece);
    return wall.bulge(piece) == 0 ? length(straight) : Arc(straight, wall.bulge(piece)).length_m();
}

double length_m(const Wall& wall) {
    double sum_m = 0;
    for (int i = 0; i < wall.pieces(); ++i) sum_m += piece_length_m(wall, i);
    return sum_m;
}

Point place_on(const Wall& wall, int piece, double along_m) {
    const Segment straight = wall.piece(piece);
    if (wall.bulge(piece) == 0) return straight.a + unit(straight.b - straight.a) * along_m;
    const Arc arc(straight, wall.bulge(piece));
    return arc.at(along_m / arc.length_m());
}

Segment span(const Wall& wall, const Opening& opening) {
    return {place_on(wall, opening.piece, opening.start_m),
            place_on(wall, opening.piece, opening.start_m + opening.width_m)};
}

namespace {

void add(std::vector<Panel>& out, Panel panel) {
    if (panel.end_m > panel.start_m && panel.top_m > panel.base_m) out.push_back(panel);
}

void add_piece(std::vector<Panel>& out, const Wall& wall, int piece, double top_m) {
    const double along_m = piece_length_m(wall, piece);
    std::vector<const Opening*> here;
    for (const Opening& o : wall.openings)
        if (o.piece == piece) here.push_back(&o);
    std::sort(here.begin(), here.end(), [](auto* a, auto* b) { return a->start_m < b->start_m; });

    double done_m = 0;
    for (const Opening* o : here) {
        const double start_m = std::clamp(o->start_m, done_m, along_m);
        const double end_m = std::clamp(o->start_m + o->width_m, start_m, along_m);
        const double sill_m = std::clamp(o->sill_m, wall.base_m, std::max(wall.base_m, top_m));
        const double head_m = std::clamp(o->head_m, sill_m, std::max(sill_m, top_m));
        add(out, {piece, done_m, start_m, wall.base_m, top_m, wall.type, {}});
        add(out, {piece, start_m, end_m, wall.base_m, sill_m, wall.type, {}});
        if (!o->open) add(out, {piece, start_m, end_m, sill_m, head_m, o->type, o->id});
        add(out, {piece, start_m, end_m, head_m, top_m, wall.type, {}});
        done_m = end_m;
    }
    add(out, {piece, done_m, along_m, wall.base_m, top_m, wall.type, {}});
}

}  // namespace

std::vector<Panel> panels(const Wall& wall, double ceiling_m) {
    std::vector<Panel> out;
    const double top_m = wall.top_m.value_or(ceiling_m);
    for (int piece = 0; piece < wall.pieces(); ++piece) add_piece(out, wall, piece, top_m);
    return out;
}

}  // namespace yemvo
