// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/materials/type_plots.h"

#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "app/look/theme.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"
#include "wireless/band.h"

namespace yemvo::app {
namespace {

constexpr double low_ghz = 2, high_ghz = 7.5, steepest_deg = 85;

double step_for(double highest) {
    for (double step : {1.0, 2.0, 5.0, 10.0, 20.0, 50.0, 100.0})
        if (highest / step <= 6) return step;
    return 200;
}

}  // namespace

TypePlot::TypePlot(Against against, QWidget* parent) : QWidget(parent), against_(against) {
    setObjectName(against == Against::frequency ? "plotFrequency" : "plotAngle");
    setMinimumHeight(190);
}

void TypePlot::show_type(const WallType& type) {
    type_ = type;
    setAccessibleDescription(words());
    update();
}

QString TypePlot::words() const {
    QString said;
    for (const Band& b : bands()) {
        const double ghz = b.reference_mhz / 1000;
        const double db =
            against_ == Against::frequency ? loss_db(type_, ghz) : loss_at_angle_db(type_, ghz, 60);
        said += QString("%1 GHz: %2 dB%3. ")
                    .arg(QString::fromStdString(b.name), render::figure(db, 1),
                         against_ == Against::angle ? tr(" at 60°") : "");
    }
    return said.trimmed();
}

double TypePlot::highest_db() const {
    double highest = 1;
    for (const Band& b : bands()) {
        const double ghz = b.reference_mhz / 1000;
        if (against_ == Against::angle) {
            for (double a = 0; a <= steepest_deg; a += 2.5)
                highest = std::max(highest, loss_at_angle_db(type_, ghz, a));
        } else {
            highest = std::max(highest, loss_range(type_, ghz).high_db);
        }
    }
    if (against_ == Against::frequency)
        for (double f = low_ghz; f <= high_ghz; f += 0.05)
            highest = std::max(highest, loss_range(type_, f).high_db);
    return highest * 1.08;
}

void TypePlot::paint_axes(QPainter& p, const QRectF& r) const {
    const auto& colours = theme();
    const double highest = highest_db(), step = step_for(highest);
    p.setFont(render::font(10.5));
    for (double db = 0; db <= highest; db += step) {
        const double y = r.bottom() - db / highest * r.height();
        p.setPen(QPen(colours.line2, 1));
        p.drawLine(QPointF(r.left(), y), QPointF(r.right(), y));
        p.setPen(colours.muted);
        p.drawText(QRectF(r.left() - 40, y - 8, 34, 16), Qt::AlignRight | Qt::AlignVCenter,
                   render::figure(db));
    }
    p.setPen(colours.muted);
    const bool frequency = against_ == Against::frequency;
    const double from = frequency ? low_ghz : 0, to = frequency ? high_ghz : steepest_deg,
                 every = frequency ? 1 : 15;
    for (double v = from; v <= to + 1e-9; v += every) {
        const double x = r.left() + (v - from) / (to - from) * r.width();
        p.setPen(QPen(colours.line2, 1));
        p.drawLine(QPointF(x, r.top()), QPointF(x, r.bottom()));
        p.setPen(colours.muted);
        p.drawText(QRectF(x - 24, r.bottom() + 3, 48, 14), Qt::AlignCenter,
                   render::figure(v) + (frequency ? "" : "°"));
    }
    p.drawText(QRectF(r.right() - 120, r.bottom() + 16, 120, 14), Qt::AlignRight,
               frequency ? "GHz" : tr("from the normal"));
    p.setPen(QPen(colours.ink, 1));
    p.drawLine(r.bottomLeft(), r.bottomRight());
}

void TypePlot::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& colours = theme();
    p.fillRect(rect(), colours.floor);
    const bool frequency = against_ == Against::frequency;
    p.setFont(render::font(12, 600));
    p.setPen(colours.ink);
    const QString unit = type_.use == TypeUse::obstacle ? tr("dB a metre") : "dB";
    p.drawText(QRectF(10, 4, width() - 20, 18), Qt::AlignVCenter,
               (frequency ? tr("Loss against frequency, ") : tr("Loss against angle, ")) + unit);
    const QRectF r = QRectF(rect()).adjusted(46, 28, -16, -34);
    const bool shaped = frequency || (!type_.layers.empty() && type_.use != TypeUse::obstacle);
    if (shaped) paint_axes(p, r);
    const double highest = highest_db();
    const auto y = [&](double db) { return r.bottom() - std::min(db, highest) / highest * r.height(); };
    if (frequency) {
        const auto x = [&](double ghz) {
            return r.left() + (ghz - low_ghz) / (high_ghz - low_ghz) * r.width();
        };
        QPolygonF band, line, lower;
        for (double f = low_ghz; f <= high_ghz + 1e-9; f += 0.025) {
            const LossRange l = loss_range(type_, f);
            line << QPointF(x(f), y(l.loss_db));
            band << QPointF(x(f), y(l.high_db));
            lower.prepend(QPointF(x(f), y(l.low_db)));
        }
        p.setPen(Qt::NoPen);
        p.setBrush(colours.accent_tint);
        p.drawPolygon(band + lower);
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(colours.accent, 1.8));
        p.drawPolyline(line);
        p.setPen(QPen(colours.accent, 1.4));
        p.setBrush(colours.tile);
        for (const LossPoint& point : type_.losses)
            if (point.frequency_ghz >= low_ghz && point.frequency_ghz <= high_ghz)
                p.drawRect(QRectF(x(point.frequency_ghz) - 3, y(point.loss_db) - 3, 6, 6));
        for (const Band& b : bands()) {
            const double ghz = b.reference_mhz / 1000;
            const QPointF at(x(ghz), y(loss_db(type_, ghz)));
            render::paint_band_glyph(p, at, b.id, colours);
            render::draw_halo_text(p, at - QPointF(0, 14), render::figure(loss_db(type_, ghz), 1),
                                   render::font(10.5, 600), colours.ink, colours.floor, 3);
        }
        return;
    }
    if (type_.layers.empty() || type_.use == TypeUse::obstacle) {
        p.setPen(colours.muted);
        p.setFont(render::font(12));
        p.drawText(
            r.adjusted(20, 10, -20, -10), Qt::AlignCenter | Qt::TextWordWrap,
            type_.use == TypeUse::obstacle
                ? tr("An obstacle takes its loss by the metre, from whichever side.")
                : tr("Give the type layers to see what an angle does to its loss; without them it stays "
                     "as at normal incidence."));
        return;
    }
    for (const Band& b : bands()) {
        QPolygonF line;
        for (double a = 0; a <= steepest_deg; a += 0.5)
            line << QPointF(r.left() + a / steepest_deg * r.width(),
                            y(loss_at_angle_db(type_, b.reference_mhz / 1000, a)));
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(colours.band(b.id).solid, 2));
        p.drawPolyline(line);
        render::paint_band_glyph(p, line[0], b.id, colours);
    }
}

}  // namespace yemvo::app
