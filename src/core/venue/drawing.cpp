// SPDX-License-Identifier: GPL-3.0-or-later
#include "venue/drawing.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "base/said.h"
#include "geometry/similarity_fit.h"

namespace yemvo {
namespace {

constexpr std::array<std::string_view, 4> kinds{"picture", "pdf", "svg", "dxf"};
constexpr std::array<std::string_view, 6> scale_bys{mark("none"),       mark("lengths"),
                                                    mark("area"),       mark("printed ratio"),
                                                    mark("file units"), mark("like another")};

template <class Value, std::size_t N>
std::optional<Value> find_name(const std::array<std::string_view, N>& names, std::string_view name) {
    const auto found = std::find(names.begin(), names.end(), name);
    if (found == names.end()) return std::nullopt;
    return static_cast<Value>(found - names.begin());
}

}  // namespace

std::string_view drawing_kind_name(DrawingKind k) { return kinds[static_cast<std::size_t>(k)]; }
std::optional<DrawingKind> find_drawing_kind(std::string_view name) {
    return find_name<DrawingKind>(kinds, name);
}
std::string_view scale_by_name(ScaleBy s) { return scale_bys[static_cast<std::size_t>(s)]; }
std::optional<ScaleBy> find_scale_by(std::string_view name) { return find_name<ScaleBy>(scale_bys, name); }

std::vector<Point> shown_corners(const Drawing& d) {
    if (!d.crop.empty()) return d.crop;
    const auto& [low, high] = d.source.sheet;
    return {low, {high.x, low.y}, high, {low.x, high.y}};
}

Box extent(const Drawing& d) {
    std::vector<Point> corners;
    for (Point p : shown_corners(d)) corners.push_back(d.to_venue(p));
    return *bounds(corners);
}

Drawing rescaled(Drawing d, double metres_per_unit, Point fixed, ScaleBy by) {
    const double factor = metres_per_unit / d.placement.scale;
    d.placement.shift = fixed + (d.placement.shift - fixed) * factor;
    d.placement.scale = metres_per_unit;
    d.scale_by = by;
    return d;
}

Drawing scaled_by_lengths(Drawing d) {
    if (d.lengths.empty()) {
        if (d.scale_by == ScaleBy::lengths) d.scale_by = ScaleBy::none;
        return d;
    }
    std::vector<ScalePair> pairs;
    for (const KnownLength& k : d.lengths) pairs.push_back({distance(k.a, k.b), k.length_m});
    const double scale = fit_scale(pairs).metres_per_unit;
    const Point fixed = d.to_venue(d.lengths.front().a);
    return rescaled(std::move(d), scale, fixed, ScaleBy::lengths);
}

Drawing revised(const Drawing& older, const DrawingSource& newer, std::string name) {
    constexpr double same_proportions = 0.005;
    Drawing d = older;
    d.name = std::move(name);
    d.source = newer;
    d.earlier = EarlierRevision{older.source, older.crop, older.placement};
    const Box &from = older.source.sheet, &to = newer.sheet;
    if (newer.kind == DrawingKind::dxf && older.source.kind == DrawingKind::dxf) return d;
    const double factor = from.width() / to.width();
    const bool alike = std::abs(factor * to.height() / from.height() - 1) < same_proportions;
    const bool resized = alike && std::abs(factor - 1) > 1e-9;
    const auto moved = [&](Point p) {  // a place of the older sheet on the newer one
        return resized ? to.low + (p - from.low) * (1 / factor) : p - from.low + to.low;
    };
    for (Point& p : d.crop) p = moved(p);
    for (KnownLength& k : d.lengths) k = {moved(k.a), moved(k.b), k.length_m};
    if (resized) d.placement.scale *= factor;
    const Point corner = older.to_venue(from.low);
    d.placement.shift = d.placement.shift + (corner - d.to_venue(to.low));
    return d;
}

double metres_per_point(double ratio) { return 0.0254 / 72 * ratio; }

}  // namespace yemvo
