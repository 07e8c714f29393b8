#include "app/plan/plan_overlay.h"

#include "app/shell/theme.h"
#include "render/plan_marks.h"
#include "render/text_style.h"

namespace yemvo::app {

void BadgeStamps::paint(QPainter& p, QPointF centre, const Project& project, const AccessPoint& ap,
                        render::BadgeState state, double ratio) {
    constexpr int half = 40;  // a badge with its wedge and ring is smaller
    constexpr std::size_t most = 4000;
    if (models_ != project.models.identity() || stamps_.size() > most) stamps_.clear();
    models_ = project.models.identity();
    int radios = 0;
    for (std::size_t i = 0; i < ap.radios.size(); ++i)
        radios |= (ap.radios[i].on ? 1 : 0) << (4 * i) | (ap.radios[i].channel.band.index + 1) << (4 * i + 1);
    const auto [kept, fresh] =
        stamps_.try_emplace({ap.number, ap.model, ap.azimuth_deg, ratio, static_cast<int>(ap.mount),
                             static_cast<int>(state), radios, is_dark()});
    QPixmap& stamp = kept->second;
    if (fresh) {
        stamp = QPixmap(QSize(2 * half, 2 * half) * ratio);
        stamp.setDevicePixelRatio(ratio);
        stamp.fill(Qt::transparent);
        QPainter on(&stamp);
        on.setRenderHints(QPainter::Antialiasing | QPainter::TextAntialiasing);
        render::paint_badge(on, QPointF(half, half), project, ap, state, theme());
    }
    // on whole pixels, so that text stays sharp
    const QPointF corner = centre - QPointF(half, half);
    p.drawPixmap(QPointF(std::round(corner.x() * ratio) / ratio, std::round(corner.y() * ratio) / ratio),
                 stamp);
}

void paint_probe_ray(QPainter& p, const Workspace& workspace, const render::PlanMap& map) {
    const auto& probed = workspace.probed();
    const LinkExplanation* link = probed ? probed->link() : nullptr;
    if (!link || !(probed->probe.floor == workspace.floor_id())) return;
    const QPointF to = map.to_screen(probed->probe.place), from = map.to_screen(link->source.flat());
    for (const QPen& pen : {QPen(theme().casing, 4.5), QPen(theme().accent, 1.6)}) {
        p.setPen(pen);
        p.drawLine(from, to);
    }
    QPointF last(-1e9, -1e9);
    for (const LinkTerm& t : link->terms) {
        if (t.share <= 0 || t.db > -0.05) continue;
        const QPointF at = from + (to - from) * t.share;
        p.setPen(QPen(theme().accent, 1.4));
        p.setBrush(theme().tile);
        p.drawEllipse(at, 3.1, 3.1);
        if (QLineF(at, last).length() < 22) continue;
        last = at;
        render::draw_halo_text(p, at - QPointF(7, 0), render::figure(t.db, 1), render::font(10.5, 600),
                               theme().ink, theme().casing, 3.4, Qt::AlignRight | Qt::AlignVCenter);
    }
}

void paint_probes(QPainter& p, const Workspace& workspace, const render::PlanMap& map) {
    if (!workspace.map_shown()) return;
    const auto& probed = workspace.probed();
    for (const Probe& probe : *workspace.project().probes) {
        if (!(probe.floor == workspace.floor_id())) continue;
        const QPointF c = map.to_screen(probe.place);
        const bool chosen = probe.number == workspace.probe_number();
        for (const QPen& pen : {QPen(theme().casing, 4.5), QPen(theme().accent, 1.8)}) {
            p.setPen(pen);
            p.setBrush(Qt::NoBrush);
            p.drawEllipse(c, 7, 7);
            for (const QPointF d : {QPointF(0, -1), QPointF(0, 1), QPointF(-1, 0), QPointF(1, 0)})
                p.drawLine(c + d * 7, c + d * 12);
        }
        p.setPen(Qt::NoPen);
        p.setBrush(theme().accent);
        p.drawEllipse(c, 1.7, 1.7);
        QString tag = QString("P%1").arg(probe.number);
        if (chosen && probed && probed->link())
            tag += "  " + render::figure(probed->link()->received_dbm, 1) + " dBm";
        p.setFont(render::font(11.5, 600));
        const double wide = QFontMetricsF(p.font()).horizontalAdvance(tag) + 12;
        QRectF box(c.x() - 6 - wide, c.y() - 32, wide, 19);
        if (box.left() < 2) box.moveLeft(c.x() + 6);
        p.drawRoundedRect(box, 4, 4);
        p.setPen(theme().on_accent);
        p.drawText(box, Qt::AlignCenter, tag);
    }
}

void paint_findings(QPainter& p, const Workspace& workspace, const render::PlanMap& map) {
    if (workspace.map_shown()) return;
    for (const Finding& f : *workspace.findings()) {
        if (f.waived || !f.has_place || !(f.floor == workspace.floor_id())) continue;
        const QPointF c = map.to_screen(f.place);
        for (const QPen& pen : {QPen(theme().casing, 4.5), QPen(theme().not_met, 1.6)}) {
            p.setPen(pen);
            p.setBrush(Qt::NoBrush);
            p.drawEllipse(c, 7, 7);
        }
        p.setPen(QPen(theme().not_met, 1.8, Qt::SolidLine, Qt::RoundCap));
        p.drawLine(c + QPointF(0, -3), c + QPointF(0, 0.6));
        p.drawPoint(c + QPointF(0, 3.4));
    }
}

void paint_marked_place(QPainter& p, const Workspace& workspace, const render::PlanMap& map) {
    if (!workspace.marked_place()) return;
    const QPointF c = map.to_screen(*workspace.marked_place());
    p.setBrush(Qt::NoBrush);
    for (const QPen& pen : {QPen(theme().casing, 4.5), QPen(theme().not_met, 1.6, Qt::DashLine)}) {
        p.setPen(pen);
        p.drawEllipse(c, 16, 16);
    }
}

}  // namespace yemvo::app
