// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/drawings/drawing_lines.h"

#include <algorithm>
#include <utility>

#include "exchange/cad_drawing.h"
#include "geometry/point.h"

namespace yemvo::app {

void add_lines(std::vector<Segment>& lines, std::vector<int>& layers, const CadDrawing& cad,
               const Drawing& drawing) {
    const int first = layers.empty() ? 0 : *std::max_element(layers.begin(), layers.end()) + 1;
    const auto shown = shown_layers(cad, drawing.source.hidden_layers);
    const PointMap map(drawing.placement);
    const auto add = [&](int layer, Point a, Point b) {
        if (!drawing.crop.empty()) {
            const Point middle = lerp(a, b, 0.5);
            if (!contains(drawing.crop, {middle.x, -middle.y})) return;
        }
        lines.push_back({map.apply(a), map.apply(b)});
        layers.push_back(first + layer);
    };
    const auto run = [&](int layer, const std::vector<Point>& points) {
        for (std::size_t i = 0; i + 1 < points.size(); ++i) add(layer, points[i], points[i + 1]);
    };
    for (const CadLine& l : cad.lines)
        if (is_shown(l, shown)) add(l.layer, l.a, l.b);
    const double tolerance = 0.02 / drawing.placement.scale;
    for (const CadArc& a : cad.arcs)
        if (is_shown(a, shown)) run(a.layer, flattened(a, tolerance));
    for (const CadCurve& c : cad.curves)
        if (is_shown(c, shown)) run(c.layer, c.points);
}

void FoundLines::put(FloorId floor, const std::vector<Drawing>& drawings,
                     const std::vector<render::LaidSheet>& sheets) {
    std::vector<Segment> all;
    std::vector<int> layers;
    for (const Drawing& d : drawings)
        for (const render::LaidSheet& s : sheets)
            if (s.sheet && s.sheet->cad() && s.source == d.source && d.to_scale()) {
                add_lines(all, layers, *s.sheet->cad(), d);
                break;
            }
    Lines found{floor, drawings, nullptr};
    if (!all.empty())
        found.lines = std::make_shared<const DrawingLines>(
            DrawingLines{SegmentIndex(std::move(all)), std::move(layers)});
    const std::lock_guard lock(mutex_);
    lines_ = std::move(found);
}

std::optional<FoundLines::Lines> FoundLines::take() {
    const std::lock_guard lock(mutex_);
    return std::exchange(lines_, std::nullopt);
}

}  // namespace yemvo::app
