// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/cables/counting_form.h"

#include "app/forms/form.h"
#include "app/forms/form_parts.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

struct Field {
    const char *label, *object;
    double CablingBook::*value;
    bool percent;
};

constexpr Field counted[] = {{mark("Slack"), "cablingSlackShare", &CablingBook::slack_share, true},
                             {mark("and at the ends"), "cablingSlack", &CablingBook::slack_m, false},
                             {mark("Cords"), "cablingCords", &CablingBook::cords_m, false},
                             {mark("Panel height"), "cablingPanel", &CablingBook::panel_m, false},
                             {mark("Below the slab"), "cablingBelow", &CablingBook::below_top_m, false},
                             {mark("Outlet reach"), "cablingOutlet", &CablingBook::outlet_reach_m, false}};
constexpr Field limited[] = {{mark("Link"), "cablingLink", &CablingBook::most_link_m, false},
                             {mark("Channel"), "cablingChannel", &CablingBook::most_channel_m, false},
                             {mark("Switch watts"), "cablingBudget", &CablingBook::budget_share, true}};

void add(Form& form, Workspace& w, const Field& f) {
    const auto set = [&w, f](double v) {
        w.edit(tr("Change how cables are counted"), [&](Project& p) { p.cabling.*f.value = v; });
    };
    if (f.percent)
        form.number_field(
            form.row(tr(f.label)), f.object, "%", 0, [&w, f] { return 100 * w.project().cabling.*f.value; },
            [set](double v) { set(v / 100); }, {0, 100});
    else
        form.length_field(
            form.row(tr(f.label)), f.object, metre(w), [&w, f] { return w.project().cabling.*f.value; }, set,
            limits::cable_m);
}

}  // namespace

Form* counting_form(Workspace& w) {
    auto* form = new Form(w, nullptr);
    form->group(tr("How cables are counted"));
    for (const Field& f : counted) add(*form, w, f);
    form->group(tr("At most"));
    for (const Field& f : limited) add(*form, w, f);
    form->name_field(
        form->row(tr("Cable")), "cablingCable",
        [&w] { return QString::fromStdString(w.project().cabling.cable); },
        [&w](const QString& text) {
            w.edit(tr("Rename cable"), [&](Project& p) { p.cabling.cable = text.toStdString(); });
        });
    form->stretch();
    return form;
}

}  // namespace yemvo::app
