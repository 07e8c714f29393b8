// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/site/site_view.h"

#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>
#include <numbers>

#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "geometry/point.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/plan_walls.h"
#include "render/text_style.h"
#include "render/tr.h"
#include "venue/floor.h"

namespace yemvo::app {
namespace {

constexpr double handle_away_px = 26, handle_px = 6;

Box own_lot(const Building& b) { return extent(b).value_or(Box{{0, 0}, {20, 12}}); }

/// The floor that is seen from above for its outline: the lowest at or above the ground, else the lowest.
const Floor* outline_floor(const Building& b) {
    for (const Floor& f : b.floors)
        if (f.elevation_m > -0.5 && !f.walls->empty()) return &f;
    return b.floors.empty() ? nullptr : &b.floors.front();
}

}  // namespace

std::vector<Point> lot(const Building& b) {
    const auto [low, high] = own_lot(b);
    std::vector<Point> corners;
    for (Point p : {low, Point{high.x, low.y}, high, Point{low.x, high.y}})
        corners.push_back(b.placement.apply(p));
    return corners;
}

SiteView::SiteView(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    setObjectName("site");
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    setMinimumSize(300, 200);
    listen(
        this,
        [this] {
            if (fitted_ && !drag_) fit();
            update();
        },
        workspace, &Workspace::project_changed, workspace.in_view(), &InView::site_changed);
}

void SiteView::fit() {
    std::vector<Point> all;
    if (workspace_.document().is_open())
        for (const Building& b : workspace_.project().buildings)
            for (Point p : lot(b)) all.push_back(p);
    fitted_ = true;
    const Box box = bounds(all).value_or(Box{{0, 0}, {40, 30}});
    map_ = render::PlanMap::fit(box.grown(1), QRectF(rect()).adjusted(48, 48, -48, -56));
    update();
}

QPointF SiteView::turn_handle() const {
    const Building* b = workspace_.in_view().building();
    if (!b) return {};
    const Box box = own_lot(*b);
    const Point top{box.centre().x, box.high.y};
    const Point up = Similarity{1, b->placement.turn_deg, {}}.apply({0, 1});
    return map_.to_screen(b->placement.apply(top)) + QPointF(up.x, -up.y) * handle_away_px;
}

std::optional<BuildingId> SiteView::building_at(Point at) const {
    std::optional<BuildingId> found;
    double least = INFINITY;  // the smaller one lies over the larger
    for (const Building& b : workspace_.project().buildings) {
        const auto corners = lot(b);
        if (!contains(corners, at)) continue;
        const double area = area_m2(corners) * (b.kind == BuildingKind::yard ? 1000 : 1);
        if (area < least) {
            least = area;
            found = b.id;
        }
    }
    return found;
}

void SiteView::paint_building(QPainter& p, const Building& b) {
    const auto& c = theme();
    const bool chosen = workspace_.in_view().building() && workspace_.in_view().building()->id == b.id;
    QPolygonF outline;
    for (Point q : lot(b)) outline << map_.to_screen(q);
    const bool yard = b.kind == BuildingKind::yard;
    p.setPen(QPen(chosen ? c.accent : c.line, chosen ? 1.6 : 1, yard ? Qt::DashLine : Qt::SolidLine));
    p.setBrush(yard ? render::with_alpha(c.board, 0.12) : QBrush(c.floor));
    p.drawPolygon(outline);
    if (const Floor* f = outline_floor(b)) {
        for (const Zone& z : *f->zones) {
            if (!yard) break;
            QPolygonF shape;
            for (Point q : z.outline) shape << map_.to_screen(b.placement.apply(q));
            p.setPen(QPen(render::with_alpha(c.ink, 0.35), 1, Qt::DashLine));
            p.setBrush(Qt::NoBrush);
            p.drawPolygon(shape);
        }
        Floor placed = *f;  // as its walls stand on the site
        for (Wall& w : placed.walls.edit())
            for (Point& q : w.points) q = b.placement.apply(q);
        render::paint_walls(p, workspace_.project(), placed, map_, QRectF(rect()), c, false);
        for (const AccessPoint& ap : access_points(workspace_.project(), f->id)) {
            p.setPen(QPen(c.ink, 1));
            p.setBrush(c.tile);
            p.drawEllipse(map_.to_screen(b.placement.apply(ap.position)), 3, 3);
        }
    }
    const Point middle = b.placement.apply(own_lot(b).centre());
    render::draw_halo_text(p, map_.to_screen(middle), QString::fromStdString(b.name),
                           render::font(13, chosen ? 650 : 600), chosen ? c.accent : c.ink, c.casing, 4);
    QString words = QString("%1 %2").arg(b.floors.size()).arg(b.floors.size() == 1 ? "floor" : "floors");
    if (b.level_m != 0)
        words += tr(", ±0.00 at %1").arg(render::local(format_length(b.level_m, workspace_.units())));
    render::draw_halo_text(p, map_.to_screen(middle) + QPointF(0, 16), words, render::font(11), c.muted,
                           c.casing, 3);
    if (!chosen) return;
    const QPointF handle = turn_handle();
    const Box box = own_lot(b);
    p.setPen(QPen(c.accent, 1.2));
    p.drawLine(map_.to_screen(b.placement.apply({box.centre().x, box.high.y})), handle);
    p.setBrush(c.tile);
    p.setPen(QPen(c.accent, 1.6));
    p.drawEllipse(handle, handle_px, handle_px);
    if (drag_ && drag_->what == Drag::What::turn)
        render::draw_halo_text(p, handle + QPointF(14, 0), render::figure(b.placement.turn_deg, 1) + "°",
                               render::font(11.5, 600), c.accent, c.casing, 4, Qt::AlignLeft);
    if (drag_ && drag_->what == Drag::What::move) {
        const Point by = b.placement.shift - drag_->before.placement.shift;
        const auto one = [&](double v) { return render::local(format_length(v, workspace_.units())); };
        render::draw_halo_text(p, map_.to_screen(middle) + QPointF(0, 34),
                               tr("%1 east, %2 north").arg(one(by.x), one(by.y)), render::font(11.5, 600),
                               c.accent, c.casing, 4);
    }
}

void SiteView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme().paper);
    if (!workspace_.document().is_open()) return;
    p.setRenderHint(QPainter::Antialiasing, false);
    const Floor empty;
    render::paint_ground(p, empty, map_, QRectF(rect()), theme(), map_.px_per_m > 20);
    p.setRenderHint(QPainter::Antialiasing);
    for (const auto kind : {BuildingKind::yard, BuildingKind::building})
        for (const Building& b : workspace_.project().buildings)
            if (b.kind == kind) paint_building(p, b);
    render::paint_scale_bar(p, QPointF(24, height() - 18), map_, workspace_.units(), theme());
    render::paint_north(p, QPointF(190, height() - 24), theme());
}

void SiteView::resizeEvent(QResizeEvent*) {
    if (fitted_) fit();
}

void SiteView::mousePressEvent(QMouseEvent* e) {
    setFocus();
    const Point at = map_.to_floor(e->position());
    if (e->button() == Qt::MiddleButton) {
        drag_ = Drag{Drag::What::pan, at, e->position(), {}, 0};
        return;
    }
    if (e->button() != Qt::LeftButton) return;
    const int key = workspace_.document().new_merge_key();
    const Building* chosen = workspace_.in_view().building();
    if (chosen && QLineF(turn_handle(), e->position()).length() < handle_px + 5) {
        drag_ = Drag{Drag::What::turn, at, e->position(), *chosen, key};
        return;
    }
    if (const auto id = building_at(at)) {
        workspace_.in_view().choose_building(*id);
        drag_ = Drag{Drag::What::move, at, e->position(), *find_building(workspace_.project(), *id), key};
    } else {
        drag_ = Drag{Drag::What::pan, at, e->position(), {}, 0};
    }
}

void SiteView::mouseMoveEvent(QMouseEvent* e) {
    const Point at = map_.to_floor(e->position());
    emit pointer_moved(at, true);
    if (!drag_) {
        const Building* chosen = workspace_.in_view().building();
        const bool on_handle = chosen && QLineF(turn_handle(), e->position()).length() < handle_px + 5;
        return setCursor(on_handle ? Qt::CrossCursor : building_at(at) ? Qt::SizeAllCursor : Qt::ArrowCursor);
    }
    if (drag_->what == Drag::What::pan) {
        fitted_ = false;
        map_.origin += e->position() - drag_->from_px;
        drag_->from_px = e->position();
        return update();
    }
    Building b = drag_->before;
    if (drag_->what == Drag::What::move) {
        constexpr double step_m = 0.05;
        const Point to = b.placement.shift + (at - drag_->from);
        b.placement.shift = {std::round(to.x / step_m) * step_m, std::round(to.y / step_m) * step_m};
        if (QLineF(e->position(), drag_->from_px).length() < 3 && b.placement == drag_->before.placement)
            return;
    } else {
        const Point centre = b.placement.apply(own_lot(b).centre());
        const Point now = at - centre;
        double turn = std::atan2(now.y, now.x) * 180 / std::numbers::pi - 90;
        const double step = e->modifiers() & Qt::ShiftModifier ? 15
                            : e->modifiers() & Qt::AltModifier ? 0.1
                                                               : 1;
        turn = wrapped_deg(std::round(turn / step) * step);
        b.placement = compose(about(centre, turn - b.placement.turn_deg, 1), b.placement);
        b.placement.turn_deg = turn;
    }
    workspace_.edit(
        drag_->what == Drag::What::move ? tr("Move building") : tr("Turn building"),
        [&](Project& p) { set_building(p, b); }, drag_->key);
}

void SiteView::mouseReleaseEvent(QMouseEvent*) {
    drag_.reset();
    update();
}

void SiteView::mouseDoubleClickEvent(QMouseEvent* e) {
    const auto id = building_at(map_.to_floor(e->position()));
    if (!id) return fit();
    if (const Floor* f = outline_floor(*find_building(workspace_.project(), *id))) emit open_asked(f->id);
}

void SiteView::wheelEvent(QWheelEvent* e) {
    const double turns = e->angleDelta().y() / 120.0;
    if (turns == 0) return;
    const Point at = map_.to_floor(e->position());
    fitted_ = false;
    map_.px_per_m = std::clamp(map_.px_per_m * std::pow(1.2, turns), 0.02, 500.0);
    map_.origin = e->position() - QPointF(at.x * map_.px_per_m, -at.y * map_.px_per_m);
    update();
}

void SiteView::leaveEvent(QEvent*) { emit pointer_moved({}, false); }

}  // namespace yemvo::app
