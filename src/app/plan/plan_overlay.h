// SPDX-License-Identifier: GPL-3.0-or-later
// What lies over the plan besides tools and badges: probes with their ray, findings, the place that is spoken
// of.
#pragma once
#include <QPainter>
#include <QPixmap>
#include <map>
#include <vector>

#include "app/model/workspace.h"
#include "checks/findings.h"
#include "render/plan_marks.h"
#include "render/plan_view_map.h"

namespace yemvo::app {

/// Badges drawn once and stamped: hundreds of them painted anew in each frame would cost more than the map.
class BadgeStamps {
public:
    void paint(QPainter&, QPointF centre, const Project&, const AccessPoint&, render::BadgeState,
               double ratio);

private:
    struct Key {
        int number;
        ModelId model;
        double azimuth_deg, ratio;
        int mount, state, radios;  ///< which are on, a bit each
        bool dark;
        friend auto operator<=>(const Key&, const Key&) = default;
    };
    std::map<Key, QPixmap> stamps_;
    const void* models_ = nullptr;  ///< that the stamps are of
};

/// A place of the plan with findings; those too close to be told apart are one mark with their number.
struct FindingMark {
    QPointF at;
    int count = 0;
};
/// The open findings of a floor that are seen in a view of that size.
std::vector<FindingMark> finding_marks(const std::vector<Finding>&, FloorId, const render::PlanMap&,
                                       QSizeF view);

/// Marks drawn once and stamped, as badges are: a large drawing may have thousands.
class FindingStamps {
public:
    void paint(QPainter&, const FindingMark&, double ratio);

private:
    struct Key {
        int count;
        double ratio;
        bool dark;
        friend auto operator<=>(const Key&, const Key&) = default;
    };
    std::map<Key, QPixmap> stamps_;
};

/// The chosen link from above, with what each thing on the way takes.
void paint_probe_ray(QPainter&, const Workspace&, const render::PlanMap&);
void paint_probes(QPainter&, const Workspace&, const render::PlanMap&);
void paint_marked_place(QPainter&, const Workspace&, const render::PlanMap&);

}  // namespace yemvo::app
