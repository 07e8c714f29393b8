// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/handover/handover_feature.h"

#include "app/handover/handover_page.h"
#include "render/tr.h"

namespace yemvo::app {

HandoverFeature::HandoverFeature(Shell& shell)
    : Feature(shell), page_(new HandoverPage(workspace_, shell.asking(), shell.frame())) {
    shell.page(page_, [] {
        return Hint{tr("Hand over"),
                    {{"", tr("tick what the report holds, write it")},
                     {tr("double click"), tr("a page alone")},
                     {tr("Ctrl+wheel"), tr("more or fewer pages")},
                     {tr("Esc"), tr("back to the plan")}}};
    });
    shell.command("file.export",
                  {"file.handover", tr("&Hand over: report and files"), QKeySequence("Ctrl+Shift+H"),
                   [this] { shell_.show_page(page_); }, Needs::project});
    shell.works({[this] { return page_->doing(); }, [this] { page_->stop(); }});
    connect(page_, &HandoverPage::left, this, [this] { shell_.leave_page(); });
    connect(page_, &HandoverPage::progressed, this, [this] { shell_.work_changed(); });
}

}  // namespace yemvo::app
