// SPDX-License-Identifier: GPL-3.0-or-later
// From metres on a floor to pixels on a picture and back: y up there, y down here.
#pragma once
#include <QPointF>
#include <QRectF>
#include <QSizeF>

#include "geometry/polygon.h"

namespace yemvo::render {

struct PlanMap {
    double px_per_m = 12;
    QPointF origin;  ///< where the floor's (0, 0) lies

    QPointF to_screen(Point p) const { return {origin.x() + p.x * px_per_m, origin.y() - p.y * px_per_m}; }
    Point to_floor(QPointF q) const {
        return {(q.x() - origin.x()) / px_per_m, (origin.y() - q.y()) / px_per_m};
    }
    QRectF to_screen(const Box& box) const;
    friend bool operator==(const PlanMap&, const PlanMap&) = default;

    /// The box centred in the rectangle, as large as it fits.
    static PlanMap fit(const Box& box, const QRectF& into);
};

}  // namespace yemvo::render
