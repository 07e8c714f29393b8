// What lies over the plan besides tools and badges: probes with their ray, findings, the place that is spoken of.
#pragma once
#include <QPainter>

#include "app/shell/workspace.h"
#include "render/plan_view_map.h"

namespace yemvo::app {

/// The chosen link from above, with what each thing on the way takes.
void paint_probe_ray(QPainter&, const Workspace&, const render::PlanMap&);
void paint_probes(QPainter&, const Workspace&, const render::PlanMap&);
void paint_findings(QPainter&, const Workspace&, const render::PlanMap&);
void paint_marked_place(QPainter&, const Workspace&, const render::PlanMap&);

}  // namespace yemvo::app
