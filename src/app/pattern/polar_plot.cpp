// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/pattern/polar_plot.h"

#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>
#include <numbers>

#include "app/look/theme.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr double ring_db = 10;

QString degrees_text(int degree) { return render::figure(to_both_sides(degree)) + "°"; }

}  // namespace

/// Where things lie on the widget.
struct PolarPlot::Frame {
    QPointF centre;
    double radius;
    bool front_is_right;  ///< an elevation cut: 0 to the right, angles up and round
    double share(double db) const { return std::clamp(1 - db / least_shown_db, 0.0, 1.0); }
    QPointF at(double degree, double of_radius) const {
        const double a = degree * std::numbers::pi / 180;
        const QPointF way =
            front_is_right ? QPointF(std::cos(a), -std::sin(a)) : QPointF(std::sin(a), -std::cos(a));
        return centre + of_radius * radius * way;
    }
};

PolarPlot::PolarPlot(Which which, QWidget* parent) : QWidget(parent), which_(which) {
    setObjectName(which == Which::azimuth ? "plotAzimuth" : "plotElevation");
    setMinimumSize(210, 210);
    setMouseTracking(true);
}

void PolarPlot::show_cut(const Cut& cut, BandId band) {
    cut_ = cut;
    band_ = band;
    setAccessibleName(which_ == Which::azimuth ? tr("Azimuth cut") : tr("Elevation cut"));
    setAccessibleDescription(words());
    update();
}

QString PolarPlot::words() const {
    if (!cut_) return {};
    const auto edges = beam_edges(*cut_);
    return edges ? tr("%1° wide at 3 dB, peak at %2")
                       .arg(render::figure(edges->width_deg(), 1), degrees_text(cut_->peak_deg()))
                 : tr("round: it falls by 3 dB nowhere, or not on both sides");
}

PolarPlot::Frame PolarPlot::frame() const {
    const double head = 24, room = 20;
    const double radius = std::max(20.0, std::min(width() - 2 * 34.0, height() - head - 2 * room) / 2);
    return {QPointF(width() / 2.0, head + room + radius), radius, which_ == Which::elevation};
}

std::optional<int> PolarPlot::degree_at(QPointF place) const {
    const Frame f = frame();
    const QPointF way = place - f.centre;
    if (std::hypot(way.x(), way.y()) > f.radius * 1.15 || std::hypot(way.x(), way.y()) < 4) return {};
    const double a = f.front_is_right ? std::atan2(-way.y(), way.x()) : std::atan2(way.x(), -way.y());
    return (static_cast<int>(std::lround(a * 180 / std::numbers::pi)) + 360) % 360;
}

void PolarPlot::point_at(int degree) {
    if (degree == pointed_) return;
    pointed_ = degree;
    update();
}

void PolarPlot::mouseMoveEvent(QMouseEvent* e) {
    point_at(cut_ ? degree_at(e->position()).value_or(-1) : -1);
}
void PolarPlot::leaveEvent(QEvent*) { point_at(-1); }

void PolarPlot::paint_rings(QPainter& p, const Frame& f) const {
    const auto& colours = theme();
    p.setBrush(Qt::NoBrush);
    for (double db = 0; db > least_shown_db; db -= ring_db) {
        p.setPen(QPen(db == 0 ? colours.edge : colours.line2, db == 0 ? 1 : 1,
                      db == 0 ? Qt::DotLine : Qt::SolidLine));
        p.drawEllipse(f.centre, f.share(db) * f.radius, f.share(db) * f.radius);
    }
    p.setFont(render::font(10.5));
    for (int degree = 0; degree < 360; degree += 30) {
        p.setPen(QPen(colours.line2, degree % 90 == 0 ? 1 : 0.6));
        p.drawLine(f.centre, f.at(degree, 1));
        p.setPen(degree == 0 ? colours.ink : colours.muted);
        const QPointF at = f.at(degree, 1 + 14 / f.radius);
        p.drawText(QRectF(at.x() - 24, at.y() - 8, 48, 16), Qt::AlignCenter, degrees_text(degree));
    }
}

void PolarPlot::paint_curve(QPainter& p, const Frame& f) const {
    const auto& colours = theme();
    QPolygonF curve;
    for (int degree = 0; degree < 360; ++degree) curve << f.at(degree, f.share((*cut_)[degree]));
    p.setPen(QPen(colours.band(band_).solid, 1.8));
    p.setBrush(render::with_alpha(colours.band(band_).solid, 0.14));
    p.drawPolygon(curve);
}

void PolarPlot::paint_width(QPainter& p, const Frame& f) const {
    const auto edges = beam_edges(*cut_);
    if (!edges || edges->width_deg() > 300) return;
    const auto& colours = theme();
    const double edge_db = cut_->highest() - 3;
    p.setPen(QPen(colours.ink, 1.1, Qt::DashLine));
    p.setBrush(Qt::NoBrush);
    for (double degree : {edges->peak_deg - edges->before_deg, edges->peak_deg + edges->after_deg})
        p.drawLine(f.centre, f.at(degree, f.share(edge_db)));
    const QPointF at = f.at(edges->peak_deg + (edges->after_deg - edges->before_deg) / 2, 0.62);
    render::draw_halo_text(p, at, render::figure(edges->width_deg(), 1) + "°", render::font(11.5, 650),
                           colours.ink, colours.floor, 4);
}

void PolarPlot::paint_pointed(QPainter& p, const Frame& f) const {
    if (pointed_ < 0) return;
    const auto& colours = theme();
    const double db = (*cut_)[pointed_];
    p.setPen(QPen(colours.accent, 1));
    p.drawLine(f.centre, f.at(pointed_, 1));
    p.setBrush(colours.accent);
    p.setPen(QPen(colours.floor, 1));
    p.drawEllipse(f.at(pointed_, f.share(db)), 4, 4);
    p.setPen(colours.accent);
    p.setFont(render::font(11.5, 600));
    p.drawText(QRectF(0, 4, width() - 10, 18), Qt::AlignRight | Qt::AlignVCenter,
               degrees_text(pointed_) + "  " + render::figure(db, 1) + " dB");
}

void PolarPlot::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& colours = theme();
    p.fillRect(rect(), colours.floor);
    p.setFont(render::font(12.5, 650));
    p.setPen(colours.ink);
    p.drawText(QRectF(10, 4, width() - 20, 18), Qt::AlignVCenter,
               which_ == Which::azimuth ? tr("Azimuth") : tr("Elevation"));
    const Frame f = frame();
    paint_rings(p, f);
    if (!cut_) return;
    paint_curve(p, f);
    // over the curve, where they can be read
    p.setFont(render::font(10));
    for (double db = -ring_db; db > least_shown_db; db -= ring_db) {
        const QPointF at = f.at(f.front_is_right ? 135 : 225, f.share(db));
        render::draw_halo_text(p, at, render::figure(db), render::font(10), colours.muted, colours.floor, 3);
    }
    paint_width(p, f);
    paint_pointed(p, f);
}

}  // namespace yemvo::app
