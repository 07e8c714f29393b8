// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/key_pointer.h"

#include <algorithm>
#include <cmath>

namespace yemvo::app {
namespace {

std::optional<Point> direction(int key) {
    switch (key) {
        case Qt::Key_Left:
            return Point{-1, 0};
        case Qt::Key_Right:
            return Point{1, 0};
        case Qt::Key_Up:
            return Point{0, 1};
        case Qt::Key_Down:
            return Point{0, -1};
        default:
            return std::nullopt;
    }
}

}  // namespace

bool KeyPointer::step(const QKeyEvent& e, Point start, double grid_m) {
    const auto way = direction(e.key());
    if (!way || (e.modifiers() & (Qt::ControlModifier | Qt::AltModifier))) return false;
    if (!at_) {
        at_ = Point{std::round(start.x / grid_m) * grid_m, std::round(start.y / grid_m) * grid_m};
        return true;
    }
    *at_ = *at_ + *way * (grid_m * (e.modifiers() & Qt::ShiftModifier ? 10 : 1));
    return true;
}

void KeyPointer::drop() {
    at_.reset();
    held_ = false;
}

void KeyPointer::paint(QPainter& p, const render::PlanMap& map, const render::Palette& c) const {
    if (!at_) return;
    const QPointF m = map.to_screen(*at_);
    for (const QPen& pen : {QPen(c.tile, 4.5), QPen(c.accent, 1.8)}) {
        p.setPen(pen);
        p.setBrush(Qt::NoBrush);
        for (const QPointF& way : {QPointF(1, 0), QPointF(-1, 0), QPointF(0, 1), QPointF(0, -1)})
            p.drawLine(m + way * 4, m + way * 12);
        if (held_) p.drawEllipse(m, 4, 4);
    }
}

render::PlanMap brought_into_view(render::PlanMap map, Point place, QSize view) {
    constexpr double rim_px = 40;
    const QPointF at = map.to_screen(place);
    const auto shift = [rim = rim_px](double v, double size) {
        const double low = std::min(rim, size / 2), high = std::max(size - rim, size / 2);
        return std::clamp(v, low, high) - v;
    };
    map.origin += QPointF(shift(at.x(), view.width()), shift(at.y(), view.height()));
    return map;
}

}  // namespace yemvo::app
