// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/section/section_layout.h"

#include <algorithm>
#include <cmath>

namespace yemvo::app {
namespace {

constexpr double least_storey_px = 20, row_px = 22, head_px = 20, gap_px = 8, least_stack_px = 44;
constexpr double most_px_per_m = 34, roof_px = 4;
constexpr std::size_t most_stacks = 4;

/// Moves dots of nearly the same height apart along x, as little as needed, inside the walls.
void spread(SectionStorey& s) {
    constexpr double apart = 8.4, row = 8;
    std::stable_sort(s.dots.begin(), s.dots.end(),
                     [](auto& a, auto& b) { return a.second.x() < b.second.x(); });
    const double left = s.room.left() + 6, right = std::max(left, s.room.right() - 6);
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

/// A building's own extents.
struct Span {
    const Building* building;
    double left_m = 0, right_m = 30, low_m = 0, high_m = 3.5;
    double width_m() const { return right_m - left_m; }
};

/// How high the air over a yard is drawn: over its highest access point.
double air_m(const Project& project, const Floor& f) {
    double air = 2.5;
    for (const AccessPoint& ap : access_points(project, f.id)) air = std::max(air, ap.height_m + 0.6);
    return air;
}

/// Where a floor is cut: through its middle. Only a floor whose ground rises to the north asks.
double middle_y(const Floor& f) {
    if (f.slope.y == 0) return 0;
    const auto box = extent(f);
    return box ? box->centre().y : 0;
}

Span span_of(const Project& project, const Building& b) {
    Span s{&b};
    if (const auto box = extent(b); box && box->width() > 1) {
        s.left_m = box->low.x;
        s.right_m = box->high.x;
    }
    s.low_m = 1e9;
    s.high_m = -1e9;
    for (const Floor& f : b.floors) {
        const double plate_m = b.kind == BuildingKind::yard ? 0 : f.slab->thickness_m;
        const double middle = middle_y(f);
        for (double x : {s.left_m, s.right_m}) {
            const double ground_m = b.level_m + f.ground_m({x, middle});
            s.low_m = std::min(s.low_m, ground_m - plate_m);
            s.high_m = std::max(s.high_m,
                                ground_m + (b.kind == BuildingKind::yard ? air_m(project, f) : f.height_m));
        }
    }
    if (b.floors.empty()) s.low_m = b.level_m, s.high_m = b.level_m + 3;
    return s;
}

SectionStorey storey_of(const Building& b, const Floor& f) {
    SectionStorey s;
    s.floor = f.id;
    s.building = b.id;
    s.mezzanine = f.mezzanine;
    s.yard = b.kind == BuildingKind::yard;
    return s;
}

void add_dots(SectionStorey& s, const Project& project, const Building& b, const Floor& f, auto x, auto y) {
    for (const AccessPoint& ap : access_points(project, f.id))
        s.dots.push_back(
            {ap.id, QPointF(x(ap.position.x), y(b.level_m + f.ground_m(ap.position) + ap.height_m))});
    spread(s);
}

SectionLayout drawn(const Project& project, const std::vector<Span>& spans, const QRectF& into) {
    SectionLayout out;
    double low_m = 1e9, high_m = -1e9, width_m = 0;
    for (const Span& s : spans) {
        low_m = std::min(low_m, s.low_m);
        high_m = std::max(high_m, s.high_m);
        width_m += s.width_m();
    }
    const double gaps = gap_px * static_cast<double>(spans.size() - 1);
    out.px_per_m = std::min((into.height() - roof_px) / std::max(high_m - low_m, 0.1), most_px_per_m);
    out.height = (high_m - low_m) * out.px_per_m + roof_px;
    // narrow ones get a least width, the others share the rest
    double shared_px = into.width() - gaps, shared_m = width_m;
    for (const Span& s : spans)
        if (s.width_m() / width_m * (into.width() - gaps) < least_stack_px) {
            shared_px -= least_stack_px;
            shared_m -= s.width_m();
        }
    // from the top: a low building does not sink to the foot of a tall window
    const auto y = [&](double level_m) { return into.top() + roof_px + (high_m - level_m) * out.px_per_m; };
    double left = into.left(), widest_px_per_m = 0;
    for (const Span& span : spans) {
        const Building& b = *span.building;
        const bool narrow = span.width_m() / width_m * (into.width() - gaps) < least_stack_px;
        const double width = narrow ? least_stack_px : shared_px * span.width_m() / std::max(shared_m, 1e-9);
        const double across = width / span.width_m(), right = left + width;
        widest_px_per_m = std::max(widest_px_per_m, across);
        const auto x = [&](double at_m) {
            return left + (std::clamp(at_m, span.left_m, span.right_m) - span.left_m) * across;
        };
        SectionStack stack{
            b.id, QRectF(QPointF(left, y(span.high_m)), QPointF(right, y(span.low_m))), {}, span.high_m};
        if (b.kind == BuildingKind::building)
            stack.roof = QRectF(left, y(span.high_m) - roof_px, width, roof_px);
        for (const Floor& f : b.floors) {
            SectionStorey s = storey_of(b, f);
            const double base_m = b.level_m + f.elevation_m;
            const Floor* above = floor_above(project, f.id);
            const double ceiling_m =
                base_m + f.height_m - (above && !f.mezzanine ? above->slab->thickness_m : 0);
            double from = left, to = right;
            if (f.mezzanine)
                if (const auto box = f.plate.empty() ? extent(f) : bounds(f.plate)) {
                    from = x(box->low.x);
                    to = std::max(x(box->high.x), from + 10);
                }
            if (f.mezzanine && from == left && to == right) from = left + width / 2;
            const double middle = middle_y(f);
            s.ground_left = y(b.level_m + f.ground_m({span.left_m, middle}));
            s.ground_right = y(b.level_m + f.ground_m({span.right_m, middle}));
            if (s.yard) {
                const double foot = std::max(s.ground_left, s.ground_right);
                s.room = QRectF(
                    QPointF(from, std::min(s.ground_left, s.ground_right) - air_m(project, f) * out.px_per_m),
                    QPointF(to, foot));
                s.slab = QRectF(s.room.left(), foot, s.room.width(), 3);
            } else {
                s.room = QRectF(QPointF(from, y(ceiling_m)), QPointF(to, y(base_m)));
                s.slab = QRectF(s.room.bottomLeft(),
                                QPointF(to, std::max(y(base_m - f.slab->thickness_m), s.room.bottom() + 2)));
            }
            for (const SlabVoid& v : f.slab->voids)
                if (const auto box = bounds(v.outline)) s.voids_x.push_back({x(box->low.x), x(box->high.x)});
            add_dots(s, project, b, f, x, y);
            out.storeys.push_back(std::move(s));
        }
        left = right + gap_px;
        out.stacks.push_back(stack);
    }
    out.stretch = out.px_per_m / widest_px_per_m;
    return out;
}

SectionLayout listed(const Project& project, const std::vector<Span>& spans, const QRectF& into) {
    SectionLayout out;
    out.rows = true;
    double top = into.top();
    for (const Span& span : spans) {
        const Building& b = *span.building;
        if (spans.size() > 1) top += head_px;
        const double foot = top + row_px * static_cast<double>(b.floors.size());
        const auto x = [&](double at_m) {
            return into.left() + (std::clamp(at_m, span.left_m, span.right_m) - span.left_m) /
                                     span.width_m() * into.width();
        };
        double bottom = foot;
        for (const Floor& f : b.floors) {
            SectionStorey s = storey_of(b, f);
            s.room = QRectF(into.left(), bottom - row_px, into.width(), row_px - 2);
            s.slab = QRectF(into.left(), bottom - 2, into.width(), 2);
            s.ground_left = s.ground_right = s.room.bottom();
            for (const AccessPoint& ap : access_points(project, f.id))
                s.dots.push_back({ap.id, QPointF(x(ap.position.x), s.room.top() + 5)});
            spread(s);
            out.storeys.push_back(std::move(s));
            bottom -= row_px;
        }
        out.stacks.push_back(
            {b.id, QRectF(QPointF(into.left(), top), QPointF(into.right(), foot)), {}, span.high_m});
        top = foot + gap_px;
    }
    out.height = top - gap_px - into.top();
    return out;
}

}  // namespace

const SectionStorey* SectionLayout::find(FloorId id) const {
    const auto found =
        std::find_if(storeys.begin(), storeys.end(), [&](const SectionStorey& s) { return s.floor == id; });
    return found == storeys.end() ? nullptr : &*found;
}

SectionLayout lay_out_section(const Project& project, const QRectF& into) {
    std::vector<Span> spans;
    for (const Building& b : project.buildings)
        if (!b.floors.empty()) spans.push_back(span_of(project, b));
    if (spans.empty()) return {};
    // as they stand on the site, from west to east
    std::stable_sort(spans.begin(), spans.end(), [](const Span& a, const Span& b) {
        const auto middle = [](const Span& s) {
            return s.building->placement.apply({(s.left_m + s.right_m) / 2, 0}).x;
        };
        return middle(a) < middle(b);
    });
    if (spans.size() > most_stacks) return listed(project, spans, into);
    SectionLayout out = drawn(project, spans, into);
    const bool too_low = std::any_of(out.storeys.begin(), out.storeys.end(), [](const SectionStorey& s) {
        return !s.mezzanine && !s.yard && s.room.height() < least_storey_px;
    });
    return too_low ? listed(project, spans, into) : out;
}

}  // namespace yemvo::app
