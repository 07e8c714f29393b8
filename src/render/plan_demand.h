// SPDX-License-Identifier: GPL-3.0-or-later
// Demand on the plan: how many people a square metre, who is where, and which radio serves each client.
#pragma once
#include <QPainter>
#include <QPointF>
#include <functional>
#include <vector>

#include "render/palette.h"
#include "render/plan_walls.h"

namespace yemvo {
struct DemandFigures;
struct HourCapacity;
}  // namespace yemvo

namespace yemvo::render {

/// What zones are tinted by, each a m².
enum class DemandTint { people, clients, mbps };
inline constexpr int demand_tints = 3;
double density(const DemandFigures&, DemandTint);

/// People, clients or Mbit/s down a m² at which the next of the seven colours begins.
inline constexpr double density_steps[] = {0.02, 0.05, 0.1, 0.2, 0.5, 1};
QColor density_colour(double per_m2, const Palette&);

/// The zones of a floor, tinted by what is in them at the project's busy hour.
void paint_demand(QPainter&, const Project&, const Floor&, const PlanMap&, const Palette&, ZoneId selected,
                  DemandTint);
/// Each device of a row at its place.
void paint_device_row(QPainter&, const DeviceRow&, const PlanMap&, const Palette&);
/// An upright tablet: 10 px high.
void paint_device(QPainter&, QPointF centre);
/// Name, people and clients of each zone; name and number of devices of each row. `taken`: screen areas to
/// keep clear.
void paint_demand_tags(QPainter&, const Project&, const Floor&, const PlanMap&, const Palette&,
                       ZoneId selected, std::vector<QRectF> taken);
/// What the colours mean, its lower right corner at a point.
void paint_demand_legend(QPainter&, QPointF lower_right, const Palette&, DemandTint);

/// Each client as a dot joined to its access point; hollow where it is not satisfied, crossed where nobody
/// serves it.
void paint_clients(QPainter&, const Project&, const Floor&, const HourCapacity&, const PlanMap&, QSizeF view,
                   const Palette&);

}  // namespace yemvo::render
