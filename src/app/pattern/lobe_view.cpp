// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/pattern/lobe_view.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>
#include <numbers>

#include "app/look/theme.h"
#include "app/pattern/polar_plot.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr double degree_rad = std::numbers::pi / 180;
constexpr int patch_deg = 6;

double lobe_share(double db) { return std::max(1 - db / least_shown_db, 0.0); }

/// From the palette of the maps, without the paper that those are mixed with: a body needs full colours.
QColor lobe_colour(double db) {
    constexpr double of_colour = 0.66;
    const auto& steps = theme().steps;
    const double place =
        std::clamp(1 - db / least_shown_db, 0.0, 1.0) * static_cast<double>(steps.size() - 1);
    const QColor mixed = steps[static_cast<std::size_t>(std::lround(place))], ground = theme().paper;
    const auto full = [](int part, int of_ground) {
        return std::clamp(static_cast<int>(std::lround((part - (1 - of_colour) * of_ground) / of_colour)), 0,
                          255);
    };
    return {full(mixed.red(), ground.red()), full(mixed.green(), ground.green()),
            full(mixed.blue(), ground.blue())};
}

Point3 lobe_way(double azimuth_deg, double elevation_deg) {
    const double level = std::cos(elevation_deg * degree_rad);
    return {level * std::sin(azimuth_deg * degree_rad), level * std::cos(azimuth_deg * degree_rad),
            std::sin(elevation_deg * degree_rad)};
}

}  // namespace

LobeView::LobeView(QWidget* parent) : QWidget(parent) {
    setObjectName("lobeView");
    setAccessibleName(tr("Lobe"));
    setMinimumSize(220, 200);
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::OpenHandCursor);
}

void LobeView::show_lobe(const Lobe& lobe) {
    table_ = gain_table(lobe);
    update();
}

void LobeView::turn_by(double round, double over) {
    round_deg_ = std::remainder(round_deg_ + round, 360);
    over_deg_ = std::clamp(over_deg_ + over, -90.0, 90.0);
    update();
}

/// The front points to the right and towards the eye, turned about the upright and then tipped over.
LobeView::Corner LobeView::project(Point3 d, double db) const {
    const double r = lobe_share(db);
    const double c = std::cos(round_deg_ * degree_rad), s = std::sin(round_deg_ * degree_rad);
    // d.y is the front, drawn to the right; d.x its right hand, towards the eye
    const double across = d.y * c - d.x * s, deep = d.x * c + d.y * s;
    const double co = std::cos(over_deg_ * degree_rad), so = std::sin(over_deg_ * degree_rad);
    const double size = std::min(width() - 90, height() - 50) / 2.0;
    const QPointF middle(width() / 2.0 - 12, height() / 2.0 + 6);
    return {middle.x() + size * r * across, middle.y() - size * r * (d.z * co - deep * so),
            r * (deep * co + d.z * so), db};
}

void LobeView::paint_frame(QPainter& p) const {
    const auto& colours = theme();
    p.setPen(QPen(colours.muted, 1, Qt::DashLine));
    p.setBrush(Qt::NoBrush);
    for (bool level : {true, false}) {
        QPolygonF ring;
        for (int a = 0; a <= 360; a += 4) {
            const Corner c = level ? project(lobe_way(a, 0), 0)
                                   : project({0, std::cos(a * degree_rad), std::sin(a * degree_rad)}, 0);
            ring << QPointF(c.x, c.y);
        }
        p.drawPolyline(ring);
    }
}

void LobeView::paint_body(QPainter& p) const {
    struct Patch {
        std::array<Corner, 4> corners;
        double depth, db;
    };
    std::vector<Patch> patches;
    const auto corner = [&](int azimuth, int elevation) {
        const Point3 d = lobe_way(azimuth, elevation);
        return project(d, table_->relative_db(d));
    };
    for (int elevation = -90; elevation < 90; elevation += patch_deg)
        for (int azimuth = 0; azimuth < 360; azimuth += patch_deg) {
            Patch q{
                {corner(azimuth, elevation), corner(azimuth + patch_deg, elevation),
                 corner(azimuth + patch_deg, elevation + patch_deg), corner(azimuth, elevation + patch_deg)},
                0,
                0};
            for (const Corner& c : q.corners) q.depth += c.depth / 4, q.db += c.db / 4;
            patches.push_back(q);
        }
    std::ranges::sort(patches, {}, &Patch::depth);
    for (const Patch& q : patches) {
        QPolygonF shape;
        for (const Corner& c : q.corners) shape << QPointF(c.x, c.y);
        const QColor colour = lobe_colour(q.db);
        p.setBrush(colour);
        p.setPen(QPen(render::with_alpha(theme().ink, 0.28), 0.5));
        p.drawPolygon(shape);
    }
}

void LobeView::paint_scale(QPainter& p) const {
    const auto& colours = theme();
    p.setFont(render::font(10.5));
    for (int i = 0; i <= 5; ++i) {
        const double db = -6.0 * i;
        const QRectF box(width() - 46, 12 + 15 * i, 12, 15);
        p.fillRect(box, lobe_colour(db));
        p.setPen(colours.muted);
        p.drawText(box.adjusted(16, 0, 40, 0), Qt::AlignVCenter | Qt::AlignLeft, render::figure(db));
    }
}

void LobeView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& colours = theme();
    p.fillRect(rect(), colours.floor);
    p.setPen(colours.ink);
    p.setFont(render::font(12.5, 650));
    p.drawText(QRectF(10, 4, width() - 20, 18), Qt::AlignVCenter, tr("Lobe"));
    p.setPen(colours.muted);
    p.setFont(render::font(11));
    p.drawText(QRectF(10, 22, width() - 20, 16), Qt::AlignVCenter, tr("drag to turn"));
    if (!table_) return;
    paint_frame(p);
    paint_body(p);
    p.setPen(colours.ink);
    p.setFont(render::font(11));
    const Corner up = project({0, 0, 1}, 0);
    p.drawText(QRectF(up.x - 30, up.y - 17, 60, 15), Qt::AlignCenter, tr("up"));
    const Corner front = project({0, 1, 0}, 0);
    p.setPen(colours.accent);
    p.drawText(QRectF(front.x - 40, front.y - 18, 80, 15), Qt::AlignCenter, tr("front"));
    p.setBrush(colours.accent);
    p.drawEllipse(QPointF(front.x, front.y), 2.5, 2.5);
    paint_scale(p);
}

void LobeView::mousePressEvent(QMouseEvent* e) { held_ = e->position(); }

void LobeView::mouseMoveEvent(QMouseEvent* e) {
    if (!(e->buttons() & Qt::LeftButton)) return;
    const QPointF by = e->position() - held_;
    held_ = e->position();
    turn_by(-by.x() * 0.6, by.y() * 0.6);
}

void LobeView::keyPressEvent(QKeyEvent* e) {
    switch (e->key()) {
        case Qt::Key_Left:
            return turn_by(6, 0);
        case Qt::Key_Right:
            return turn_by(-6, 0);
        case Qt::Key_Up:
            return turn_by(0, -6);
        case Qt::Key_Down:
            return turn_by(0, 6);
        default:
            QWidget::keyPressEvent(e);
    }
}

}  // namespace yemvo::app
