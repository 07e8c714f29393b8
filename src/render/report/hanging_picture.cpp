// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/hanging_picture.h"

#include <QPainterPath>
#include <numbers>

#include "render/plan_marks.h"
#include "render/report/styles.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render::report {
namespace {

void arrow(QPainter& p, QPointF from, QPointF to) {
    const QPointF d = to - from;
    const double l = std::hypot(d.x(), d.y());
    if (l < 1) return;
    const QPointF u = d / l, n(-u.y(), u.x());
    p.drawLine(from, to);
    QPainterPath tip(to);
    tip.lineTo(to - u * 7 + n * 3.5);
    tip.lineTo(to - u * 7 - n * 3.5);
    tip.closeSubpath();
    p.fillPath(tip, p.pen().color());
}

void paint_side(QPainter& p, const QRectF& box, const Project& project, const Floor& floor,
                const AccessPoint& ap) {
    const auto& colours = print_palette();
    const double floor_y = box.bottom() - 14, top_y = box.top() + 14;
    const double high_m = std::max(ceiling_m(floor, ap.position, floor.height_m), ap.height_m + 0.1);
    const double y = floor_y - (floor_y - top_y) * ap.height_m / high_m;
    p.setPen(QPen(colours.slab, 3, Qt::SolidLine, Qt::FlatCap));
    p.drawLine(QPointF(box.left(), floor_y), QPointF(box.right() - 10, floor_y));
    const double x = ap.mount == Mount::wall ? box.left() + 16 : box.left() + box.width() * 0.4;
    p.setPen(QPen(colours.slab, 2));
    if (ap.mount == Mount::ceiling) p.drawLine(QPointF(box.left(), top_y), QPointF(box.right() - 10, top_y));
    if (ap.mount == Mount::ceiling) p.drawLine(QPointF(x, top_y), QPointF(x, y));
    if (ap.mount == Mount::wall) p.drawLine(QPointF(box.left() + 8, top_y), QPointF(box.left() + 8, floor_y));
    if (ap.mount == Mount::pole || ap.mount == Mount::desk) p.drawLine(QPointF(x, floor_y), QPointF(x, y));
    p.setPen(QPen(colours.accent, 1.4));
    p.setBrush(colours.accent_tint);
    const bool upright = ap.mount == Mount::wall || ap.mount == Mount::pole;
    const QRectF body = upright ? QRectF(x - 4, y - 9, 8, 18) : QRectF(x - 12, y - 3, 24, 6);
    p.drawRect(body);
    const double down = ap.downtilt_deg * std::numbers::pi / 180;
    const QPointF out =
        upright ? QPointF(std::cos(down), std::sin(down)) : QPointF(std::sin(down), std::cos(down));
    arrow(p, QPointF(x, y), QPointF(x, y) + out * 34);
    p.setPen(QPen(colours.not_met, 1.2));
    const double at = box.right() - 46;
    p.drawLine(QPointF(at, floor_y), QPointF(at, y));
    for (double end : {floor_y, y}) p.drawLine(QPointF(at - 4, end), QPointF(at + 4, end));
    draw_halo_text(p, QPointF(at, (floor_y + y) / 2),
                   local(format_length(ap.height_m, project.settings.units)), font(11, 650), colours.not_met,
                   colours.casing);
}

void paint_above(QPainter& p, const QRectF& box, const Project& project, const AccessPoint& ap) {
    const auto& colours = print_palette();
    const double r = std::min(box.width(), box.height()) / 2 - 18;
    const QPointF c = box.center();
    p.setPen(QPen(colours.line, 1));
    p.setBrush(Qt::NoBrush);
    p.drawEllipse(c, r, r);
    p.setPen(colours.muted);
    p.setFont(font(10, 600));
    p.drawText(QRectF(c.x() - 12, c.y() - r - 16, 24, 14), Qt::AlignCenter, tr("N", "north"));
    p.drawLine(c + QPointF(0, -r), c + QPointF(0, -r + 6));
    p.setPen(QPen(colours.accent, 1.6));
    const double a = ap.azimuth_deg * std::numbers::pi / 180;
    if (is_directional(project, ap) || ap.azimuth_deg != 0) {
        arrow(p, c, c + QPointF(std::sin(a), -std::cos(a)) * (r - 4));
        draw_halo_text(p, c + QPointF(0, r + 10), QString("%1°").arg(figure(ap.azimuth_deg)), font(11, 650),
                       colours.accent, colours.casing);
    } else {
        draw_halo_text(p, c + QPointF(0, r + 10), tr("round: any way"), font(10), colours.muted,
                       colours.casing);
    }
    p.setPen(QPen(colours.accent, 1.4));
    p.setBrush(colours.accent_tint);
    p.drawRoundedRect(QRectF(c.x() - 8, c.y() - 8, 16, 16), 4, 4);
}

}  // namespace

void paint_hanging(QPainter& p, const QRectF& box, const Project& project, const Floor& floor,
                   const AccessPoint& ap) {
    p.save();
    p.setPen(QPen(print_palette().line, 1));
    p.setBrush(Qt::NoBrush);
    p.drawRect(box);
    const double left = box.width() * 0.58;
    paint_side(p, QRectF(box.left() + 8, box.top(), left - 8, box.height()), project, floor, ap);
    paint_above(p, QRectF(box.left() + left, box.top(), box.width() - left, box.height()), project, ap);
    p.restore();
}

}  // namespace yemvo::render::report
