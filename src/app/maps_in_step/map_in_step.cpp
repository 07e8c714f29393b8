// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/maps_in_step/map_in_step.h"

#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>
#include <cmath>

#include "app/look/theme.h"
#include "coverage/lens_map.h"
#include "render/plan_solids.h"
#include "render/plan_walls.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

void StepView::zoom_at(QPointF at, double by) {
    map.origin = at - (at - map.origin) * by;
    map.px_per_m *= by;
}

void StepView::fit(const Box& box, QSizeF room) {
    constexpr double margin_px = 12;
    const double width = std::max(1.0, box.width()), height = std::max(1.0, box.height());
    map.px_per_m = std::max(
        0.5, std::min((room.width() - 2 * margin_px) / width, (room.height() - 2 * margin_px) / height));
    const Point middle = box.low + Point{box.width() / 2, box.height() / 2};
    map.origin = QPointF(room.width() / 2, room.height() / 2) - QPointF(middle.x, -middle.y) * map.px_per_m;
}

MapInStep::MapInStep(QWidget* parent) : QWidget(parent) {
    setMouseTracking(true);
    setMinimumSize(160, 140);
}

void MapInStep::lead(StepView& view, std::function<void()> moved, std::function<void()> told) {
    connect(this, &MapInStep::panned, this, [&view, moved](QPointF by) {
        view.map.origin += by;
        moved();
    });
    connect(this, &MapInStep::zoomed, this, [&view, moved](QPointF at, double by) {
        view.zoom_at(at, by);
        moved();
    });
    connect(this, &MapInStep::pointed, this, [&view, told](std::optional<Point> place) {
        view.pointed = place;
        told();
    });
}

void MapInStep::mousePressEvent(QMouseEvent* e) {
    emit chosen();
    dragging_ = view_ && e->button() == Qt::LeftButton && grasps(e->position());
    if (!dragging_) panned_from_ = e->position();
}

void MapInStep::mouseMoveEvent(QMouseEvent* e) {
    if (!view_) return;
    if (dragging_) return drag(e->position());
    if (panned_from_ && e->buttons() != Qt::NoButton) {
        emit panned(e->position() - *panned_from_);
        panned_from_ = e->position();
        return;
    }
    emit pointed(view_->map.to_floor(e->position()));
}

void MapInStep::mouseReleaseEvent(QMouseEvent*) {
    dragging_ = false;
    panned_from_.reset();
}

void MapInStep::wheelEvent(QWheelEvent* e) {
    emit zoomed(e->position(), std::clamp(std::pow(1.0015, e->angleDelta().y()), 0.5, 2.0));
}

void MapInStep::resizeEvent(QResizeEvent*) { emit resized(); }

void MapInStep::leaveEvent(QEvent*) { emit pointed(std::nullopt); }

void MapInStep::paint_floor(QPainter& p, const Project& project, const FloorPrediction& predicted,
                            const std::vector<float>& values, const render::MapChoice& choice) const {
    const Floor& floor = *find_floor(project, predicted.floor);
    const auto& colours = theme();
    const QRectF area(rect());
    render::paint_ground(p, floor, view_->map, area, colours, false);
    p.drawImage(0, 0, render::paint_heat_map(predicted, values, choice, view_->map, size(), colours));
    render::paint_voids(p, floor, view_->map, colours);
    render::paint_obstacles(p, project, floor, view_->map, area, colours);
    render::paint_walls(p, project, floor, view_->map, area, colours, true);
}

void MapInStep::paint_waiting(QPainter& p) const {
    p.setPen(theme().muted);
    p.drawText(rect(), Qt::AlignCenter, tr("…"));
}

void MapInStep::paint_pointed(QPainter& p, const QString& words) const {
    if (!view_->pointed || words.isEmpty()) return;
    const auto& colours = theme();
    const QPointF at = view_->map.to_screen(*view_->pointed);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(colours.accent, 1.2));
    p.drawEllipse(at, 4, 4);
    const QFont font = render::font(11.5, 650);
    QRectF box(at.x() + 8, at.y() - 24, render::tag_width(words, font), render::tag_height);
    if (box.right() > width()) box.moveRight(at.x() - 8);
    if (box.top() < 0) box.moveTop(at.y() + 8);
    render::draw_tag(p, box, words, font, colours.accent, colours.on_accent);
}

QString value_words(const FloorPrediction& predicted, const std::vector<float>& values, LensId id,
                    bool difference, Point place) {
    const auto cell = predicted.surface.cell_at(place);
    if (!cell || *cell >= values.size() || !std::isfinite(values[*cell])) return {};
    const QString own = QString::fromUtf8(lens(id).unit.data());
    const QString unit = difference && own == "dBm" ? QStringLiteral("dB") : own;
    return (difference && values[*cell] > 0 ? "+" : "") + render::figure(double{values[*cell]}, 1) + " " +
           unit;
}

}  // namespace yemvo::app
