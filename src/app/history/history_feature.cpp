// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/history/history_feature.h"

#include "app/history/history_page.h"
#include "render/tr.h"

namespace yemvo::app {

HistoryFeature::HistoryFeature(Shell& shell)
    : Feature(shell), page_(new HistoryPage(workspace_, shell.frame())) {
    shell.tray_page(tr("History"), page_);
    shell.command("view.pages", {"view.history", tr("History"), QKeySequence("Ctrl+H"), [this] {
                                     shell_.show_tray(page_);
                                     page_->setFocus();
                                 }});
}

}  // namespace yemvo::app
