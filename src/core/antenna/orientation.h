// SPDX-License-Identifier: GPL-3.0-or-later
// How an antenna is turned in the venue.
#pragma once
#include "geometry/point.h"

namespace yemvo {

/// How a pattern is drawn: hanging under a ceiling (lobe at elevation -90) or upright as a panel or rod
/// (front at azimuth 0, elevation 0).
enum class PatternFrame { ceiling, upright };

/// Direction seen from the antenna: azimuth clockwise from its front, elevation up from its horizon.
struct LocalDirection {
    double azimuth_deg = 0;    ///< (-180, 180]
    double elevation_deg = 0;  ///< [-90, 90]
};

/// How a body is turned: azimuth clockwise from north, downtilt positive down, roll clockwise from behind.
struct Turn {
    double azimuth_deg = 0, downtilt_deg = 0, roll_deg = 0;
    friend bool operator==(const Turn&, const Turn&) = default;
};

/// Unit vectors of a body in the venue.
struct BodyAxes {
    Point3 front, right, up;
};

/// The body's axes in the venue, worked out once.
class Orientation {
public:
    explicit Orientation(const Turn&);
    /// `toward` need not be a unit vector; a null vector counts as the front.
    LocalDirection local(Point3 toward) const;
    BodyAxes axes() const { return {front_, right_, up_}; }

private:
    Point3 front_, right_, up_;
};

}  // namespace yemvo
