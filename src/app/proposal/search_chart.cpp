// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/proposal/search_chart.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

#include "app/look/theme.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

SearchChart::SearchChart(QWidget* parent) : QWidget(parent) {
    setObjectName("searchChart");
    setAccessibleName(tr("The search over time"));
    setMinimumSize(160, 84);
}

void SearchChart::begin(double seconds) {
    stands_.clear();
    seconds_ = seconds;
    running_ = true;
    update();
}

/// Plans that were judged count; what the search tries meanwhile shows as long as there is none.
void SearchChart::add(const ProposalStand& s) {
    if (!s.judged && std::ranges::any_of(stands_, [](const ProposalStand& o) { return o.judged; })) {
        stands_.back().lower_bound = std::max(stands_.back().lower_bound, s.lower_bound);
        return;
    }
    stands_.push_back(s);
    update();
}

void SearchChart::end() {
    running_ = false;
    update();
}

void SearchChart::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const QRectF area(34, 18, width() - 34 - 44, height() - 18 - 20);
    p.fillRect(area, theme().field);
    if (stands_.empty()) return;
    double most_count = 0, most_m2 = 1, least_count = 1e9;
    for (const ProposalStand& s : stands_) {
        most_count = std::max(most_count, double(s.access_points));
        least_count =
            std::min({least_count, double(s.access_points), s.lower_bound > 0 ? s.lower_bound : 1e9});
        if (s.judged) most_m2 = std::max(most_m2, s.short_m2);
    }
    const double low = std::max(0.0, std::floor(least_count - 1)), high = std::ceil(most_count + 1);
    const double last_s = stands_.back().seconds, end_s = running_ ? seconds_ : std::max(1.0, last_s * 1.05);
    const auto x = [&](double s) { return area.left() + std::min(1.0, s / end_s) * area.width(); };
    const auto y = [&](double n) { return area.bottom() - (n - low) / (high - low) * area.height(); };
    const auto y2 = [&](double m2) { return area.bottom() - m2 / (1.1 * most_m2) * area.height(); };
    // area not met: hatched steps
    for (std::size_t i = 0; i < stands_.size(); ++i) {
        if (!stands_[i].judged) continue;
        const double to = i + 1 < stands_.size() ? stands_[i + 1].seconds : (running_ ? last_s : end_s);
        const QRectF step(QPointF(x(stands_[i].seconds), y2(stands_[i].short_m2)),
                          QPointF(x(to), area.bottom()));
        if (step.width() <= 0) continue;
        render::paint_hatch(p, step, render::with_alpha(theme().not_met, 0.35));
        p.setPen(QPen(theme().not_met, 1.4));
        p.drawLine(step.topLeft(), step.topRight());
    }
    QPolygonF line;
    for (std::size_t i = 0; i < stands_.size(); ++i) {
        if (i > 0) line << QPointF(x(stands_[i].seconds), y(double(stands_[i - 1].access_points)));
        line << QPointF(x(stands_[i].seconds), y(double(stands_[i].access_points)));
    }
    if (!running_) line << QPointF(x(end_s), line.back().y());
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(theme().accent, 2));
    p.drawPolyline(line);
    const double bound = stands_.back().lower_bound;
    if (bound > 0) {
        QPen dashed(theme().ink, 1);
        dashed.setDashPattern({5, 3});
        p.setPen(dashed);
        p.drawLine(QPointF(area.left(), y(bound)), QPointF(area.right(), y(bound)));
    }
    p.setFont(render::font(10.5, 400));
    p.setPen(theme().accent);
    p.drawText(QRectF(0, 0, width() / 2, 16), Qt::AlignLeft | Qt::AlignVCenter, tr("access points"));
    p.setPen(theme().not_met);
    p.drawText(QRectF(width() / 2, 0, width() / 2, 16), Qt::AlignRight | Qt::AlignVCenter, tr("not met, m²"));
    p.setPen(theme().muted);
    p.drawText(QRectF(0, area.top() - 4, 30, 14), Qt::AlignRight, render::figure(high, 0));
    p.drawText(QRectF(0, area.bottom() - 12, 30, 14), Qt::AlignRight, render::figure(low, 0));
    p.drawText(QRectF(area.right() + 4, area.top() - 4, 40, 14), Qt::AlignLeft,
               render::figure(1.1 * most_m2, 0));
    p.drawText(QRectF(area.right() + 4, area.bottom() - 12, 40, 14), Qt::AlignLeft, render::figure(0, 0));
    p.drawText(QRectF(area.left(), area.bottom() + 3, 60, 14), Qt::AlignLeft, render::figure(0, 0));
    p.drawText(QRectF(area.right() - 60, area.bottom() + 3, 60, 14), Qt::AlignRight,
               tr("%1 s").arg(render::figure(end_s, 0)));
}

}  // namespace yemvo::app
