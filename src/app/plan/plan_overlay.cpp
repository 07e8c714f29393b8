// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/plan_overlay.h"

#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/in_view.h"
#include "app/model/probing.h"
#include "checks/findings.h"
#include "project/project.h"
#include "project/working_radio.h"
#include "propagation/explain.h"
#include "render/plan_marks.h"
#include "render/text_style.h"

namespace yemvo::app {
namespace {

QPixmap blank_stamp(int half, double ratio) {
    QPixmap stamp(QSize(2 * half, 2 * half) * ratio);
    stamp.setDevicePixelRatio(ratio);
    stamp.fill(Qt::transparent);
    return stamp;
}

/// On whole pixels, so that text stays sharp.
void put_stamp(QPainter& p, const QPixmap& stamp, QPointF centre, int half, double ratio) {
    const QPointF corner = centre - QPointF(half, half);
    p.drawPixmap(QPointF(std::round(corner.x() * ratio) / ratio, std::round(corner.y() * ratio) / ratio),
                 stamp);
}

}  // namespace

void BadgeStamps::paint(QPainter& p, QPointF centre, const Project& project, const AccessPoint& ap,
                        render::BadgeState state, double ratio) {
    constexpr int half = 40;  // a badge with its wedge and ring is smaller
    constexpr std::size_t most = 4000;
    if (models_ != project.models.identity() || stamps_.size() > most) stamps_.clear();
    models_ = project.models.identity();
    int radios = render::is_directional(project, ap) ? 1 << 30 : 0;
    for (std::size_t i = 0; i < ap.radios.size(); ++i)
        radios |= (is_at_work(project, ap, i) ? 1 : 0) << (4 * i) | (ap.radios[i].channel.band.index + 1)
                                                                        << (4 * i + 1);
    const auto [kept, fresh] =
        stamps_.try_emplace({ap.number, ap.model, ap.azimuth_deg, ratio, static_cast<int>(ap.mount),
                             static_cast<int>(state), radios, is_dark()});
    QPixmap& stamp = kept->second;
    if (fresh) {
        stamp = blank_stamp(half, ratio);
        QPainter on(&stamp);
        on.setRenderHints(QPainter::Antialiasing | QPainter::TextAntialiasing);
        render::paint_badge(on, QPointF(half, half), project, ap, state, theme());
    }
    put_stamp(p, stamp, centre, half, ratio);
}

void paint_probe_ray(QPainter& p, const Workspace& workspace, const render::PlanMap& map) {
    const auto& probed = workspace.probing().place();
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
    if (!workspace.activity().shows_map()) return;
    const auto& probed = workspace.probing().place();
    for (const Probe& probe : *workspace.project().probes) {
        if (!(probe.floor == workspace.floor_id())) continue;
        const QPointF c = map.to_screen(probe.place);
        const bool chosen = probe.number == workspace.probing().number();
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

std::vector<FindingMark> finding_marks(const std::vector<Finding>& findings, FloorId floor,
                                       const render::PlanMap& map, QSizeF view) {
    constexpr double rim_px = 10, apart_px = 34, half_px = 10;
    const QRectF seen = QRectF(QPointF(0, 0), view).adjusted(-rim_px, -rim_px, rim_px, rim_px);
    std::map<std::pair<int, int>, FindingMark> marks;
    for (const Finding& f : findings) {
        if (f.waived || !f.has_place || f.floor != floor) continue;
        const QPointF at = map.to_screen(f.place);
        if (!seen.contains(at)) continue;
        // cells lie fixed on the floor, so that a pan regroups nothing
        const QPointF from_origin = (at - map.origin) / apart_px;
        FindingMark& mark = marks[{static_cast<int>(std::floor(from_origin.x())),
                                   static_cast<int>(std::floor(from_origin.y()))}];
        ++mark.count;
        mark.at += (at - mark.at) / mark.count;
    }
    std::vector<FindingMark> list;
    for (auto& [cell, mark] : marks) {
        // numbers keep clear of those beside them
        if (mark.count > 1) {
            const QPointF low = map.origin + QPointF(cell.first, cell.second) * apart_px;
            mark.at = {std::clamp(mark.at.x(), low.x() + half_px, low.x() + apart_px - half_px),
                       std::clamp(mark.at.y(), low.y() + half_px, low.y() + apart_px - half_px)};
        }
        list.push_back(mark);
    }
    return list;
}

static void paint_finding(QPainter& p, QPointF c, int count) {
    for (const QPen& pen : {QPen(theme().casing, 4.5), QPen(theme().not_met, 1.6)}) {
        p.setPen(pen);
        p.setBrush(count > 1 ? QBrush(theme().tile) : Qt::NoBrush);
        p.drawEllipse(c, count > 1 ? 8.5 : 7, count > 1 ? 8.5 : 7);
    }
    p.setPen(QPen(theme().not_met, 1.8, Qt::SolidLine, Qt::RoundCap));
    if (count > 1) {
        p.setFont(render::font(10.5, 600));
        p.drawText(QRectF(c - QPointF(9, 9), QSizeF(18, 18)), Qt::AlignCenter,
                   count < 100 ? QString::number(count) : QStringLiteral("…"));
        return;
    }
    p.drawLine(c + QPointF(0, -3), c + QPointF(0, 0.6));
    p.drawPoint(c + QPointF(0, 3.4));
}

void FindingStamps::paint(QPainter& p, const FindingMark& mark, double ratio) {
    constexpr int half = 12;
    const auto [kept, fresh] = stamps_.try_emplace({std::min(mark.count, 100), ratio, is_dark()});
    QPixmap& stamp = kept->second;
    if (fresh) {
        stamp = blank_stamp(half, ratio);
        QPainter on(&stamp);
        on.setRenderHints(QPainter::Antialiasing | QPainter::TextAntialiasing);
        paint_finding(on, QPointF(half, half), mark.count);
    }
    put_stamp(p, stamp, mark.at, half, ratio);
}

void paint_marked_place(QPainter& p, const Workspace& workspace, const render::PlanMap& map) {
    if (!workspace.in_view().marked_place()) return;
    const QPointF c = map.to_screen(*workspace.in_view().marked_place());
    p.setBrush(Qt::NoBrush);
    for (const QPen& pen : {QPen(theme().casing, 4.5), QPen(theme().not_met, 1.6, Qt::DashLine)}) {
        p.setPen(pen);
        p.drawEllipse(c, 16, 16);
    }
}

}  // namespace yemvo::app
