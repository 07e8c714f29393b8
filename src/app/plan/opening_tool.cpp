// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/opening_tool.h"

#include <algorithm>
#include <cmath>

#include "app/look/theme.h"
#include "app/model/next_things.h"
#include "geometry/point.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

std::vector<HintPart> OpeningTool::hint() const {
    if (kind_ == OpeningKind::window)
        return {{"", tr("click on a wall")}, {tr("Alt"), tr("no snapping")}, {tr("Esc"), tr("exit tool")}};
    return {{"", tr("click on a wall; the side of the pointer is where it opens")},
            {"F", tr("other hinge")},
            {tr("Esc"), tr("exit tool")}};
}

std::optional<std::pair<WallId, Opening>> OpeningTool::at(const PointerEvent& e) const {
    const auto place = wall_at(*floor(), e.floor, 14 / map().px_per_m);
    if (!place) return std::nullopt;
    const Wall& wall = *find_wall(*floor(), place->wall);
    const Segment piece = wall.piece(place->piece);
    Opening o;
    o.kind = kind_;
    o.type = kind_ == OpeningKind::door ? workspace_.next()->door_type : workspace_.next()->window_type;
    const NextKinds& next = workspace_.next().kinds();
    const double piece_m = piece_length_m(wall, place->piece);
    const bool door = kind_ == OpeningKind::door;
    o.width_m = std::min(door ? next.door_width_m : next.window_width_m, piece_m);
    o.sill_m = door ? wall.base_m : next.window_sill_m;
    o.head_m = door ? wall.base_m + next.door_head_m : next.window_head_m;
    o.open = door && next.door_open;
    o.piece = place->piece;
    double start_m = place->along_m - o.width_m / 2;
    if (!(e.keys & Qt::AltModifier)) start_m = std::round(start_m / 0.1) * 0.1;
    o.start_m = std::clamp(start_m, 0.0, piece_m - o.width_m);
    o.swings_left = cross(piece.b - piece.a, e.floor - piece.a) > 0;
    o.hinge_at_end = flipped_;
    return std::pair{wall.id, o};
}

void OpeningTool::move(const PointerEvent& e) {
    if (!floor()) return;
    last_ = e;
    shown_ = at(e);
    surface_.repaint_tool();
}

void OpeningTool::press(const PointerEvent& e) {
    if (!floor()) return;
    const auto found = at(e);
    if (!found) return workspace_.tell(tr("%1s go into a wall: click on one").arg(name()), true);
    const FloorId here = workspace_.floor_id();
    const Segment s = span(*find_wall(*floor(), found->first), found->second);
    for (const Opening& other : find_wall(*floor(), found->first)->openings)
        if (other.piece == found->second.piece && other.start_m < found->second.start_m + length(s) - 1e-6 &&
            found->second.start_m < other.start_m + other.width_m - 1e-6)
            return workspace_.tell(tr("There is an opening here already: choose a place beside it"), true);
    workspace_.edit(tr("Place %1").arg(name().toLower()),
                    [&](Project& p) { add_opening(p, here, found->first, found->second); });
    shown_.reset();
}

bool OpeningTool::key(QKeyEvent& e) {
    if (e.key() != Qt::Key_F || kind_ == OpeningKind::window) return false;
    flipped_ = !flipped_;
    if (last_) move(*last_);
    return true;
}

void OpeningTool::paint(QPainter& p) {
    if (!shown_ || !floor()) return;
    const Wall* wall = find_wall(*floor(), shown_->first);
    if (!wall) return;
    const auto& colours = theme();
    const Segment s = span(*wall, shown_->second), piece = wall->piece(shown_->second.piece);
    const QPointF a = map().to_screen(s.a), b = map().to_screen(s.b);
    p.setPen(QPen(colours.accent_tint, 7, Qt::SolidLine, Qt::FlatCap));
    p.drawLine(a, b);
    p.setPen(QPen(colours.accent, 2, Qt::SolidLine, Qt::FlatCap));
    if (kind_ == OpeningKind::window) {
        p.drawLine(a, b);
    } else {
        const Point side =
            left_of(unit(s.b - s.a)) * (shown_->second.width_m * (shown_->second.swings_left ? 1 : -1));
        const Point hinge = shown_->second.hinge_at_end ? s.b : s.a;
        p.drawLine(map().to_screen(hinge), map().to_screen(hinge + side));
    }
    // how far from both ends of the piece
    const auto dimension = [&](Point from, Point to) {
        if (distance(from, to) * map().px_per_m < 30) return;
        const Point off = left_of(unit(piece.b - piece.a)) * (16 / map().px_per_m);
        render::draw_halo_text(p, map().to_screen(lerp(from, to, 0.5) + off),
                               render::local(format_length(distance(from, to), workspace_.units())),
                               render::font(10.5, 500), colours.accent, colours.casing);
    };
    dimension(piece.a, s.a);
    dimension(s.b, piece.b);
}

}  // namespace yemvo::app
