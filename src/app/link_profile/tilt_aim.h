// SPDX-License-Identifier: GPL-3.0-or-later
// Where the access point of a link looks, seen from the side: its lobe in the plane of the link, and a handle
// that tilts it.
#pragma once
#include <QPainter>
#include <optional>
#include <vector>

#include "antenna/antenna.h"
#include "gear/access_point.h"
#include "project/project.h"
#include "propagation/explain.h"

namespace yemvo::app {

/// How the drawing shows the plane of the link: heights are drawn larger than lengths.
struct SideView {
    QPointF source;
    double px_per_m_along, px_per_m_up;
    double widest_px;  ///< that a lobe may take below and above the source
};

class TiltAim {
public:
    /// None where the link's access point is gone, locked, or looks nowhere in particular.
    static std::optional<TiltAim> of(const Project&, const Scene&, const LinkExplanation&);
    const AccessPoint& access_point() const { return ap_; }
    FloorId floor() const { return floor_; }
    /// None while it looks out of the drawing or into it.
    std::optional<QPointF> handle(const SideView&) const;
    /// In the plane of the link, from the way to the receiver's side upwards, every second degree [dB
    /// relative to the peak].
    std::vector<double> lobe_from_the_side() const;
    static constexpr int lobe_step_deg = 2;
    /// The lobe and the handle.
    void paint(QPainter&, const SideView&) const;
    /// The downtilt that looks at a place of the drawing; in steps of 5 degrees with `coarse`.
    double tilt_towards(const SideView&, QPointF, bool coarse) const;

private:
    TiltAim() = default;
    Turn turn() const;
    QPointF shown(const SideView&, double run, double rise, double px) const;
    AccessPoint ap_;
    FloorId floor_;
    Antenna antenna_;
    double azimuth_deg_ = 0;  ///< in the plane of the link, where its building may stand turned
    Point3 along_;
};

}  // namespace yemvo::app
