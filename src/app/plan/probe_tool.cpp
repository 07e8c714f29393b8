// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/probe_tool.h"

#include "app/model/document.h"
#include "app/model/probing.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

void ProbeTool::press(const PointerEvent& e) {
    if (!floor()) return;
    constexpr double reach_px = 11;
    for (const Probe& p : *workspace_.project().probes) {
        const QPointF off = map().to_screen(p.place) - e.screen;
        if (p.floor == workspace_.floor_id() && std::hypot(off.x(), off.y()) <= reach_px) {
            held_ = p.number;
            merge_key_ = workspace_.document().new_merge_key();
            return workspace_.probing().choose(held_);
        }
    }
    int made = 0;
    const FloorId here = workspace_.floor_id();
    workspace_.edit(tr("Pin a probe"), [&](Project& p) { made = add_probe(p, here, e.floor); });
    workspace_.probing().choose(made);
    held_ = made;
    merge_key_ = workspace_.document().new_merge_key();
}

void ProbeTool::move(const PointerEvent& e) {
    if (!held_ || e.button != Qt::LeftButton) return;
    workspace_.edit(
        tr("Move a probe"), [&](Project& p) { move_probe(p, held_, e.floor); }, merge_key_);
}

void ProbeTool::release(const PointerEvent&) { held_ = 0; }

bool ProbeTool::key(QKeyEvent& e) {
    if (e.key() != Qt::Key_Delete && e.key() != Qt::Key_Backspace) return false;
    const int number = workspace_.probing().number();
    if (!number) return false;
    workspace_.edit(tr("Take a probe away"), [&](Project& p) { remove_probe(p, number); });
    return true;
}

}  // namespace yemvo::app
