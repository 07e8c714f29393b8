// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/proof/verdict_view.h"

#include <QPainter>

#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "app/model/workspace.h"
#include "app/offer/shell.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

/// Of a band, and of capacity.
static constexpr int verdict_width = 106, least_verdict_width = 85, capacity_width = 72;

VerdictView::VerdictView(Workspace& workspace, QWidget* parent)
    : QAbstractButton(parent), workspace_(workspace) {
    setObjectName("verdict");
    setFixedHeight(header_height);
    setCursor(Qt::PointingHandCursor);
    setToolTip(
        tr("Share of the demanded area that meets every requirement of the band. Click for the proof"));
    connect(this, &QAbstractButton::clicked, this, [this] { workspace_.activity().set_step(Step::proof); });
    listen(this, &VerdictView::refresh, workspace, &Workspace::project_changed, workspace.results(),
           &Results::changed, workspace.results(), &Results::progressed);
    refresh();
}

void VerdictView::refresh() {
    QString tip =
        tr("Share of the demanded area that meets every requirement of the band. Click for the proof");
    if (workspace_.document().is_open())
        if (const BandSet left = bands_not_judged(workspace_.project()); !left.empty())
            tip += tr(". Nothing is required at %1, which is in use").arg(said_text(bands_text(left)));
    if (judged())
        if (const RequirementResult* r = hardest_of_capacity(*workspace_.results().verdict())) {
            const BusyHour* hour = find_hour(workspace_.project().demand, r->site.hour);
            tip += "\n" + tr("Last figure: %1, at its worst busy hour (%2)")
                              .arg(said_text(requirement_name(r->requirement)),
                                   hour ? QString::fromStdString(hour->name) : QString());
        }
    setToolTip(tip);
    const int wide = sizeHint().width();
    setMinimumWidth(judged() ? wide * 7 / 8 : 245);
    setMaximumWidth(wide);
    updateGeometry();
    update();
}

bool VerdictView::judged() const {
    if (workspace_.results().judged_so_far()) return false;
    return workspace_.document().is_open() && workspace_.results().verdict() &&
           !workspace_.results().verdict()->bands.empty() &&
           workspace_.results().verdict()->demanded_m2() > 0 &&
           !placed_access_points(workspace_.project()).empty();
}

/// A figure each band, and one of capacity where anything is asked of it: then those of bands stand closer.
int VerdictView::usual_width() const {
    const Verdict& v = *workspace_.results().verdict();
    const int bands = static_cast<int>(v.bands.size());
    return hardest_of_capacity(v) ? bands * least_verdict_width + capacity_width : bands * verdict_width;
}

QSize VerdictView::sizeHint() const { return {judged() ? usual_width() : 270, header_height}; }

QString VerdictView::words() const {
    if (!workspace_.document().is_open()) return {};
    if (const auto& so_far = workspace_.results().judged_so_far())
        return tr("%1 of %2 floors judged").arg(so_far->floors).arg(so_far->all);
    if (placed_access_points(workspace_.project()).empty() || !workspace_.results().verdict())
        return tr("No verdict yet: place an access point");
    if (workspace_.results().verdict()->bands.empty()) return tr("No verdict: nothing is required yet");
    if (workspace_.results().verdict()->demanded_m2() == 0)
        return tr("No verdict: draw walls round it, or a zone");
    QStringList parts;
    for (const BandResult& b : workspace_.results().verdict()->bands)
        parts << render::percent(b.share_met()) + " " + QString::fromStdString(band(b.band).name) + " GHz";
    if (const RequirementResult* r = hardest_of_capacity(*workspace_.results().verdict()))
        parts << tr("%1 of capacity").arg(render::percent(r->share_met()));
    return parts.join(", ");
}

void VerdictView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& colours = theme();
    p.fillRect(rect(), colours.chrome);
    p.fillRect(QRect(0, height() - 1, width(), 1), colours.line);
    p.setRenderHint(QPainter::Antialiasing);
    if (!judged()) {
        p.setFont(render::font(12));
        p.setPen(colours.muted);
        p.drawText(rect().adjusted(0, 0, -16, 0), Qt::AlignRight | Qt::AlignVCenter, words());
        return;
    }
    double x = 8;
    const bool capacity = hardest_of_capacity(*workspace_.results().verdict()) != nullptr;
    const double for_capacity = capacity ? width() * double{capacity_width} / usual_width() : 0;
    const double each =
        (width() - for_capacity) / static_cast<double>(workspace_.results().verdict()->bands.size());
    for (const BandResult& b : workspace_.results().verdict()->bands) {
        const Outcome o = outcome(b.share_met(), b.share_required);
        const QString share = render::percent(b.share_met());
        p.setFont(render::font(14, 650));
        p.setPen(outcome_ink(o, colours));
        p.drawText(QRectF(x, 5, each, 20), Qt::AlignVCenter, share);
        render::paint_outcome(p, QPointF(x + QFontMetricsF(p.font()).horizontalAdvance(share) + 11, 15), o,
                              colours);
        render::paint_band_glyph(p, QPointF(x + 5, 33), b.band, colours);
        p.setFont(render::font(11));
        p.setPen(colours.muted);
        const QString name = QString::fromStdString(band(b.band).name);
        QString below = name + " GHz";
        const auto& before = workspace_.results().previous_verdict();
        if (const BandResult* was = before ? before->find(b.band) : nullptr) {
            const double change = 100 * (b.share_met() - was->share_met());
            // beside a figure of capacity there is no room for both
            if (std::abs(change) >= 0.05)
                below = (capacity ? name : below) +
                        (change > 0 ? QStringLiteral("  ▲ ") : QStringLiteral("  ▼ ")) +
                        render::figure(std::abs(change), 1);
        }
        p.drawText(QRectF(x + 14, 25, each - 14, 16), Qt::AlignVCenter, below);
        x += each;
    }
    if (const RequirementResult* r = hardest_of_capacity(*workspace_.results().verdict())) {
        const Outcome o = outcome(r->share_met(), r->requirement.share_required);
        const QString share = render::percent(r->share_met());
        p.setFont(render::font(14, 650));
        p.setPen(outcome_ink(o, colours));
        p.drawText(QRectF(x, 5, for_capacity, 20), Qt::AlignVCenter, share);
        render::paint_outcome(p, QPointF(x + QFontMetricsF(p.font()).horizontalAdvance(share) + 11, 15), o,
                              colours);
        p.setFont(render::font(11));
        p.setPen(colours.muted);
        const bool radios = required_lens(r->requirement).counts == RequirementCounts::radios;
        p.drawText(QRectF(x, 25, for_capacity, 16), Qt::AlignVCenter, radios ? tr("radios") : tr("clients"));
    }
}

}  // namespace yemvo::app
