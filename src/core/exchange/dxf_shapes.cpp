// SPDX-License-Identifier: GPL-3.0-or-later
#include "exchange/dxf_shapes.h"

#include <algorithm>
#include <cmath>

namespace yemvo {
namespace {

constexpr int points_a_span = 128;
constexpr std::size_t most_points = 100'000;

struct Weighted {
    Point3 p;
    double w;
};

/// De Boor's algorithm in homogeneous coordinates.
Point3 de_boor(const std::vector<double>& knots, const std::vector<Weighted>& control, std::size_t degree,
               std::size_t span, double t) {
    std::vector<Weighted> d(degree + 1);
    for (std::size_t j = 0; j <= degree; ++j) d[j] = control[span - degree + j];
    for (std::size_t r = 1; r <= degree; ++r)
        for (std::size_t j = degree; j >= r; --j) {
            const std::size_t i = span - degree + j;
            const double width = knots[i + degree - r + 1] - knots[i];
            const double a = width > 0 ? (t - knots[i]) / width : 0;
            d[j] = {d[j - 1].p * (1 - a) + d[j].p * a, d[j - 1].w * (1 - a) + d[j].w * a};
        }
    return d[degree].p * (1 / d[degree].w);
}

std::vector<Point3> by_control(const DxfSpline& s) {
    const auto degree = static_cast<std::size_t>(s.degree);
    if (s.degree < 1 || s.degree > 20 || s.control.size() <= degree) return {};
    std::vector<double> knots = s.knots;
    if (knots.size() != s.control.size() + degree + 1) {  // evenly spaced, touching both ends
        knots.clear();
        for (std::size_t i = 0; i < s.control.size() + degree + 1; ++i)
            knots.push_back(static_cast<double>(std::clamp(i, degree, s.control.size()) - degree));
    }
    if (!std::is_sorted(knots.begin(), knots.end())) return {};
    std::vector<Weighted> control;
    for (std::size_t i = 0; i < s.control.size(); ++i) {
        const double w = i < s.weights.size() && s.weights[i] > 0 ? s.weights[i] : 1;
        control.push_back({s.control[i] * w, w});
    }
    std::vector<Point3> points;
    for (std::size_t span = degree; span < control.size(); ++span) {
        const double a = knots[span], b = knots[span + 1];
        if (!(b > a)) continue;
        if (points.size() > most_points) return points;
        for (int i = points.empty() ? 0 : 1; i <= points_a_span; ++i)
            points.push_back(de_boor(knots, control, degree, span, a + (b - a) * i / points_a_span));
    }
    return points;
}

/// Slopes at the points of a cubic spline without kinks or jumps of curvature, straight at its ends
/// (natural).
std::vector<Point3> natural_slopes(const std::vector<Point3>& fit, const std::vector<double>& t) {
    const std::size_t n = fit.size();
    std::vector<double> upper(n);
    std::vector<Point3> slopes(n);
    const auto step = [&](std::size_t i) { return t[i + 1] - t[i]; };
    const auto rise = [&](std::size_t i) { return (fit[i + 1] - fit[i]) * (1 / step(i)); };
    // a tridiagonal system, one row a point, solved forwards and backwards
    upper[0] = 0.5;
    slopes[0] = rise(0) * 1.5;
    for (std::size_t i = 1; i < n; ++i) {
        const bool last = i + 1 == n;
        const double below = last ? 1 : step(i), middle = last ? 2 : 2 * (step(i - 1) + step(i));
        const Point3 right =
            last ? rise(i - 1) * 3 : rise(i - 1) * (3 * step(i)) + rise(i) * (3 * step(i - 1));
        const double divisor = middle - below * upper[i - 1];
        upper[i] = last ? 0 : step(i - 1) / divisor;
        slopes[i] = (right - slopes[i - 1] * below) * (1 / divisor);
    }
    for (std::size_t i = n - 1; i-- > 0;) slopes[i] = slopes[i] - slopes[i + 1] * upper[i];
    return slopes;
}

/// Through its points, by the length of the chords between them.
std::vector<Point3> by_fit(const std::vector<Point3>& fit) {
    if (fit.size() < 3) return fit;
    std::vector<double> t{0};
    for (std::size_t i = 1; i < fit.size(); ++i)
        t.push_back(t.back() + std::max(length(fit[i] - fit[i - 1]), 1e-12));
    const auto slopes = natural_slopes(fit, t);
    std::vector<Point3> points{fit.front()};
    for (std::size_t i = 0; i + 1 < fit.size() && points.size() < most_points; ++i) {
        const double h = t[i + 1] - t[i];
        const Point3 m0 = slopes[i] * h, m1 = slopes[i + 1] * h;
        for (int k = 1; k <= points_a_span; ++k) {
            const double s = static_cast<double>(k) / points_a_span, s2 = s * s, s3 = s2 * s;
            points.push_back(fit[i] * (2 * s3 - 3 * s2 + 1) + m0 * (s3 - 2 * s2 + s) +
                             fit[i + 1] * (3 * s2 - 2 * s3) + m1 * (s3 - s2));
        }
    }
    return points;
}

}  // namespace

Affine3 operator*(const Affine3& outer, const Affine3& inner) {
    return {outer.direction(inner.x), outer.direction(inner.y), outer.direction(inner.z),
            outer.apply(inner.origin)};
}

Affine3 object_axes(Point3 n) {
    const double l = length(n);
    if (!(l > 0)) return {};
    n = n * (1 / l);
    constexpr double near_vertical = 1.0 / 64;
    Affine3 a;
    if (std::abs(n.x) < near_vertical && std::abs(n.y) < near_vertical)
        a.x = cross(Point3{0, 1, 0}, n);
    else
        a.x = cross(Point3{0, 0, 1}, n);
    a.x = a.x * (1 / length(a.x));
    a.y = cross(n, a.x);
    a.z = n;
    return a;
}

std::optional<DxfArc> bulge_arc(Point3 a, Point3 b, double bulge) {
    const Point chord = b.flat() - a.flat();
    if (std::abs(bulge) < 1e-9 || !(length(chord) > 0)) return std::nullopt;
    const Point centre = lerp(a.flat(), b.flat(), 0.5) + left_of(chord) * ((1 - bulge * bulge) / (4 * bulge));
    const double r = distance(centre, a.flat());
    if (!std::isfinite(r)) return std::nullopt;
    const Point out = a.flat() - centre;
    return DxfArc{
        {centre.x, centre.y, a.z}, {r, 0, 0}, {0, r, 0}, std::atan2(out.y, out.x), 4 * std::atan(bulge)};
}

std::vector<Point3> spline_points(const DxfSpline& s) {
    std::vector<Point3> points = s.control.size() > 1 ? by_control(s) : by_fit(s.fit);
    if (points.size() > 1 && s.closed && length(points.front() - points.back()) > 0 && s.control.empty())
        points.push_back(points.front());
    const auto finite = [](Point3 p) {
        return std::isfinite(p.x) && std::isfinite(p.y) && std::isfinite(p.z);
    };
    if (!std::all_of(points.begin(), points.end(), finite)) return {};
    return points.size() > 1 ? points : std::vector<Point3>{};
}

}  // namespace yemvo
