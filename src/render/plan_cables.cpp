// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/plan_cables.h"

#include <cmath>

#include "render/text_style.h"

namespace yemvo::render {

void paint_tray(QPainter& p, const Tray& tray, const PlanMap& map, const Palette& palette) {
    constexpr double half_px = 2.6, rung_px = 9;
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setBrush(Qt::NoBrush);
    QPolygonF line;
    for (const Point& q : tray.points) line << map.to_screen(q);
    p.setPen(
        QPen(with_alpha(palette.casing, 0.9), 2 * half_px + 3, Qt::SolidLine, Qt::FlatCap, Qt::MiterJoin));
    p.drawPolyline(line);
    p.setPen(QPen(palette.muted, 2 * half_px + 1.2, Qt::SolidLine, Qt::FlatCap, Qt::MiterJoin));
    p.drawPolyline(line);
    p.setPen(QPen(palette.tile, 2 * half_px - 1.2, Qt::SolidLine, Qt::FlatCap, Qt::MiterJoin));
    p.drawPolyline(line);
    p.setPen(QPen(palette.muted, 1.1));
    for (int i = 1; i < line.size(); ++i) {
        const QLineF piece(line[i - 1], line[i]);
        if (piece.length() < rung_px) continue;
        const QPointF along = (piece.p2() - piece.p1()) / piece.length(), across(-along.y(), along.x());
        for (double at = rung_px / 2; at < piece.length(); at += rung_px) {
            const QPointF q = piece.p1() + along * at;
            p.drawLine(q - across * half_px, q + across * half_px);
        }
    }
    p.restore();
}

void paint_outlet(QPainter& p, QPointF at, const QColor& ink, const Palette& palette) {
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    const QRectF body(at.x() - 5.5, at.y() - 5.5, 11, 11);
    p.setPen(QPen(palette.casing, 4));
    p.drawRoundedRect(body, 2, 2);
    p.setPen(QPen(ink, 1.3));
    p.setBrush(palette.tile);
    p.drawRoundedRect(body, 2, 2);
    p.drawPolyline(QPolygonF{at + QPointF(-3, 2.6), at + QPointF(-3, -0.4), at + QPointF(-1.4, -0.4),
                             at + QPointF(-1.4, -2.4), at + QPointF(1.4, -2.4), at + QPointF(1.4, -0.4),
                             at + QPointF(3, -0.4), at + QPointF(3, 2.6), at + QPointF(-3, 2.6)});
    p.restore();
}

void paint_riser(QPainter& p, QPointF at, const QColor& ink, const Palette& palette) {
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(palette.casing, 4));
    p.drawEllipse(at, 7.5, 7.5);
    p.setPen(QPen(ink, 1.3));
    p.setBrush(palette.tile);
    p.drawEllipse(at, 7.5, 7.5);
    p.drawLine(at + QPointF(0, 4), at + QPointF(0, -4));
    p.drawPolyline(QPolygonF{at + QPointF(-3, -1), at + QPointF(0, -4), at + QPointF(3, -1)});
    p.restore();
}

void paint_route(QPainter& p, const CableRun& run, FloorId floor, const PlanMap& map, RouteState state,
                 const Palette& palette) {
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setBrush(Qt::NoBrush);
    const bool chosen = state == RouteState::chosen;
    const QColor ink = state == RouteState::too_long ? palette.not_met
                       : chosen                      ? palette.accent
                                                     : palette.ink;
    for (std::size_t i = 0; i < run.legs.size(); ++i) {
        const CableLeg& leg = run.legs[i];
        if (leg.floor != floor) continue;
        QPolygonF line;
        for (const Point& q : leg.points) line << map.to_screen(q);
        p.setPen(QPen(with_alpha(palette.casing, chosen ? 1 : 0.7), chosen ? 5 : 3, Qt::SolidLine,
                      Qt::RoundCap, Qt::RoundJoin));
        p.drawPolyline(line);
        QPen pen(with_alpha(ink, chosen ? 1 : 0.75), chosen ? 2.2 : 1.2, Qt::SolidLine, Qt::RoundCap,
                 Qt::RoundJoin);
        if (state == RouteState::too_long) pen.setDashPattern({4, 2.5});
        p.setPen(pen);
        p.drawPolyline(line);
        // it goes on, or comes from, another floor here
        p.setBrush(palette.tile);
        if (i + 1 < run.legs.size()) p.drawEllipse(line.last(), 3, 3);
        if (i > 0) p.drawEllipse(line.first(), 3, 3);
        p.setBrush(Qt::NoBrush);
    }
    p.restore();
}

}  // namespace yemvo::render
