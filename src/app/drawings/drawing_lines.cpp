#include "app/drawings/drawing_lines.h"

#include <utility>

#include "exchange/cad_drawing.h"

namespace yemvo::app {

std::vector<Segment> lines_on_floor(const CadDrawing& cad, const Drawing& drawing) {
    const auto shown = shown_layers(cad, drawing.source.hidden_layers);
    const PointMap map(drawing.placement);
    std::vector<Segment> out;
    const auto add = [&](Point a, Point b) {
        if (!drawing.crop.empty()) {
            const Point middle = lerp(a, b, 0.5);
            if (!contains(drawing.crop, {middle.x, -middle.y})) return;
        }
        out.push_back({map.apply(a), map.apply(b)});
    };
    const auto run = [&](const std::vector<Point>& points) {
        for (std::size_t i = 0; i + 1 < points.size(); ++i) add(points[i], points[i + 1]);
    };
    for (const CadLine& l : cad.lines)
        if (is_shown(l, shown)) add(l.a, l.b);
    const double tolerance = 0.02 / drawing.placement.scale;
    for (const CadArc& a : cad.arcs)
        if (is_shown(a, shown)) run(flattened(a, tolerance));
    for (const CadCurve& c : cad.curves)
        if (is_shown(c, shown)) run(c.points);
    return out;
}

void FoundLines::put(FloorId floor, const std::vector<Drawing>& drawings,
                     const std::vector<render::LaidSheet>& sheets) {
    std::vector<Segment> all;
    for (const Drawing& d : drawings)
        for (const render::LaidSheet& s : sheets)
            if (s.sheet && s.sheet->cad() && s.source == d.source && d.to_scale()) {
                const auto lines = lines_on_floor(*s.sheet->cad(), d);
                all.insert(all.end(), lines.begin(), lines.end());
                break;
            }
    Lines found{floor, drawings,
                all.empty() ? nullptr : std::make_shared<const SegmentIndex>(std::move(all))};
    const std::lock_guard lock(mutex_);
    lines_ = std::move(found);
}

std::optional<FoundLines::Lines> FoundLines::take() {
    const std::lock_guard lock(mutex_);
    return std::exchange(lines_, std::nullopt);
}

}  // namespace yemvo::app
