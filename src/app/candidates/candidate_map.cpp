// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/candidates/candidate_map.h"

#include <QPainter>

#include "app/look/theme.h"
#include "coverage/lens_map.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

CandidateMap::CandidateMap(QWidget* parent) : MapInStep(parent) { setObjectName("candidateMap"); }

void CandidateMap::show_result(std::shared_ptr<const CandidateResult> result, const StepView* view) {
    result_ = std::move(result);
    first_.reset();
    view_ = view;
    update();
}

void CandidateMap::show_difference(std::shared_ptr<const CandidateResult> other,
                                   std::shared_ptr<const CandidateResult> first, const StepView* view) {
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

bool CandidateMap::grasps(QPointF at) {
    const AccessPoint* ap = access_point();
    return ap && render::badge_area(view_->map.to_screen(ap->position)).adjusted(-4, -4, 4, 4).contains(at);
}

void CandidateMap::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHints(QPainter::Antialiasing | QPainter::TextAntialiasing);
    const auto& colours = theme();
    p.fillRect(rect(), colours.paper);
    const AccessPoint* ap = access_point();
    if (!view_ || !result_ || !ap) return paint_waiting(p);
    const render::PlanMap& map = view_->map;
    const std::vector<float>& values = first_ ? change_ : result_->values;
    render::MapChoice choice = view_->choice;
    if (first_) choice.against = render::Against::variant;
    paint_floor(p, result_->alone, result_->predicted, values, choice);
    const QPointF centre = map.to_screen(ap->position);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(colours.ink, 0.8, Qt::DashLine));
    p.drawEllipse(centre, 10 * map.px_per_m, 10 * map.px_per_m);
    render::draw_halo_text(p, centre + QPointF(0, -10 * map.px_per_m - 8), "10 m", render::font(10.5),
                           colours.ink, colours.paper, 3);
    render::paint_badge(p, centre, result_->alone, *ap, render::BadgeState::plain, colours);
    if (!first_)
        render::paint_scale_bar(p, QPointF(10, height() - 14), map, result_->alone.settings.units, colours);
    if (view_->pointed)
        paint_pointed(p, value_words(result_->predicted, values, view_->choice.lens, first_ != nullptr,
                                     *view_->pointed));
}

}  // namespace yemvo::app
