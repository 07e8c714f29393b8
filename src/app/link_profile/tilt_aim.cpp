// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/link_profile/tilt_aim.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "antenna/gain_table.h"
#include "app/look/theme.h"
#include "project/working_radio.h"
#include "propagation/scene.h"
#include "render/plan_marks.h"
#include "render/text_style.h"

namespace yemvo::app {
namespace {

constexpr double least_db = -30;    ///< a lobe ends in the middle there
constexpr double seen_least = 0.2;  ///< of its length: a shorter handle could not be told from its foot

}  // namespace

std::optional<TiltAim> TiltAim::of(const Project& project, const Scene& scene, const LinkExplanation& link) {
    const auto& locked = project.display.locked;
    if (std::ranges::find(locked, ItemKind::access_point) != locked.end()) return {};
    for (const PlacedAccessPoint& placed : placed_access_points(project)) {
        const AccessPoint& ap = *placed.access_point;
        if (ap.id != link.access_point || link.radio >= ap.radios.size()) continue;
        const Point along = link.receiver.flat() - link.source.flat();
        if (!render::is_directional(project, ap) || length(along) < 0.01) return {};
        TiltAim aim;
        aim.ap_ = ap;
        aim.floor_ = placed.floor->id;
        aim.antenna_ = working_radio(project, ap, link.radio).antenna;
        aim.azimuth_deg_ = azimuth_deg(scene, *placed.floor, ap);
        aim.along_ = {unit(along).x, unit(along).y, 0};
        return aim;
    }
    return {};
}

Turn TiltAim::turn() const { return body_turn(antenna_.frame(), ap_.mount, azimuth_deg_, ap_.downtilt_deg); }

/// `px` from the source on the line that a slope is drawn as.
QPointF TiltAim::shown(const SideView& view, double run, double rise, double px) const {
    const QPointF way(run * view.px_per_m_along, -rise * view.px_per_m_up);
    const double long_px = std::hypot(way.x(), way.y());
    return long_px > 0 ? view.source + way * (px / long_px) : view.source;
}

std::optional<QPointF> TiltAim::handle(const SideView& view) const {
    const Point3 looks = look_direction(antenna_.frame(), turn());
    const Point seen{dot(looks, along_), looks.z};
    if (length(seen) < seen_least) return {};
    return shown(view, seen.x, seen.y, view.widest_px);
}

std::vector<double> TiltAim::lobe_from_the_side() const {
    return circle_of_gains_db(antenna_.lobe, Orientation(turn()), along_, {0, 0, 1}, lobe_step_deg);
}

void TiltAim::paint(QPainter& p, const SideView& view) const {
    const std::vector<double> gains = lobe_from_the_side();
    QPolygonF lobe;
    for (std::size_t i = 0; i < gains.size(); ++i) {
        const double a = static_cast<double>(i) * lobe_step_deg * std::numbers::pi / 180;
        lobe << shown(view, std::cos(a), std::sin(a),
                      view.widest_px * std::max(0.0, 1 - gains[i] / least_db));
    }
    const auto& colours = theme();
    p.setPen(QPen(colours.accent, 1.2));
    p.setBrush(render::with_alpha(colours.accent, 0.12));
    p.drawPolygon(lobe);
    const auto at = handle(view);
    if (!at) return;
    p.setPen(QPen(colours.accent, 1, Qt::DashLine));
    p.drawLine(view.source, *at);
    p.setPen(QPen(colours.accent, 1.6));
    p.setBrush(colours.tile);
    p.drawEllipse(*at, 4.5, 4.5);
    render::draw_halo_text(p, *at + QPointF(9, 0), render::figure(ap_.downtilt_deg) + QStringLiteral("°"),
                           render::font(10.5, 600), colours.accent, colours.paper, 3,
                           Qt::AlignLeft | Qt::AlignVCenter);
}

double TiltAim::tilt_towards(const SideView& view, QPointF at, bool coarse) const {
    const QPointF way = at - view.source;
    const Point slope{way.x() / view.px_per_m_along, -way.y() / view.px_per_m_up};
    const double tilt_deg = downtilt_towards(antenna_.frame(), ap_.mount, azimuth_deg_, along_, slope);
    return coarse ? std::round(tilt_deg / 5) * 5 : tilt_deg;
}

}  // namespace yemvo::app
