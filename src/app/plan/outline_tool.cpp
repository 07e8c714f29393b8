#include "app/plan/outline_tool.h"

#include "app/shell/theme.h"
#include "project/edits.h"
#include "render/text_style.h"

namespace yemvo::app {

std::vector<HintPart> OutlineTool::hint() const {
    if (points_.empty())
        return {{"", "drag a rectangle, or click the corners"}, {"Alt", "no snapping"}, {"Esc", "leave"}};
    return {{"", "click the next corner"}, {"Enter", "close"}, {"Shift", "15° steps"}, {"Esc", "one back"}};
}

Snapped OutlineTool::snapped(const PointerEvent& e) const {
    SnapOptions o = snap_options(e);
    o.drawn = points_;
    if (!points_.empty() && !dragging_) o.from = points_.back();
    if (dragging_) o.angles = false;
    return snap(*floor(), e.floor, o);
}

void OutlineTool::press(const PointerEvent& e) {
    if (!floor()) return;
    pointer_ = snapped(e);
    if (points_.size() > 2 && distance(points_.front(), pointer_.point) < 1e-6) return finish(points_);
    if (points_.empty() || distance(points_.back(), pointer_.point) > 0.02) points_.push_back(pointer_.point);
    pressed_ = e.screen;
    surface_.repaint_tool();
}

void OutlineTool::move(const PointerEvent& e) {
    if (!floor()) return;
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
        workspace_.tell(name() + "s need at least three corners and some area", true);
        return;
    }
    const FloorId at = workspace_.floor_id();
    if (makes_ == Makes::slab_void) {
        VoidId made;
        workspace_.edit("Draw void", [&](Project& p) { made = add_void(p, at, {{}, "Void", corners}); });
        workspace_.select({{Item::Kind::slab_void, made.value}});
        return;
    }
    if (makes_ == Makes::plate) {
        workspace_.edit("Draw plate", [&](Project& p) { set_plate(p, at, corners); });
        workspace_.set_tool(ToolId::select);
        return;
    }
    ZoneId made;
    const std::string zone_name = "Zone " + std::to_string(floor()->zones->size() + 1);
    workspace_.edit("Draw zone", [&](Project& p) {
        made = add_zone(p, at, {{}, zone_name, workspace_.zone_kind, corners});
    });
    workspace_.select({{Item::Kind::zone, made.value}});
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
    if (!points_.empty()) {
        QPolygonF polygon;
        const auto shown = outline();
        for (Point q : shown) polygon << map().to_screen(q);
        p.setPen(QPen(colours.accent, 1.6));
        p.setBrush(render::with_alpha(colours.accent, 0.10));
        p.drawPolygon(polygon);
        if (shown.size() > 2)
            render::draw_halo_text(p, map().to_screen(centroid(shown)),
                                   QString::fromStdString(format_area(area_m2(shown), workspace_.units(), 1)),
                                   render::font(11.5, 600), colours.accent, colours.casing);
    }
    if (pointed_) paint_snap(p, pointer_);
}

}  // namespace yemvo::app
