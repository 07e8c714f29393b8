// SPDX-License-Identifier: GPL-3.0-or-later
// The drawings under the floor: what of them is asked to be painted behind the window.
#include "app/look/theme.h"
#include "app/model/drawings_in_view.h"
#include "app/plan/plan_view.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

render::LaidSheet older_of(const Drawing& d) {
    Drawing older = d;
    older.source = d.earlier->source;
    older.crop = d.earlier->crop;
    older.placement = d.earlier->placement;
    return render::laid(older, nullptr);
}

}  // namespace

void PlanView::request_drawings() {
    const Floor* f = workspace_.floor();
    const double ratio = devicePixelRatioF();
    DrawingWish wish;
    if (f)
        for (const Drawing& d : *f->drawings)
            if (d.shown) wish.drawings.push_back(d);
    if (const Floor* ghost = find_floor(workspace_.project(), workspace_.drawings().ghost()))
        for (const Drawing& d : *ghost->drawings)
            if (d.shown) wish.ghosts.push_back(d);
    wish.comparison = workspace_.drawings().comparison();
    if (wish.comparison.show == Comparison::Show::blink)
        wish.comparison.show = blink_older_ ? Comparison::Show::older : Comparison::Show::newer;
    const QPointF margin(margin_px, margin_px);
    wish.map = {map_.px_per_m * ratio, (map_.origin + margin) * ratio};
    wish.size = (size() + QSize(2 * margin_px, 2 * margin_px)) * ratio;
    if (workspace_.floor_id() != drawings_of_) drawings_ = {};
    drawings_of_ = workspace_.floor_id();
    if (!wish.drawings.empty() && lines_of_.drawings == wish.drawings && lines_of_.floor == drawings_of_)
        workspace_.drawings().set_lines(lines_of_.lines);
    if (wish == wish_) return;
    wish_ = wish;
    if (wish.drawings.empty() && wish.ghosts.empty()) {
        drawings_ = {};
        workspace_.drawings().set_lines(nullptr);
        lines_of_ = {};
        return;
    }
    drawings_pending_ = true;
    drawing_runner_->request(
        [wish, cache = sheets_, assets = workspace_.project().assets, gone = theme().not_met,
         come = theme().accent, dark = is_dark(), found_lines = found_lines_,
         known = lines_of_.drawings == wish.drawings && lines_of_.floor == drawings_of_,
         floor_id = drawings_of_](const CancelToken& cancel) {
            QString missing;
            const auto open = [&](render::LaidSheet& laid) {
                const auto found = assets.find(laid.source.asset);
                if (found == assets.end()) return;
                try {
                    laid.sheet = cache->open(found->second, laid.source, cancel);
                } catch (const Error& fault) {
                    missing = fault_text(fault);  // the others are still shown
                }
            };
            std::vector<render::LaidSheet> sheets;
            std::optional<QImage> difference;
            for (const Drawing& d : wish.ghosts) {
                render::LaidSheet ghost = render::laid(d, nullptr);
                ghost.tint = come;
                ghost.opacity = 0.35;
                open(ghost);
                sheets.push_back(ghost);
            }
            for (const Drawing& d : wish.drawings) {
                render::LaidSheet newer = render::laid(d, nullptr);
                newer.on_dark = dark;
                open(newer);
                if (d.earlier && d.id == wish.comparison.drawing &&
                    wish.comparison.show != Comparison::Show::newer) {
                    render::LaidSheet older = older_of(d);
                    older.on_dark = dark;
                    open(older);
                    if (wish.comparison.show == Comparison::Show::older)
                        sheets.push_back(older);
                    else
                        difference =
                            render::paint_difference(older, newer, wish.map, wish.size, gone, come, cancel);
                } else {
                    sheets.push_back(newer);
                }
            }
            if (!known) found_lines->put(floor_id, wish.drawings, sheets);
            QImage image = render::paint_sheets(sheets, wish.map, wish.size, cancel);
            if (difference) QPainter(&image).drawImage(0, 0, *difference);
            image.setText("fault", missing);
            return image;
        },
        wish.map, ratio);
}

}  // namespace yemvo::app
