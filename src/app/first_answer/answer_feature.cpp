// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/first_answer/answer_feature.h"

#include "app/first_answer/answer_page.h"
#include "app/model/activity.h"
#include "render/tr.h"

namespace yemvo::app {

AnswerFeature::AnswerFeature(Shell& shell)
    : Feature(shell), page_(new AnswerPage(workspace_, shell.frame())) {
    shell.page(page_, [] {
        return Hint{tr("First answer"),
                    {{"", tr("change what is chosen; a bar of a chart tries its value")},
                     {tr("Esc"), tr("back to the plan")}}};
    });
    shell.command("view.pages", {"view.answer", tr("First answer: how many access points"),
                                 QKeySequence("Ctrl+Shift+A"), [this] {
                                     page_->begin();
                                     shell_.show_page(page_);
                                 }});
    connect(page_, &AnswerPage::left, this, [this] { shell_.leave_page(); });
    connect(page_, &AnswerPage::placed, this, [this] {
        shell_.leave_page();
        workspace_.activity().set_step(Step::placement);
    });
}

}  // namespace yemvo::app
