// SPDX-License-Identifier: GPL-3.0-or-later
#include "exchange/cad_drawing.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>
#include <set>

namespace yemvo {
namespace {

struct UnitRow {
    std::string_view name;
    double metres;
};
constexpr std::array<UnitRow, 5> units{
    {{"mm", 0.001}, {"cm", 0.01}, {"m", 1}, {"in", 0.0254}, {"ft", 0.3048}}};

void grow(std::optional<Box>& box, const Box& by) {
    if (!box)
        box = by;
    else
        for (Point p : {by.low, by.high}) box->include(p);
}

}  // namespace

std::string_view cad_unit_name(CadUnit u) { return units[static_cast<std::size_t>(u)].name; }
double metres(CadUnit u) { return units[static_cast<std::size_t>(u)].metres; }
std::optional<CadUnit> find_cad_unit(std::string_view name) {
    for (std::size_t i = 0; i < units.size(); ++i)
        if (units[i].name == name) return static_cast<CadUnit>(i);
    return std::nullopt;
}

double length(const CadArc& arc) {
    const double uu = dot(arc.u, arc.u), vv = dot(arc.v, arc.v), uv = dot(arc.u, arc.v);
    if (std::abs(uu - vv) <= 1e-12 * uu && std::abs(uv) <= 1e-12 * uu)
        return std::sqrt(uu) * std::abs(arc.sweep);
    // Simpson's rule over |d/dt|
    constexpr int steps = 96;
    const auto speed = [&](double t) { return yemvo::length(arc.v * std::cos(t) - arc.u * std::sin(t)); };
    double sum = 0;
    for (int i = 0; i <= steps; ++i) {
        const double weight = i == 0 || i == steps ? 1 : i % 2 ? 4 : 2;
        sum += weight * speed(arc.from + arc.sweep * i / steps);
    }
    return sum * std::abs(arc.sweep) / steps / 3;
}

Box bounds(const CadArc& arc) {
    const Point a = arc.at(arc.from), b = arc.at(arc.from + arc.sweep);
    Box box{a, a};
    box.include(b);
    const double low = std::min(arc.from, arc.from + arc.sweep),
                 high = std::max(arc.from, arc.from + arc.sweep);
    for (const double turning : {std::atan2(arc.v.x, arc.u.x), std::atan2(arc.v.y, arc.u.y)})
        for (double t = turning + std::numbers::pi * std::ceil((low - turning) / std::numbers::pi); t <= high;
             t += std::numbers::pi)
            box.include(arc.at(t));
    return box;
}

std::vector<Point> flattened(const CadArc& arc, double tolerance) {
    const double radius = std::max({length(arc.u), length(arc.v), 1e-300});
    const double step = 2 * std::acos(std::clamp(1 - tolerance / radius, 0.0, 0.9999999));
    const int steps = std::clamp(static_cast<int>(std::ceil(std::abs(arc.sweep) / step)), 2, 512);
    std::vector<Point> points;
    points.reserve(static_cast<std::size_t>(steps) + 1);
    for (int i = 0; i <= steps; ++i) points.push_back(arc.at(arc.from + arc.sweep * i / steps));
    return points;
}

std::vector<bool> shown_layers(const CadDrawing& d, const std::vector<std::string>& hidden) {
    const std::set<std::string> names(hidden.begin(), hidden.end());
    std::vector<bool> shown;
    for (const CadLayer& layer : d.layers) shown.push_back(!names.contains(layer.name));
    return shown;
}

std::vector<std::string> hidden_in_file(const CadDrawing& d) {
    std::vector<std::string> names;
    for (const CadLayer& layer : d.layers)
        if (!layer.visible) names.push_back(layer.name);
    return names;
}

std::optional<Box> shown_box(const CadDrawing& d, const std::vector<std::string>& hidden) {
    const auto shown = shown_layers(d, hidden);
    std::optional<Box> box;
    for (const CadLine& l : d.lines)
        if (is_shown(l, shown)) {
            Box b{l.a, l.a};
            b.include(l.b);
            grow(box, b);
        }
    for (const CadArc& a : d.arcs)
        if (is_shown(a, shown)) grow(box, bounds(a));
    for (const CadCurve& c : d.curves)
        if (is_shown(c, shown)) grow(box, *bounds(c.points));
    if (!box || box->width() > 0 || box->height() > 0) return box;
    return std::nullopt;
}

CadUnit likely_unit(const CadDrawing& d) {
    constexpr double usual_m = 40, wrong_system = 0.8;
    std::optional<Box> box = shown_box(d, hidden_in_file(d));
    if (!box) box = shown_box(d, {});
    const double side = box ? std::max(box->width(), box->height()) : 1;
    CadUnit best = CadUnit::millimetre;
    double least = INFINITY;
    for (const CadUnit u :
         {CadUnit::millimetre, CadUnit::metre, CadUnit::inch, CadUnit::foot, CadUnit::centimetre}) {
        const bool imperial = u == CadUnit::inch || u == CadUnit::foot;
        const double off = std::abs(std::log10(std::max(side * metres(u), 1e-300) / usual_m)) +
                           (imperial == d.imperial ? 0 : wrong_system);
        if (off < least - 1e-9) {
            least = off;
            best = u;
        }
    }
    return best;
}

}  // namespace yemvo
