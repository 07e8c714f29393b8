// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/follow_tool.h"

#include <algorithm>
#include <cmath>

#include "app/drawings/drawing_lines.h"
#include "app/look/theme.h"
#include "app/model/drawings_in_view.h"
#include "app/model/next_things.h"
#include "app/plan/wall_tool.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

std::vector<HintPart> FollowTool::hint() const {
    if (!workspace_.drawings().lines())
        return {{"", tr("this needs a CAD drawing (DXF) under the floor; others have no lines to follow")},
                {tr("Esc"), tr("exit tool")}};
    return {{"", tr("click near a line, or drag along several; two faces make one wall")},
            {tr("Esc"), tr("exit tool")}};
}

std::optional<TakenLine> FollowTool::at(const PointerEvent& e) const {
    if (!workspace_.drawings().lines()) return std::nullopt;
    const DrawingLines& drawn = *workspace_.drawings().lines();
    return taken_line(drawn.lines, drawn.layers, e.floor, (dragging_ ? 7 : 10) / map().px_per_m);
}

void FollowTool::take(const std::optional<TakenLine>& line) {
    if (!line) return;
    // one wall is taken once, whichever of its lines the pointer passes
    const bool known = std::any_of(taken_.begin(), taken_.end(), [&](const TakenLine& t) {
        return std::find_first_of(t.lines.begin(), t.lines.end(), line->lines.begin(), line->lines.end()) !=
               t.lines.end();
    });
    const bool inside =
        std::any_of(taken_.begin(), taken_.end(), [&](const TakenLine& t) { return lies_inside(*line, t); });
    if (known || inside) return;
    std::erase_if(taken_, [&](const TakenLine& t) { return lies_inside(t, *line); });
    taken_.push_back(*line);
}

void FollowTool::press(const PointerEvent& e) {
    if (!floor()) return;
    if (!workspace_.drawings().lines())
        return workspace_.tell(tr("There is no CAD drawing under this floor: drop a DXF on the plan first"),
                               true);
    taken_.clear();
    dragging_ = true;
    dragged_from_ = e.floor;
    take(at(e));
    surface_.repaint_tool();
}

void FollowTool::move(const PointerEvent& e) {
    if (!floor()) return;
    near_ = at(e);
    if (dragging_) {
        // what the hand moves along is meant, not what it crosses
        constexpr double told_px = 5, shortest_m = 0.5;
        const Point moved = e.floor - dragged_from_;
        if (length(moved) * map().px_per_m >= told_px) {
            const bool along = near_ && length(near_->centre) >= shortest_m &&
                               std::abs(dot(unit(near_->centre.b - near_->centre.a), unit(moved))) > 0.9;
            if (along) take(near_);
            dragged_from_ = e.floor;
        }
    }
    surface_.repaint_tool();
}

void FollowTool::release(const PointerEvent&) {
    if (!dragging_ || !floor()) return;
    dragging_ = false;
    if (taken_.empty()) return workspace_.tell(tr("No line of the drawing is near"), true);
    const auto runs = as_runs(taken_, *floor()->walls);
    const std::size_t count = taken_.size();
    taken_.clear();
    near_.reset();
    const FloorId at = workspace_.floor_id();
    workspace_.edit(counted("Follow a line", "Follow %n lines", count), [&](Project& p) {
        for (const auto& run : runs) {
            Wall wall = next_wall(workspace_, run);
            wall.points = run;  // the drawing told where its middle is
            add_wall(p, at, wall);
        }
    });
    surface_.repaint_tool();
}

bool FollowTool::back() {
    if (!dragging_) return false;
    dragging_ = false;
    taken_.clear();
    surface_.repaint_tool();
    return true;
}

void FollowTool::paint(QPainter& p) {
    if (!floor()) return;
    const auto draw = [&](const TakenLine& t, bool taken) {
        const double thickness_m =
            t.thickness_m > 0 ? t.thickness_m
                              : wall_type(workspace_.project(), workspace_.next()->wall_type).thickness_m;
        p.setPen(QPen(render::with_alpha(theme().accent, taken ? 0.75 : 0.35),
                      std::max(3.0, thickness_m * map().px_per_m), Qt::SolidLine, Qt::FlatCap));
        p.drawLine(map().to_screen(t.centre.a), map().to_screen(t.centre.b));
    };
    for (const TakenLine& t : taken_) draw(t, true);
    if (!near_) return;
    draw(*near_, false);
    const QString words =
        render::local(format_length(length(near_->centre), workspace_.units())) +
        (near_->thickness_m > 0 ? tr(", drawn %1 mm thick").arg(render::figure(near_->thickness_m * 1000))
                                : tr(", one line"));
    render::draw_halo_text(p, map().to_screen(lerp(near_->centre.a, near_->centre.b, 0.5)) + QPointF(0, -16),
                           words, render::font(11.5, 600), theme().accent, theme().casing);
}

}  // namespace yemvo::app
