// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/clients/rate_chart.h"

#include <QPainter>
#include <QPainterPath>
#include <cmath>

#include "app/look/theme.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr double low_dbm = -95, high_dbm = -35;
constexpr int levels_step_db = 10;

/// A round figure that is at least so much.
double round_up(double mbps) {
    for (double top = 50;; top *= 2) {
        if (mbps <= top) return top;
        if (mbps <= top * 1.5) return top * 1.5;
    }
}

}  // namespace

RateChart::RateChart(QWidget* parent) : QWidget(parent) {
    setMinimumSize(260, 240);
    setAccessibleName(tr("PHY rate down by level"));
}

void RateChart::show_client(const ClientProfile& client) {
    client_ = client;
    lines_.clear();
    for (const Band& b : bands()) {
        if (client.widest(b.id) <= 0) continue;
        // against a radio that holds it back in nothing
        const auto all = channels(b.id, client.widest(b.id));
        if (all.empty()) continue;
        lines_.push_back(
            {b.id, RateLadder({Standard::be, b.id, 8}, all.front(), client, client.noise_figure_db)});
    }
    update();
}

double RateChart::mbps(BandId band, double level_dbm) const {
    for (const Line& l : lines_)
        if (l.band == band) return l.ladder.rate_mbps(level_dbm + client_.gain_dbi);
    return 0;
}

void RateChart::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& colours = theme();
    p.fillRect(rect(), colours.paper);
    p.setRenderHint(QPainter::Antialiasing);
    p.setFont(render::font(13, 600));
    p.setPen(colours.ink);
    p.drawText(QRectF(20, 12, width() - 40, 18), Qt::AlignVCenter, tr("PHY rate down by level"));
    p.setFont(render::font(11.5));
    p.setPen(colours.muted);
    p.drawText(QRectF(20, 30, width() - 40, 18), Qt::AlignVCenter,
               tr("Mbit/s, against a radio of 802.11be with more streams"));
    const QRectF frame(62, 66, width() - 62 - 24, std::min(height() - 66 - 40.0, 380.0));
    double most = 10;
    for (const Line& l : lines_) most = std::max(most, l.ladder.rate_mbps(high_dbm + client_.gain_dbi));
    const double top = round_up(most);
    const auto x_of = [&](double dbm) {
        return frame.left() + (dbm - low_dbm) / (high_dbm - low_dbm) * frame.width();
    };
    const auto y_of = [&](double rate) { return frame.bottom() - rate / top * frame.height(); };
    for (int i = 0; i <= 5; ++i) {
        const double rate = top * i / 5;
        p.setPen(QPen(i ? colours.line2 : colours.ink, 1));
        p.drawLine(QPointF(frame.left(), y_of(rate)), QPointF(frame.right(), y_of(rate)));
        p.setPen(colours.muted);
        p.drawText(QRectF(4, y_of(rate) - 8, 52, 16), Qt::AlignRight | Qt::AlignVCenter,
                   render::figure(rate));
    }
    for (int dbm = -90; dbm <= high_dbm; dbm += levels_step_db) {
        p.setPen(QPen(colours.line2, 1));
        p.drawLine(QPointF(x_of(dbm), frame.top()), QPointF(x_of(dbm), frame.bottom()));
        p.setPen(colours.muted);
        p.drawText(QRectF(x_of(dbm) - 24, frame.bottom() + 4, 48, 16), Qt::AlignCenter, render::figure(dbm));
    }
    p.drawText(QRectF(frame.left(), frame.bottom() + 20, frame.width(), 16), Qt::AlignRight,
               tr("dBm at the client"));
    double named = frame.top() + 2;
    for (const Line& l : lines_) {
        QPainterPath path;
        bool begun = false;
        for (double dbm = low_dbm; dbm <= high_dbm; dbm += 0.25) {
            const double rate = l.ladder.rate_mbps(dbm + client_.gain_dbi);
            const QPointF at(x_of(dbm), y_of(rate));
            if (begun && at.y() != path.currentPosition().y())
                path.lineTo(at.x(), path.currentPosition().y());
            begun ? path.lineTo(at) : path.moveTo(at);
            begun = true;
        }
        p.setPen(QPen(colours.band(l.band).solid, 1.8));
        p.setBrush(Qt::NoBrush);
        p.drawPath(path);
        render::paint_band_glyph(p, QPointF(frame.left() + 14, named + 8), l.band, colours);
        p.setPen(colours.ink);
        p.drawText(QRectF(frame.left() + 26, named, 200, 16), Qt::AlignVCenter,
                   QString("%1 GHz, %2 MHz")
                       .arg(QString::fromStdString(band(l.band).name))
                       .arg(client_.widest(l.band)));
        named += 19;
    }
}

}  // namespace yemvo::app
