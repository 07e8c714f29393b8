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
    connect(&workspace_.document(), &Document::opened, this, [this] {
        country_ = workspace_.document().is_open() ? workspace_.project().settings.country : "";
        looks_left_ = 0;
    });
    connect(&workspace_, &Workspace::project_changed, this, &FindingsFeature::follow_country);
    connect(&workspace_.found(), &FoundFindings::changed, this, &FindingsFeature::tell_what_no_longer_fits);
    connect(&runner_, &FindingsRunner::failed, this,
            [this](const QString& why) { workspace_.tell(why, true); });
}

FindingsFeature::~FindingsFeature() { runner_.disconnect(); }

void FindingsFeature::follow_country() {
    if (!workspace_.document().is_open() || workspace_.project().settings.country == country_) return;
    country_ = workspace_.project().settings.country;
    constexpr int looks = 3;  // what was under way is still of the country before
    looks_left_ = looks;
}

/// What the new country bars stands in front, with its mend for all.
void FindingsFeature::tell_what_no_longer_fits() {
    if (looks_left_ == 0) return;
    --looks_left_;
    std::size_t barred = 0, loud = 0;
    for (const Finding& f : *workspace_.found().all()) {
        barred += f.rule == Rule::channel_barred && !f.waived;
        loud += f.rule == Rule::eirp_over && !f.waived;
    }
    if (barred + loud == 0) return;
    looks_left_ = 0;
    shell_.show_tray(page_);
    page_->choose({Rule::channel_barred, Rule::eirp_over});
    workspace_.tell(tr("In this country %1 radios stand on barred channels, %2 send too loud: mend them here")
                        .arg(barred)
                        .arg(loud),
                    true);
}

void FindingsFeature::look() {
    const bool open = workspace_.document().is_open();
    if (open) runner_.request(workspace_.project(), workspace_.results().prediction());
}

}  // namespace yemvo::app
