// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/select_tool.h"

#include <algorithm>
#include <cmath>

#include "app/kinds/kind_face.h"
#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/plan/aim.h"
#include "app/plan/picking.h"
#include "project/edits.h"
#include "project/items.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

Point to_step(Point by, double step_m) {
    return {std::round(by.x / step_m) * step_m, std::round(by.y / step_m) * step_m};
}

}  // namespace

std::vector<HintPart> SelectTool::hint() const {
    return {{"", tr("click or drag; the map follows a dragged access point")},
            {tr("Shift"), tr("add, or along one axis")},
            {tr("Tab"), tr("what lies below")},
            {tr("Alt"), tr("no snapping")},
            {tr("Del"), tr("delete")},
            {tr("Space"), tr("drag the plan")}};
}

std::optional<SelectTool::Node> SelectTool::node_at(QPointF at) const {
    if (workspace_.selection().items().size() != 1) return std::nullopt;
    if (kind_face(workspace_.selection().items().front().kind).pick == PickBy::mark)
        return std::nullopt;  // moved as a whole
    const Item& item = workspace_.selection().items().front();
    const auto points = corners(workspace_.project(), *floor(), item);
    for (std::size_t i = 0; i < points.size(); ++i)
        if (QLineF(map().to_screen(points[i]), at).length() <= 7) return Node{item, i};
    return std::nullopt;
}

void SelectTool::press(const PointerEvent& e) {
    if (!floor() || e.button != Qt::LeftButton) return;
    pressed_ = pointer_ = e.screen;
    pressed_floor_ = e.floor;
    adding_ = e.keys & Qt::ShiftModifier;
    before_ = workspace_.project();
    merge_key_ = workspace_.document().new_merge_key();
    if (const AccessPoint* ap = aimed_one()) {
        const auto handle = aim_handle(map(), workspace_.project(), *ap);
        if (handle && QLineF(*handle, e.screen).length() <= 9) {
            doing_ = Doing::aim;
            return;
        }
    }
    node_ = node_at(e.screen);
    if (node_) {
        doing_ = Doing::node;
        return;
    }
    under_ = items_at(workspace_.project(), *floor(), map(), e.screen);
    const bool on_selected = std::any_of(under_.begin(), under_.end(),
                                         [&](const Item& i) { return workspace_.selection().has(i); });
    // a zone is a large thing: pressed inside, it is chosen on release, so that a band can start there
    const bool area = !under_.empty() && is_area(under_.front());
    if (under_.empty() || (area && !on_selected)) {
        doing_ = Doing::band;
        return;
    }
    doing_ = Doing::waiting;
    if (on_selected) return;
    auto chosen = adding_ ? workspace_.selection().items() : std::vector<Item>{};
    chosen.push_back(under_.front());
    workspace_.selection().select(chosen);
    under_.clear();
}

void SelectTool::move(const PointerEvent& e) {
    pointer_ = e.screen;
    if (!floor() || doing_ == Doing::nothing) return;
    if (doing_ == Doing::waiting && QLineF(pressed_, e.screen).length() > 3) doing_ = Doing::items;
    if (doing_ == Doing::aim) drag_aim(e);
    if (doing_ == Doing::node) drag_node(e);
    if (doing_ == Doing::items) drag_items(e);
    surface_.repaint_tool();
}

const AccessPoint* SelectTool::aimed_one() const {
    const auto& items = workspace_.selection().items();
    if (items.size() != 1 || items.front().kind != ItemKind::access_point || !floor()) return nullptr;
    return find_access_point(workspace_.project(), workspace_.floor_id(), AccessPointId{items.front().id});
}

void SelectTool::drag_aim(const PointerEvent& e) {
    const AccessPoint* now = aimed_one();
    if (!now) return;
    AccessPoint turned = *now;
    turned.azimuth_deg = azimuth_towards(turned.position, e.floor, e.keys & Qt::ShiftModifier);
    if (turned.azimuth_deg == now->azimuth_deg) return;
    const FloorId at = workspace_.floor_id();
    workspace_.edit(
        tr("Aim access point %1").arg(turned.number),
        [&](Project& p) {
            p = before_;
            replace_access_point(p, at, turned);
        },
        merge_key_);
}

void SelectTool::drag_node(const PointerEvent& e) {
    const Node node = *node_;
    SnapOptions o = snap_options(e);
    if (node.item.kind == Item::Kind::wall) o.without = WallId{node.item.id};
    auto points = corners(before_, *find_floor(before_, workspace_.floor_id()), node.item);
    if (node.index >= points.size()) return;
    const bool closed_run =
        node.item.kind == Item::Kind::wall && points.size() > 2 && points.front() == points.back();
    if (node.index > 0) o.from = points[node.index - 1];
    const Point to = snapped_to(e.floor, o).point;
    points[node.index] = to;
    if (closed_run && node.index == 0) points.back() = to;
    if (closed_run && node.index + 1 == points.size()) points.front() = to;
    const FloorId at = workspace_.floor_id();
    workspace_.edit(
        tr("Shape %1").arg(item_name(before_, *find_floor(before_, at), node.item)),
        [&](Project& p) {
            p = before_;
            set_corners(p, at, node.item, points);
        },
        merge_key_);
}

void SelectTool::drag_items(const PointerEvent& e) {
    Point by = e.floor - pressed_floor_;
    if (e.keys & Qt::ShiftModifier) std::abs(by.x) > std::abs(by.y) ? by.y = 0 : by.x = 0;
    if (!(e.keys & Qt::AltModifier)) by = to_step(by, std::min(grid_step_m(map().px_per_m), 0.1));
    const FloorId at = workspace_.floor_id();
    const auto items = workspace_.selection().items();
    if (items.empty()) return;
    const QString what = items.size() == 1 ? item_name(before_, *find_floor(before_, at), items.front())
                                           : counted("%n thing", "%n things", items.size());
    workspace_.edit(
        tr("Move %1").arg(what),
        [&](Project& p) {
            p = before_;
            move_items(p, at, items, shifted(by));
        },
        merge_key_);
}

void SelectTool::release(const PointerEvent& e) {
    const Doing did = doing_;
    doing_ = Doing::nothing;
    before_ = Project();
    if (!floor()) return;
    if (did == Doing::waiting && !under_.empty()) {
        // clicked on something selected: the next below it, or out of the selection
        auto chosen = workspace_.selection().items();
        if (adding_)
            std::erase_if(chosen, [&](const Item& i) { return i == under_.front(); });
        else
            chosen = {under_.front()};
        workspace_.selection().select(chosen);
    }
    if (did != Doing::band) return surface_.repaint_tool();
    auto chosen = adding_ ? workspace_.selection().items() : std::vector<Item>{};
    if (QLineF(pressed_, e.screen).length() <= 3) {
        if (!under_.empty()) chosen.push_back(under_.front());
    } else {
        const Point a = pressed_floor_, b = e.floor;
        const Box box{{std::min(a.x, b.x), std::min(a.y, b.y)}, {std::max(a.x, b.x), std::max(a.y, b.y)}};
        for (const Item& item : items_in(workspace_.project(), *floor(), box, b.x >= a.x))
            if (std::find(chosen.begin(), chosen.end(), item) == chosen.end()) chosen.push_back(item);
    }
    workspace_.selection().select(chosen);
    surface_.repaint_tool();
}

void SelectTool::nudge(Point by) {
    const FloorId at = workspace_.floor_id();
    const auto items = workspace_.selection().items();
    workspace_.edit(items.size() == 1
                        ? tr("Move %1").arg(item_name(workspace_.project(), *floor(), items.front()))
                        : tr("Move"),
                    [&](Project& p) { move_items(p, at, items, shifted(by)); });
}

/// The next of what lies under the pointer, as a click on the same place again would.
bool SelectTool::cycle() {
    if (!floor()) return false;
    const auto under = items_at(workspace_.project(), *floor(), map(), pointer_);
    if (under.size() < 2) return false;
    std::size_t at = under.size() - 1;
    for (std::size_t i = 0; i < under.size(); ++i)
        if (workspace_.selection().has(under[i])) at = i;
    const Item next = under[(at + 1) % under.size()];
    workspace_.selection().select_alone({next});
    workspace_.tell(tr("%1 of %2 here: ").arg((at + 1) % under.size() + 1).arg(under.size()) +
                    item_name(workspace_.project(), *floor(), next));
    return true;
}

bool SelectTool::key(QKeyEvent& e) {
    if (e.key() == Qt::Key_Tab) return cycle();
    if (!floor() || workspace_.selection().items().empty()) return false;
    if (e.key() == Qt::Key_F && workspace_.selection().items().size() == 1) return flip();
    const double step_m = e.modifiers() & Qt::ShiftModifier ? 1.0 : 0.1;
    switch (e.key()) {
        case Qt::Key_Left:
            nudge({-step_m, 0});
            return true;
        case Qt::Key_Right:
            nudge({step_m, 0});
            return true;
        case Qt::Key_Up:
            nudge({0, step_m});
            return true;
        case Qt::Key_Down:
            nudge({0, -step_m});
            return true;
        default:
            return false;
    }
}

/// A door turns to its other hinge, then to its other side.
bool SelectTool::flip() {
    const Item item = workspace_.selection().items().front();
    if (item.kind != ItemKind::opening) return false;
    const FloorId at = workspace_.floor_id();
    Opening o = *find_opening(*find_wall(*floor(), WallId{item.wall}), OpeningId{item.id});
    if (o.hinge_at_end) o.swings_left = !o.swings_left;
    o.hinge_at_end = !o.hinge_at_end;
    workspace_.edit(tr("Flip door"), [&](Project& p) { replace_opening(p, at, WallId{item.wall}, o); });
    return true;
}

bool SelectTool::back() {
    if (workspace_.selection().items().empty()) return false;
    workspace_.selection().select({});
    return true;
}

void SelectTool::paint(QPainter& p) {
    if (!floor()) return;
    const auto& colours = theme();
    for (const Item& item : workspace_.selection().items()) {
        if (kind_face(item.kind).pick == PickBy::mark) continue;  // the mark shows it
        QPolygonF line;
        const bool closed = is_outline(item);
        for (Point q : shape_of(workspace_.project(), *floor(), item)) line << map().to_screen(q);
        p.setBrush(closed ? QBrush(render::with_alpha(colours.accent, 0.07)) : Qt::NoBrush);
        // what stands along a run stays to be seen
        const bool run = kind_face(item.kind).pick == PickBy::run;
        for (const QPen& pen : {QPen(colours.tile, run ? 0.5 : 4.5), QPen(colours.accent, run ? 1 : 2)}) {
            p.setPen(pen);
            closed ? p.drawPolygon(line) : p.drawPolyline(line);
        }
        if (workspace_.selection().items().size() > 1) continue;
        p.setPen(QPen(colours.accent, 1.6));
        p.setBrush(colours.tile);
        for (Point c : corners(workspace_.project(), *floor(), item)) {
            const QPointF q = map().to_screen(c);
            p.drawRect(QRectF(q.x() - 3.5, q.y() - 3.5, 7, 7));
        }
    }
    if (const AccessPoint* ap = aimed_one())
        paint_aim(p, map(), workspace_.project(), *ap, workspace_.shown().map().bands);
    if (doing_ == Doing::band && QLineF(pressed_, pointer_).length() > 3) {
        QPen pen(colours.accent, 1);
        if (pointer_.x() < pressed_.x()) pen.setDashPattern({4, 3});  // touching, not enclosing
        p.setPen(pen);
        p.setBrush(render::with_alpha(colours.accent, 0.06));
        p.drawRect(QRectF(pressed_, pointer_).normalized());
    }
}

}  // namespace yemvo::app
