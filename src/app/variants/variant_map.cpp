// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/variants/variant_map.h"

#include <QMouseEvent>
#include <QPainter>

#include "app/look/theme.h"
#include "coverage/lens_map.h"
#include "project/project.h"
#include "render/plan_marks.h"

namespace yemvo::app {

VariantMap::VariantMap(QWidget* parent) : MapInStep(parent) {}

void VariantMap::show_result(std::shared_ptr<const VariantResult> result, const StepView* view) {
    show_both(std::move(result), nullptr, view);
}

void VariantMap::show_both(std::shared_ptr<const VariantResult> left,
                           std::shared_ptr<const VariantResult> right, const StepView* view) {
    left_ = std::move(left);
    right_ = std::move(right);
    is_difference_ = false;
    view_ = view;
    update();
}

void VariantMap::show_difference(std::shared_ptr<const VariantResult> result,
                                 const std::shared_ptr<const VariantResult>& first, const StepView* view) {
    show_result(std::move(result), view);
    if (!left_ || !first) return;
    is_difference_ = true;
    change_ = lens_change(left_->predicted, left_->values, first->predicted, first->values,
                          lens(view->choice.lens));
}

double VariantMap::divider_px() const { return divider_ * width(); }

bool VariantMap::grasps(QPointF at) { return right_ && std::abs(at.x() - divider_px()) < 6; }

void VariantMap::drag(QPointF at) {
    divider_ = std::clamp(at.x() / std::max(1, width()), 0.02, 0.98);
    update();
}

void VariantMap::mouseMoveEvent(QMouseEvent* e) {
    setCursor(grasps(e->position()) ? Qt::SplitHCursor : Qt::ArrowCursor);
    MapInStep::mouseMoveEvent(e);
}

const VariantResult* VariantMap::at(QPointF px) const {
    return right_ && px.x() > divider_px() ? right_.get() : left_.get();
}

QString VariantMap::told() const {
    if (!view_ || !view_->pointed) return {};
    const VariantResult* of = at(view_->map.to_screen(*view_->pointed));
    if (!of) return {};
    return value_words(of->predicted, is_difference_ ? change_ : of->values, view_->choice.lens,
                       is_difference_, *view_->pointed);
}

void VariantMap::paint_variant(QPainter& p, const VariantResult& of) const {
    render::MapChoice choice = view_->choice;
    if (is_difference_) choice.against = render::Against::variant;
    paint_floor(p, of.project, of.predicted, is_difference_ ? change_ : of.values, choice);
    for (const AccessPoint& ap : access_points(of.project, of.predicted.floor))
        render::paint_badge(p, view_->map.to_screen(ap.position), of.project, ap, render::BadgeState::plain,
                            theme());
}

void VariantMap::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHints(QPainter::Antialiasing | QPainter::TextAntialiasing);
    p.fillRect(rect(), theme().paper);
    if (!view_ || !left_) return paint_waiting(p);
    paint_variant(p, *left_);
    if (right_) {
        const double x = std::round(divider_px());
        p.save();
        p.setClipRect(QRectF(x, 0, width() - x, height()));
        p.fillRect(rect(), theme().paper);
        paint_variant(p, *right_);
        p.restore();
        p.setPen(QPen(theme().casing, 5));
        p.drawLine(QPointF(x, 0), QPointF(x, height()));
        p.setPen(QPen(theme().accent, 2));
        p.drawLine(QPointF(x, 0), QPointF(x, height()));
        p.setBrush(theme().accent);
        p.setPen(QPen(theme().casing, 2));
        p.drawRoundedRect(QRectF(x - 5, height() / 2.0 - 16, 10, 32), 5, 5);
    }
    paint_pointed(p, told());
}

}  // namespace yemvo::app
