// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/first_answer/rough_plan.h"

#include <QPainter>

#include "app/look/theme.h"
#include "render/plan_demand.h"
#include "render/plan_solids.h"
#include "render/tr.h"

namespace yemvo::app {

RoughPlan::RoughPlan(QWidget* parent) : QWidget(parent) {
    setMinimumHeight(190);
    setAccessibleName(tr("Rough positions"));
}

void RoughPlan::show_floor(const Project& project, FloorId id, const FirstAnswer& answer,
                           const std::string& hour) {
    const Floor* f = find_floor(project, id);
    floor_ = f ? *f : Floor{};
    book_ = project.demand;
    book_.hour = hour;
    answer_ = answer;
    places_ = rough_places(project, answer, id);
    update();
}

void RoughPlan::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme().paper);
    p.setRenderHint(QPainter::Antialiasing);
    const auto box = extent(floor_);
    if (!box || box->width() <= 0 || box->height() <= 0) return;
    render::PlanMap map;
    map.px_per_m = std::min((width() - 28) / box->width(), (height() - 28) / box->height());
    map.origin =
        QPointF(width() / 2.0, height() / 2.0) - QPointF(box->centre().x, -box->centre().y) * map.px_per_m;
    for (const Zone& z : *floor_.zones) {
        p.setPen(QPen(theme().line, 1));
        p.setBrush(z.demand ? QBrush(render::density_colour(
                                  demand_figures({&z, nullptr}, book_, book_.hour).people_per_m2(), theme()))
                            : QBrush(Qt::NoBrush));
        p.drawPolygon(render::polygon_of(z.outline, map));
    }
    for (const RoughPlace& place : places_) {
        const QPointF at = map.to_screen(place.at);
        double cell_m2 = 0;
        for (const AnswerZone& z : answer_.zones)
            if (z.zone == place.zone && z.access_points > 0) cell_m2 = z.area_m2 / z.access_points;
        const double reach_px = std::sqrt(cell_m2 / 2.6) * map.px_per_m;
        p.setPen(QPen(theme().accent, 1, Qt::DashLine));
        p.setBrush(Qt::NoBrush);
        if (reach_px > 4) p.drawEllipse(at, reach_px, reach_px);
        p.setPen(QPen(theme().ink, 1.2));
        p.setBrush(theme().tile);
        p.drawRoundedRect(QRectF(at - QPointF(6, 4), QSizeF(12, 8)), 2, 2);
    }
}

}  // namespace yemvo::app
