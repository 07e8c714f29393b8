// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/demand/demand_feature.h"

#include <QMenu>

#include "app/asking/asking.h"
#include "app/demand/capacity_result.h"
#include "app/demand/demand_page.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/going.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "app/model/shown_map.h"
#include "project/demand_edits.h"
#include "render/tr.h"

namespace yemvo::app {

DemandFeature::DemandFeature(Shell& shell)
    : Feature(shell), page_(new DemandPage(workspace_, shell.frame())) {
    const auto solver = std::make_shared<CapacitySolver>();
    workspace_.results().teach(
        {typeid(SiteCapacity), {}, [this, solver] { return capacity_work(workspace_.project(), solver); }});
    shell.tray_page(tr("Demand"), page_);
    shell.command("view.pages", {"view.demand", tr("Demand by zone"), QKeySequence("Ctrl+Alt+Z"),
                                 [this] { shell_.show_tray(page_); }});
    Command clients{"demand.clients", tr("Clients on the plan"), QKeySequence("Ctrl+Alt+C"),
                    [this] { workspace_.shown().show_clients(!workspace_.shown().clients()); }};
    clients.is_on = [this] { return workspace_.shown().clients(); };
    clients.tip =
        tr("Each client as a dot joined to the access point that serves it; hollow where it does not get "
           "what it needs");
    shell.command("view.map", clients);
    QMenu* hours = shell.menu("view.map", tr("Busy hours"));
    const auto offer = [&](const char* id, const QString& text, void (DemandFeature::*run)(),
                           const char* key = "") {
        shell.command_in(hours, {id, text, QKeySequence(key), [this, run] { (this->*run)(); }});
    };
    offer("demand.next-hour", tr("Next busy hour"), &DemandFeature::next_hour, "Ctrl+Alt+H");
    offer("demand.new-hour", tr("New busy hour…"), &DemandFeature::add_hour);
    offer("demand.rename-hour", tr("Rename busy hour…"), &DemandFeature::rename_hour);
    offer("demand.remove-hour", tr("Remove busy hour"), &DemandFeature::remove_hour);
    page_->set_hours_menu(hours);
    connect(&workspace_.activity(), &Activity::step_changed, this, [this] {
        if (workspace_.activity().step() == Step::demand) shell_.show_tray(page_);
    });
    listen(this, &DemandFeature::want_capacity, workspace_, &Workspace::project_changed,
           workspace_.document(), &Document::opened);
}

void DemandFeature::want_capacity() {
    const bool any = workspace_.document().is_open() && has_demand(workspace_.project());
    workspace_.results().want<SiteCapacity>(this, any);
}

void DemandFeature::change(const QString& label, const std::function<void(Project&)>& how) {
    try {
        workspace_.edit(label, how);
    } catch (const Error& refused) {
        workspace_.tell(fault_text(refused), true);
    }
}

void DemandFeature::add_hour() {
    const QString name = shell_.asking().name(tr("New busy hour"), tr("Evening"));
    if (name.trimmed().isEmpty()) return;
    change(tr("Add busy hour"),
           [&](Project& p) { p.demand.hour = add_busy_hour(p, name.trimmed().toStdString()); });
}

void DemandFeature::rename_hour() {
    const BusyHour* now = find_hour(workspace_.project().demand, workspace_.project().demand.hour);
    if (!now) return;
    const QString name = shell_.asking().name(tr("Rename busy hour"), QString::fromStdString(now->name));
    if (name.trimmed().isEmpty()) return;
    change(tr("Rename busy hour"),
           [&, key = now->key](Project& p) { rename_busy_hour(p, key, name.trimmed().toStdString()); });
}

void DemandFeature::remove_hour() {
    change(tr("Remove busy hour"), [](Project& p) { remove_busy_hour(p, std::string(p.demand.hour)); });
}

void DemandFeature::next_hour() {
    const auto& hours = workspace_.project().demand.hours;
    if (hours.size() < 2) return workspace_.tell(tr("There is one busy hour only"));
    const auto at = std::ranges::find(hours, workspace_.project().demand.hour, &BusyHour::key);
    const auto next = at == hours.end() || at + 1 == hours.end() ? hours.begin() : at + 1;
    look_at_hour(workspace_, std::string(next->key));
}

}  // namespace yemvo::app
