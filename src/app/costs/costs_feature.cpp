// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/costs/costs_feature.h"

#include "app/costs/costs_page.h"
#include "render/tr.h"

namespace yemvo::app {

CostsFeature::CostsFeature(Shell& shell) : Feature(shell), page_(new CostsPage(workspace_, shell.frame())) {
    shell.tray_page(tr("Losses"), page_);
    shell.command("view.pages", {"view.costs", tr("Largest losses"), QKeySequence("Ctrl+Alt+M"),
                                 [this] { shell_.show_tray(page_); }});
}

}  // namespace yemvo::app
