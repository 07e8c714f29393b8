// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/mark_tools.h"

#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/next_things.h"
#include "app/model/selection.h"
#include "app/model/tool_id.h"
#include "app/plan/picking.h"
#include "project/edits.h"
#include "project/item.h"
#include "project/project.h"
#include "render/plan_solids.h"
#include "render/text_style.h"
#include "render/tr.h"
#include "venue/wall_shaping.h"

namespace yemvo::app {

std::vector<HintPart> ColumnTool::hint() const {
    return {
        {"", tr("click where its middle is")}, {tr("Alt"), tr("no snapping")}, {tr("Esc"), tr("exit tool")}};
}

Obstacle ColumnTool::column(Point c) const {
    const NextKinds& next = workspace_.next().kinds();
    const double x = next.column_width_m / 2, y = next.column_depth_m / 2;
    Obstacle o;
    o.kind = ObstacleKind::column;
    o.type = next.column_type;
    o.round = next.column_round;
    o.outline = o.round ? std::vector<Point>{c, {c.x + x, c.y}}
                        : std::vector<Point>{
                              {c.x - x, c.y - y}, {c.x + x, c.y - y}, {c.x + x, c.y + y}, {c.x - x, c.y + y}};
    return o;
}

void ColumnTool::move(const PointerEvent& e) {
    if (!floor()) return;
    SnapOptions o = snap_options(e);
    o.angles = false;
    pointer_ = snapped_to(e.floor, o);
    surface_.repaint_tool();
}

void ColumnTool::press(const PointerEvent& e) {
    if (!floor()) return;
    move(e);
    const Obstacle made = column(pointer_->point);
    const FloorId at = workspace_.floor_id();
    workspace_.edit(tr("Place column"), [&](Project& p) { add_obstacle(p, at, made); });
}

void ColumnTool::paint(QPainter& p) {
    if (!pointer_ || !floor()) return;
    p.setPen(QPen(theme().accent, 1.4));
    p.setBrush(theme().accent_tint);
    p.drawPolygon(render::polygon_of(body(column(pointer_->point)), map()));
    paint_snap(p, *pointer_);
}

void NoteTool::press(const PointerEvent& e) {
    if (!floor()) return;
    const FloorId at = workspace_.floor_id();
    NoteId made;
    Workspace& workspace = workspace_;  // this tool goes when another is chosen
    workspace.edit(tr("Pin note"), [&](Project& p) { made = add_note(p, at, {{}, "", e.floor, ""}); });
    workspace.activity().set_tool(ToolId::select);
    workspace.selection().select({{ItemKind::note, made.value}});
}

std::vector<HintPart> SplitTool::hint() const {
    return {{"", tr("click on a wall where it shall be cut")},
            {tr("Alt"), tr("no snapping")},
            {tr("Esc"), tr("exit tool")}};
}

std::optional<SplitTool::Cut> SplitTool::at(const PointerEvent& e) const {
    const auto place = wall_at(*floor(), e.floor, 14 / map().px_per_m);
    if (!place) return std::nullopt;
    const Wall& wall = *find_wall(*floor(), place->wall);
    double along_m = place->along_m;
    // a snap that lies on the wall is meant: a crossing, or the foot of another wall
    const Point snapped = snapped_to(e.floor, snap_options(e)).point;
    const PlaceOnWall exact = nearest_place(wall, snapped);
    if (exact.distance_m < 1e-6 && exact.piece == place->piece) along_m = exact.along_m;
    constexpr double least_m = 0.05;
    if (along_m < least_m || along_m > piece_length_m(wall, place->piece) - least_m) return std::nullopt;
    return Cut{place->wall, place->piece, along_m};
}

void SplitTool::move(const PointerEvent& e) {
    if (!floor()) return;
    shown_ = at(e);
    surface_.repaint_tool();
}

void SplitTool::press(const PointerEvent& e) {
    if (!floor()) return;
    const auto cut = at(e);
    if (!cut) return workspace_.tell(tr("Click on a wall, at least 5 cm from its corners"), true);
    const FloorId here = workspace_.floor_id();
    workspace_.edit(tr("Split wall"), [&](Project& p) {
        const auto parts = split(*find_wall(*find_floor(p, here), cut->wall), cut->piece, cut->along_m);
        replace_wall(p, here, parts[0]);
        if (parts.size() < 2) return;
        Wall second = parts[1];
        const auto openings = std::exchange(second.openings, {});
        const WallId made = add_wall(p, here, second);
        for (const Opening& o : openings) add_opening(p, here, made, o);
    });
    shown_.reset();
}

void SplitTool::paint(QPainter& p) {
    const Wall* wall = shown_ && floor() ? find_wall(*floor(), shown_->wall) : nullptr;
    if (!wall || shown_->piece >= wall->pieces()) return;
    const QPointF c = map().to_screen(place_on(*wall, shown_->piece, shown_->along_m));
    const Segment s = wall->piece(shown_->piece);
    const Point along = unit(s.b - s.a);
    const QPointF side = QPointF(-along.y, -along.x) * 14;
    for (const QPen& pen : {QPen(theme().casing, 5.5), QPen(theme().accent, 2)}) {
        p.setPen(pen);
        p.drawLine(c - side, c + side);
    }
    const auto told = [&](double from_m, double to_m) {
        render::draw_halo_text(
            p, map().to_screen(place_on(*wall, shown_->piece, (from_m + to_m) / 2)) + side * 1.2,
            render::local(format_length(to_m - from_m, workspace_.units())), render::font(10.5, 500),
            theme().accent, theme().casing);
    };
    told(0, shown_->along_m);
    told(shown_->along_m, piece_length_m(*wall, shown_->piece));
}

}  // namespace yemvo::app
