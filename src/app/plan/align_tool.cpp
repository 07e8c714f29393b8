// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/align_tool.h"

#include <algorithm>

#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/aligning.h"
#include "app/model/drawings_in_view.h"
#include "app/model/tool_id.h"
#include "geometry/point.h"
#include "geometry/similarity_fit.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

FloorId usual_ghost(const Project& project, FloorId id) {
    if (const Floor* below = floor_below(project, id)) return below->id;
    const auto& floors = building_with(project, id).floors;
    for (std::size_t i = 0; i + 1 < floors.size(); ++i)
        if (floors[i].id == id) return floors[i + 1].id;
    return {};
}

void align_now(Workspace& w) {
    if (!w.floor() || !w.drawings().ghost()) return;
    try {
        const SimilarityFit fit = fit_similarity(w.aligning().pairs(), w.aligning().freedom());
        const FloorId at = w.floor_id(), to = w.drawings().ghost();
        const Alignment alignment{to, w.aligning().pairs()};
        w.aligning().clear();
        w.edit(tr("Align floor"), [&](Project& p) { align_floor(p, at, fit.map, alignment); });
        w.tell(tr("Aligned to %1; the pairs agree within %2 m")
                   .arg(QString::fromStdString(find_floor(w.project(), to)->name))
                   .arg(render::figure(*std::max_element(fit.residual_m.begin(), fit.residual_m.end()), 3)));
        w.activity().set_tool(ToolId::select);
    } catch (const Error& fault) {
        w.tell(fault_text(fault), true);
    }
}

AlignTool::AlignTool(Workspace& workspace, PlanSurface& surface) : Tool(workspace, surface) { begin(); }

void AlignTool::begin() {
    workspace_.aligning().clear();
    here_.reset();
    if (!floor()) return;
    workspace_.aligning().allow(needs_scale(*floor()) ? Freedom::shift_turn_scale : Freedom::shift_turn);
    workspace_.drawings().show_ghost(usual_ghost(workspace_.project(), workspace_.floor_id()));
    if (!workspace_.drawings().ghost())
        workspace_.tell(tr("There is no other floor in this building to align to"), true);
}

std::vector<HintPart> AlignTool::hint() const {
    if (!ghost()) return {{"", tr("there is no other floor in this building")}};
    const QString other = QString::fromStdString(ghost()->name);
    if (here_)
        return {{"", tr("click where that place is on %1 (blue)").arg(other)},
                {tr("Esc"), tr("undo last point")}};
    std::vector<HintPart> parts{{"", tr("click a place of this floor that %1 has too").arg(other)}};
    if (workspace_.aligning().enough_pairs()) parts.push_back({tr("Enter"), tr("align")});
    parts.push_back(
        {tr("Esc"), workspace_.aligning().pairs().empty() ? tr("exit tool") : tr("undo last point")});
    return parts;
}

void AlignTool::move(const PointerEvent& e) {
    SnapOptions o = snap_options(e);
    o.grid_m = 0;
    const Floor* on = here_ ? ghost() : floor();
    pointer_ = on ? snap(*on, e.floor, o) : Snapped{e.floor, SnapKind::none, {}};
    surface_.repaint_tool();
}

void AlignTool::press(const PointerEvent& e) {
    if (!ghost()) return;
    move(e);
    if (!here_) {
        here_ = pointer_.point;
    } else {
        const PointPair pair{*here_, pointer_.point};
        here_.reset();
        workspace_.aligning().add(pair);
        if (workspace_.aligning().enough_pairs() && !workspace_.aligning().fit())
            workspace_.tell(tr("The places of the pairs coincide: choose places far apart"), true);
    }
    surface_.repaint_tool();
}

bool AlignTool::key(QKeyEvent& e) {
    if (e.key() == Qt::Key_Return || e.key() == Qt::Key_Enter) {
        align_now(workspace_);
        return true;
    }
    if (e.key() == Qt::Key_Backspace) return back();
    return false;
}

bool AlignTool::back() {
    if (here_) {
        here_.reset();
    } else if (!workspace_.aligning().pairs().empty()) {
        here_ = workspace_.aligning().pairs().back().here;
        workspace_.aligning().remove(workspace_.aligning().pairs().size() - 1);
    } else {
        return false;
    }
    surface_.repaint_tool();
    return true;
}

void AlignTool::leave() {
    here_.reset();
    workspace_.aligning().clear();
    workspace_.drawings().show_ghost({});
}

void AlignTool::abandon() { begin(); }

void AlignTool::paint(QPainter& p) {
    const auto& c = theme();
    if (const Floor* other = ghost()) {
        for (const Wall& w : *other->walls) {
            QPolygonF line;
            for (Point q : w.points) line << map().to_screen(q);
            const double width =
                std::max(wall_type(workspace_.project(), w.type).thickness_m * map().px_per_m, 1.5);
            p.setBrush(Qt::NoBrush);
            p.setPen(
                QPen(render::with_alpha(c.accent, 0.32), width, Qt::SolidLine, Qt::FlatCap, Qt::MiterJoin));
            p.drawPolyline(line);
        }
    }
    const auto fit = workspace_.aligning().fit();
    for (std::size_t i = 0; i < workspace_.aligning().pairs().size(); ++i) {
        const PointPair& pair = workspace_.aligning().pairs()[i];
        const bool bad = fit && fit->outlier == i;
        const QColor ink = bad ? c.not_met : c.accent;
        const QPointF a = map().to_screen(pair.here), b = map().to_screen(pair.there);
        for (const QPen& pen : {QPen(c.casing, 5), QPen(ink, 1.6)}) {
            p.setPen(pen);
            p.drawLine(a, b);
        }
        p.setPen(QPen(ink, 1.6));
        p.setBrush(c.tile);
        p.drawRect(QRectF(a.x() - 4, a.y() - 4, 8, 8));
        p.drawEllipse(b, 5, 5);
        QString words = QString::number(i + 1);
        if (fit) words += "  " + render::figure(fit->residual_m[i], 2) + " m";
        const bool at_edge = b.x() > p.viewport().width() - 70;
        render::draw_halo_text(p, b + QPointF(at_edge ? -11 : 11, -11), words, render::font(11.5, 600), ink,
                               c.casing, 4, at_edge ? Qt::AlignRight : Qt::AlignLeft);
    }
    if (here_) {
        const QPointF a = map().to_screen(*here_), b = map().to_screen(pointer_.point);
        p.setPen(QPen(c.accent, 1.2, Qt::DashLine));
        p.drawLine(a, b);
        p.setPen(QPen(c.accent, 1.6));
        p.setBrush(c.tile);
        p.drawRect(QRectF(a.x() - 4, a.y() - 4, 8, 8));
    }
    paint_snap(p, pointer_);
}

}  // namespace yemvo::app
