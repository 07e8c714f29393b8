// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/link_profile/link_chart.h"

#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <cmath>

#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/probing.h"
#include "project/edits.h"
#include "project/items.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"
#include "wireless/link_budget.h"

namespace yemvo::app {

namespace {

constexpr double lobe_px = 36;  ///< from the source to the peak of its lobe

double ground_m(const LinkExplanation& l) { return distance(l.source.flat(), l.receiver.flat()); }

}  // namespace

LevelLine level_line(const LinkExplanation& link) {
    LevelLine line;
    const double along_m = std::max(ground_m(link), 1e-3);
    double sent_dbm = 0;
    for (const LinkTerm& t : link.terms)
        if (is_sent(t.kind)) sent_dbm += t.db;
    constexpr int steps = 160;
    for (int i = 0; i <= steps; ++i) {
        const double share = std::max(static_cast<double>(i) / steps, 1e-3);
        const double free_dbm =
            sent_dbm - free_space_loss_db(centre_mhz(link.channel), share * std::max(link.distance_m, 1e-3));
        double taken_db = 0, at_once_db = 0;
        for (const LinkTerm& t : link.terms) {
            if (!is_in_the_way(t.kind)) continue;
            const double inside = t.length_m > 0 ? t.length_m / std::max(link.distance_m, 1e-3) : 0;
            const double passed =
                inside > 0 ? std::clamp((share - t.share) / inside, 0.0, 1.0) : share >= t.share;
            taken_db -= t.db * passed;
            const double before = (static_cast<double>(i) - 1) / steps;
            if (inside == 0 && t.share <= share && t.share > before) at_once_db -= t.db;
        }
        line.free_space.emplace_back(share * along_m, free_dbm);
        if (at_once_db > 0) line.points.emplace_back(share * along_m, free_dbm - taken_db + at_once_db);
        line.points.emplace_back(share * along_m, free_dbm - taken_db);
    }
    return line;
}

/// Where things lie on the widget.
struct LinkChart::Frame {
    const LinkExplanation& link;
    double edge, left;  ///< of the drawing; where the source stands in it
    double right, top, floor_y, chart_top, chart_bottom;
    double low_m, high_m, low_dbm, high_dbm, length_m;
    double x(double m) const { return left + (right - left) * m / length_m; }
    double y(double m) const { return floor_y - (floor_y - top) * (m - low_m) / (high_m - low_m); }
    double level_y(double dbm) const {
        const double share = std::clamp((dbm - low_dbm) / (high_dbm - low_dbm), 0.0, 1.0);
        return chart_bottom - (chart_bottom - chart_top) * share;
    }
};

LinkChart::LinkChart(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    setMinimumWidth(300);
    setAccessibleName(tr("Link profile"));
    setMouseTracking(true);
    connect(&workspace.probing(), &Probing::changed, this, &LinkChart::refresh);
    refresh();
}

void LinkChart::refresh() {
    parts_.clear();
    line_ = {};
    aim_.reset();
    if (const auto& p = workspace_.probing().place(); p && p->link()) {
        aim_ = TiltAim::of(workspace_.project(), *p->scene, *p->link());
        parts_ = elevation(*p->scene, p->link()->source, p->link()->receiver);
        line_ = level_line(*p->link());
    }
    update();
}

std::optional<LinkChart::Frame> LinkChart::frame() const {
    const auto& probed = workspace_.probing().place();
    if (!probed || !probed->link()) return {};
    const LinkExplanation& link = *probed->link();
    const double lowest = std::min(link.source.z, link.receiver.z),
                 highest = std::max(link.source.z, link.receiver.z);
    const double received = link.received_dbm;
    const double low_dbm = std::floor((std::min(received, -67.0) - 6) / 10) * 10;
    constexpr double edge = 52;
    return Frame{link,
                 edge,
                 aim_ ? edge + lobe_px + 4 : edge,
                 width() - 92.0,
                 10.0,
                 70.0,
                 88.0,
                 height() - 20.0,
                 lowest - 1.5,
                 highest + 1.1,
                 low_dbm,
                 -30,
                 std::max(ground_m(link), 0.1)};
}

SideView LinkChart::side_view(const Frame& f) const {
    return {{f.x(0), f.y(f.link.source.z)},
            (f.right - f.left) / f.length_m,
            (f.floor_y - f.top) / (f.high_m - f.low_m),
            lobe_px};
}

std::optional<QPointF> LinkChart::tilt_handle() const {
    const auto f = frame();
    return f && aim_ ? aim_->handle(side_view(*f)) : std::nullopt;
}

void LinkChart::mousePressEvent(QMouseEvent* e) {
    const auto handle = tilt_handle();
    if (e->button() == Qt::LeftButton && handle && QLineF(*handle, e->position()).length() <= 9)
        tilting_ = workspace_.document().new_merge_key();
}

void LinkChart::mouseMoveEvent(QMouseEvent* e) {
    if (tilting_) return tilt_to(e->position(), e->modifiers() & Qt::ShiftModifier);
    const auto handle = tilt_handle();
    const bool over = handle && QLineF(*handle, e->position()).length() <= 9;
    setCursor(over ? Qt::SizeVerCursor : Qt::ArrowCursor);
    setToolTip(over ? tr("Tilt: drag, Shift in steps of 5°") : QString());
}

void LinkChart::mouseReleaseEvent(QMouseEvent*) { tilting_ = 0; }

void LinkChart::tilt_to(QPointF at, bool coarse) {
    const auto f = frame();
    if (!f || !aim_) return;
    const AccessPoint* now = find_access_point(workspace_.project(), aim_->floor(), aim_->access_point().id);
    if (!now) return;
    AccessPoint tilted = *now;
    tilted.downtilt_deg = aim_->tilt_towards(side_view(*f), at, coarse);
    if (tilted.downtilt_deg == now->downtilt_deg) return;
    workspace_.edit(
        tr("Tilt access point %1").arg(tilted.number),
        [&, floor = aim_->floor()](Project& p) { replace_access_point(p, floor, tilted); }, tilting_);
    refresh();
}

void LinkChart::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), theme().paper);
    const auto f = frame();
    if (!f) {
        p.setPen(theme().muted);
        p.setFont(render::font(12.5));
        p.drawText(rect(), Qt::AlignCenter,
                   workspace_.probing().place()
                       ? tr("No radio of the chosen bands is on")
                       : tr("Pin a probe on the plan (T): every radio heard there, and why"));
        return;
    }
    paint_level(p, *f);
    paint_elevation(p, *f);
    if (aim_) aim_->paint(p, side_view(*f));
    paint_ray(p, *f);
    paint_labels(p, *f);
}

void LinkChart::paint_elevation(QPainter& p, const Frame& f) const {
    const auto& colours = theme();
    const QRectF box(f.edge, f.top, f.right - f.edge, f.floor_y - f.top);
    p.save();
    p.setClipRect(box.adjusted(-1, -1, 1, 1));
    p.fillRect(box, colours.floor);
    for (const ElevationPart& part : parts_) {
        const WallType& type = wall_type(workspace_.project(),
                                         workspace_.probing().place()->scene->type_of(
                                             part.row, workspace_.probing().place()->link()->channel.band));
        const QColor ink = colours.family(type.family);
        if (part.kind == CrossingKind::slab || part.kind == CrossingKind::ceiling ||
            part.kind == CrossingKind::ramp) {
            const double thick = part.kind == CrossingKind::slab ? 5 : 2;
            p.setPen(QPen(part.kind == CrossingKind::slab ? colours.slab : ink, thick, Qt::SolidLine,
                          Qt::FlatCap));
            p.drawLine(QPointF(f.x(part.from_m), f.y(part.base_m)), QPointF(f.x(part.to_m), f.y(part.top_m)));
            continue;
        }
        const double wide = part.kind == CrossingKind::obstacle
                                ? f.x(part.to_m) - f.x(part.from_m)
                                : std::max(4.0, type.thickness_m * (f.right - f.left) / f.length_m);
        const double x = part.kind == CrossingKind::obstacle ? f.x(part.from_m) : f.x(part.from_m) - wide / 2;
        const QRectF body(x, f.y(part.top_m), wide, f.y(part.base_m) - f.y(part.top_m));
        p.setPen(QPen(ink, 1));
        p.setBrush(render::with_alpha(ink, part.kind == CrossingKind::obstacle ? 0.10
                                           : part.met                          ? 0.55
                                                                               : 0.22));
        p.drawRect(body);
        if (part.met) render::paint_hatch(p, body, render::with_alpha(ink, 0.9), 3.6);
    }
    p.restore();
    p.setFont(render::font(10.5));
    p.setPen(colours.muted);
    const auto length = [&](double m) { return render::local(format_length(m, workspace_.units(), false)); };
    p.drawText(QRectF(0, f.top - 4, f.edge - 7, 14), Qt::AlignRight | Qt::AlignVCenter, length(f.high_m));
    p.drawText(QRectF(0, f.floor_y - 10, f.edge - 7, 14), Qt::AlignRight | Qt::AlignVCenter, length(f.low_m));
}

void LinkChart::paint_ray(QPainter& p, const Frame& f) const {
    const auto& colours = theme();
    const QPointF from(f.x(0), f.y(f.link.source.z)), to(f.x(f.length_m), f.y(f.link.receiver.z));
    for (const QPen& pen : {QPen(colours.casing, 4), QPen(colours.accent, 1.6)}) {
        p.setPen(pen);
        p.drawLine(from, to);
    }
    p.setBrush(colours.accent);
    p.setPen(Qt::NoPen);
    p.drawRoundedRect(QRectF(from.x() - 8, from.y() - 2.5, 14, 5), 2, 2);
    p.setBrush(colours.tile);
    p.setPen(QPen(colours.accent, 1.8));
    p.drawEllipse(to, 4, 4);
    p.setFont(render::font(11, 600));
    p.setPen(colours.accent);
    p.drawText(QRectF(0, from.y() + 3, f.edge - 8, 14), Qt::AlignRight, QString::number(f.link.number));
    const double above_m = workspace_.project().settings.client_height_m;
    p.drawText(QRectF(to.x() + 8, to.y() - 8, 84, 16), Qt::AlignVCenter,
               workspace_.probing().place()->name() + ", " +
                   render::local(format_length(above_m, workspace_.units())));
}

/// Each loss under what takes it; the name where there is room.
void LinkChart::paint_labels(QPainter& p, const Frame& f) const {
    const auto& colours = theme();
    double free_from = f.left - 20;
    const QFontMetricsF bold(render::font(10.5, 600)), plain(render::font(10.5));
    for (const LinkTerm& t : f.link.terms) {
        if (!is_in_the_way(t.kind) || t.db > -0.05) continue;
        const double x = f.x(t.share * f.length_m);
        p.setPen(QPen(colours.muted, 1, Qt::DotLine));
        p.drawLine(QPointF(x, f.floor_y), QPointF(x, f.chart_top + 2));
        const QString db = render::figure(t.db, 1);
        QString name = said_text(t.name);
        const double room = f.right + 60 - x;
        name =
            plain.elidedText(name, Qt::ElideRight, std::min(120.0, room - bold.horizontalAdvance(db) - 10));
        const double wide = bold.horizontalAdvance(db) + 5 + plain.horizontalAdvance(name);
        double at = std::max(x + 3, free_from);
        if (at - x > 26) continue;
        render::draw_halo_text(p, {at, f.floor_y + 10}, db, render::font(10.5, 600), colours.ink,
                               colours.paper, 3, Qt::AlignLeft | Qt::AlignVCenter);
        render::draw_halo_text(p, {at + bold.horizontalAdvance(db) + 5, f.floor_y + 10}, name,
                               render::font(10.5), colours.muted, colours.paper, 3,
                               Qt::AlignLeft | Qt::AlignVCenter);
        free_from = at + wide + 9;
    }
}

void LinkChart::paint_level(QPainter& p, const Frame& f) const {
    const auto& colours = theme();
    p.setFont(render::font(10.5));
    for (double dbm = f.low_dbm; dbm <= f.high_dbm - 5; dbm += 10) {
        const double y = f.level_y(dbm);
        p.setPen(QPen(colours.line2, 1));
        p.drawLine(QPointF(f.edge, y), QPointF(f.right, y));
        if (static_cast<int>(std::lround((f.high_dbm - dbm) / 10)) % (f.high_dbm - f.low_dbm > 60 ? 2 : 1))
            continue;
        p.setPen(colours.muted);
        p.drawText(QRectF(0, y - 7, f.edge - 7, 14), Qt::AlignRight | Qt::AlignVCenter, render::figure(dbm));
    }
    const double step_m = f.length_m > 60   ? 20
                          : f.length_m > 30 ? 10
                          : f.length_m > 12 ? 5
                          : f.length_m > 5  ? 2
                                            : 1;
    p.setPen(colours.muted);
    for (double m = 0; m <= f.length_m + 1e-6; m += step_m)
        p.drawText(QRectF(f.x(m) - 30, f.chart_bottom + 3, 60, 14), Qt::AlignCenter,
                   render::local(format_length(m, workspace_.units(), m == 0)));
    const double asked = signal_asked_dbm(workspace_.project(), f.link.channel.band);
    const auto path = [&](const std::vector<std::pair<double, double>>& points) {
        QPainterPath out;
        bool begun = false;
        for (const auto& [m, dbm] : points) {
            if (dbm > f.high_dbm) continue;
            const QPointF at(f.x(m), f.level_y(dbm));
            begun ? out.lineTo(at) : out.moveTo(at);
            begun = true;
        }
        return out;
    };
    const QPainterPath level = path(line_.points);
    // short of what is asked for: hatched between both
    QPainterPath short_of;
    bool begun = false;
    for (const auto& [m, dbm] : line_.points)
        if (dbm < asked) {
            const QPointF at(f.x(m), f.level_y(dbm));
            if (!begun) short_of.moveTo(f.x(m), f.level_y(asked));
            short_of.lineTo(at);
            begun = true;
        }
    if (begun) {
        short_of.lineTo(f.x(line_.points.back().first), f.level_y(asked));
        short_of.closeSubpath();
        p.save();
        p.setClipPath(short_of);
        render::paint_hatch(p, short_of.boundingRect(), render::with_alpha(colours.hatch, 0.7), 4);
        p.restore();
    }
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(colours.muted, 1, Qt::DashLine));
    p.drawPath(path(line_.free_space));
    QPen asked_pen(colours.not_met, 1.2);
    asked_pen.setDashPattern({5, 3});
    p.setPen(asked_pen);
    p.drawLine(QPointF(f.edge, f.level_y(asked)), QPointF(f.right, f.level_y(asked)));
    p.setPen(QPen(colours.band(f.link.channel.band).solid, 2.2));
    p.drawPath(level);
    const QPointF end(f.x(f.length_m), f.level_y(f.link.received_dbm));
    p.setBrush(colours.band(f.link.channel.band).solid);
    p.setPen(Qt::NoPen);
    p.drawEllipse(end, 3.4, 3.4);
    render::draw_halo_text(p, {f.edge + 4, f.level_y(asked) - 8},
                           tr("%1 required").arg(render::figure(asked)), render::font(10.5, 600),
                           colours.not_met, colours.paper, 3, Qt::AlignLeft | Qt::AlignVCenter);
    p.setPen(colours.ink);
    p.setFont(render::font(11.5, 650));
    p.drawText(QRectF(end.x() + 8, end.y() - 8, 84, 16), Qt::AlignVCenter,
               render::figure(f.link.received_dbm, 1) + " dBm");
}

}  // namespace yemvo::app
