// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/plan_loads.h"

#include <algorithm>

#include "capacity/site_capacity.h"
#include "render/plan_demand.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render {
namespace {

/// Of all radios of an access point.
struct Load {
    double clients = 0, use = 0;
    bool overfull = false;
};

Load load_of(const HourCapacity& hour, AccessPointId id) {
    Load load;
    for (const RadioCapacity& r : hour.radios) {
        if (r.radio.access_point != id) continue;
        load.clients += r.clients;
        load.use = std::max(load.use, r.use);
        load.overfull = load.overfull || (r.clients > 0 && r.headroom < 0);
    }
    return load;
}

QString words_of(const Load& load) {
    return QString("%1   %2").arg(figure(std::max(load.clients, 1.0)), percent(load.use, 0));
}

}  // namespace

QString load_words(const HourCapacity& hour, AccessPointId id) {
    const Load load = load_of(hour, id);
    return load.clients > 0 ? words_of(load) : QString();
}

void paint_loads(QPainter& p, const Project& project, const Floor& floor, const HourCapacity& hour,
                 const PlanMap& map, QSizeF view, const Palette& palette) {
    const QRectF seen = QRectF(QPointF(0, 0), view).adjusted(-40, -40, 40, 40);
    const QFont small = font(10.5, 600);
    const QFontMetricsF metrics(small);
    for (const AccessPoint& ap : access_points(project, floor.id)) {
        const QPointF at = map.to_screen(ap.position);
        if (!seen.contains(at)) continue;
        const Load load = load_of(hour, ap.id);
        if (load.clients <= 0) continue;
        const QString words = words_of(load);
        const double width = metrics.horizontalAdvance(words) + 20;
        const QRectF box(at.x() - width / 2, badge_area(at).bottom() + 3, width, 15);
        p.setPen(QPen(load.overfull ? palette.not_met : palette.line, 1));
        p.setBrush(with_alpha(palette.paper, 0.94));
        p.drawRoundedRect(box, 3, 3);
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(load.overfull ? palette.not_met : palette.muted, 1));
        p.save();
        p.translate(box.left() + 8, box.center().y());
        p.scale(0.85, 0.85);
        paint_device(p, {0, 0});
        p.restore();
        p.setPen(load.overfull ? palette.not_met : palette.ink);
        p.setFont(small);
        p.drawText(box.adjusted(14, 0, 0, 0), Qt::AlignVCenter, words);
    }
}

}  // namespace yemvo::render
