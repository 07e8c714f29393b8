// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/findings/findings_feature.h"

#include "app/findings/findings_button.h"
#include "app/findings/findings_page.h"
#include "app/model/document.h"
#include "app/model/found_findings.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "app/model/wishes.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {

FindingsFeature::FindingsFeature(Shell& shell)
    : Feature(shell), page_(new FindingsPage(workspace_, shell.frame())) {
    const auto show = [this] { shell_.show_tray(page_); };
    shell.tray_page(tr("Findings"), page_);
    auto* button = new FindingsButton(workspace_, shell.frame());
    shell.put(Place::header, button);
    shell.command("view.pages", {"view.findings", tr("Findings"), QKeySequence("Ctrl+F"), show});
    listen(this, show, *button, &QAbstractButton::clicked, workspace_.wishes(), &Wishes::findings);
    listen(
        this, [this] { look(); }, workspace_, &Workspace::project_changed, workspace_.document(),
        &Document::opened, workspace_.results(), &Results::changed);
    connect(&runner_, &FindingsRunner::found, &workspace_.found(), &FoundFindings::set);
    connect(&runner_, &FindingsRunner::failed, this,
            [this](const QString& why) { workspace_.tell(why, true); });
}

FindingsFeature::~FindingsFeature() { runner_.disconnect(); }

void FindingsFeature::look() {
    const bool open = workspace_.document().is_open();
    if (open) runner_.request(workspace_.project(), workspace_.results().prediction());
}

}  // namespace yemvo::app
