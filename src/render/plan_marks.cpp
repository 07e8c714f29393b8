// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/plan_marks.h"

#include <QPainterPath>

#include "base/number_text.h"
#include "project/working_radio.h"
#include "render/text_style.h"

namespace yemvo::render {
namespace {

void paint_wedge(QPainter& p, QPointF centre, double azimuth_deg, const Palette& palette) {
    constexpr double reach = 27, half_deg = 22;
    QPainterPath wedge(centre);
    wedge.arcTo(QRectF(centre.x() - reach, centre.y() - reach, 2 * reach, 2 * reach),
                90 - azimuth_deg - half_deg, 2 * half_deg);
    wedge.closeSubpath();
    p.setPen(QPen(palette.ink, 0.9));
    p.setBrush(with_alpha(palette.ink, 0.16));
    p.drawPath(wedge);
}

struct RadioBar {
    BandId band;
    bool on;  ///< and fed
};

void paint_radio_bars(QPainter& p, QPointF centre, const Project& project, const AccessPoint& ap,
                      const Palette& palette) {
    std::vector<RadioBar> radios;
    for (std::size_t r = 0; r < ap.radios.size(); ++r)
        radios.push_back({ap.radios[r].channel.band, is_at_work(project, ap, r)});
    std::ranges::stable_sort(radios, {}, &RadioBar::band);
    const double first = centre.x() - 4.0 * static_cast<double>(radios.size() - 1);
    for (std::size_t i = 0; i < radios.size(); ++i) {
        const QPointF c(first + 8.0 * static_cast<double>(i), centre.y() + 8.5 + 2.5 + 2);
        const QColor colour = palette.band(radios[i].band).solid;
        if (radios[i].on) {
            p.setPen(Qt::NoPen);
            p.setBrush(colour);
            p.drawRoundedRect(QRectF(c.x() - 3.5, c.y() - 2, 7, 4), 1, 1);
        } else {
            p.setPen(QPen(colour, 1));
            p.setBrush(palette.tile);
            p.drawRoundedRect(QRectF(c.x() - 3, c.y() - 1.5, 6, 3), 1, 1);
        }
    }
}

}  // namespace

/// What hangs has a dot at its corner, what is checked a tick in it.
static void paint_site_state(QPainter& p, QPointF at, SiteState state, const Palette& palette) {
    const bool checked = state == SiteState::checked;
    p.setPen(QPen(palette.tile, 1.4));
    p.setBrush(checked ? palette.accent : palette.muted);
    p.drawEllipse(at, checked ? 6 : 4, checked ? 6 : 4);
    if (!checked) return;
    p.setPen(QPen(palette.on_accent, 1.5, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    p.drawPolyline(QPolygonF{at + QPointF(-2.6, 0.2), at + QPointF(-0.6, 2.2), at + QPointF(2.8, -2.2)});
}

bool is_directional(const Project& project, const AccessPoint& ap) {
    if (ap.mount != Mount::ceiling && ap.mount != Mount::desk) return true;
    for (std::size_t r = 0; r < ap.radios.size(); ++r) {
        const Antenna antenna = working_radio(project, ap, r).antenna;
        if (antenna.frame() == PatternFrame::upright && !std::holds_alternative<DipoleLobe>(antenna.lobe) &&
            !std::holds_alternative<CollinearLobe>(antenna.lobe))
            return true;
    }
    return false;
}

void paint_badge(QPainter& p, QPointF at, const Project& project, const AccessPoint& ap, BadgeState state,
                 const Palette& palette, bool aimed) {
    const QPointF centre(std::round(at.x()), std::round(at.y()));
    const bool selected = state == BadgeState::selected;
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    if (aimed && is_directional(project, ap)) paint_wedge(p, centre, ap.azimuth_deg, palette);
    const QRectF tile(centre.x() - 12, centre.y() - 8.5, 24, 17);
    p.setPen(Qt::NoPen);
    p.setBrush(palette.casing);
    p.drawRoundedRect(tile.adjusted(-1.5, -1.5, 1.5, 8), 5, 5);
    p.setPen(QPen(selected ? palette.accent : palette.ink, 1.1));
    p.setBrush(selected ? palette.accent : palette.tile);
    p.drawRoundedRect(tile, 4, 4);
    p.setPen(selected ? palette.on_accent : palette.ink);
    p.setFont(font(11.5, 650));
    p.drawText(tile, Qt::AlignCenter, QString::number(ap.number));
    paint_radio_bars(p, centre, project, ap, palette);
    if (ap.on_site.state != SiteState::planned)
        paint_site_state(p, tile.topRight(), ap.on_site.state, palette);
    if (selected) {
        p.setPen(QPen(palette.accent, 1.6));
        p.setBrush(Qt::NoBrush);
        p.drawRoundedRect(tile.adjusted(-5, -5, 5, 12), 8, 8);
    }
    p.restore();
}

QRectF badge_area(QPointF centre) { return {centre.x() - 14, centre.y() - 10, 28, 27}; }

QRectF note_area(QPointF tip) { return QRectF(tip.x() - 9, tip.y() - 24, 18, 24); }

void paint_note(QPainter& p, QPointF tip, bool photo, bool selected, const Palette& palette) {
    const QRectF sheet(tip.x() - 8, tip.y() - 23, 16, 16);
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    const QColor ink = selected ? palette.accent : palette.ink;
    QPolygonF outline{sheet.topLeft(),
                      sheet.topRight() - QPointF(5, 0),
                      sheet.topRight() + QPointF(0, 5),
                      sheet.bottomRight(),
                      QPointF(tip.x() + 3, sheet.bottom()),
                      tip,
                      QPointF(tip.x() - 3, sheet.bottom()),
                      sheet.bottomLeft()};
    p.setPen(QPen(palette.casing, 4));
    p.drawPolygon(outline);
    p.setPen(QPen(ink, 1.2));
    p.setBrush(selected ? palette.accent_tint : palette.tile);
    p.drawPolygon(outline);
    p.setBrush(Qt::NoBrush);
    if (photo) {
        p.drawRect(QRectF(sheet.left() + 3.5, sheet.top() + 5.5, 9, 7));
        p.drawEllipse(QPointF(sheet.center().x(), sheet.top() + 9), 1.6, 1.6);
    } else {
        for (double y : {5.0, 8.0, 11.0})
            p.drawLine(QPointF(sheet.left() + 3.5, sheet.top() + y),
                       QPointF(sheet.right() - (y > 10 ? 6 : 4), sheet.top() + y));
    }
    p.restore();
}

void paint_band_glyph(QPainter& p, QPointF c, BandId id, const Palette& palette) {
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(Qt::NoPen);
    p.setBrush(palette.band(id).solid);
    if (id == band_24)
        p.drawEllipse(c, 4, 4);
    else if (id == band_5)
        p.drawRoundedRect(QRectF(c.x() - 3.8, c.y() - 3.8, 7.6, 7.6), 1, 1);
    else
        p.drawPolygon(QPolygonF(
            {c + QPointF(0, -4.8), c + QPointF(4.8, 0), c + QPointF(0, 4.8), c + QPointF(-4.8, 0)}));
    p.restore();
}

QColor outcome_ink(Outcome o, const Palette& palette) {
    switch (o) {
        case Outcome::met:
            return palette.ink;
        case Outcome::near:
            return palette.near;
        case Outcome::not_met:
            break;
    }
    return palette.not_met;
}

void paint_hatch(QPainter& p, const QRectF& r, const QColor& colour, double step_px) {
    p.save();
    p.setClipRect(r, Qt::IntersectClip);
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(colour, 1.3));
    const double reach = r.height();
    for (double x = r.left() - reach; x < r.right(); x += step_px * M_SQRT2)
        p.drawLine(QPointF(x, r.bottom()), QPointF(x + reach, r.top()));
    p.restore();
}

void paint_outcome(QPainter& p, QPointF c, Outcome o, const Palette& palette) {
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setBrush(Qt::NoBrush);
    const QColor ink = outcome_ink(o, palette);
    const QRectF square(c.x() - 5, c.y() - 5, 10, 10);
    if (o == Outcome::met) {
        p.setPen(QPen(ink, 1.6, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
        p.drawPolyline(QPolygonF({c + QPointF(-4.4, 0.4), c + QPointF(-1.4, 3.6), c + QPointF(4.6, -3.8)}));
    } else if (o == Outcome::near) {
        QPen pen(ink, 1.6);
        pen.setDashPattern({1.7 / 1.6, 1.45 / 1.6});
        pen.setCapStyle(Qt::FlatCap);
        p.setPen(pen);
        p.drawRect(square);
    } else {
        paint_hatch(p, square, ink, 2.4);
        p.setPen(QPen(ink, 1.2));
        p.drawRect(square);
    }
    p.restore();
}

void paint_scale_bar(QPainter& p, QPointF at, const PlanMap& map, LengthUnits units, const Palette& palette) {
    const double unit_m = units == LengthUnits::metres ? 1 : 0.3048;
    double length = 1;
    for (double step : {0.1, 0.2, 0.5, 1.0, 2.0, 5.0, 10.0, 20.0, 50.0, 100.0, 200.0, 500.0})
        if (step * unit_m * map.px_per_m <= 130) length = step;
    const double px = length * unit_m * map.px_per_m;
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    const QPointF a = at, middle = at + QPointF(px / 2, 0), b = at + QPointF(px, 0);
    p.setPen(QPen(palette.casing, 7));
    p.drawLine(a, b);
    p.setPen(QPen(palette.ink, 1.2));
    p.drawLine(a, b);
    for (QPointF c : {a, middle, b}) p.drawLine(c + QPointF(0, -4), c + QPointF(0, 4));
    p.setPen(QPen(palette.ink, 3, Qt::SolidLine, Qt::FlatCap));
    p.drawLine(a, middle);
    const QFont f = font(10.5);
    const int decimals =
        length / 2 < 1 ? (length < 0.2 ? 2 : 1) : (length / 2 == std::floor(length / 2) ? 0 : 1);
    const QString name = units == LengthUnits::metres ? " m" : " ft";
    draw_halo_text(p, a + QPointF(0, -13), "0", f, palette.ink, palette.casing);
    draw_halo_text(p, middle + QPointF(0, -13), figure(length / 2, decimals), f, palette.ink, palette.casing);
    draw_halo_text(p, b + QPointF(4, -13), figure(length, length < 1 ? 1 : 0) + name, f, palette.ink,
                   palette.casing);
    p.restore();
}

void paint_north(QPainter& p, QPointF c, const Palette& palette) {
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(palette.ink, 1));
    p.setBrush(palette.casing);
    p.drawEllipse(c, 10, 10);
    const QPointF tip = c + QPointF(0, -11), foot = c + QPointF(0, 4);
    p.setBrush(palette.ink);
    p.drawPolygon(QPolygonF({tip, c + QPointF(-4, 8), foot}));
    p.setBrush(palette.tile);
    p.drawPolygon(QPolygonF({tip, c + QPointF(4, 8), foot}));
    p.restore();
}

void paint_inside_edge(QPainter& p, const FloorMask& mask, const PlanMap& map, const Palette& palette) {
    QPen pen(with_alpha(palette.accent, 0.6), 1);
    pen.setCosmetic(true);
    pen.setDashPattern({4, 3});
    p.setPen(pen);
    QVector<QLineF> lines;
    for (const Segment& s : mask.edges()) lines << QLineF(map.to_screen(s.a), map.to_screen(s.b));
    p.setRenderHint(QPainter::Antialiasing, false);
    p.drawLines(lines);
    p.setRenderHint(QPainter::Antialiasing);
}

void paint_padlock(QPainter& p, QPointF centre, const QColor& ink) {
    p.save();
    p.setPen(QPen(ink, 1.2));
    p.setBrush(Qt::NoBrush);
    p.drawArc(QRectF(centre.x() - 2, centre.y() - 4.5, 4, 6), 0, 180 * 16);
    p.setPen(Qt::NoPen);
    p.setBrush(ink);
    p.drawRoundedRect(QRectF(centre.x() - 3.5, centre.y() - 1, 7, 5), 1, 1);
    p.restore();
}

}  // namespace yemvo::render
