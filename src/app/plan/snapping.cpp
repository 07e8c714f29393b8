#include "app/plan/snapping.h"

#include <cmath>
#include <numbers>

namespace yemvo::app {
namespace {

struct Nearest {
    double reach_m;
    std::optional<Point> point;
    void offer(Point candidate, Point at) {
        const double d = distance(candidate, at);
        if (d > reach_m) return;
        reach_m = d;
        point = candidate;
    }
};

Point on_angle(Point from, Point at) {
    constexpr double step = std::numbers::pi / 12;
    const double angle = std::round(std::atan2(at.y - from.y, at.x - from.x) / step) * step;
    const Point along{std::cos(angle), std::sin(angle)};
    return from + along * dot(at - from, along);
}

double to_grid(double v, double step) { return std::round(v / step) * step; }

/// Level or plumb with the point before, when nearly so.
std::optional<Point> level_with(Point from, Point at, double reach_m, double grid_m) {
    const auto held = [&](double v) { return grid_m > 0 ? to_grid(v, grid_m) : v; };
    if (std::abs(at.y - from.y) < reach_m / 2 && std::abs(at.x - from.x) > reach_m)
        return Point{held(at.x), from.y};
    if (std::abs(at.x - from.x) < reach_m / 2 && std::abs(at.y - from.y) > reach_m)
        return Point{from.x, held(at.y)};
    return std::nullopt;
}

/// The place on a wall through `on` that is also level or plumb with the point before, where one is near.
std::optional<Point> square_on_line(const Floor& floor, Point on, const SnapOptions& o) {
    if (!o.from) return std::nullopt;
    constexpr double far_m = 1e5;
    const Segment level{{-far_m, o.from->y}, {far_m, o.from->y}},
        plumb{{o.from->x, -far_m}, {o.from->x, far_m}};
    for (const Wall& w : *floor.walls)
        for (int i = 0; i < w.pieces(); ++i) {
            if (w.id == o.without || distance(w.piece(i), on) > 1e-9) continue;
            for (const Segment& line : {level, plumb})
                if (const auto p = crossing(w.piece(i), line); p && distance(*p, on) <= o.reach_m / 2)
                    return p;
        }
    return std::nullopt;
}

}  // namespace

Snapped snap(const Floor& floor, Point at, const SnapOptions& o) {
    if (o.angles && o.from) return {on_angle(*o.from, at), SnapKind::angle, o.from};
    if (o.suspended) return {at, SnapKind::none, std::nullopt};
    Nearest end{o.reach_m, {}}, middle{o.reach_m * 0.8, {}}, line{o.reach_m * 0.7, {}};
    for (Point p : o.drawn) end.offer(p, at);
    for (const Wall& w : *floor.walls) {
        if (w.id == o.without) continue;
        for (Point p : w.points) end.offer(p, at);
        for (int i = 0; i < w.pieces(); ++i) {
            middle.offer(lerp(w.piece(i).a, w.piece(i).b, 0.5), at);
            line.offer(nearest_point(w.piece(i), at), at);
        }
    }
    if (end.point) return {*end.point, SnapKind::end, std::nullopt};
    if (middle.point) return {*middle.point, SnapKind::middle, std::nullopt};
    if (line.point)
        return {square_on_line(floor, *line.point, o).value_or(*line.point), SnapKind::on_line, std::nullopt};
    if (o.from)
        if (const auto level = level_with(*o.from, at, o.reach_m, o.grid_m))
            return {*level, SnapKind::angle, o.from};
    if (o.grid_m > 0)
        return {{to_grid(at.x, o.grid_m), to_grid(at.y, o.grid_m)}, SnapKind::grid, std::nullopt};
    return {at, SnapKind::none, std::nullopt};
}

const char* snap_name(SnapKind kind) {
    switch (kind) {
        case SnapKind::end:
            return "End";
        case SnapKind::middle:
            return "Middle";
        case SnapKind::on_line:
            return "On wall";
        case SnapKind::angle:
            return "Square";
        case SnapKind::grid:
            return "Grid";
        case SnapKind::none:
            break;
    }
    return "";
}

double grid_step_m(double px_per_m) {
    const double wanted = 8 / px_per_m;
    const double power = std::pow(10, std::floor(std::log10(wanted)));
    for (double factor : {1.0, 2.0, 5.0})
        if (factor * power >= wanted) return factor * power;
    return 10 * power;
}

}  // namespace yemvo::app
