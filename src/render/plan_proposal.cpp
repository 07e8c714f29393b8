// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/plan_proposal.h"

#include <QLineF>
#include <QPainterPath>
#include <cmath>

#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render {
namespace {

QRectF tile_at(QPointF c) { return {c.x() - 12, c.y() - 8.5, 24, 17}; }

void paint_casing(QPainter& p, const QRectF& tile, const Palette& palette) {
    p.setPen(Qt::NoPen);
    p.setBrush(palette.casing);
    p.drawRoundedRect(tile.adjusted(-1.5, -1.5, 1.5, 1.5), 5, 5);
}

void paint_left_out(QPainter& p, QPointF c, const QString& number, const Palette& palette) {
    const QRectF tile = tile_at(c);
    paint_casing(p, tile, palette);
    p.setPen(QPen(palette.muted, 1));
    p.setBrush(palette.chrome);
    p.drawRoundedRect(tile, 4, 4);
    p.setFont(font(11.5, 600));
    p.drawText(tile, Qt::AlignCenter, number);
    for (const QPen& pen : {QPen(palette.casing, 3.6), QPen(palette.muted, 1.4)}) {
        p.setPen(pen);
        p.drawLine(tile.bottomLeft() + QPointF(1, -1), tile.topRight() + QPointF(-1, 1));
    }
}

/// From a ring where it hung to short of where it goes.
void paint_way(QPainter& p, QPointF from, QPointF to, const Palette& palette) {
    const QLineF way(from, to);
    constexpr double ring_px = 4, short_px = 17, head_px = 7;
    p.setBrush(palette.tile);
    for (const QPen& pen : {QPen(palette.casing, 4.5), QPen(palette.muted, 1.4)}) {
        p.setPen(pen);
        p.drawEllipse(from, ring_px, ring_px);
    }
    if (way.length() < ring_px + short_px + head_px) return;
    const QPointF along = (to - from) / way.length();
    const QPointF begin = from + along * (ring_px + 1), end = to - along * short_px;
    QPen dashed(palette.accent, 1.4);
    dashed.setDashPattern({3 / 1.4, 2 / 1.4});
    for (const QPen& pen : {QPen(palette.casing, 4), dashed}) {
        p.setPen(pen);
        p.drawLine(begin, end);
    }
    const QPointF side(-along.y(), along.x());
    p.setPen(Qt::NoPen);
    p.setBrush(palette.accent);
    p.drawPolygon(
        QPolygonF({end + along * 2, end - along * head_px + side * 3.4, end - along * head_px - side * 3.4}));
}

}  // namespace

void paint_proposed_tile(QPainter& p, QPointF c, const QString& text, bool chosen, const Palette& palette) {
    QRectF tile = tile_at(QPointF(std::round(c.x()), std::round(c.y())));
    p.setFont(font(11.5, 650));
    const double wider = QFontMetricsF(p.font()).horizontalAdvance(text) + 8 - tile.width();
    if (wider > 0) tile.adjust(-wider / 2, 0, wider / 2, 0);
    paint_casing(p, tile, palette);
    QPen dashed(palette.accent, 1.3);
    dashed.setDashPattern({3 / 1.3, 2 / 1.3});
    p.setPen(dashed);
    p.setBrush(chosen ? palette.accent_tint : palette.tile);
    p.drawRoundedRect(tile, 4, 4);
    p.setPen(palette.accent);
    p.drawText(tile, Qt::AlignCenter, text);
    if (!chosen) return;
    p.setPen(QPen(palette.accent, 1.6));
    p.setBrush(Qt::NoBrush);
    p.drawRoundedRect(tile.adjusted(-5, -5, 5, 5), 8, 8);
}

void paint_proposal(QPainter& p, const HungPlan& plan, FloorId floor, const PlanMap& map,
                    AccessPointId chosen, const Palette& palette) {
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    for (const ProposalMove& m : plan.moves)
        if (m.floor == floor && m.kind == MoveKind::moved)
            paint_way(p, map.to_screen(m.from), map.to_screen(m.to), palette);
    for (const ProposalMove& m : plan.moves) {
        if (m.floor != floor) continue;
        const QPointF at = map.to_screen(m.to);
        const QString number = QString::number(m.number);
        if (m.kind == MoveKind::removed)
            paint_left_out(p, at, number, palette);
        else if (m.kind != MoveKind::stays || m.access_point == chosen)
            paint_proposed_tile(p, at, number, m.access_point == chosen, palette);
    }
    p.restore();
}

void paint_movable(QPainter& p, const std::vector<Point>& cells, double cell_m, const PlanMap& map,
                   const QString& tag, const Palette& palette) {
    if (cells.empty()) return;
    QPainterPath shape;
    shape.setFillRule(Qt::WindingFill);
    for (const Point& low : cells)
        shape.addRect(QRectF(map.to_screen(low), map.to_screen(low + Point{cell_m, cell_m})).normalized());
    shape = shape.simplified();
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(palette.casing, 4));
    p.setBrush(Qt::NoBrush);
    p.drawPath(shape);
    QBrush hatch(with_alpha(palette.accent, 0.5), Qt::BDiagPattern);
    p.setPen(Qt::NoPen);
    p.setBrush(with_alpha(palette.tile, 0.4));
    p.drawPath(shape);
    p.setPen(QPen(palette.accent, 1.6));
    p.setBrush(hatch);
    p.drawPath(shape);
    const QFont words = font(11.5, 600);
    const double width = tag_width(tag, words);
    const QRectF box = shape.boundingRect();
    draw_tag(p, QRectF(box.center().x() - width / 2, box.bottom() + 5, width, tag_height), tag, words,
             palette.accent, palette.on_accent);
    p.restore();
}

AccessPointId proposed_at(const HungPlan& plan, FloorId floor, const PlanMap& map, QPointF at) {
    for (const ProposalMove& m : plan.moves)
        if (m.floor == floor && m.kind != MoveKind::removed &&
            tile_at(map.to_screen(m.to)).adjusted(-3, -3, 3, 3).contains(at))
            return m.access_point;
    return {};
}

void paint_proposal_key(QPainter& p, QPointF at, const Palette& palette) {
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    const QFont words = font(11.5, 400);
    const QFontMetricsF metrics(words);
    double x = at.x();
    const auto say = [&](const QString& text) {
        draw_halo_text(p, QPointF(x, at.y()), text, words, palette.ink, palette.casing, 3.4,
                       Qt::AlignLeft | Qt::AlignVCenter);
        x += metrics.horizontalAdvance(text) + 18;
    };
    const QRectF plain = tile_at({x + 12, at.y()});
    paint_casing(p, plain, palette);
    p.setPen(QPen(palette.ink, 1.1));
    p.setBrush(palette.tile);
    p.drawRoundedRect(plain, 4, 4);
    x += 30;
    say(tr("stays"));
    paint_proposed_tile(p, {x + 12, at.y()}, {}, false, palette);
    x += 30;
    say(tr("proposed"));
    paint_way(p, {x + 5, at.y()}, {x + 50, at.y()}, palette);
    x += 42;
    say(tr("moved"));
    paint_left_out(p, {x + 12, at.y()}, {}, palette);
    x += 30;
    say(tr("left out"));
    p.restore();
}

}  // namespace yemvo::render
