// SPDX-License-Identifier: GPL-3.0-or-later
// A floor's plan as it is printed: walls, zones, things and access points, over a map where one is chosen.
#pragma once
#include <QPainter>

#include "render/plan_view_map.h"
#include "render/report/facts.h"

namespace yemvo::render::report {

struct PlanLook {
    const FloorMap* map = nullptr;
    bool cables = true;  ///< trays, outlets, risers, closets
    bool zone_names = true;
    AccessPointId alone = {};  ///< the only access point drawn as chosen; others are pale
    const CableRun* route = nullptr;
};

/// Within `area`.
void paint_plan(QPainter&, const ReportFacts&, const Floor&, const PlanMap&, const QRectF& area,
                const PlanLook&);

}  // namespace yemvo::render::report
