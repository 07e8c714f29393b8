// SPDX-License-Identifier: GPL-3.0-or-later
#include "handover/site_place.h"

#include <cmath>
#include <numbers>

namespace yemvo {

Point on_site(const Project& project, const Floor& floor, Point p) {
    return building_with(project, floor.id).placement.apply(p);
}

LatLong on_earth(const GeoAnchor& anchor, Point site_m) {
    constexpr double a_m = 6'378'137, flattening = 1 / 298.257223563;
    constexpr double e2 = flattening * (2 - flattening), rad = std::numbers::pi / 180;
    // the site's north lies `bearing` clockwise of true north
    const double s = std::sin(anchor.bearing_deg * rad), c = std::cos(anchor.bearing_deg * rad);
    const Point d = site_m - anchor.site_m;
    const double east_m = c * d.x + s * d.y, north_m = c * d.y - s * d.x;
    const double at = std::sin(anchor.latitude_deg * rad);
    const double w2 = 1 - e2 * at * at;
    const double meridian_m = a_m * (1 - e2) / (w2 * std::sqrt(w2)), parallel_m = a_m / std::sqrt(w2);
    const double latitude = anchor.latitude_deg + north_m / meridian_m / rad;
    return {latitude,
            anchor.longitude_deg + east_m / (parallel_m * std::cos(anchor.latitude_deg * rad)) / rad};
}

}  // namespace yemvo
