// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/going.h"

#include "app/model/activity.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/model/workspace.h"
#include "checks/findings.h"
#include "project/items.h"
#include "render/tr.h"

namespace yemvo::app {

void show_finding(Workspace& w, const Finding& f) {
    if (f.floor && find_floor(w.project(), f.floor)) w.in_view().show_floor(f.floor);
    w.activity().set_tool(ToolId::select);
    w.selection().select_alone(f.items);
    w.in_view().mark_place(f.has_place ? std::optional(f.place) : std::nullopt);
}

void look_at(Workspace& w, const Requirement& r, BandSet shown, FloorId floor, std::optional<Point> place) {
    w.in_view().show_floor(floor);
    render::MapChoice choice = w.shown().map();
    if (const auto id = find_lens(r.lens)) choice.lens = *id;
    choice.bands = shown;
    choice.threshold = r.limit_in(shown.first());
    choice.against = render::Against::nothing;
    w.shown().show_all_radios(choice);
    w.in_view().mark_place(place);
}

void look_at_hour(Workspace& w, const std::string& key) {
    if (key == w.project().demand.hour || !find_hour(w.project().demand, key)) return;
    // the key may stand in what the edit changes
    w.edit(tr("Look at another busy hour"), [key = key](Project& p) { p.demand.hour = key; });
}

void choose_grid(Workspace& w, double grid_m) {
    w.edit(tr("Change grid"), [&](Project& p) { p.settings.grid_m = grid_m; });
}

}  // namespace yemvo::app
