// SPDX-License-Identifier: GPL-3.0-or-later
#include "geometry/polygon_sets.h"

#include <algorithm>
#include <boost/geometry.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <boost/geometry/geometries/polygon.hpp>

namespace yemvo {
namespace {

namespace bg = boost::geometry;
using Polygon = bg::model::polygon<bg::model::d2::point_xy<double>>;

Polygon polygon_of(const std::vector<Point>& corners) {
    Polygon p;
    for (Point c : corners) bg::append(p.outer(), bg::make<bg::model::d2::point_xy<double>>(c.x, c.y));
    bg::correct(p);
    return p;
}

}  // namespace

double shared_area_m2(const std::vector<Point>& a, const std::vector<Point>& b) {
    std::vector<Polygon> shared;
    bg::intersection(polygon_of(a), polygon_of(b), shared);
    double sum = 0;
    for (const Polygon& p : shared) sum += bg::area(p);
    return sum;
}

Remainder without(const std::vector<Point>& a, const std::vector<Point>& b) {
    std::vector<Polygon> left;
    bg::difference(polygon_of(a), polygon_of(b), left);
    std::sort(left.begin(), left.end(),
              [](const Polygon& p, const Polygon& q) { return bg::area(p) > bg::area(q); });
    Remainder out;
    for (const Polygon& p : left) {
        std::vector<Point> corners;
        for (std::size_t i = 0; i + 1 < p.outer().size(); ++i)
            corners.push_back({bg::get<0>(p.outer()[i]), bg::get<1>(p.outer()[i])});
        if (corners.size() >= 3) out.parts.push_back(std::move(corners));
        out.has_holes = out.has_holes || !p.inners().empty();
    }
    return out;
}

}  // namespace yemvo
