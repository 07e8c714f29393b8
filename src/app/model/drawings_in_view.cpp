// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/drawings_in_view.h"

#include "app/model/in_view.h"
#include "app/model/workspace.h"
#include "project/project.h"
#include "venue/floor.h"

namespace yemvo::app {

DrawingsInView::DrawingsInView(Workspace& workspace) : workspace_(workspace) {
    connect(&workspace.in_view(), &InView::floor_left, this, [this] {
        comparison_ = {};
        lines_ = nullptr;
    });
}

void DrawingsInView::start() {
    chosen_ = {};
    comparison_ = {};
    ghost_ = {};
    lines_ = nullptr;
}

const Drawing* DrawingsInView::drawing() const {
    const Floor* f = workspace_.floor();
    if (!f || f->drawings->empty()) return nullptr;
    if (const Drawing* chosen = find_drawing(*f, chosen_)) return chosen;
    for (const Drawing& d : *f->drawings)
        if (d.shown && !d.to_scale()) return &d;
    return &f->drawings->back();
}

void DrawingsInView::choose(DrawingId id) {
    if (id == chosen_) return;
    chosen_ = id;
    emit changed();
}

void DrawingsInView::compare(const Comparison& c) {
    if (c == comparison_) return;
    comparison_ = c;
    emit changed();
}

void DrawingsInView::show_ghost(FloorId id) {
    if (id == ghost_) return;
    ghost_ = id;
    emit changed();
}

}  // namespace yemvo::app
