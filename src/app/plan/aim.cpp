// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/aim.h"

#include <cmath>
#include <numbers>

#include "antenna/gain_table.h"
#include "app/look/theme.h"
#include "project/working_radio.h"
#include "render/plan_marks.h"

namespace yemvo::app {
namespace {

constexpr double aim_px = 78, least_db = -30;  ///< length of the lobe's peak; where it ends in the middle

QPointF aimed(QPointF centre, double azimuth_deg, double px) {
    const double a = azimuth_deg * std::numbers::pi / 180;
    return centre + px * QPointF(std::sin(a), -std::cos(a));
}

/// The radio whose lobe is shown: the first that works in a band of the map, else the first.
std::size_t shown_radio(const AccessPoint& ap, BandSet shown) {
    for (std::size_t r = 0; r < ap.radios.size(); ++r)
        if (shown.contains(ap.radios[r].channel.band)) return r;
    return 0;
}

}  // namespace

std::optional<QPointF> aim_handle(const render::PlanMap& map, const Project& project, const AccessPoint& ap) {
    if (!render::is_directional(project, ap)) return {};
    return aimed(map.to_screen(ap.position), ap.azimuth_deg, aim_px);
}

std::vector<double> lobe_along_horizon(const Project& project, const AccessPoint& ap, std::size_t radio) {
    const Antenna antenna = working_radio(project, ap, radio).antenna;
    const Orientation turned(body_turn(antenna.frame(), ap.mount, ap.azimuth_deg, ap.downtilt_deg));
    return circle_of_gains_db(antenna.lobe, turned, {0, 1, 0}, {1, 0, 0}, lobe_step_deg);
}

void paint_aim(QPainter& p, const render::PlanMap& map, const Project& project, const AccessPoint& ap,
               BandSet shown) {
    const auto handle = aim_handle(map, project, ap);
    if (!handle) return;
    const QPointF centre = map.to_screen(ap.position);
    const std::vector<double> gains = lobe_along_horizon(project, ap, shown_radio(ap, shown));
    QPolygonF lobe;
    for (std::size_t i = 0; i < gains.size(); ++i)
        lobe << aimed(centre, static_cast<double>(i) * lobe_step_deg,
                      aim_px * std::max(0.0, 1 - gains[i] / least_db));
    const auto& colours = theme();
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(colours.accent, 1.4));
    p.setBrush(render::with_alpha(colours.accent, 0.1));
    p.drawPolygon(lobe);
    p.setPen(QPen(colours.accent, 1, Qt::DashLine));
    p.drawLine(centre, *handle);
    p.setPen(QPen(colours.accent, 1.6));
    p.setBrush(colours.tile);
    p.drawEllipse(*handle, 5, 5);
    p.restore();
}

double azimuth_towards(Point from, Point to, bool coarse) {
    const double azimuth = std::atan2(to.x - from.x, to.y - from.y) * 180 / std::numbers::pi;
    const double step = coarse ? 15 : 1;
    return std::fmod(std::round(azimuth / step) * step + 360, 360);
}

}  // namespace yemvo::app
