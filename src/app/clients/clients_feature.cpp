// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/clients/clients_feature.h"

#include "app/clients/clients_page.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

ClientsFeature::ClientsFeature(Shell& shell)
    : Feature(shell), page_(new ClientsPage(workspace_, shell.asking(), shell.frame())) {
    shell.page(page_, [] {
        return Hint{tr("Clients"),
                    {{"", tr("choose a client profile, an application or a network, and change it")},
                     {tr("Esc"), tr("back to the plan")}}};
    });
    const auto show = [this](const Keyed& what) {
        page_->show_thing(what);
        shell_.show_page(page_);
    };
    shell.command("view.pages", {"view.clients", tr("Clients, applications and networks"),
                                 QKeySequence("Ctrl+Shift+L"), [show] { show({}); }});
    connect(page_, &ClientsPage::left, this, [this] { shell_.leave_page(); });
    shell.named_things([this, show](std::vector<NamedThing>& all) {
        const auto add = [&](const auto& list, KeyedKind kind, const QString& where) {
            for (const auto& thing : list)
                all.push_back({QString::fromStdString(thing.name), where,
                               [show, what = Keyed{kind, thing.key}] { show(what); }});
        };
        const Project& p = workspace_.project();
        add(*p.clients, KeyedKind::client, tr("Client profile"));
        add(*p.demand.applications, KeyedKind::application, tr("Application"));
        add(*p.demand.networks, KeyedKind::network, tr("Network"));
    });
}

}  // namespace yemvo::app
