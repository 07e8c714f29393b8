#include "app/section/section_layout.h"

#include <algorithm>
#include <cmath>

#include "propagation/explain.h"

namespace yemvo::app {
namespace {

/// Moves dots of nearly the same height apart along x, as little as needed, inside the walls.
void spread(SectionStorey& s) {
    constexpr double apart = 8.4, row = 8;
    std::stable_sort(s.dots.begin(), s.dots.end(),
                     [](auto& a, auto& b) { return a.second.x() < b.second.x(); });
    const double left = s.room.left() + 6, right = s.room.right() - 6;
    for (auto& [id, at] : s.dots) at.setX(std::clamp(at.x(), left, right));
    for (int pass = 0; pass < 40; ++pass) {
        bool moved = false;
        for (std::size_t i = 0; i < s.dots.size(); ++i)
            for (std::size_t k = i + 1; k < s.dots.size(); ++k) {
                QPointF &a = s.dots[i].second, &b = s.dots[k].second;
                const double gap = b.x() - a.x();
                if (std::abs(a.y() - b.y()) >= row || gap >= apart - 0.01) continue;
                const double push = (apart - gap) / 2;
                a.setX(std::max(left, a.x() - push));
                b.setX(std::min(right, b.x() + push));
                moved = true;
            }
        if (!moved) return;
    }
}

}  // namespace

SectionLayout lay_out_section(const Project& project, const QRectF& into) {
    SectionLayout out;
    const auto floors = all_floors(project);
    if (floors.empty()) return out;
    double low_m = floors.front()->elevation_m - floors.front()->slab->thickness_m, high_m = low_m;
    double left_m = 1e9, right_m = -1e9;
    for (const Floor* f : floors) {
        low_m = std::min(low_m, f->elevation_m - f->slab->thickness_m);
        high_m = std::max(high_m, f->elevation_m + f->height_m);
        if (const auto e = extent(*f)) {
            left_m = std::min(left_m, e->low.x);
            right_m = std::max(right_m, e->high.x);
        }
    }
    if (right_m - left_m < 1) {
        left_m = 0;
        right_m = 30;
    }
    out.top_level_m = high_m;
    const double px_per_m_up = std::min((into.height() - 4) / (high_m - low_m), 34.0),
                 px_per_m_across = into.width() / (right_m - left_m);
    out.stretch = px_per_m_up / px_per_m_across;
    // from the top: a low building does not sink to the foot of a tall window
    const auto y = [&](double level_m) { return into.top() + 4 + (high_m - level_m) * px_per_m_up; };
    const auto x = [&](double at_m) {
        return into.left() + (std::clamp(at_m, left_m, right_m) - left_m) * px_per_m_across;
    };
    for (const Floor* f : floors) {
        SectionStorey s;
        s.floor = f->id;
        const Floor* above = floor_above(project, f->id);
        const double ceiling_m = f->elevation_m + f->height_m - (above ? above->slab->thickness_m : 0);
        s.room = QRectF(QPointF(into.left(), y(ceiling_m)), QPointF(into.right(), y(f->elevation_m)));
        s.slab = QRectF(
            s.room.bottomLeft(),
            QPointF(into.right(), std::max(y(f->elevation_m - f->slab->thickness_m), s.room.bottom() + 2)));
        for (const SlabVoid& v : f->slab->voids)
            if (const auto b = bounds(v.outline)) s.voids_x.push_back({x(b->low.x), x(b->high.x)});
        for (const AccessPoint& ap : access_points(project, f->id))
            s.dots.push_back({ap.id, QPointF(x(ap.position.x), y(antenna_place(*f, ap).z))});
        spread(s);
        out.storeys.push_back(std::move(s));
    }
    out.roof = QRectF(QPointF(into.left(), y(high_m) - 4), QPointF(into.right(), y(high_m)));
    return out;
}

}  // namespace yemvo::app
