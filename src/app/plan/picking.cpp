// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/picking.h"

#include <algorithm>

#include "app/kinds/kind_face.h"
#include "project/items.h"
#include "project/project.h"
#include "venue/wall_shaping.h"

namespace yemvo::app {

namespace {

constexpr double reach_px = 6;

Item opening_item(const Wall& wall, const Opening& o) {
    return {Item::Kind::opening, o.id.value, wall.id.value};
}

bool near_outline(const std::vector<Point>& outline, Point at, double reach_m) {
    for (std::size_t i = 0; i < outline.size(); ++i)
        if (distance(Segment{outline[i], outline[(i + 1) % outline.size()]}, at) <= reach_m) return true;
    return false;
}

/// Whether the segment runs into the box.
bool touches(const Box& box, const Segment& s) {
    if (box.contains(s.a) || box.contains(s.b)) return true;
    const Point c[] = {box.low, {box.high.x, box.low.y}, box.high, {box.low.x, box.high.y}};
    for (int i = 0; i < 4; ++i)
        if (crossing(s, {c[i], c[(i + 1) % 4]})) return true;
    return false;
}

bool within(const Box& box, const std::vector<Point>& points, bool closed, bool enclosed) {
    if (points.size() == 1) return box.contains(points[0]);
    if (enclosed) return std::all_of(points.begin(), points.end(), [&](Point p) { return box.contains(p); });
    const std::size_t pieces = closed ? points.size() : points.size() - 1;
    for (std::size_t i = 0; i < pieces; ++i)
        if (touches(box, {points[i], points[(i + 1) % points.size()]})) return true;
    return false;
}

bool is_in(const std::vector<ItemKind>& kinds, ItemKind kind) {
    return std::find(kinds.begin(), kinds.end(), kind) != kinds.end();
}

/// Collects what may be picked.
class Picker {
public:
    Picker(const Project& project, const Floor& floor, Point at, double reach_m)
        : project_(project), floor_(floor), at_(at), reach_m_(reach_m) {}

    void openings() {
        if (!can_pick(project_, ItemKind::opening)) return;
        for (const Wall& w : *floor_.walls)
            for (const Opening& o : w.openings)
                if (distance(span(w, o), at_) <= std::max(reach_m_, 0.12))
                    found.push_back(opening_item(w, o));
    }
    void walls() {
        if (!can_pick(project_, ItemKind::wall)) return;
        for (const Wall& w : *floor_.walls) {
            const auto box = bounds(w.points);
            const double half_m = wall_type(project_, w.type).thickness_m / 2;
            const double near_m = std::max(reach_m_ * 0.8, half_m);
            // an arc may reach beyond its corners' box
            if (w.bulges.empty() && box && !box->grown(near_m).contains(at_)) continue;
            if (nearest_place(w, at_).distance_m <= near_m) found.push_back({Item::Kind::wall, w.id.value});
        }
    }
    void marks(const render::PlanMap& map, QPointF at) {
        each(PickBy::mark, [&](const KindFace& face, const Item& item) {
            const auto place = corners(project_, floor_, item);
            if (!place.empty() && face.mark_area(map.to_screen(place.front())).contains(at)) add(item);
        });
    }
    void runs() {
        each(PickBy::run, [&](const KindFace&, const Item& item) {
            const auto points = corners(project_, floor_, item);
            for (std::size_t i = 1; i < points.size(); ++i)
                if (distance(Segment{points[i - 1], points[i]}, at_) <= reach_m_) add(item);
        });
    }
    void outlines(PickBy by) {
        each(by, [&](const KindFace&, const Item& item) {
            if (near_outline(shape_of(project_, floor_, item), at_, reach_m_)) add(item);
        });
    }
    void areas(PickBy by) {
        each(by, [&](const KindFace&, const Item& item) {
            if (contains(shape_of(project_, floor_, item), at_)) add(item);
        });
    }
    std::vector<Item> found;

private:
    /// Kind by kind, what lies on top first.
    template <class Use>
    void each(PickBy by, Use use) {
        if (items_.empty()) items_ = all_items(project_, floor_);
        for (const KindFace& face : kind_faces()) {
            if (face.pick != by || !can_pick(project_, face.kind)) continue;
            for (auto item = items_.rbegin(); item != items_.rend(); ++item)
                if (item->kind == face.kind) use(face, *item);
        }
    }
    void add(const Item& item) {
        if (std::find(found.begin(), found.end(), item) == found.end()) found.push_back(item);
    }
    const Project& project_;
    const Floor& floor_;
    Point at_;
    double reach_m_;
    std::vector<Item> items_;
};

}  // namespace

bool can_pick(const Project& project, ItemKind kind) {
    return !is_in(project.display.hidden, kind) && !is_in(project.display.locked, kind);
}

bool is_shown(const Project& project, ItemKind kind) { return !is_in(project.display.hidden, kind); }

bool is_area(const Item& item) {
    const PickBy by = kind_face(item.kind).pick;
    return by == PickBy::area || by == PickBy::hole;
}

std::vector<Item> items_at(const Project& project, const Floor& floor, const render::PlanMap& map,
                           QPointF at) {
    Picker pick(project, floor, map.to_floor(at), reach_px / map.px_per_m);
    pick.marks(map, at);
    pick.runs();
    pick.openings();
    pick.walls();
    pick.outlines(PickBy::solid);
    pick.outlines(PickBy::area);
    pick.areas(PickBy::solid);
    pick.outlines(PickBy::hole);
    pick.areas(PickBy::hole);
    pick.areas(PickBy::area);
    return pick.found;
}

std::vector<Item> items_in(const Project& project, const Floor& floor, const Box& box, bool enclosed) {
    std::vector<Item> found;
    for (const Item& item : all_items(project, floor))
        if (can_pick(project, item.kind) &&
            within(box, shape_of(project, floor, item), is_outline(item), enclosed))
            found.push_back(item);
    return found;
}

QString item_name(const Project& project, const Floor& floor, const Item& item) {
    return kind_face(item.kind).name(project, floor, item);
}

std::optional<WallPlace> wall_at(const Floor& floor, Point at, double reach_m) {
    std::optional<WallPlace> best;
    for (const Wall& w : *floor.walls) {
        const auto box = bounds(w.points);
        if (w.bulges.empty() && box && !box->grown(reach_m).contains(at)) continue;
        const PlaceOnWall place = nearest_place(w, at);
        if (place.distance_m > reach_m) continue;
        reach_m = place.distance_m;
        best = WallPlace{w.id, place.piece, place.along_m};
    }
    return best;
}

}  // namespace yemvo::app
