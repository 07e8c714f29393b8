// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/plan_solids.h"

#include <QPainterPath>

#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render {
namespace {

/// Lines at a slope over a box, `step` apart, fixed to the plan's own corner so that neighbours agree.
void hatch_lines(QPainter& p, const QRectF& box, double step, bool rising) {
    const double from = rising ? box.left() - box.height() : box.left();
    const double to = rising ? box.right() : box.right() + box.height();
    for (double x = std::floor(from / step) * step; x < to; x += step)
        rising ? p.drawLine(QPointF(x, box.bottom()), QPointF(x + box.height(), box.top()))
               : p.drawLine(QPointF(x, box.bottom()), QPointF(x - box.height(), box.top()));
}

void compartments(QPainter& p, const QPolygonF& body) {
    if (body.size() != 4) return;
    // across the longer side
    QLineF a(body[0], body[1]), b(body[3], body[2]);
    if (QLineF(body[1], body[2]).length() > a.length()) {
        a = QLineF(body[1], body[2]);
        b = QLineF(body[0], body[3]);
    }
    const int parts = static_cast<int>(a.length() / 14);
    for (int i = 1; i < parts; ++i)
        p.drawLine(a.pointAt(i / static_cast<double>(parts)), b.pointAt(i / static_cast<double>(parts)));
    p.drawLine((a.p1() + b.p1()) / 2, (a.p2() + b.p2()) / 2);
}

QString length_words(double m, const Project& project) {
    return local(format_length(m, project.settings.units));
}

}  // namespace

QPolygonF polygon_of(const std::vector<Point>& points, const PlanMap& map) {
    QPolygonF out;
    out.reserve(static_cast<int>(points.size()));
    for (Point p : points) out << map.to_screen(p);
    return out;
}

void paint_body(QPainter& p, const QPolygonF& body, Hatch hatch, const QColor& ink, const Palette& palette) {
    const QRectF box = body.boundingRect();
    p.setPen(Qt::NoPen);
    if (hatch == Hatch::solid) {
        p.setBrush(ink);
        p.drawPolygon(body);
        return;
    }
    p.setBrush(hatch == Hatch::open ? QBrush(palette.floor) : QBrush(with_alpha(ink, 0.10)));
    p.drawPolygon(body);
    p.setBrush(Qt::NoBrush);
    const bool small = std::min(box.width(), box.height()) < 5;
    if (!small && hatch != Hatch::open) {
        p.save();
        QPainterPath inside;
        inside.addPolygon(body);
        p.setClipPath(inside, Qt::IntersectClip);
        p.setPen(QPen(with_alpha(ink, 0.45), 0.8));
        if (hatch == Hatch::diagonal || hatch == Hatch::cross) hatch_lines(p, box, 6, true);
        if (hatch == Hatch::cross) hatch_lines(p, box, 6, false);
        if (hatch == Hatch::compartments) compartments(p, body);
        if (hatch == Hatch::dots) {
            p.setPen(QPen(with_alpha(ink, 0.6), 1.6, Qt::SolidLine, Qt::RoundCap));
            bool shift = false;
            for (double y = std::ceil(box.top() / 6) * 6; y < box.bottom(); y += 6, shift = !shift)
                for (double x = std::ceil(box.left() / 9) * 9 + (shift ? 4.5 : 0); x < box.right(); x += 9)
                    p.drawPoint(QPointF(x, y));
        }
        p.restore();
    }
    p.setPen(QPen(with_alpha(ink, 0.85), 0.9));
    p.drawPolygon(body);
}

void paint_obstacles(QPainter& p, const Project& project, const Floor& floor, const PlanMap& map,
                     const QRectF& visible, const Palette& palette) {
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    for (const Obstacle& o : *floor.obstacles) {
        const QPolygonF shape = polygon_of(body(o), map);
        if (!shape.boundingRect().adjusted(-2, -2, 2, 2).intersects(visible)) continue;
        const WallType& type = wall_type(project, o.type);
        const QColor ink = palette.family(type.family);
        paint_body(p, shape, type.hatch, ink, palette);
        if (o.kind == ObstacleKind::column && type.hatch == Hatch::solid) continue;
        const QRectF box = shape.boundingRect();
        const QString name = QString::fromStdString(o.name);
        if (!name.isEmpty() && QFontMetricsF(font(10.5)).horizontalAdvance(name) + 6 < box.width() &&
            box.height() > 15)
            draw_halo_text(p, box.center(), name, font(10.5, 500), palette.ink, palette.casing, 3);
    }
    p.restore();
}

void paint_ceilings(QPainter& p, const Project& project, const Floor& floor, const PlanMap& map,
                    const Palette& palette) {
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    for (const CeilingArea& c : *floor.ceilings) {
        const QPolygonF shape = polygon_of(c.outline, map);
        QPen pen(with_alpha(palette.slab, 0.75), 1.1, Qt::CustomDashLine);
        pen.setDashPattern({10, 3, 2, 3, 2, 3});
        p.setPen(pen);
        p.setBrush(c.type ? QBrush(with_alpha(palette.slab, 0.035)) : Qt::NoBrush);
        p.drawPolygon(shape);
        QString words = tr("ceiling %1").arg(length_words(c.height_m, project));
        if (c.type) words += ", " + QString::fromStdString(wall_type(project, *c.type).name).toLower();
        const QRectF box = shape.boundingRect();
        const double width = QFontMetricsF(font(10.5)).horizontalAdvance(words);
        if (width + 16 > box.width() || box.height() < 26) continue;
        draw_halo_text(p, QPointF(box.left() + 9 + width / 2, box.bottom() - 11), words, font(10.5),
                       palette.muted, palette.casing, 3);
    }
    p.restore();
}

void paint_ramps(QPainter& p, const Project& project, const Floor& floor, const PlanMap& map,
                 const Palette& palette) {
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    for (const Ramp& r : *floor.ramps) {
        const QColor ink = palette.slab;
        p.setPen(QPen(with_alpha(ink, 0.9), 1));
        p.setBrush(with_alpha(ink, 0.06));
        p.drawPolygon(polygon_of(r.outline, map));
        p.setPen(QPen(with_alpha(ink, 0.35), 0.8));
        const int lines = std::clamp(static_cast<int>(distance(foot(r), head(r))), 2, 60);
        for (int i = 1; i < lines; ++i) {
            const double t = i / static_cast<double>(lines);
            p.drawLine(map.to_screen(lerp(r.outline[1], r.outline[2], t)),
                       map.to_screen(lerp(r.outline[0], r.outline[3], t)));
        }
        const QPointF from = map.to_screen(lerp(foot(r), head(r), 0.12)),
                      to = map.to_screen(lerp(foot(r), head(r), 0.88));
        const QLineF way(from, to);
        if (way.length() < 14) continue;
        p.setPen(QPen(ink, 1.3));
        p.drawLine(way);
        const QPointF back = (from - to) / way.length() * 8, side(-back.y() * 0.5, back.x() * 0.5);
        p.drawLine(to, to + back + side);
        p.drawLine(to, to + back - side);
        draw_halo_text(
            p, (from + to) / 2,
            r.name.empty()
                ? tr("up %1").arg(length_words(r.rise_m, project))
                : tr("%1, up %2").arg(QString::fromStdString(r.name), length_words(r.rise_m, project)),
            font(10.5, 500), palette.ink, palette.casing, 3);
    }
    p.restore();
}

void paint_slab_areas(QPainter& p, const Project& project, const Floor& floor, const PlanMap& map,
                      const Palette& palette) {
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    for (const SlabArea& a : floor.slab->areas) {
        const WallType& type = wall_type(project, a.type);
        const QColor ink = palette.family(type.family);
        const QPolygonF shape = polygon_of(a.outline, map);
        paint_body(p, shape, Hatch::dots, with_alpha(ink, 0.5), palette);
        const QString words = QString::fromStdString(a.name.empty() ? type.name : a.name);
        const QRectF box = shape.boundingRect();
        if (QFontMetricsF(font(10.5)).horizontalAdvance(words) + 12 < box.width() && box.height() > 18)
            draw_halo_text(p, QPointF(box.center().x(), box.top() + 11), words, font(10.5), palette.muted,
                           palette.casing, 3);
    }
    p.restore();
}

}  // namespace yemvo::render
