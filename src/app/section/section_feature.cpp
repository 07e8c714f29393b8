// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/section/section_feature.h"

#include <QWidget>
#include <algorithm>

#include "app/asking/asking.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/section/section_view.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

SectionFeature::SectionFeature(Shell& shell)
    : Feature(shell), view_(new SectionView(workspace_, shell.frame())) {
    shell.put(Place::left, view_);
    connect(view_, &SectionView::add_floor_asked, this, &SectionFeature::add_on_top);
    connect(view_, &SectionView::duplicate_asked, this, &SectionFeature::duplicate);
    connect(view_, &SectionView::align_asked, this, &SectionFeature::align);
    shell.command("view.zoom", {"view.floor-above", tr("Floor above"), QKeySequence("Ctrl+PgUp"),
                                [this] { show_beside(1); }});
    shell.command("view.zoom", {"view.floor-below", tr("Floor below"), QKeySequence("Ctrl+PgDown"),
                                [this] { show_beside(-1); }});
    shell.command("plan.floors", {"plan.add-floor", tr("Add a floor on top"), {}, [this] { add_on_top(); }});
    shell.command("plan.floors",
                  {"plan.insert-floor", tr("Insert a floor above this one"), {}, [this] { insert_above(); }});
    shell.command("plan.floors", {"plan.duplicate-floor", tr("Duplicate this floor…"), {}, [this] {
                                      duplicate(workspace_.floor_id());
                                  }});
    shell.named_things([this](std::vector<NamedThing>& all) {
        for (const Floor* f : all_floors(workspace_.project()))
            all.push_back({QString::fromStdString(floor_title(workspace_.project(), *f)), tr("Floor"),
                           [this, id = f->id] { workspace_.in_view().show_floor(id); }});
    });
}

void SectionFeature::add_on_top() {
    if (!workspace_.floor()) return;
    const BuildingId id = building_with(workspace_.project(), workspace_.floor_id()).id;
    FloorId made;
    workspace_.edit(tr("Add floor"), [&](Project& p) { made = add_floor(p, id); });
    workspace_.in_view().show_floor(made);
}

void SectionFeature::insert_above() {
    FloorId made;
    workspace_.edit(tr("Insert floor"),
                    [&](Project& p) { made = insert_floor_above(p, workspace_.floor_id()); });
    workspace_.in_view().show_floor(made);
}

void SectionFeature::duplicate(FloorId id) {
    const Floor* floor = find_floor(workspace_.project(), id);
    if (!floor) return;
    const QString name = QString::fromStdString(floor->name);
    const auto parts = shell_.asking().duplicate(name);
    if (!parts) return;
    FloorId made;
    workspace_.edit(tr("Duplicate %1").arg(name), [&](Project& p) { made = duplicate_floor(p, id, *parts); });
    workspace_.in_view().show_floor(made);
}

void SectionFeature::show_beside(int by) {
    const auto& floors = building_with(workspace_.project(), workspace_.floor_id()).floors;
    const auto here = std::ranges::find(floors, workspace_.floor_id(), &Floor::id);
    const auto to = here - floors.begin() + by;
    if (to < 0 || to >= std::ssize(floors))
        return workspace_.tell(by > 0 ? tr("This is the topmost floor") : tr("This is the lowest floor"));
    workspace_.in_view().show_floor(floors[static_cast<std::size_t>(to)].id);
}

void SectionFeature::align(FloorId id) {
    workspace_.in_view().show_floor(id);
    workspace_.activity().set_step(Step::venue);
    workspace_.activity().set_tool(ToolId::align);
    if (QWidget* view = shell_.view_in_front()) view->setFocus();
}

}  // namespace yemvo::app
