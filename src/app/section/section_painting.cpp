// SPDX-License-Identifier: GPL-3.0-or-later
// How the section looks: rooms, slabs, yards, rows, and the slab that is held.
#include <QPainter>
#include <algorithm>

#include "app/look/theme.h"
#include "app/model/in_view.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/section/section_view.h"
#include "project/item.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/text_style.h"

namespace yemvo::app {

void SectionView::paint_share(QPainter& p, const SectionStorey& s, const QRectF& room) {
    const auto& colours = theme();
    const auto& verdict = workspace_.results().verdict();
    const FloorArea* result = verdict ? verdict->find(s.floor) : nullptr;
    if (!result || placed_access_points(workspace_.project()).empty()) return;
    double required = 0;
    for (const BandResult& b : verdict->bands) required = std::max(required, b.share_required);
    const Outcome o = outcome(result->share_met(), required);
    const QRectF strip(room.left() + 7, room.bottom() - 14, 62, 5);
    p.setPen(QPen(colours.casing, 4));
    p.drawRect(strip);
    p.setPen(Qt::NoPen);
    render::paint_hatch(p, strip, o == Outcome::met ? colours.faint : colours.hatch, 2.6);
    p.setBrush(colours.ink);
    p.drawRect(QRectF(strip.topLeft(), QSizeF(strip.width() * result->share_met(), strip.height())));
    p.setPen(QPen(colours.ink, 1));
    const double tick = strip.left() + strip.width() * required;
    p.drawLine(QPointF(tick, strip.top() - 2), QPointF(tick, strip.bottom() + 2));
    render::draw_halo_text(p, QPointF(room.right() - 6, strip.center().y()),
                           render::percent(result->share_met(), 0), render::font(11.5, 500),
                           render::outcome_ink(o, colours), colours.floor, 4, Qt::AlignRight);
}

void SectionView::paint_dots(QPainter& p, const SectionStorey& s, bool open) {
    const auto& colours = theme();
    for (const auto& [id, at] : s.dots) {
        const bool selected = open && workspace_.selection().has({Item::Kind::access_point, id.value});
        p.setPen(QPen(selected ? colours.accent : colours.ink, 1.1));
        p.setBrush(selected ? colours.accent : colours.tile);
        p.drawEllipse(at, selected ? 4.4 : 3, selected ? 4.4 : 3);
    }
}

void SectionView::paint_room(QPainter& p, const SectionStorey& s, bool open) {
    const auto& colours = theme();
    p.setPen(open ? QPen(colours.accent, 1.4) : QPen(colours.slab, 1));
    p.setBrush(open ? colours.accent_tint : colours.paper);
    p.drawRect(s.room);
    p.setPen(Qt::NoPen);
    p.setBrush(colours.slab);
    p.drawRect(s.slab);
    for (const auto& [from, to] : s.voids_x) {
        p.setBrush(colours.paper);
        p.drawRect(QRectF(from, s.slab.top(), to - from, s.slab.height()));
        QPen dash(colours.muted, 0.8);
        dash.setDashPattern({2, 2});
        p.setPen(dash);
        for (double x : {from, to}) p.drawLine(QPointF(x, s.room.top()), QPointF(x, s.slab.bottom()));
        p.setPen(Qt::NoPen);
    }
}

void SectionView::paint_yard(QPainter& p, const SectionStorey& s, bool open) {
    const auto& colours = theme();
    const QPointF left(s.room.left(), s.ground_left), right(s.room.right(), s.ground_right);
    if (open) {
        p.setPen(Qt::NoPen);
        p.setBrush(colours.accent_tint);
        p.drawPolygon(QPolygonF({s.room.topLeft(), s.room.topRight(), right, left}));
    }
    p.setPen(QPen(open ? colours.accent : colours.slab, open ? 2 : 1.6));
    p.drawLine(left, right);
    p.setPen(QPen(colours.muted, 0.8));  // earth under it
    for (double t = 0.02; t < 1; t += 7 / std::max(s.room.width(), 7.0)) {
        const QPointF on = left + (right - left) * t;
        p.drawLine(on, on + QPointF(-4, 5));
    }
}

void SectionView::paint_row(QPainter& p, const SectionStorey& s) {
    const auto& colours = theme();
    const Floor& floor = *find_floor(workspace_.project(), s.floor);
    const bool open = s.floor == workspace_.floor_id() && !workspace_.in_view().site_shown();
    p.setPen(Qt::NoPen);
    p.setBrush(open ? colours.accent_tint : colours.paper);
    p.drawRect(s.room);
    p.setBrush(s.yard ? colours.muted : colours.slab);
    p.drawRect(s.slab);
    if (open) {
        p.setPen(QPen(colours.accent, 1.4));
        p.setBrush(Qt::NoBrush);
        p.drawRect(s.room);
    }
    QString right;
    const auto& verdict = workspace_.results().verdict();
    const FloorArea* result = verdict ? verdict->find(s.floor) : nullptr;
    QColor ink = colours.muted;
    if (result && !placed_access_points(workspace_.project()).empty()) {
        double required = 0;
        for (const BandResult& b : verdict->bands) required = std::max(required, b.share_required);
        right = render::percent(result->share_met(), 0);
        ink = render::outcome_ink(outcome(result->share_met(), required), colours);
    }
    p.setFont(render::font(11.5, 500));
    p.setPen(ink);
    const QRectF text = s.room.adjusted(7, 0, -5, 0);
    p.drawText(text, Qt::AlignRight | Qt::AlignVCenter, right);
    const double taken = right.isEmpty() ? 0 : QFontMetricsF(p.font()).horizontalAdvance(right) + 6;
    p.setFont(render::font(12, open ? 650 : 500));
    p.setPen(open ? colours.accent : colours.ink);
    const QString name = QFontMetricsF(p.font()).elidedText(QString::fromStdString(floor.name),
                                                            Qt::ElideRight, text.width() - taken);
    p.drawText(text, Qt::AlignLeft | Qt::AlignVCenter, name);
    p.setFont(render::font(10.5));
    p.setPen(colours.muted);
    p.drawText(QRectF(0, s.room.top(), 42, s.room.height()), Qt::AlignRight | Qt::AlignVCenter,
               render::local(format_level(floor.elevation_m, workspace_.units())));
}

void SectionView::paint_storey(QPainter& p, const SectionStorey& s) {
    const auto& colours = theme();
    const Floor& floor = *find_floor(workspace_.project(), s.floor);
    const bool open = s.floor == workspace_.floor_id() && !workspace_.in_view().site_shown();
    s.yard ? paint_yard(p, s, open) : paint_room(p, s, open);
    paint_dots(p, s, open);
    const QRectF& room = s.room;
    const double pad = s.mezzanine || room.width() < 90 ? 4 : 7;
    const QFont name_font = render::font(12, open ? 650 : 500);
    const bool wide = room.width() > 40;
    const QString name = QFontMetricsF(name_font).elidedText(QString::fromStdString(floor.name),
                                                             Qt::ElideRight, room.width() - 2 * pad);
    const bool tall = room.height() > 46 && room.width() > 84;
    const QColor ground = open ? colours.accent_tint : s.yard ? colours.chrome : colours.paper;
    if (wide && !s.yard)
        render::draw_halo_text(p, QPointF(room.left() + pad, tall ? room.bottom() - 27 : room.center().y()),
                               name, name_font, open ? colours.accent : colours.ink, ground, 4,
                               Qt::AlignLeft);
    if (tall) paint_share(p, s, room);
    if (s.building == building_of_levels()) {
        p.setFont(render::font(10.5));
        p.setPen(colours.muted);
        const QString level = render::local(format_level(floor.elevation_m, workspace_.units()));
        if (!s.mezzanine || room.height() > 16)
            p.drawText(QRectF(0, room.bottom() - 8, 42, 16), Qt::AlignRight | Qt::AlignVCenter, level);
        p.setPen(QPen(colours.muted, 1));
        p.drawLine(QPointF(44, room.bottom()), QPointF(48, room.bottom()));
    }
    if (open && !s.mezzanine) {
        p.setPen(Qt::NoPen);
        p.setBrush(colours.accent);
        const QPointF c(room.right() + 3, room.center().y());
        p.drawPolygon(QPolygonF({c, c + QPointF(5, -5), c + QPointF(5, 5)}));
    }
}

BuildingId SectionView::building_of_levels() const {
    // one axis of levels: of the building whose floor is open
    return workspace_.floor() ? building_with(workspace_.project(), workspace_.floor_id()).id : BuildingId{};
}

void SectionView::paint_stacks(QPainter& p, const SectionLayout& layout) {
    const auto& colours = theme();
    const bool several = layout.stacks.size() > 1;
    for (const SectionStack& stack : layout.stacks) {
        const Building& b = *find_building(workspace_.project(), stack.building);
        if (layout.rows) {
            if (several) {
                p.setFont(render::font(11.5, 600));
                p.setPen(colours.ink);
                p.drawText(QRectF(12, stack.area.top() - 20, width() - 24, 18), Qt::AlignVCenter,
                           QString::fromStdString(b.name));
            }
            continue;
        }
        p.setPen(Qt::NoPen);
        p.setBrush(colours.slab);
        if (!stack.roof.isEmpty()) {
            p.drawRect(stack.roof);
            p.setPen(QPen(colours.slab, 1.4));
            for (double x : {stack.area.left(), stack.area.right()})
                p.drawLine(QPointF(x, stack.roof.top()), QPointF(x, stack.area.bottom()));
            if (b.id == building_of_levels()) {
                p.setFont(render::font(10.5));
                p.setPen(colours.muted);
                p.drawText(QRectF(0, stack.roof.top() - 8, 42, 16), Qt::AlignRight | Qt::AlignVCenter,
                           render::local(format_level(stack.top_level_m - b.level_m, workspace_.units())));
            }
        }
        if (several) {
            p.setFont(render::font(11, 500));
            p.setPen(colours.muted);
            const QRectF under(stack.area.left() - 4, stack.area.bottom() + 8, stack.area.width() + 8, 16);
            p.drawText(under, Qt::AlignCenter,
                       QFontMetricsF(p.font()).elidedText(QString::fromStdString(b.name), Qt::ElideRight,
                                                          under.width()));
        }
    }
}

void SectionView::paint_held_slab(QPainter& p, const SectionLayout& layout) {
    const auto& colours = theme();
    const std::optional<FloorId> storey = drag_ ? std::optional(drag_->storey) : hovered_slab_;
    const SectionStorey* s = storey ? layout.find(*storey) : nullptr;
    if (!s || layout.rows) return;
    const Floor& floor = *find_floor(workspace_.project(), *storey);
    QRectF slab(s->room.left(), s->room.top() - 4, s->room.width(), 4);
    if (const Floor* above = floor_above(workspace_.project(), floor.id))
        if (const SectionStorey* over = layout.find(above->id)) slab = over->slab;
    p.setPen(QPen(colours.accent, 1.2));
    p.setBrush(colours.accent);
    p.drawRect(slab);
    const QPointF grip(slab.right() - 26, slab.center().y());
    p.setBrush(colours.tile);
    p.drawEllipse(grip, 7, 7);
    p.drawLine(grip + QPointF(0, -4), grip + QPointF(0, 4));
    for (double way : {-1.0, 1.0}) {
        p.drawLine(grip + QPointF(0, 4 * way), grip + QPointF(-2, 2 * way));
        p.drawLine(grip + QPointF(0, 4 * way), grip + QPointF(2, 2 * way));
    }
    const double x = s->room.right() - 12;
    p.drawLine(QPointF(x, slab.bottom()), QPointF(x, s->room.bottom()));
    render::draw_halo_text(p, QPointF(x - 5, s->room.center().y() - (s->room.height() > 60 ? 8 : 0)),
                           render::local(format_length(floor.height_m, workspace_.units())),
                           render::font(11, 600), colours.accent, colours.paper, 4, Qt::AlignRight);
}

}  // namespace yemvo::app
