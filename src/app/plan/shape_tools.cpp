// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/shape_tools.h"

#include <cmath>

#include "app/look/theme.h"
#include "app/model/next_things.h"
#include "app/plan/entry_box.h"
#include "app/plan/wall_tool.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr double shortest_m = 0.1;

std::vector<Point> rectangle(Point a, Point b) { return {a, {b.x, a.y}, b, {a.x, b.y}, a}; }

/// Counter-clockwise, so that its left is inside.
std::vector<Point> turning_left(std::vector<Point> run) {
    if ((run[2].x - run[0].x) * (run[2].y - run[0].y) < 0) std::reverse(run.begin(), run.end());
    return run;
}

void paint_preview(QPainter& p, const Wall& wall, const Workspace& w, const render::PlanMap& map) {
    QPolygonF line;
    for (Point q : flattened(wall)) line << map.to_screen(q);
    const double width =
        std::max(wall_type(w.project(), w.next()->wall_type).thickness_m * map.px_per_m, 3.0);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(theme().accent, width + 2.6, Qt::SolidLine, Qt::SquareCap, Qt::MiterJoin));
    p.drawPolyline(line);
    p.setPen(QPen(theme().accent_tint, width, Qt::SolidLine, Qt::SquareCap, Qt::MiterJoin));
    p.drawPolyline(line);
}

QString length_words(double m, const Workspace& w) { return render::local(format_length(m, w.units())); }

}  // namespace

std::vector<HintPart> WallRectangleTool::hint() const {
    if (!first_)
        return {{"", tr("click or drag from the first corner")},
                {tr("Alt"), tr("no snapping")},
                {tr("Esc"), tr("exit tool")}};
    return {{"", tr("click the opposite corner")},
            {"0 … 9", tr("width")},
            {tr("Tab"), tr("depth")},
            {tr("Esc"), tr("undo last point")}};
}

Point WallRectangleTool::opposite() const {
    Point to = pointer_.point;
    const auto typed = surface_.entry().typed();
    if (typed.size() < 2) return to;
    const auto held = [&](const QString& text, double from, double at) {
        if (text.isEmpty()) return at;
        return from + (at < from ? -1 : 1) * parse_length_m(render::plain(text), workspace_.units());
    };
    return {held(typed[0], first_->x, to.x), held(typed[1], first_->y, to.y)};
}

void WallRectangleTool::press(const PointerEvent& e) {
    if (!floor()) return;
    pressed_ = e.screen;
    SnapOptions o = snap_options(e);
    o.angles = false;
    pointer_ = snapped_to(e.floor, o);
    if (first_) return entered({});
    first_ = pointer_.point;
    surface_.entry().open({{tr("Width"), workspace_.units() == LengthUnits::metres ? "m" : ""},
                           {tr("Depth"), workspace_.units() == LengthUnits::metres ? "m" : ""}});
    surface_.entry().follow(e.screen);
    surface_.repaint_tool();
}

void WallRectangleTool::move(const PointerEvent& e) {
    if (!floor()) return;
    SnapOptions o = snap_options(e);
    o.angles = false;
    pointer_ = snapped_to(e.floor, o);
    pointed_ = true;
    if (first_) {
        surface_.entry().follow(e.screen);
        const auto live = [&](double m) {
            return render::local(format_length(std::abs(m), workspace_.units(), false));
        };
        surface_.entry().set_live({live(pointer_.point.x - first_->x), live(pointer_.point.y - first_->y)});
    }
    surface_.repaint_tool();
}

void WallRectangleTool::release(const PointerEvent& e) {
    if (first_ && QLineF(pressed_, e.screen).length() > 8) entered({});
}

bool WallRectangleTool::key(QKeyEvent& e) {
    if (!first_) return false;
    if (e.key() == Qt::Key_Backspace) return back();
    const QString text = e.text();
    if (text.size() == 1 && (text[0].isDigit() || text == "." || text == ",")) {
        surface_.entry().begin_typing(text);
        return true;
    }
    return false;
}

void WallRectangleTool::entered(const std::vector<QString>&) {
    if (!first_) return;
    try {
        finish(opposite());
    } catch (const Error& fault) {
        surface_.entry().show_fault(0, fault_text(fault));
        workspace_.tell(fault_text(fault), true);
    }
}

bool WallRectangleTool::back() {
    if (!first_) return false;
    leave();
    surface_.repaint_tool();
    return true;
}

void WallRectangleTool::leave() {
    first_.reset();
    surface_.entry().close_box();
}

void WallRectangleTool::finish(Point to) {
    const Point from = *first_;
    if (std::abs(to.x - from.x) < shortest_m || std::abs(to.y - from.y) < shortest_m)
        return workspace_.tell(tr("A rectangle needs a width and a depth of at least 10 cm"), true);
    leave();
    const Wall wall = next_wall(workspace_, turning_left(rectangle(from, to)));
    const FloorId at = workspace_.floor_id();
    workspace_.edit(tr("Draw wall rectangle"), [&](Project& p) { add_wall(p, at, wall); });
    surface_.repaint_tool();
}

void WallRectangleTool::paint(QPainter& p) {
    if (!floor()) return;
    if (first_) {
        Point to = pointer_.point;
        try {
            to = opposite();
        } catch (const Error&) {
            // half typed: shown where the pointer is
        }
        if (std::abs(to.x - first_->x) > 0.02 && std::abs(to.y - first_->y) > 0.02) {
            paint_preview(p, next_wall(workspace_, turning_left(rectangle(*first_, to))), workspace_, map());
            render::draw_halo_text(p, map().to_screen(lerp(*first_, to, 0.5)),
                                   length_words(std::abs(to.x - first_->x), workspace_) + " × " +
                                       length_words(std::abs(to.y - first_->y), workspace_),
                                   render::font(11.5, 600), theme().accent, theme().casing);
        }
    }
    if (pointed_) paint_snap(p, pointer_);
}

std::vector<HintPart> WallArcTool::hint() const {
    if (points_.empty()) return {{"", tr("click where the arc begins")}, {tr("Esc"), tr("exit tool")}};
    if (points_.size() == 1)
        return {{"", tr("click where it ends")},
                {tr("Shift"), tr("15° steps")},
                {tr("Esc"), tr("undo last point")}};
    return {{"", tr("click a place that it passes")}, {tr("Esc"), tr("undo last point")}};
}

void WallArcTool::press(const PointerEvent& e) {
    if (!floor()) return;
    move(e);
    if (!points_.empty() && distance(points_.back(), pointer_.point) < shortest_m) return;
    points_.push_back(pointer_.point);
    if (points_.size() < 3) return surface_.repaint_tool();
    const double bulge = bulge_through(points_[0], points_[2], points_[1]);
    const std::vector<Point> ends{points_[0], points_[1]};
    points_.clear();
    const Wall wall =
        next_wall(workspace_, ends, bulge == 0 ? std::vector<double>{} : std::vector<double>{bulge});
    const FloorId at = workspace_.floor_id();
    workspace_.edit(tr("Draw wall arc"), [&](Project& p) { add_wall(p, at, wall); });
    surface_.repaint_tool();
}

void WallArcTool::move(const PointerEvent& e) {
    if (!floor()) return;
    SnapOptions o = snap_options(e);
    if (points_.size() == 1) o.from = points_.back();
    if (points_.size() != 1) o.angles = false;
    pointer_ = snapped_to(e.floor, o);
    pointed_ = true;
    surface_.repaint_tool();
}

bool WallArcTool::back() {
    if (points_.empty()) return false;
    points_.pop_back();
    surface_.repaint_tool();
    return true;
}

void WallArcTool::paint(QPainter& p) {
    if (!floor()) return;
    if (points_.size() == 1)
        paint_preview(p, next_wall(workspace_, {points_[0], pointer_.point}), workspace_, map());
    if (points_.size() == 2) {
        const double bulge = bulge_through(points_[0], pointer_.point, points_[1]);
        const Wall wall =
            next_wall(workspace_, points_, bulge == 0 ? std::vector<double>{} : std::vector<double>{bulge});
        paint_preview(p, wall, workspace_, map());
        if (bulge != 0) {
            const Arc arc({points_[0], points_[1]}, bulge);
            render::draw_halo_text(p, map().to_screen(pointer_.point) + QPointF(0, -18),
                                   tr("radius %1").arg(length_words(arc.radius_m, workspace_)),
                                   render::font(11.5, 600), theme().accent, theme().casing);
        }
    }
    p.setPen(QPen(theme().accent, 1.6));
    p.setBrush(theme().tile);
    for (Point q : points_) {
        const QPointF c = map().to_screen(q);
        p.drawRect(QRectF(c.x() - 3.5, c.y() - 3.5, 7, 7));
    }
    if (pointed_) paint_snap(p, pointer_);
}

}  // namespace yemvo::app
