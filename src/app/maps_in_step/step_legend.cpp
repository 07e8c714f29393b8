// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/maps_in_step/step_legend.h"

#include <QPainter>

#include "app/look/theme.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

StepLegend::StepLegend(QWidget* parent) : QWidget(parent) { setFixedHeight(36); }

void StepLegend::show_choice(const render::MapChoice& choice, bool difference) {
    choice_ = choice;
    difference_ = difference;
    update();
}

void StepLegend::paint_strip(QPainter& p, QRectF area, const render::MapScale& scale, const QString& title,
                             bool threshold) const {
    const auto& colours = theme();
    p.setFont(render::font(11.5, 650));
    p.setPen(colours.ink);
    p.drawText(area, Qt::AlignLeft | Qt::AlignVCenter, title);
    const double left = area.left() + 150, wide = (area.width() - 170) / scale.steps;
    for (int i = 0; i < scale.steps; ++i) {
        const QRectF box(left + wide * i, area.top() + 5, wide, 12);
        p.fillRect(box, scale.colour(colours, i));
        p.setPen(colours.muted);
        p.setFont(render::font(10));
        if (i > 0 && (scale.steps < 12 || i % 2 == 0))
            p.drawText(QRectF(box.left() - 20, box.bottom(), 40, 14), Qt::AlignCenter,
                       render::figure(scale.low + scale.step * i));
    }
    p.setPen(QPen(colours.edge, 1));
    p.setBrush(Qt::NoBrush);
    p.drawRect(QRectF(left, area.top() + 5, wide * scale.steps, 12));
    if (!threshold) return;
    const double x = left + wide * (scale.threshold - scale.low) / scale.step;
    p.setPen(QPen(colours.not_met, 2));
    p.drawLine(QPointF(x, area.top() + 2), QPointF(x, area.top() + 19));
}

void StepLegend::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), theme().chrome);
    const render::MapScale own = render::scale_of(choice_);
    render::MapChoice change = choice_;
    change.against = render::Against::variant;
    const QString name = tr_mark(lens(choice_.lens).name), unit = QString::fromStdString(own.unit);
    paint_strip(p, QRectF(12, 2, width() * 0.55, height() - 2), own, name + ", " + unit,
                choice_.lens == LensId::signal);
    if (!difference_) return;
    paint_strip(p, QRectF(width() * 0.6, 2, width() * 0.4 - 12, height() - 2), render::scale_of(change),
                tr("Difference, %1").arg(unit == "dBm" ? QStringLiteral("dB") : unit), false);
}

}  // namespace yemvo::app
