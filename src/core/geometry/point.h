// SPDX-License-Identifier: GPL-3.0-or-later
// Points and vectors in metres: x east, y north, z up.
#pragma once
#include <cmath>
#include <compare>

namespace yemvo {

struct Point {
    double x = 0, y = 0;
    friend bool operator==(const Point&, const Point&) = default;
};
inline Point operator+(Point a, Point b) { return {a.x + b.x, a.y + b.y}; }
inline Point operator-(Point a, Point b) { return {a.x - b.x, a.y - b.y}; }
inline Point operator*(Point a, double k) { return {a.x * k, a.y * k}; }
inline double dot(Point a, Point b) { return a.x * b.x + a.y * b.y; }
/// z of the cross product; positive when b lies counter-clockwise of a.
inline double cross(Point a, Point b) { return a.x * b.y - a.y * b.x; }
inline double length(Point a) { return std::hypot(a.x, a.y); }
inline double distance(Point a, Point b) { return length(a - b); }
inline Point lerp(Point a, Point b, double t) { return a + (b - a) * t; }
/// Unit vector of a; {1, 0} for a null vector.
inline Point unit(Point a) {
    const double l = length(a);
    return l > 0 ? a * (1 / l) : Point{1, 0};
}
/// Turned 90 degrees counter-clockwise.
inline Point left_of(Point a) { return {-a.y, a.x}; }

struct Point3 {
    double x = 0, y = 0, z = 0;
    Point flat() const { return {x, y}; }
    friend bool operator==(const Point3&, const Point3&) = default;
};
inline Point3 operator+(Point3 a, Point3 b) { return {a.x + b.x, a.y + b.y, a.z + b.z}; }
inline Point3 operator-(Point3 a, Point3 b) { return {a.x - b.x, a.y - b.y, a.z - b.z}; }
inline Point3 operator*(Point3 a, double k) { return {a.x * k, a.y * k, a.z * k}; }
inline double dot(Point3 a, Point3 b) { return a.x * b.x + a.y * b.y + a.z * b.z; }
inline Point3 cross(Point3 a, Point3 b) {
    return {a.y * b.z - a.z * b.y, a.z * b.x - a.x * b.z, a.x * b.y - a.y * b.x};
}
inline double length(Point3 a) { return std::sqrt(dot(a, a)); }

}  // namespace yemvo
