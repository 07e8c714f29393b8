// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/proposal/losses_list.h"

#include <QPainter>

#include "app/look/theme.h"
#include "render/map_choice.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int row_px = 37, required_px = 46, after_px = 48;

/// "Signal −67 dBm"; without a limit where every requirement of a band has to hold.
QString loss_name(const Project& project, const VerdictLoss& loss) {
    const Requirement* r = find_requirement(project, loss.requirement);
    if (!r) return tr("All at once");
    const LensInfo& info = required_lens(*r);
    const double limit = loss.band ? r->limit_in(*loss.band) : r->limit;
    // of what is counted the name says it
    const QString unit = info.unit == "clients" || info.unit == "radios" ? QString() : tr_mark(info.unit);
    return QString("%1 %2 %3").arg(tr_mark(info.name), render::figure(limit, 0), unit).trimmed();
}

QString loss_place(const Project& project, const VerdictLoss& loss) {
    QStringList parts;
    if (const Floor* f = find_floor(project, loss.floor)) {
        if (const Zone* z = find_zone(*f, loss.zone)) parts << QString::fromStdString(z->name);
        parts << QString::fromStdString(f->name);
    }
    if (const BusyHour* hour = find_hour(project.demand, loss.hour))
        parts << QString::fromStdString(hour->name);
    return parts.join(", ");
}

}  // namespace

LossesList::LossesList(QWidget* parent) : QWidget(parent) { setObjectName("lossesList"); }

void LossesList::show(const Project& project, const std::vector<VerdictLoss>& losses) {
    rows_.clear();
    for (const VerdictLoss& l : losses)
        rows_.push_back({loss_name(project, l), loss_place(project, l), render::share_figure(l.share_after),
                         "≥ " + render::figure(100 * l.share_required, 0), l.band, l.fails});
    setFixedHeight(std::max<int>(1, row_px * static_cast<int>(rows_.size())));
    setAccessibleName(lines().join("\n"));
    update();
}

QStringList LossesList::lines() const {
    QStringList out;
    for (const Row& r : rows_) out << QString("%1: %2, %3 (%4)").arg(r.what, r.after, r.required, r.where);
    return out;
}

void LossesList::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& colours = theme();
    const auto write = [&](const QRectF& box, const QString& text, const QFont& f, const QColor& ink,
                           Qt::Alignment to) {
        p.setFont(f);
        p.setPen(ink);
        p.drawText(box, static_cast<int>(Qt::AlignVCenter | to),
                   QFontMetricsF(f).elidedText(text, Qt::ElideRight, box.width()));
    };
    const double right = width();
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        const Row& r = rows_[i];
        const double top = row_px * static_cast<double>(i);
        const QColor& ink = r.fails ? colours.not_met : colours.ink;
        write({0, top, right - required_px - after_px, 19}, r.what, render::font(12.5, 600), colours.ink,
              Qt::AlignLeft);
        write({right - required_px - after_px, top, after_px, 19}, r.after, render::font(12.5, 650), ink,
              Qt::AlignRight);
        write({right - required_px, top, required_px, 19}, r.required, render::font(12, 400), colours.muted,
              Qt::AlignRight);
        double left = 0;
        if (r.band) {
            render::paint_band_glyph(p, {5, top + 26}, *r.band, colours);
            left = 14;
        }
        write({left, top + 17, right - left, 17}, r.where, render::font(12, 400), colours.muted,
              Qt::AlignLeft);
        if (i + 1 == rows_.size()) continue;
        p.setPen(QPen(colours.line2, 1));
        p.drawLine(QPointF(0, top + row_px - 1.5), QPointF(right, top + row_px - 1.5));
    }
}

}  // namespace yemvo::app
