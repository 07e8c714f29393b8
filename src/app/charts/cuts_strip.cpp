// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/charts/cuts_strip.h"

#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "app/look/theme.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int beside_deg = 12;  ///< drawn to both sides; there the cuts look different ways already
constexpr double foot_px = 30, axis_px = 30;

QString with_sign(double db) { return (db > 0 ? QStringLiteral("+") : QString()) + render::figure(db, 1); }

}  // namespace

CutsStrip::CutsStrip(QWidget* parent) : QWidget(parent) {
    setObjectName("cutsStrip");
    setAccessibleName(tr("Azimuth less elevation"));
    setMinimumHeight(132);
}

void CutsStrip::show_cuts(const PatternCuts& cuts, double within_db) {
    cuts_ = cuts;
    within_db_ = std::max(within_db, 0.05);
    setAccessibleDescription(words());
    const auto both = [&](int degree, const QString& name) {
        return tr("%1: azimuth %2 dB, elevation %3 dB")
            .arg(name, render::figure(cuts_.azimuth[degree], 1), render::figure(cuts_.elevation[degree], 1));
    };
    setToolTip(both(0, tr("ahead")) + "\n" + both(180, tr("behind")));
    update();
}

QString CutsStrip::words() const {
    const auto side = [&](int degree, const QString& name) {
        return (agree(degree) ? tr("%1 %2 dB") : tr("%1 %2 dB, too far apart"))
            .arg(name, with_sign(by_db(degree)));
    };
    return side(0, tr("ahead")) + "; " + side(180, tr("behind"));
}

double CutsStrip::reach_db() const {
    const double most = std::max(std::abs(by_db(0)), std::abs(by_db(180)));
    return std::min(std::max(2.2 * within_db_, 1.35 * most), 40.0);
}

void CutsStrip::paint_side(QPainter& p, const QRectF& box, int middle_deg, const QString& name) const {
    const auto& colours = theme();
    const double reach = reach_db();
    const auto x = [&](double beside) { return box.center().x() + beside / beside_deg * box.width() / 2; };
    const auto y = [&](double db) {
        return box.center().y() - std::clamp(db / reach, -1.0, 1.0) * box.height() / 2;
    };
    p.fillRect(box, colours.tile);
    const QRectF kept(box.left(), y(within_db_), box.width(), y(-within_db_) - y(within_db_));
    p.fillRect(kept, colours.accent_tint);
    p.setPen(QPen(colours.accent, 1, Qt::DashLine));
    p.drawLine(kept.topLeft(), kept.topRight());
    p.drawLine(kept.bottomLeft(), kept.bottomRight());
    p.setPen(QPen(colours.muted, 1));
    p.drawLine(QPointF(box.left(), y(0)), QPointF(box.right(), y(0)));
    p.drawLine(QPointF(box.center().x(), box.top()), QPointF(box.center().x(), box.bottom()));
    QPainterPath line;
    for (int beside = -beside_deg; beside <= beside_deg; ++beside) {
        const QPointF at(x(beside), y(by_db(middle_deg + beside)));
        beside == -beside_deg ? line.moveTo(at) : line.lineTo(at);
    }
    p.save();
    p.setClipRect(box);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(colours.muted, 1, Qt::DotLine));
    p.drawPath(line);
    const double by = by_db(middle_deg);
    const QColor ink = agree(middle_deg) ? colours.ink : colours.not_met;
    p.setPen(QPen(ink, 2));
    p.setBrush(agree(middle_deg) ? colours.tile : ink);
    p.drawLine(QPointF(x(-2), y(by)), QPointF(x(2), y(by)));
    p.drawEllipse(QPointF(x(0), y(by)), 4, 4);
    p.restore();
    const bool room_above = y(by) - box.top() > 24;
    render::draw_halo_text(p, {x(0) + 8, y(by) + (room_above ? -11 : 12)}, with_sign(by) + " dB",
                           render::font(11.5, 650), ink, colours.tile, 3, Qt::AlignLeft | Qt::AlignVCenter);
    p.setPen(colours.muted);
    p.setFont(render::font(10.5));
    const auto degree = [&](double beside, Qt::Alignment side) {
        const int at = middle_deg + static_cast<int>(beside);
        p.drawText(QRectF(x(beside) - (side & Qt::AlignRight     ? 40
                                       : side & Qt::AlignHCenter ? 20
                                                                 : 0),
                          box.bottom() + 2, 40, 13),
                   static_cast<int>(side | Qt::AlignVCenter), render::figure(at) + QStringLiteral("°"));
    };
    degree(-beside_deg, Qt::AlignLeft);
    degree(0, Qt::AlignHCenter);
    degree(beside_deg, Qt::AlignRight);
    p.drawText(QRectF(box.left(), box.bottom() + 14, box.width(), 14), Qt::AlignCenter,
               tr("%1 %2, %3")
                   .arg(name, render::figure(cuts_.azimuth[middle_deg], 1),
                        render::figure(cuts_.elevation[middle_deg], 1)));
}

void CutsStrip::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& colours = theme();
    const double between = 12, wide = (width() - axis_px - between) / 2, high = height() - foot_px - 8;
    const QRectF ahead(axis_px, 6, wide, high), behind(axis_px + wide + between, 6, wide, high);
    paint_side(p, ahead, 0, tr("ahead"));
    paint_side(p, behind, 180, tr("behind"));
    p.setPen(colours.muted);
    p.setFont(render::font(10.5));
    const double reach = reach_db();
    for (double db : {within_db_, 0.0, -within_db_}) {
        const double y = ahead.center().y() - db / reach * high / 2;
        p.drawText(QRectF(0, y - 7, axis_px - 5, 14), Qt::AlignRight | Qt::AlignVCenter,
                   db == 0 ? QStringLiteral("0") : with_sign(db));
    }
}

}  // namespace yemvo::app
