// SPDX-License-Identifier: GPL-3.0-or-later
// Places of floors in the site's metres, and on Earth.
#pragma once
#include "project/project.h"

namespace yemvo {

/// In the site's metres: [x east, y north] of a floor's own place.
Point on_site(const Project&, const Floor&, Point);

struct LatLong {
    double latitude_deg, longitude_deg;
};
/// WGS 84, by the ellipsoid's radii of curvature at the anchor (a = 6,378,137 m, f = 1 / 298.257223563):
/// within 1 cm over 2 km.
LatLong on_earth(const GeoAnchor&, Point site_m);

}  // namespace yemvo
