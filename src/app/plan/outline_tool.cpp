// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/outline_tool.h"

#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/next_things.h"
#include "app/model/selection.h"
#include "app/model/tool_id.h"
#include "project/edits.h"
#include "project/items.h"
#include "project/room_walls.h"
#include "render/plan_solids.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

QString OutlineTool::name() const {
    static constexpr const char* names[] = {mark("Zone"),         mark("Void"),      mark("Plate"),
                                            mark("Ceiling area"), mark("Slab area"), mark("Obstacle"),
                                            mark("Shaft"),        mark("Ramp")};
    return tr(names[static_cast<int>(makes_)]);
}

bool OutlineTool::takes_rooms() const {
    return workspace_.next()->take_room && makes_ != Makes::plate && makes_ != Makes::shaft &&
           makes_ != Makes::ramp && !makes_rows();
}

bool OutlineTool::makes_rows() const {
    return makes_ == Makes::obstacle && workspace_.next()->obstacle_shape == ObstacleShape::rows;
}

const RoomFinder& OutlineTool::rooms() const {
    if (!rooms_ || !rooms_of_.same(floor()->walls) || rooms_gap_m_ != workspace_.next()->room_gap_m) {
        rooms_of_ = floor()->walls;
        rooms_gap_m_ = workspace_.next()->room_gap_m;
        rooms_ = std::make_unique<RoomFinder>(room_edges(workspace_.project(), *floor()), rooms_gap_m_);
    }
    return *rooms_;
}

std::vector<HintPart> OutlineTool::hint() const {
    if (takes_rooms())
        return {{"", tr("click inside a room; doors count as closed")}, {tr("Esc"), tr("exit tool")}};
    if (makes_rows())
        return {{"", tr("drag from the first row to the last")},
                {tr("Alt"), tr("no snapping")},
                {tr("Esc"), tr("exit tool")}};
    if (points_.empty())
        return {{"", tr("drag a rectangle, or click the corners")},
                {tr("Alt"), tr("no snapping")},
                {tr("Esc"), tr("exit tool")}};
    return {{"", tr("click the next corner")},
            {tr("Enter"), tr("close")},
            {tr("Shift"), tr("15° steps")},
            {tr("Esc"), tr("undo last point")}};
}

Snapped OutlineTool::snapped(const PointerEvent& e) const {
    SnapOptions o = snap_options(e);
    o.drawn = points_;
    if (!points_.empty() && !dragging_) o.from = points_.back();
    if (dragging_) o.angles = false;
    return snapped_to(e.floor, o);
}

void OutlineTool::press(const PointerEvent& e) {
    if (!floor()) return;
    if (takes_rooms()) {
        room_ = rooms().at(e.floor);
        if (room_) return finish(room_->outline);
        return workspace_.tell(
            tr("No room closes round this place: raise the gap that counts as closed, or draw it"), true);
    }
    pointer_ = snapped(e);
    if (points_.size() > 2 && distance(points_.front(), pointer_.point) < 1e-6) return finish(points_);
    if (points_.empty() || distance(points_.back(), pointer_.point) > 0.02) points_.push_back(pointer_.point);
    pressed_ = e.screen;
    surface_.repaint_tool();
}

void OutlineTool::move(const PointerEvent& e) {
    if (!floor()) return;
    if (takes_rooms()) {
        room_ = rooms().at(e.floor);
        return surface_.repaint_tool();
    }
    room_.reset();
    if (e.button == Qt::LeftButton && points_.size() == 1 && QLineF(pressed_, e.screen).length() > 6)
        dragging_ = true;
    pointer_ = snapped(e);
    pointed_ = true;
    surface_.repaint_tool();
}

void OutlineTool::release(const PointerEvent& e) {
    if (!dragging_ || !floor()) return;
    pointer_ = snapped(e);
    finish(outline());
}

bool OutlineTool::double_click(const PointerEvent&) {
    if (takes_rooms()) return true;
    finish(points_);
    return true;
}

bool OutlineTool::key(QKeyEvent& e) {
    if (points_.empty() || (e.key() != Qt::Key_Return && e.key() != Qt::Key_Enter)) return false;
    finish(points_);
    return true;
}

bool OutlineTool::back() {
    if (points_.empty()) return false;
    points_.pop_back();
    dragging_ = false;
    surface_.repaint_tool();
    return true;
}

std::vector<Point> OutlineTool::outline() const {
    if (!dragging_) {
        auto shown = points_;
        shown.push_back(pointer_.point);
        return shown;
    }
    const Point a = points_.front(), b = pointer_.point;
    return {a, {b.x, a.y}, b, {a.x, b.y}};
}

void OutlineTool::finish(std::vector<Point> corners) {
    points_.clear();
    dragging_ = false;
    surface_.repaint_tool();
    if (corners.size() < 3 || area_m2(corners) < 0.01) {
        workspace_.tell(tr("%1s need at least three corners and some area").arg(name()), true);
        return;
    }
    const FloorId at = workspace_.floor_id();
    if (makes_ == Makes::plate) {
        workspace_.edit(tr("Draw plate"), [&](Project& p) { set_plate(p, at, corners); });
        workspace_.activity().set_tool(ToolId::select);
        return;
    }
    if (makes_ == Makes::shaft) {
        const auto& floors = building_with(workspace_.project(), at).floors;
        const FloorId top = floors.back().id;
        const NextKinds& next = workspace_.next().kinds();
        workspace_.edit(tr("Draw shaft"), [&](Project& p) {
            add_shaft(p, at, top, next.shaft_name, next.shaft_type, corners);
        });
        return workspace_.tell(
            at == top ? tr("The shaft stands on this floor")
                      : tr("The shaft runs up to %1").arg(QString::fromStdString(floors.back().name)));
    }
    if (makes_ == Makes::ramp && corners.size() != 4)
        return workspace_.tell(
            tr("A ramp is a rectangle or has four corners: two of its foot, two of its head"), true);
    if (makes_rows()) {
        const auto outlines = rows(corners);
        if (outlines.empty())
            return workspace_.tell(
                tr("%1 rows of %2 do not fit in there")
                    .arg(workspace_.next()->rows.rows)
                    .arg(render::local(format_length(workspace_.next()->rows.depth_m, workspace_.units()))),
                true);
        std::vector<Item> made;
        workspace_.edit(counted("Draw %n row", "Draw %n rows", outlines.size()), [&](Project& p) {
            for (const auto& row : outlines) made.push_back(make(p, at, row));
            if (made.size() > 1) group_items(p, at, made);
        });
        return workspace_.selection().select(made);
    }
    Item made{};
    workspace_.edit(tr("Draw %1").arg(name().toLower()), [&](Project& p) { made = make(p, at, corners); });
    workspace_.selection().select({made});
}

Item OutlineTool::make(Project& p, FloorId at, const std::vector<Point>& corners) const {
    const NextKinds& next = workspace_.next().kinds();
    const Floor& f = *find_floor(p, at);
    switch (makes_) {
        case Makes::slab_void:
            return {ItemKind::slab_void, add_void(p, at, {{}, tr("Void").toStdString(), corners}).value};
        case Makes::ceiling:
            return {ItemKind::ceiling,
                    add_ceiling(p, at,
                                {{},
                                 "",
                                 corners,
                                 next.ceiling_height_m,
                                 next.ceiling_hung ? std::optional(next.ceiling_type) : std::nullopt})
                        .value};
        case Makes::slab_area:
            return {ItemKind::slab_area, add_slab_area(p, at, {{}, "", next.slab_type, corners}).value};
        case Makes::obstacle: {
            Obstacle o;
            o.kind = next.obstacle_kind;
            o.type = next.obstacle_type;
            o.outline = corners;
            o.top_m = std::min(next.obstacle_top_m, f.height_m);
            return {ItemKind::obstacle, add_obstacle(p, at, o).value};
        }
        case Makes::ramp: {
            // along the longer side, its foot where the hand began
            const bool wide = distance(corners[0], corners[1]) >= distance(corners[1], corners[2]);
            const std::vector<Point> outline =
                wide ? std::vector<Point>{corners[3], corners[0], corners[1], corners[2]} : corners;
            return {ItemKind::ramp, add_ramp(p, at, {{}, "", next.ramp_type, outline, 0, f.height_m}).value};
        }
        case Makes::zone:
        case Makes::plate:
        case Makes::shaft:
            break;
    }
    Zone zone{
        {}, tr("Zone %1").arg(f.zones->size() + 1).toStdString(), workspace_.next()->zone_kind, corners};
    zone.colour = static_cast<int>(f.zones->size()) % zone_colours;
    return {ItemKind::zone, add_zone(p, at, zone).value};
}

std::vector<std::vector<Point>> OutlineTool::rows(const std::vector<Point>& r) const {
    if (r.size() != 4) return {};
    // rows run along the longer side, unless they were told to run across
    RowsWanted wanted = workspace_.next()->rows;
    const bool wide = distance(r[0], r[1]) >= distance(r[1], r[2]);
    wanted.along_width = wide == wanted.along_width;
    return row_outlines(r[0], r[1], r[3] - r[0], wanted);
}

void OutlineTool::paint(QPainter& p) {
    if (!floor()) return;
    const auto& colours = theme();
    if (makes_ == Makes::plate && points_.empty() && !floor()->plate.empty()) {
        QPolygonF present;
        for (Point q : floor()->plate) present << map().to_screen(q);
        p.setPen(QPen(colours.accent, 1.2, Qt::DashLine));
        p.setBrush(Qt::NoBrush);
        p.drawPolygon(present);
    }
    if (room_ && takes_rooms()) {
        p.setPen(QPen(colours.accent, 1.6));
        p.setBrush(render::with_alpha(colours.accent, 0.12));
        p.drawPolygon(render::polygon_of(room_->outline, map()));
        render::draw_halo_text(p, map().to_screen(centroid(room_->outline)),
                               render::local(format_area(area_m2(room_->outline), workspace_.units(), 1)),
                               render::font(11.5, 600), colours.accent, colours.casing);
        p.setPen(QPen(colours.not_met, 2, Qt::DashLine));
        for (const BridgedGap& g : room_->gaps)
            p.drawLine(map().to_screen(g.line.a), map().to_screen(g.line.b));
        return;
    }
    if (dragging_ && makes_rows()) {
        p.setPen(QPen(colours.accent, 1.2));
        p.setBrush(render::with_alpha(colours.accent, 0.22));
        for (const auto& row : rows(outline())) p.drawPolygon(render::polygon_of(row, map()));
    }
    if (!points_.empty()) {
        QPolygonF polygon;
        const auto shown = outline();
        for (Point q : shown) polygon << map().to_screen(q);
        p.setPen(QPen(colours.accent, 1.6));
        p.setBrush(render::with_alpha(colours.accent, 0.10));
        p.drawPolygon(polygon);
        if (shown.size() > 2)
            render::draw_halo_text(p, map().to_screen(centroid(shown)),
                                   render::local(format_area(area_m2(shown), workspace_.units(), 1)),
                                   render::font(11.5, 600), colours.accent, colours.casing);
    }
    if (pointed_ && !takes_rooms()) paint_snap(p, pointer_);
}

}  // namespace yemvo::app
