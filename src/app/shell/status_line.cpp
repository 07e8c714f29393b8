// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/status_line.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QPushButton>

#include "app/look/theme.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

StatusLine::StatusLine(QWidget* parent) : QWidget(parent) {
    setObjectName("status");
    setFixedHeight(26);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 12, 0);
    row->setSpacing(0);
    row->addStretch(1);
    cancel_ = new QPushButton(tr("Cancel"), this);
    cancel_->setStyleSheet("min-height: 16px; max-height: 16px; font-size: 11px; padding: 0 8px;");
    for (QLabel** label : {&place_, &floor_, &scale_, &units_, &work_}) {
        *label = new QLabel(this);
        dress(*label, "font-size: 12px; padding: 0 11px; border-left: 1px solid @line;");
        row->addWidget(*label);
    }
    place_->setMinimumWidth(138);
    row->addWidget(cancel_);
    cancel_->hide();
    connect(cancel_, &QPushButton::clicked, this, &StatusLine::cancel_asked);
}

void StatusLine::set_hint(const QString& tool, const std::vector<HintPart>& hint) {
    tool_ = tool;
    hint_ = hint;
    // what was told by the same click or key stays for the person to read
    constexpr qint64 same_action_ms = 250;
    if (!told_.isValid() || told_.elapsed() > same_action_ms) message_.clear();
    update();
}

void StatusLine::set_message(const QString& message, bool is_fault) {
    message_ = message;
    fault_ = is_fault;
    told_.start();
    update();
}

void StatusLine::set_place(const QString& text) { place_->setText(text); }
void StatusLine::set_floor(const QString& text) {
    constexpr int most_px = 170;  // messages need the room more
    floor_->setText(QFontMetrics(render::font(12)).elidedText(text, Qt::ElideMiddle, most_px));
    floor_->setToolTip(text);
}
void StatusLine::set_scale(const QString& text) { scale_->setText(text); }
void StatusLine::set_units(const QString& text) { units_->setText(text); }
QString StatusLine::work() const { return work_->text(); }

void StatusLine::set_work(const QString& state, bool can_cancel) {
    working_ = can_cancel;
    if (work_->text() != state) work_->setText(state);
    if (cancel_->isVisibleTo(this) != can_cancel) cancel_->setVisible(can_cancel);
}

void StatusLine::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& colours = theme();
    p.fillRect(rect(), colours.chrome);
    p.fillRect(QRect(0, 0, width(), 1), colours.line);
    p.setRenderHint(QPainter::Antialiasing);
    const double end = place_->x() - 8;
    p.setClipRect(QRectF(0, 0, end, height()));
    double x = 12;
    const auto words = [&](const QString& text, const QFont& font, const QColor& colour) {
        p.setFont(font);
        p.setPen(colour);
        const QString shown = QFontMetricsF(font).elidedText(text, Qt::ElideRight, std::max(0.0, end - x));
        p.drawText(QRectF(x, 0, end - x, height()), Qt::AlignVCenter, shown);
        x += QFontMetricsF(font).horizontalAdvance(shown) + 6;
    };
    if (!message_.isEmpty())
        return words(message_, render::font(12, fault_ ? 600 : 500), fault_ ? colours.not_met : colours.ink);
    words(tool_, render::font(12, 600), colours.ink);
    for (const HintPart& part : hint_) {
        if (!part.key.isEmpty()) {
            const QFont f = render::font(11);
            const double w = QFontMetricsF(f).horizontalAdvance(part.key) + 10;
            if (x + w + QFontMetricsF(render::font(12)).horizontalAdvance(part.words) + 8 > end) break;
            const QRectF cap(x + 2, 5, w, 17);
            p.setPen(QPen(colours.line, 1));
            p.setBrush(colours.field);
            p.drawRoundedRect(cap, 3, 3);
            p.setPen(colours.ink);
            p.setFont(f);
            p.drawText(cap, Qt::AlignCenter, part.key);
            x += w + 7;
        }
        words(part.words, render::font(12), colours.muted);
        x += 3;
    }
}

}  // namespace yemvo::app
