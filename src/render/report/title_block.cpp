// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/title_block.h"

#include "render/plan_marks.h"
#include "render/report/sections.h"
#include "render/report/styles.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render::report {
namespace {

void label(QPainter& p, const QRectF& box, const QString& head, const QString& words, double px, int weight) {
    const auto& colours = print_palette();
    p.setFont(font(9));
    p.setPen(colours.muted);
    p.drawText(box, Qt::AlignLeft | Qt::AlignTop, head);
    p.setFont(font(px, weight));
    p.setPen(colours.ink);
    p.drawText(box.adjusted(0, 13, 0, 0), Qt::AlignLeft | Qt::AlignTop,
               QFontMetricsF(p.font()).elidedText(words, Qt::ElideRight, box.width()));
}

/// The scale in figures over a bar to measure by.
void paint_ruler(QPainter& p, QPointF at, const PlanMap& map, LengthUnits units, const TitleBlock& title) {
    paint_scale_bar(p, at, map, units, print_palette());
    p.setFont(font(14, 650));
    p.setPen(print_palette().ink);
    p.drawText(QRectF(at.x(), at.y() - 54, 140, 22), Qt::AlignLeft | Qt::AlignVCenter,
               QString("1 : %1").arg(title.scale));
}

}  // namespace

TitleBlock title_block(const ReportFacts& facts) {
    const ReportChoice& choice = facts.choice();
    TitleBlock t;
    t.site = QString::fromStdString(facts.project().name);
    t.customer = filled(choice.customer, facts);
    t.author = filled(choice.author, facts);
    t.revision = filled(choice.revision, facts);
    t.day = day_text(facts.plan.day);
    return t;
}

void paint_title_block(QPainter& p, const QRectF& box, const TitleBlock& title, const PlanMap& map,
                       LengthUnits units) {
    const auto& colours = print_palette();
    p.fillRect(box, Qt::white);
    p.setPen(QPen(colours.ink, 1.4));
    p.setBrush(Qt::NoBrush);
    p.drawRect(box);
    // scale and north at the left, what it is in the middle, who and when at the right
    const double left = 190, right = std::min(330.0, box.width() * 0.3);
    const QRectF middle(box.left() + left, box.top(), box.width() - left - right, box.height());
    for (double x : {middle.left(), middle.right()})
        p.drawLine(QPointF(x, box.top()), QPointF(x, box.bottom()));
    if (title.scale > 0) paint_ruler(p, QPointF(box.left() + 16, box.bottom() - 28), map, units, title);
    paint_north(p, QPointF(box.left() + left - 30, box.top() + 34), colours);

    const QRectF words = middle.adjusted(16, 12, -16, -8);
    p.setPen(colours.muted);
    p.setFont(font(11));
    p.drawText(words, Qt::AlignLeft | Qt::AlignTop, title.site);
    p.setPen(colours.ink);
    p.setFont(font(19, 650));
    p.drawText(words.adjusted(0, 17, 0, 0), Qt::AlignLeft | Qt::AlignTop,
               QFontMetricsF(p.font()).elidedText(title.sheet, Qt::ElideRight, words.width()));
    p.setFont(font(13));
    p.drawText(words.adjusted(0, 48, 0, 0), Qt::AlignLeft | Qt::AlignTop,
               title.part.isEmpty() ? title.what : title.what + ", " + title.part);

    const QRectF side(middle.right() + 14, box.top() + 10, right - 24, 38);
    const double half = side.width() / 2;
    if (!title.customer.isEmpty()) label(p, side, tr("Customer"), title.customer, 12, 600);
    const QRectF low = side.translated(0, 44);
    if (!title.author.isEmpty())
        label(p, QRectF(low.left(), low.top(), half - 8, 38), tr("Planned by"), title.author, 11, 400);
    label(p, QRectF(low.left() + half, low.top(), half, 38),
          title.revision.isEmpty() ? tr("Date") : tr("Revision %1").arg(title.revision), title.day, 11, 400);
}

}  // namespace yemvo::render::report
