// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/tool.h"

#include "app/drawings/drawing_lines.h"
#include "app/look/theme.h"
#include "app/model/drawings_in_view.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

SnapOptions Tool::snap_options(const PointerEvent& e) const {
    SnapOptions o;
    o.reach_m = 9 / map().px_per_m;
    // over a drawing places are taken as they are drawn, only rounded; on bare paper the grid leads
    o.grid_m = grid_step_m(map().px_per_m * (floor() && !floor()->drawings->empty() ? 6 : 1));
    o.suspended = e.keys & Qt::AltModifier;
    o.angles = e.keys & Qt::ShiftModifier;
    if (const auto& drawn = workspace_.drawings().lines())
        o.drawing = std::shared_ptr<const SegmentIndex>(drawn, &drawn->lines);
    return o;
}

Snapped Tool::snapped_to(Point at, const SnapOptions& o) const {
    if (!snap_lines_.of(*floor(), o.without)) snap_lines_ = SnapLines(*floor(), o.without);
    return snap(snap_lines_, at, o);
}

void Tool::paint_snap(QPainter& p, const Snapped& s) const {
    const auto& colours = theme();
    const QPointF c = map().to_screen(s.point);
    if (s.guide) {
        QPen guide(colours.accent, 1);
        guide.setDashPattern({2, 3});
        p.setPen(guide);
        p.drawLine(map().to_screen(*s.guide), c);
    }
    const auto mark = [&](const QPen& pen) {
        p.setPen(pen);
        p.setBrush(Qt::NoBrush);
        switch (s.kind) {
            case SnapKind::end:
            case SnapKind::drawing_end:
                p.drawRect(QRectF(c.x() - 6, c.y() - 6, 12, 12));
                break;
            case SnapKind::middle:
                p.drawPolygon(QPolygonF({c + QPointF(0, -7), c + QPointF(7, 5), c + QPointF(-7, 5)}));
                break;
            case SnapKind::on_line:
            case SnapKind::drawing_line:
            case SnapKind::along:
                p.drawPolygon(QPolygonF(
                    {c + QPointF(-6, -6), c + QPointF(6, -6), c + QPointF(-6, 6), c + QPointF(6, 6)}));
                break;
            case SnapKind::crossing:
                p.drawLine(c - QPointF(6, 6), c + QPointF(6, 6));
                p.drawLine(c + QPointF(-6, 6), c + QPointF(6, -6));
                break;
            case SnapKind::angle:
            case SnapKind::perpendicular:
                p.drawPolyline(QPolygonF({c + QPointF(-6, -6), c + QPointF(-6, 6), c + QPointF(6, 6)}));
                break;
            case SnapKind::grid:
            case SnapKind::none:
                p.drawLine(c - QPointF(7, 0), c + QPointF(7, 0));
                p.drawLine(c - QPointF(0, 7), c + QPointF(0, 7));
                break;
        }
    };
    const bool weak = s.kind == SnapKind::grid || s.kind == SnapKind::none;
    mark(QPen(colours.casing, 5.5));
    mark(QPen(colours.ink, weak ? 1.2 : 2.2));
    if (weak || s.kind == SnapKind::angle) return;
    const QString name = tr(snap_name(s.kind));
    const QFont f = render::font(11.5, 600);
    const QRectF tag(c.x() + 16, c.y() - 34, render::tag_width(name, f), render::tag_height);
    render::draw_tag(p, tag, name, f, colours.ink, colours.paper);
}

}  // namespace yemvo::app
