// SPDX-License-Identifier: GPL-3.0-or-later
// Shapes as DXF entities give them, in space, before blocks are put in their places.
// Source: the published DXF reference; object coordinate systems by its arbitrary axis algorithm.
#pragma once
#include <optional>
#include <vector>

#include "geometry/point.h"

namespace yemvo {

/// p -> p.x x + p.y y + p.z z + origin.
struct Affine3 {
    Point3 x{1, 0, 0}, y{0, 1, 0}, z{0, 0, 1}, origin{0, 0, 0};
    Point3 apply(Point3 p) const { return direction(p) + origin; }
    Point3 direction(Point3 p) const { return x * p.x + y * p.y + z * p.z; }
};
Affine3 operator*(const Affine3& outer, const Affine3& inner);

/// The axes of an entity whose extrusion points to `normal`; the world's for a null vector.
Affine3 object_axes(Point3 normal);

struct DxfArc {
    Point3 centre, u, v;
    double from = 0, sweep = 0;
};

/// The arc from a to b with a bulge (tangent of a quarter of its angle, positive to the left); none for a
/// straight piece.
std::optional<DxfArc> bulge_arc(Point3 a, Point3 b, double bulge);

struct DxfSpline {
    int degree = 3;
    bool closed = false;
    std::vector<double> knots, weights;
    std::vector<Point3> control, fit;
};
/// Points along it; empty when its numbers do not make a curve.
std::vector<Point3> spline_points(const DxfSpline&);

}  // namespace yemvo
