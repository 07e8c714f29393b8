// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/candidates/candidate_map.h"

#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>
#include <cmath>

#include "app/look/theme.h"
#include "coverage/lens_map.h"
#include "render/plan_marks.h"
#include "render/plan_solids.h"
#include "render/plan_walls.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

CandidateMap::CandidateMap(QWidget* parent) : QWidget(parent) {
    setObjectName("candidateMap");
    setMouseTracking(true);
    setMinimumSize(160, 140);
}

void CandidateMap::show_result(std::shared_ptr<const CandidateResult> result, const CandidateView* view) {
    result_ = std::move(result);
    first_.reset();
    view_ = view;
    update();
}

void CandidateMap::show_difference(std::shared_ptr<const CandidateResult> other,
                                   std::shared_ptr<const CandidateResult> first, const CandidateView* view) {
    result_ = std::move(other);
    first_ = std::move(first);
    view_ = view;
    change_.clear();
    if (result_ && first_)
        change_ = lens_change(result_->predicted, result_->values, first_->predicted, first_->values,
                              lens(view->choice.lens));
    update();
}

const AccessPoint* CandidateMap::access_point() const {
    if (!result_) return nullptr;
    const auto& list = access_points(result_->alone, result_->floor);
    return list.empty() ? nullptr : &list.front();
}

QPointF CandidateMap::place_px() const {
    const AccessPoint* ap = access_point();
    return ap ? view_->map.to_screen(ap->position) : QPointF();
}

void CandidateMap::mousePressEvent(QMouseEvent* e) {
    emit chosen();
    const AccessPoint* ap = access_point();
    dragging_ =
        ap && e->button() == Qt::LeftButton &&
        render::badge_area(view_->map.to_screen(ap->position)).adjusted(-4, -4, 4, 4).contains(e->position());
    if (!dragging_) panned_from_ = e->position();
}

void CandidateMap::mouseMoveEvent(QMouseEvent* e) {
    if (!view_) return;
    if (dragging_) return emit dragged(view_->map.to_floor(e->position()));
    if (panned_from_ && e->buttons() != Qt::NoButton) {
        emit panned(e->position() - *panned_from_);
        panned_from_ = e->position();
        return;
    }
    emit pointed(view_->map.to_floor(e->position()));
}

void CandidateMap::mouseReleaseEvent(QMouseEvent*) {
    dragging_ = false;
    panned_from_.reset();
}

void CandidateMap::wheelEvent(QWheelEvent* e) {
    emit zoomed(e->position(), std::clamp(std::pow(1.0015, e->angleDelta().y()), 0.5, 2.0));
}

void CandidateMap::resizeEvent(QResizeEvent*) { emit resized(); }

void CandidateMap::leaveEvent(QEvent*) { emit pointed(std::nullopt); }

QString CandidateMap::told_at(Point place) const {
    const auto cell = result_->predicted.surface.cell_at(place);
    const std::vector<float>& values = first_ ? change_ : result_->values;
    if (!cell || *cell >= values.size() || !std::isfinite(values[*cell])) return {};
    const QString unit = first_ ? "dB" : QString::fromUtf8(lens(view_->choice.lens).unit.data());
    return (first_ && values[*cell] > 0 ? "+" : "") + render::figure(double{values[*cell]}, 1) + " " + unit;
}

void CandidateMap::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHints(QPainter::Antialiasing | QPainter::TextAntialiasing);
    const auto& colours = theme();
    p.fillRect(rect(), colours.paper);
    const AccessPoint* ap = access_point();
    if (!view_ || !result_ || !ap) {
        p.setPen(colours.muted);
        p.drawText(rect(), Qt::AlignCenter, tr("…"));
        return;
    }
    const Floor* floor = find_floor(result_->alone, result_->floor);
    const render::PlanMap& map = view_->map;
    const QRectF area(rect());
    render::paint_ground(p, *floor, map, area, colours, false);
    render::MapChoice choice = view_->choice;
    if (first_) choice.against = render::Against::variant;
    p.drawImage(0, 0,
                render::paint_heat_map(result_->predicted, first_ ? change_ : result_->values, choice, map,
                                       size(), colours));
    render::paint_voids(p, *floor, map, colours);
    render::paint_obstacles(p, result_->alone, *floor, map, area, colours);
    render::paint_walls(p, result_->alone, *floor, map, area, colours, true);
    const QPointF centre = map.to_screen(ap->position);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(colours.ink, 0.8, Qt::DashLine));
    p.drawEllipse(centre, 10 * map.px_per_m, 10 * map.px_per_m);
    render::draw_halo_text(p, centre + QPointF(0, -10 * map.px_per_m - 8), "10 m", render::font(10.5),
                           colours.ink, colours.paper, 3);
    render::paint_badge(p, centre, result_->alone, *ap, render::BadgeState::plain, colours);
    if (!first_)
        render::paint_scale_bar(p, QPointF(10, height() - 14), map, result_->alone.settings.units, colours);
    if (!view_->pointed) return;
    const QString words = told_at(*view_->pointed);
    if (words.isEmpty()) return;
    const QPointF at = map.to_screen(*view_->pointed);
    p.setPen(QPen(colours.accent, 1.2));
    p.drawEllipse(at, 4, 4);
    const QFont font = render::font(11.5, 650);
    QRectF box(at.x() + 8, at.y() - 24, render::tag_width(words, font), render::tag_height);
    if (box.right() > width()) box.moveRight(at.x() - 8);
    if (box.top() < 0) box.moveTop(at.y() + 8);
    render::draw_tag(p, box, words, font, colours.accent, colours.on_accent);
}

}  // namespace yemvo::app
