// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/wall_tool.h"

#include <QLineEdit>
#include <cmath>
#include <numbers>

#include "app/look/theme.h"
#include "app/model/next_things.h"
#include "app/plan/entry_box.h"
#include "geometry/point.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"
#include "venue/wall_shaping.h"

namespace yemvo::app {
namespace {

constexpr double degree = std::numbers::pi / 180;
constexpr double shortest_wall_m = 0.02;

double angle_deg(Point along) {
    const double a = std::atan2(along.y, along.x) / degree;
    return a < -1e-9 ? a + 360 : std::max(a, 0.0);
}

}  // namespace

Wall next_wall(const Workspace& w, const std::vector<Point>& drawn, std::vector<double> bulges) {
    Wall wall;
    wall.type = w.next()->wall_type;
    wall.points = drawn;
    wall.bulges = std::move(bulges);
    wall.base_m = w.next()->wall_base_m;
    wall.top_m = w.next()->wall_top_m;
    wall.to_ceiling = w.next()->wall_to_ceiling && !w.next()->wall_top_m;
    if (w.next()->wall_face == WallFace::centre) return wall;
    const double half_m = wall_type(w.project(), w.next()->wall_type).thickness_m / 2;
    return offset(wall, w.next()->wall_face == WallFace::left ? -half_m : half_m);
}

std::vector<HintPart> WallTool::hint() const {
    if (points_.empty())
        return {
            {"", tr("click the first corner")}, {tr("Alt"), tr("no snapping")}, {tr("Esc"), tr("exit tool")}};
    return {{"", tr("click the next corner")}, {"0 … 9", tr("length")},        {tr("Tab"), tr("angle")},
            {tr("Shift"), tr("15° steps")},    {tr("Alt"), tr("no snapping")}, {tr("Enter"), tr("end")},
            {tr("Esc"), tr("undo last point")}};
}

Snapped WallTool::snapped(const PointerEvent& e) const {
    SnapOptions o = snap_options(e);
    o.drawn = points_;
    if (!points_.empty()) o.from = points_.back();
    return snapped_to(e.floor, o);
}

Point WallTool::next(const std::vector<QString>& typed) const {
    const Point from = points_.back();
    Point along = pointer_.point - from;
    double length_m = length(along);
    if (!typed[1].isEmpty()) {
        bool read = false;
        const double angle =
            QString::fromStdString(render::plain(QString(typed[1]).remove("°"))).toDouble(&read);
        if (!read || !std::isfinite(angle)) throw Error(say("'%1' is not an angle", typed[1].toStdString()));
        along = {std::cos(angle * degree), std::sin(angle * degree)};
    }
    if (!typed[0].isEmpty()) length_m = parse_length_m(render::plain(typed[0]), workspace_.units());
    if (!(length_m >= shortest_wall_m)) throw Error(say("a wall must be longer than 2 cm"));
    return from + unit(along) * length_m;
}

void WallTool::show_live() {
    if (points_.empty()) return;
    const Point along = pointer_.point - points_.back();
    surface_.entry().set_live({render::local(format_length(length(along), workspace_.units(), false)),
                               render::figure(angle_deg(along), 1)});
}

void WallTool::open_entry() {
    surface_.entry().open(
        {{tr("Length"), workspace_.units() == LengthUnits::metres ? "m" : ""}, {tr("Angle"), tr("°")}});
    surface_.entry().follow(map().to_screen(points_.back()));
    show_live();
}

void WallTool::add(Point p) {
    if (!points_.empty() && distance(points_.back(), p) < shortest_wall_m) return;
    const bool closed = points_.size() > 2 && distance(points_.front(), p) < 1e-6;
    points_.push_back(p);
    if (closed) return finish();
    pointer_.point = p;
    open_entry();
    surface_.repaint_tool();
}

void WallTool::press(const PointerEvent& e) {
    if (!floor()) return;
    pointer_ = snapped(e);
    if (points_.empty()) return add(pointer_.point);
    const auto typed = surface_.entry().typed();
    typed[0].isEmpty() && typed[1].isEmpty() ? add(pointer_.point) : entered(typed);
}

void WallTool::move(const PointerEvent& e) {
    if (!floor()) return;
    pointer_ = snapped(e);
    pointed_ = true;
    if (!points_.empty()) {
        surface_.entry().follow(e.screen);
        show_live();
    }
    surface_.repaint_tool();
}

bool WallTool::double_click(const PointerEvent&) {
    finish();
    return true;
}

bool WallTool::key(QKeyEvent& e) {
    if (points_.empty()) return false;
    if (e.key() == Qt::Key_Return || e.key() == Qt::Key_Enter) {
        finish();
        return true;
    }
    if (e.key() == Qt::Key_Backspace) return back();
    if (e.key() == Qt::Key_Tab) {
        surface_.entry().field(1)->setFocus();
        surface_.entry().field(1)->selectAll();
        return true;
    }
    const QString text = e.text();
    if (text.size() == 1 && (text[0].isDigit() || text == "." || text == ",")) {
        surface_.entry().begin_typing(text);
        return true;
    }
    return false;
}

void WallTool::entered(const std::vector<QString>& typed) {
    if (points_.empty()) return;
    if (typed[0].isEmpty() && typed[1].isEmpty()) return finish();
    try {
        add(next(typed));
    } catch (const Error& fault) {
        surface_.entry().show_fault(typed[1].isEmpty() ? 0 : 1, fault_text(fault));
        workspace_.tell(fault_text(fault), true);
    }
}

bool WallTool::back() {
    if (points_.empty()) return false;
    points_.pop_back();
    points_.empty() ? surface_.entry().close_box() : open_entry();
    surface_.repaint_tool();
    return true;
}

void WallTool::finish() {
    const std::vector<Point> run = std::move(points_);
    points_.clear();
    surface_.entry().close_box();
    surface_.repaint_tool();
    if (run.size() < 2) return;
    const Wall wall = next_wall(workspace_, run);
    const FloorId at = workspace_.floor_id();
    workspace_.edit(tr("Draw wall"), [&](Project& p) { add_wall(p, at, wall); });
}

void WallTool::leave() { finish(); }

void WallTool::abandon() {
    points_.clear();
    surface_.entry().close_box();
}

void WallTool::paint(QPainter& p) {
    if (!floor()) return;
    const auto& colours = theme();
    const double thickness_m = wall_type(workspace_.project(), workspace_.next()->wall_type).thickness_m;
    const double width = std::max(thickness_m * map().px_per_m, 3.0);
    QPolygonF drawn, body;
    for (Point q : points_) drawn << map().to_screen(q);
    if (points_.size() > 1)
        for (Point q : next_wall(workspace_, points_).points) body << map().to_screen(q);
    if (drawn.size() > 1) {
        p.setPen(QPen(render::with_alpha(colours.accent, 0.75), width, Qt::SolidLine, Qt::SquareCap,
                      Qt::MiterJoin));
        p.drawPolyline(body);
    }
    if (!points_.empty()) {
        Point to = pointer_.point;
        try {
            to = next(surface_.entry().typed());
        } catch (const Error&) {
            // half typed: shown where the pointer is
        }
        const QPointF a = map().to_screen(points_.back()), b = map().to_screen(to);
        if (QLineF(a, b).length() > 1) {
            const auto axis = next_wall(workspace_, {points_.back(), to}).points;
            const QPointF from = map().to_screen(axis[0]), upto = map().to_screen(axis[1]);
            p.setPen(QPen(colours.accent, width + 2.6, Qt::SolidLine, Qt::FlatCap));
            p.drawLine(from, upto);
            p.setPen(QPen(colours.accent_tint, width, Qt::SolidLine, Qt::FlatCap));
            p.drawLine(from, upto);
            const QPointF side = QPointF(-(b - a).y(), (b - a).x()) / QLineF(a, b).length();
            const QPointF off = side * (30 * (side.y() < 0 ? 1 : -1));
            p.setPen(QPen(colours.accent, 1));
            p.drawLine(a + off, b + off);
            for (QPointF end : {a, b}) {
                p.drawLine(end + off * 0.6, end + off * 1.15);
                p.drawLine(end + off + QPointF(-3, 3), end + off + QPointF(3, -3));
            }
            render::draw_halo_text(
                p, (a + b) / 2 + off * 1.35,
                render::local(format_length(distance(points_.back(), to), workspace_.units())),
                render::font(11.5, 600), colours.accent, colours.casing);
        }
        p.setPen(QPen(colours.accent, 1.6));
        p.setBrush(colours.tile);
        for (QPointF q : drawn) p.drawRect(QRectF(q.x() - 3.5, q.y() - 3.5, 7, 7));
    }
    if (pointed_) paint_snap(p, pointer_);
}

}  // namespace yemvo::app
