// SPDX-License-Identifier: GPL-3.0-or-later
// Cover and own words.
#include "render/plan_marks.h"
#include "render/report/building_section.h"
#include "render/report/print_image.h"
#include "render/report/sections.h"
#include "render/report/styles.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render::report::section {
namespace {

struct Cover {
    QString title, site, customer, author, foot, verdict;
    Outcome outcome = Outcome::met;
    QImage logo;
};

void cover_words(QPainter& p, const QRectF& column, const Cover& c) {
    const auto& colours = print_palette();
    QRectF box(column.left(), column.top() + 150, column.width(), 130);
    p.setPen(colours.accent);
    p.setFont(font(14, 650));
    p.drawText(box.translated(0, -32), Qt::AlignLeft | Qt::AlignTop, tr("Wi-Fi plan"));
    // a long title in smaller type, so that three lines hold it
    double px = 40;
    const auto needs = [&](double size) {
        return QFontMetricsF(font(size, 700))
            .boundingRect(QRectF(0, 0, box.width(), 1000), Qt::TextWordWrap, c.title)
            .height();
    };
    while (px > 18 && needs(px) > box.height()) px -= 2;
    p.setFont(font(px, 700));
    p.setPen(colours.ink);
    p.drawText(box, Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, c.title);
    p.fillRect(QRectF(box.left(), box.bottom() + 16, 140, 4), colours.accent);
    double y = box.bottom() + 40;
    const auto line = [&](const QString& head, const QString& words) {
        if (words.isEmpty()) return;
        p.setFont(font(13));
        p.setPen(colours.muted);
        p.drawText(QRectF(box.left(), y, 150, 22), Qt::AlignLeft | Qt::AlignVCenter, head);
        p.setPen(colours.ink);
        p.setFont(font(13, 600));
        p.drawText(QRectF(box.left() + 150, y, box.width() - 150, 22), Qt::AlignLeft | Qt::AlignVCenter,
                   QFontMetricsF(p.font()).elidedText(words, Qt::ElideRight, box.width() - 150));
        y += 26;
    };
    if (c.site != c.title) line(tr("Site"), c.site);
    line(tr("Customer"), c.customer);
    line(tr("Planned by"), c.author);
    line(tr("Issued"), c.foot);
    if (c.verdict.isEmpty()) return;
    y += 18;
    p.setFont(font(15, 650));
    p.setPen(outcome_ink(c.outcome, colours));
    p.drawText(QRectF(box.left() + 24, y, box.width() - 24, 24), Qt::AlignLeft | Qt::AlignVCenter, c.verdict);
    paint_outcome(p, QPointF(box.left() + 9, y + 12), c.outcome, colours);
}

}  // namespace

std::vector<Part> cover(const ReportFacts& facts) {
    const ReportChoice& choice = facts.choice();
    Cover c;
    c.site = QString::fromStdString(facts.project().name);
    c.title = choice.title.empty() ? c.site : filled(choice.title, facts);
    c.customer = filled(choice.customer, facts);
    c.author = filled(choice.author, facts);
    const QString day = day_text(facts.plan.day), revision = filled(choice.revision, facts);
    c.foot = revision.isEmpty() ? day : tr("%1, revision %2").arg(day, revision);
    c.logo = print_image(facts.project(), choice.logo);
    const Verdict& v = facts.plan.verdict;
    c.outcome = v.met() ? Outcome::met : Outcome::not_met;
    if (v.demanded_m2() > 0)
        c.verdict = v.met()
                        ? tr("All requirements are met")
                        : counted("%n requirement is not met", "%n requirements are not met", v.not_met());
    SheetBlock sheet;
    sheet.size_mm = paper_mm(choice.paper);
    sheet.paint = [c, &facts](QPainter& p, const QRectF& all) {
        const QRectF column = all.adjusted(margin_x + 16, margin_top + 20, -margin_x - 16, -margin_bottom);
        paint_image(p, c.logo, QRectF(column.left(), column.top(), 240, 90), Qt::AlignLeft | Qt::AlignTop);
        cover_words(p, column, c);
        const QRectF low(column.left(), column.bottom() - 400, column.width(), 380);
        paint_building_section(p, low, facts.project(), false);
    };
    return {{QString(), {sheet}}};
}

std::vector<Part> words(const ReportFacts& facts) {
    const QString text = filled(facts.choice().words, facts).trimmed();
    if (text.isEmpty()) return {};
    Part part{tr("About this plan"), {}};
    for (const QString& paragraph : text.split('\n'))
        if (!paragraph.trimmed().isEmpty()) part.text(TextLook::body, paragraph.trimmed());
    return {part};
}

}  // namespace yemvo::render::report::section
