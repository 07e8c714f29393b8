// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/proposal/bound_rail.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/look/theme.h"
#include "render/plan_marks.h"
#include "render/plan_proposal.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

BoundRail::BoundRail(QWidget* parent) : QWidget(parent) {
    setObjectName("boundRail");
    setMinimumSize(220, 46);
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
}

void BoundRail::show_figures(const Figures& figures) {
    if (figures == figures_) return;
    figures_ = figures;
    const int all[] = {figures.least, figures.proposed, figures.now};
    const auto [low, high] = std::minmax_element(std::begin(all), std::end(all));
    const double room = std::max(2.0, 0.25 * (*high - *low + 1));
    low_ = std::max(0.0, *low - room);
    high_ = *high + room;
    setAccessibleName(
        tr("At least %1, proposed %2, now %3").arg(figures.least).arg(figures.proposed).arg(figures.now));
    setToolTip(
        tr("No plan from these candidate places reaches what is asked with fewer than %1. What clients "
           "and air take on top is not in that figure.")
            .arg(figures.least));
    update();
}

double BoundRail::x_of(double count) const {
    constexpr double margin_px = 40;
    return margin_px + (count - low_) / (high_ - low_) * (width() - 2 * margin_px);
}

void BoundRail::paintEvent(QPaintEvent*) {
    if (figures_.proposed == 0) return;
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    constexpr double y = 15;
    p.setPen(QPen(theme().line, 1));
    p.drawLine(QPointF(4, y), QPointF(width() - 4, y));
    for (int n = int(std::ceil(low_)); n <= int(high_); ++n)
        p.drawLine(QPointF(x_of(n), y - 3), QPointF(x_of(n), y + 3));
    const double least = x_of(figures_.least), proposed = x_of(figures_.proposed);
    render::paint_hatch(p, QRectF(4, y - 6, least - 4, 12), render::with_alpha(theme().muted, 0.5));
    p.setPen(QPen(theme().accent, 3));
    if (proposed > least + 1) p.drawLine(QPointF(least, y), QPointF(proposed, y));
    p.setPen(QPen(theme().ink, 2.2));
    p.drawLine(QPointF(least, y - 10), QPointF(least, y + 10));
    std::vector<Label> labels{{least, tr("at least"), theme().muted},
                              {proposed, tr("proposed"), theme().accent}};
    p.setFont(render::font(12, 650));
    render::draw_halo_text(p, QPointF(least - 5, y), QString::number(figures_.least), p.font(), theme().ink,
                           theme().chrome, 5, Qt::AlignRight | Qt::AlignVCenter);
    if (figures_.now > 0 && figures_.now != figures_.proposed) {
        // beside the proposed one, however near they are
        constexpr double apart_px = 40;
        const double now = figures_.now > figures_.proposed
                               ? std::max(x_of(figures_.now), proposed + apart_px)
                               : std::min(x_of(figures_.now), proposed - apart_px);
        const QRectF tile(now - 12, y - 8.5, 24, 17);
        p.setPen(QPen(theme().ink, 1.1));
        p.setBrush(theme().tile);
        p.drawRoundedRect(tile, 4, 4);
        p.setFont(render::font(11.5, 650));
        p.drawText(tile, Qt::AlignCenter, QString::number(figures_.now));
        labels.push_back({now, tr("now"), theme().muted});
    }
    render::paint_proposed_tile(p, {proposed, y}, QString::number(figures_.proposed), false, theme());
    paint_labels(p, std::move(labels));
}

/// Below what they are about, moved aside where they would meet.
void BoundRail::paint_labels(QPainter& p, std::vector<Label> labels) const {
    constexpr double gap_px = 7;
    const QFont words = render::font(10.5, 400);
    const QFontMetricsF metrics(words);
    const auto wide = [&](const Label& l) { return metrics.horizontalAdvance(l.text) + 2; };
    std::ranges::stable_sort(labels, {}, &Label::x);
    double together = -gap_px, middle = 0;
    for (const Label& l : labels) {
        together += wide(l) + gap_px;
        middle += l.x / static_cast<double>(labels.size());
    }
    // from left to right; where that ends beyond what is about them, from their middle
    double free_from = 0;
    bool meet = false;
    for (const Label& l : labels) {
        meet = meet || l.x - wide(l) / 2 < free_from;
        free_from = l.x + wide(l) / 2 + gap_px;
    }
    double x = std::clamp(middle - together / 2, 0.0, std::max(0.0, width() - together));
    p.setFont(words);
    for (const Label& l : labels) {
        const double left = meet ? x : std::clamp(l.x - wide(l) / 2, 0.0, width() - wide(l));
        p.setPen(l.ink);
        p.drawText(QRectF(left, 29, wide(l), 15), Qt::AlignCenter, l.text);
        x += wide(l) + gap_px;
    }
}

}  // namespace yemvo::app
